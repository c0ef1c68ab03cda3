<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo;

/**
 * How the plane of the marks is seen: through a lens, then in perspective. Two marks are a known distance, and the camera stood square
 * to it; of five or more in a picture of known size the lens is found with it, held towards none by what is usual. px in, mm out.
 */
final readonly class CameraModel
{
    /** From this many marks on there is something left to tell the lens by. */
    public const LENS_FROM = 5;
    /** px a mark is taken to be off, where it is weighed against the usual lens. */
    private const OFF = 0.5;
    private const STEP = 0.02;
    private const ROUNDS = 3;

    private function __construct(public Homography $plane, public ?Lens $lens)
    {
    }

    /**
     * @param non-empty-list<array{float, float, float, float}> $marks px, px, mm, mm
     * @param ?Lens $lens of a picture whose size is known
     * @param float $usual what the lens is held towards
     *
     * @throws \DomainException where the marks hold no plane
     */
    public static function of(array $marks, ?Lens $lens, float $usual = 0.0): self
    {
        if (null === $lens || count($marks) < self::LENS_FROM) {
            $bent = $lens?->bending($usual);

            return new self(self::plane($marks, $bent), $bent);
        }
        $k = $usual;
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $step = self::STEP / 4 ** $round;
            [$less, $here, $more] = [
                self::cost($marks, $lens->bending($k - $step), $usual), self::cost($marks, $lens->bending($k), $usual),
                self::cost($marks, $lens->bending($k + $step), $usual),
            ];
            $bend = $less - 2 * $here + $more;
            $k += $bend > 0.0 ? max(-8 * $step, min(8 * $step, 0.5 * $step * ($less - $more) / $bend)) : 0.0;
        }

        return new self(self::plane($marks, $lens->bending($k)), $lens->bending($k));
    }

    /** @return array{float, float} mm */
    public function at(float $x, float $y): array
    {
        return $this->plane->at(...($this->lens?->straight($x, $y) ?? [$x, $y]));
    }

    public function w(float $x, float $y): float
    {
        return $this->plane->w(...($this->lens?->straight($x, $y) ?? [$x, $y]));
    }

    /**
     * What is left over at the marks, in squares of what a mark may be off, and how unusual the lens is.
     *
     * @param non-empty-list<array{float, float, float, float}> $marks
     */
    private static function cost(array $marks, Lens $lens, float $usual): float
    {
        $sight = new self(self::plane($marks, $lens), $lens);
        $sum = (($lens->k - $usual) / Lens::USUAL) ** 2;
        foreach ($marks as [$x, $y, $u, $v]) {
            [$a, $b] = $sight->at($x, $y);
            [$ra, $rb] = $sight->at($x + 1, $y);
            [$da, $db] = $sight->at($x, $y + 1);
            $perPx = 0.5 * (($ra - $a) ** 2 + ($rb - $b) ** 2 + ($da - $a) ** 2 + ($db - $b) ** 2);
            $sum += (($a - $u) ** 2 + ($b - $v) ** 2) / max(1e-18, $perPx * self::OFF ** 2);
        }

        return $sum;
    }

    /** @param non-empty-list<array{float, float, float, float}> $marks */
    private static function plane(array $marks, ?Lens $lens): Homography
    {
        $straight = null === $lens ? $marks : array_map(static function (array $one) use ($lens): array {
            [$x, $y] = $lens->straight($one[0], $one[1]);

            return [$x, $y, $one[2], $one[3]];
        }, $marks);

        return Homography::of(2 === count($straight) ? self::squared($straight) : $straight);
    }

    /**
     * Two marks and what stands square on the line between them, in the picture as in the plane.
     *
     * @param non-empty-list<array{float, float, float, float}> $two
     *
     * @return non-empty-list<array{float, float, float, float}>
     */
    private static function squared(array $two): array
    {
        [$a, $b] = [$two[0], $two[1] ?? $two[0]];
        $by = [$a[1] - $b[1], $b[0] - $a[0], $a[3] - $b[3], $b[2] - $a[2]];

        return [
            $a, $b, [$b[0] + $by[0], $b[1] + $by[1], $b[2] + $by[2], $b[3] + $by[3]],
            [$a[0] + $by[0], $a[1] + $by[1], $a[2] + $by[2], $a[3] + $by[3]],
        ];
    }
}
