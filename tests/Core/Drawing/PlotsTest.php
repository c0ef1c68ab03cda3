<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Drawing;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Core\Sum\Drawn;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is written beside a place of a plot is what the place stands for by its own scales, and all of it lies inside the frame. */
final class PlotsTest extends TestCase
{
    private const EACH = 8;
    /** Half of what is drawn of a point, in the units of the picture. */
    private const NEAR = 0.6;

    #[DataProvider('sums')]
    public function testPlacesAreWhatIsWrittenBesideThem(string $name): void
    {
        $sum = Doors::book(new \DateTimeImmutable('2026-11-25'))->named($name);
        foreach (Drawn::inputs($name, self::EACH, 17) as $given) {
            try {
                $inputs = Inputs::of($given, $sum->about()->fields());
                $drawn = $sum->drawing($inputs, $sum->compute($inputs));
            } catch (InvalidInput) {
                continue;
            }
            foreach (is_array($drawn) ? $drawn : [] as $plot) {
                $plot instanceof Plot && self::assertPlot($plot);
            }
        }
        $this->addToAssertionCount(1);
    }

    /** @return iterable<string, array{string}> */
    public static function sums(): iterable
    {
        foreach (array_keys(Doors::book()->all()) as $name) {
            yield $name => [$name];
        }
    }

    private static function assertPlot(Plot $plot): void
    {
        [$x, $y] = [self::scale($plot->xTicks()), self::scale($plot->yTicks())];
        foreach ($plot->levels as $level) {
            self::assertSaid($level['text'], [[$level['at'], $y]]);
            self::assertThat(
                $level['at'], self::logicalAnd(self::greaterThanOrEqual($plot->top()), self::lessThanOrEqual($plot->bottom())),
            );
        }
        foreach ($plot->marks as $mark) {
            self::assertSaid($mark['text'], [[$mark['at'], $x]]);
            self::assertThat($mark['at'], self::logicalAnd(self::greaterThanOrEqual($plot->left()), self::lessThanOrEqual($plot->right())));
        }
        foreach ($plot->dots as $dot) {
            self::assertSaid($dot['text'], [[$dot['x'], $x], [$dot['y'], $y]]);
        }
    }

    /**
     * @param list<array{at: float, value: float, text: string}> $ticks
     *
     * @return array{float, float} what stands at nought of the picture, and what one of it is
     */
    private static function scale(array $ticks): array
    {
        [$first, $last] = [$ticks[0], $ticks[count($ticks) - 1]];
        $each = $last['at'] === $first['at'] ? 0.0 : ($last['value'] - $first['value']) / ($last['at'] - $first['at']);

        return [$first['value'] - $each * $first['at'], $each];
    }

    /** @param list<array{float, array{float, float}}> $places each with its scale: one of them is what is said */
    private static function assertSaid(string $text, array $places): void
    {
        $text = str_replace(["\u{2212}", "\u{202F}", "\u{00A0}"], ['-', '', ''], $text);
        if (0 === preg_match_all('~(?<![\w.])-?\d+(?:\.(\d+))?~', $text, $m, \PREG_SET_ORDER)) {
            return;
        }
        $off = [\INF];
        foreach ($m as $number) {
            $rounded = 0.5 * 10 ** -strlen($number[1] ?? '');
            foreach ($places as [$at, [$base, $each]]) {
                $off[] = abs($base + $each * $at - (float) $number[0]) - $rounded - self::NEAR * abs($each);
            }
        }
        self::assertLessThanOrEqual(0.0, min($off), $text);
    }
}
