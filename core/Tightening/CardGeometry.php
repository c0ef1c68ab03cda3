<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Drawing\Frame;

/**
 * The bolt card as a drawing: where each fastener stands, how big its head is, the outline round them. Units are those
 * of the layout (mm where points are given); a ring, line or grid is spread so that heads have room.
 */
final readonly class CardGeometry
{
    /** Width across flats by nominal thread diameter in mm, ISO 272. */
    private const ACROSS_FLATS = [
        3 => 5.5, 4 => 7, 5 => 8, 6 => 10, 7 => 11, 8 => 13, 10 => 16, 12 => 18, 14 => 21, 16 => 24, 18 => 27, 20 => 30, 22 => 34,
        24 => 36,
    ];

    /**
     * @param list<array{float, float}> $points
     * @param list<array{float, float}> $hull convex outline of the points, in order round it
     */
    private function __construct(
        public array $points,
        public array $hull,
        public float $head,
        public float $boss,
        public float $bore,
        public Frame $frame,
        public bool $toScale,
    ) {
    }

    /** @param float $diameter nominal thread diameter in mm; 0 where it is not known */
    public static function of(Layout $layout, float $diameter): self
    {
        $head = self::ACROSS_FLATS[(int) floor($diameter)] ?? 13.0;
        $toScale = 'points' === $layout->shape;
        $spread = $toScale ? 1.0 : match ($layout->shape) {
            'ring' => max(3.2, 0.55 * $layout->count()) * $head,
            default => 3.0 * $head,
        };
        $points = array_map(static fn (array $p): array => [$p[0] * $spread, $p[1] * $spread], $layout->points);
        $boss = $head * 0.95;
        $xs = array_column($points, 0);
        $ys = array_column($points, 1);
        $margin = $boss * 2.6;
        $spanX = max($xs) - min($xs);
        $spanY = max($ys) - min($ys);

        return new self(
            $points, self::hull($points), $head, $boss,
            count($points) > 2 && !in_array($layout->shape, ['line', 'grid'], true) ? min($spanX, $spanY) * 0.25 : 0.0,
            new Frame(min($xs) - $margin, min($ys) - $margin, $spanX + 2 * $margin, $spanY + 2 * $margin), $toScale,
        );
    }

    /** The six corners of a hexagon head about the origin, as an SVG point list. */
    public function hexagon(): string
    {
        $radius = $this->head / sqrt(3);
        $corners = [];
        for ($i = 0; $i < 6; ++$i) {
            $corners[] = sprintf('%.2F,%.2F', $radius * cos(\M_PI / 3 * $i), $radius * sin(\M_PI / 3 * $i));
        }

        return implode(' ', $corners);
    }

    public function centreX(): float
    {
        return $this->frame->left + $this->frame->width / 2;
    }

    /** The middle of the body between the fasteners: their mean, which sits lower than the middle of the frame on a three-bolt cover. */
    public function bodyY(): float
    {
        return array_sum(array_column($this->points, 1)) / max(1, count($this->points));
    }

    /**
     * A point moved outward from the middle by so much, for a number beside the head; over it where three and more stand in a row.
     *
     * @return array{float, float}
     */
    public function beside(int $bolt, float $by): array
    {
        [$x, $y] = $this->points[$bolt - 1];
        $heights = array_column($this->points, 1);
        if (count($heights) > 2 && max($heights) - min($heights) < 1e-6) {
            return [$x, $y - $by];
        }
        [$dx, $dy] = [$x - $this->centreX(), $y - $this->bodyY()];
        $length = hypot($dx, $dy);

        return $length < 1e-6 ? [$x + $by, $y] : [$x + $dx / $length * $by, $y + $dy / $length * $by];
    }

    /**
     * Andrew's monotone chain.
     *
     * @param non-empty-list<array{float, float}> $points
     *
     * @return list<array{float, float}>
     */
    private static function hull(array $points): array
    {
        usort($points, static fn (array $a, array $b): int => $a <=> $b);
        if (count($points) < 3) {
            return $points;
        }

        return [...self::chain($points), ...self::chain(array_reverse($points))];
    }

    /**
     * One half of the hull, without its last point.
     *
     * @param list<array{float, float}> $sorted
     *
     * @return list<array{float, float}>
     */
    private static function chain(array $sorted): array
    {
        $chain = [];
        foreach ($sorted as $p) {
            while (count($chain) >= 2 && self::turn($chain[count($chain) - 2], $chain[count($chain) - 1], $p) <= 0) {
                array_pop($chain);
            }
            $chain[] = $p;
        }
        array_pop($chain);

        return $chain;
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     * @param array{float, float} $c
     */
    private static function turn(array $a, array $b, array $c): float
    {
        return ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]);
    }
}
