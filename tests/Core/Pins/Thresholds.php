<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

/** Where, along a number, what is answered changes: found between two steps of a grid and narrowed down a thousandfold. */
final readonly class Thresholds
{
    public const GRID = [
        -300.0, -100.0, -45.0, -8.0, -0.6, -0.01, 0.0, 0.012, 0.07, 0.3, 0.8, 1.3, 2.7, 5.5, 11.0, 19.0, 28.0, 37.0, 55.0, 75.0, 95.0,
        125.0, 170.0, 250.0, 420.0, 900.0, 2500.0, 9000.0, 70000.0, 2e6,
    ];
    private const HALVINGS = 10;

    /**
     * @param callable(float): string $answer
     *
     * @return list<string> “at 12.29 > 12.3: this > that”
     */
    public static function of(callable $answer): array
    {
        $found = [];
        [$low, $said] = [self::GRID[0], $answer(self::GRID[0])];
        foreach (array_slice(self::GRID, 1) as $high) {
            $then = $answer($high);
            if ($then !== $said) {
                $found[] = self::between($answer, $low, $high, $said, $then);
            }
            [$low, $said] = [$high, $then];
        }

        return $found;
    }

    /** @param callable(float): string $answer */
    private static function between(callable $answer, float $low, float $high, string $said, string $then): string
    {
        for ($i = 0; $i < self::HALVINGS; ++$i) {
            $middle = ($low + $high) / 2;
            if ($answer($middle) === $said) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return sprintf('at %.6g > %.6g: %s > %s', $low, $high, $said, $then);
    }
}
