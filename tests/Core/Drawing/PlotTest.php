<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Drawing;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Digits;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Plot::class)]
final class PlotTest extends TestCase
{
    /** The places of a line can be read back into its numbers: the plot is to scale, on both axes, whatever its range. */
    public function testALineIsToScale(): void
    {
        mt_srand(6);
        for ($i = 0; $i < 200; ++$i) {
            [$x0, $y0] = [mt_rand(-500, 500) / 10, mt_rand(-500, 500) / 10];
            [$x1, $y1] = [$x0 + mt_rand(1, 900) / 10, $y0 + mt_rand(1, 900) / 10];
            $plot = Plot::over('a plot', 'x', [$x0, $x1], 'y', [$y0, $y1]);
            $points = array_map(
                static fn (): array => [$x0 + ($x1 - $x0) * mt_rand(0, 1000) / 1000, $y0 + ($y1 - $y0) * mt_rand(0, 1000) / 1000],
                range(1, 5),
            );
            foreach (explode(' ', $plot->line($points)->lines[0]['points']) as $n => $pair) {
                [$px, $py] = array_map(floatval(...), explode(',', $pair));
                self::assertEqualsWithDelta(
                    $points[$n][0], $x0 + ($px - $plot->left()) / ($plot->right() - $plot->left()) * ($x1 - $x0),
                    ($x1 - $x0) / 2000,
                );
                self::assertEqualsWithDelta(
                    $points[$n][1], $y0 + ($plot->bottom() - $py) / ($plot->bottom() - $plot->top()) * ($y1 - $y0),
                    ($y1 - $y0) / 2000,
                );
            }
        }
    }

    public function testWhatLiesOutsideIsLeftOutOrHeldAtTheEdge(): void
    {
        $plot = Plot::over('a plot', 'x', [0.0, 10.0], 'y', [0.0, 100.0]);
        self::assertSame([], $plot->level(120.0, 'too high')->levels);
        self::assertSame([], $plot->mark(-1.0, 'too early')->marks);
        self::assertCount(1, $plot->level(50.0, 'half')->levels);
        self::assertSame($plot->right(), $plot->dot(99.0, 50.0, 'far')->dots[0]['x']);
        self::assertTrue($plot->dot(9.0, 50.0, 'right')->dots[0]['end']);
        self::assertFalse($plot->dot(1.0, 50.0, 'left')->dots[0]['end']);
        self::assertSame([], $plot->lines, 'a plot is never changed, only built upon');
    }

    public function testAreasAreBandsOrStrips(): void
    {
        $plot = Plot::over('a plot', 'x', [0.0, 10.0], 'y', [0.0, 100.0])->area(20.0, 40.0)->area(2.0, 4.0, 'window', true);
        [$band, $strip] = $plot->areas;
        self::assertEqualsWithDelta(0.2 * ($plot->bottom() - $plot->top()), $band['height'], 1e-9);
        self::assertEqualsWithDelta($plot->right() - $plot->left(), $band['width'], 1e-9);
        self::assertEqualsWithDelta(0.2 * ($plot->right() - $plot->left()), $strip['width'], 1e-9);
        self::assertEqualsWithDelta($plot->bottom() - $plot->top(), $strip['height'], 1e-9);
        self::assertSame(0.0, $plot->area(90.0, 80.0)->areas[2]['height'], 'upside down is nothing');
    }

    /** @param array{float, float} $range */
    #[DataProvider('ranges')]
    public function testTicksAreRoundAndNeitherTooFewNorTooMany(array $range): void
    {
        $plot = Plot::over('a plot', 'x', $range, 'y', $range);
        foreach ([$plot->xTicks(), $plot->yTicks()] as $ticks) {
            self::assertGreaterThanOrEqual(3, count($ticks));
            self::assertLessThanOrEqual(9, count($ticks));
            $step = $ticks[1]['value'] - $ticks[0]['value'];
            self::assertEqualsWithDelta(Plot::roundStep($step), $step, 1e-9 * abs($step));
            foreach ($ticks as $tick) {
                self::assertGreaterThanOrEqual($range[0] - 1e-9, $tick['value']);
                self::assertLessThanOrEqual(max($range[1], $range[0] + (5.0 === $range[1] ? 1.0 : 0.0)) + 1e-6, $tick['value']);
                self::assertEqualsWithDelta(
                    $tick['value'], (float) strtr($tick['text'], ['−' => '-', Digits::GROUP => '']), abs($step) / 2,
                );
            }
        }
    }

    /** @return iterable<string, array{array{float, float}}> */
    public static function ranges(): iterable
    {
        yield 'one' => [[0.0, 1.0]];
        yield 'a hundredth' => [[0.0, 0.01]];
        yield 'thousands' => [[0.0, 8600.0]];
        yield 'across nought' => [[-60.0, 150.0]];
        yield 'far from nought' => [[69500.0, 78100.0]];
        yield 'nothing at all' => [[5.0, 5.0]];
    }
}
