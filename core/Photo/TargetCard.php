<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo;

/**
 * The card that is laid beside what is measured: eight six-sided nuts, black with a round white hole, at places that are alike under no
 * turn. mm, across and down from the first nut; assets/js/card.js finds them by the same figures.
 */
final readonly class TargetCard
{
    /** @var non-empty-list<array{float, float}> clockwise from the top left */
    public const MARKS = [
        [0.0, 0.0], [40.0, 0.0], [130.0, 0.0], [130.0, 25.0], [130.0, 80.0], [75.0, 80.0], [0.0, 80.0], [0.0, 60.0],
    ];
    /** Across flats. */
    public const FLATS = 12.0;
    /** Radius of the hole. */
    public const HOLE = 2.6;
    /** From the outer marks to the edge of the card. */
    public const EDGE = 12.0;

    /**
     * Of each nut its six corners and its middle, from the edge of the card.
     *
     * @return non-empty-array<array{list<array{float, float}>, array{float, float}}>
     */
    public static function nuts(): array
    {
        $reach = self::FLATS / sqrt(3.0);

        return array_map(static function (array $mark) use ($reach): array {
            [$x, $y] = [$mark[0] + self::EDGE, $mark[1] + self::EDGE];
            $corners = array_map(static fn (int $i): array => [
                $x + $reach * cos($i * \M_PI / 3), $y + $reach * sin($i * \M_PI / 3),
            ], range(0, 5));

            return [$corners, [$x, $y]];
        }, self::MARKS);
    }

    public static function width(): float
    {
        return max(array_column(self::MARKS, 0)) + 2 * self::EDGE;
    }

    public static function height(): float
    {
        return max(array_column(self::MARKS, 1)) + 2 * self::EDGE;
    }
}
