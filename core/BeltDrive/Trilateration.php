<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * A point from its measured distances to known points, in mm: two give it on the side that is said, more are levelled by least
 * squares (Gauss–Newton) and leave a residual.
 */
final readonly class Trilateration
{
    private const ROUNDS = 50;

    /**
     * @param list<float> $residuals mm, measured less computed, in the order of the distances
     * @param float $doubt mm: root mean square of what does not fit; 0 where nothing is over
     */
    private function __construct(public float $x, public float $y, public array $residuals, public float $doubt)
    {
    }

    /**
     * @param list<array{float, float, float}> $distances x and y of a known point, and how far it is from there
     * @param bool $isLeft whether the point lies to the left of the way from the first known point to the second
     *
     * @throws NoSuchPoint where the circles do not meet, or the known points are one
     */
    public static function of(array $distances, bool $isLeft): self
    {
        count($distances) >= 2 || throw NoSuchPoint::tooFew();
        [[$ax, $ay, $a], [$bx, $by, $b]] = $distances;
        $base = hypot($bx - $ax, $by - $ay);
        $base > 1e-6 || throw NoSuchPoint::samePoint();
        $along = ($a ** 2 - $b ** 2 + $base ** 2) / (2 * $base);
        $square = $a ** 2 - $along ** 2;
        $isOnly = 2 === count($distances);
        $square >= -1e-6 * $a ** 2 || !$isOnly || throw NoSuchPoint::apart($base, $a, $b);
        $off = sqrt(max(0.0, $square)) * ($isLeft ? 1 : -1);
        [$ux, $uy] = [($bx - $ax) / $base, ($by - $ay) / $base];
        [$x, $y] = [$ax + $along * $ux - $off * $uy, $ay + $along * $uy + $off * $ux];

        return self::levelled($distances, $x, $y);
    }

    /** @param list<array{float, float, float}> $distances */
    private static function levelled(array $distances, float $x, float $y): self
    {
        for ($round = 0; $round < self::ROUNDS; ++$round) {
            $xx = $xy = $yy = $rx = $ry = 0.0;
            foreach ($distances as [$px, $py, $far]) {
                $now = max(1e-9, hypot($x - $px, $y - $py));
                [$ux, $uy, $rest] = [($x - $px) / $now, ($y - $py) / $now, $far - $now];
                [$xx, $xy, $yy] = [$xx + $ux * $ux, $xy + $ux * $uy, $yy + $uy * $uy];
                [$rx, $ry] = [$rx + $ux * $rest, $ry + $uy * $rest];
            }
            $det = $xx * $yy - $xy * $xy;
            if (abs($det) < 1e-12) {
                break;
            }
            [$dx, $dy] = [($yy * $rx - $xy * $ry) / $det, ($xx * $ry - $xy * $rx) / $det];
            [$x, $y] = [$x + $dx, $y + $dy];
            if (hypot($dx, $dy) < 1e-12) {
                break;
            }
        }
        $residuals = array_map(static fn (array $one): float => $one[2] - hypot($x - $one[0], $y - $one[1]), $distances);
        $over = count($distances) - 2;
        $sum = array_sum(array_map(static fn (float $one): float => $one ** 2, $residuals));

        return new self($x, $y, $residuals, $over > 0 ? sqrt($sum / $over) : 0.0);
    }
}
