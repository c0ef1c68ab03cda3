<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Trace;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Swings;
use NimbleKnuckle\Tests\Core\Ruler;
use PHPUnit\Framework\TestCase;

/** A pull of several swings put together: a third of a newton metre a degree from 0 to 10, and on to 20, as drawn. */
final class SwingsTest extends TestCase
{
    /**
     * @param list<array{float, float}> $corners
     *
     * @return non-empty-list<non-empty-list<float>>
     */
    private static function joined(array $corners, float $peak = 20.0): array
    {
        return Swings::joined(Ruler::along($corners), $peak);
    }

    /** @param non-empty-list<non-empty-list<float>> $joined */
    private static function at(array $joined, float $torque): float
    {
        foreach ($joined as $i => $sample) {
            if (($sample[1] ?? 0.0) >= $torque - 1e-9) {
                [$x, $y] = [$joined[max(0, $i - 1)][0], $joined[max(0, $i - 1)][1] ?? 0.0];
                $rise = ($sample[1] ?? 0.0) - $y;

                return $rise > 1e-9 ? $x + ($sample[0] - $x) * ($torque - $y) / $rise : $sample[0];
            }
        }
        self::fail('It never comes to '.$torque);
    }

    public function testOnePullStaysAsItIs(): void
    {
        $one = Ruler::along([[0.0, 0.0], [30.0, 10.0], [60.0, 20.0]]);
        self::assertSame($one, Swings::joined($one, 20.0));
    }

    /** Four degrees the wrench winds up by each time it is taken up again are no turn of the head. */
    public function testWhatTheWrenchWindsUpIsTakenOff(): void
    {
        foreach ([4.0, 12.0, 20.0] as $wound) {
            $joined = self::joined([[0.0, 0.0], [30.0, 10.0], [30.0, 0.0], [30 + $wound, 10.0], [60 + $wound, 20.0]]);
            self::assertEqualsWithDelta(60.0, $joined[count($joined) - 1][0], 0.2 + 0.04 * $wound, $wound.'° wound up');
            foreach ([3.0, 9.0, 12.0, 18.0] as $torque) {
                self::assertEqualsWithDelta(
                    3 * $torque, self::at($joined, $torque), 0.3 + 0.04 * $wound, $torque.' N·m, '.$wound.'° wound up',
                );
            }
        }
        // Three swings of it.
        $three = self::joined([[0, 0], [20, 20 / 3], [20, 0], [25, 20 / 3], [45, 40 / 3], [45, 0], [52, 40 / 3], [72, 20]]);
        self::assertEqualsWithDelta(60.0, $three[count($three) - 1][0], 1.0);
    }

    /** A ratchet that goes back turns nothing: the angle of the head waits for it. */
    public function testTheWayBackOfAHandleTurnsNothing(): void
    {
        $joined = self::joined([[0.0, 0.0], [30.0, 10.0], [30.0, 0.0], [10.0, 0.0], [14.0, 10.0], [44.0, 20.0]]);
        self::assertEqualsWithDelta(60.0, $joined[count($joined) - 1][0], 0.4);
        for ($i = 1; $i < count($joined); ++$i) {
            self::assertGreaterThanOrEqual($joined[$i - 1][0], $joined[$i][0], 'it never goes back');
        }
        // Half a degree is a tremble: nothing is added for it.
        $trembles = Swings::joined([[0.0, 0.0], [10.0, 5.0], [9.5, 5.2], [11.0, 6.0], [30.0, 20.0]], 20.0);
        self::assertSame([0.0, 10.0, 10.0, 11.0, 30.0], array_column($trembles, 0));
        $ratchet = Swings::joined([[0.0, 0.0], [10.0, 5.0], [8.5, 5.2], [9.5, 6.0], [28.5, 20.0]], 20.0);
        self::assertSame([0.0, 10.0, 10.0, 11.0, 30.0], array_column($ratchet, 0));
    }

    public function testTurningBackUnderTorqueIsUndoing(): void
    {
        foreach ([
            [19.5, 20.0, false], [20.5, 20.0, false], [19.5, 7.0, true], [20.5, 7.0, false], [19.5, 5.9, false],
        ] as [$to, $torque, $isUndone]) {
            $said = '';
            try {
                Swings::joined([[0.0, 0.0], [30.0, 10.0], [$to, $torque], [60.0, 20.0]], 7.0 === $torque || 5.9 === $torque ? 20.0 : 100.0);
            } catch (InvalidInput $e) {
                $said = $e->getMessage();
            }
            self::assertSame(
                $isUndone, str_starts_with($said, 'Sample 3 turns back by 11° under torque'), $to.'°, '.$torque.' N·m: '.$said,
            );
        }
    }

    /** The last letting go is cut off, a slow fall while it turns is kept. */
    public function testTheLastLettingGoIsCutOff(): void
    {
        self::assertSame(20.0, self::end([[60.1, 18.0], [60.2, 9.0], [60.3, 0.0]]));
        self::assertSame(18.9, self::end([[60.1, 18.9]]), 'a twentieth is no letting go');
        self::assertSame(20.0, self::end([[60.1, 18.7]]), 'six and a half in a hundred is');
        self::assertSame(18.0, self::end([[60.6, 18.0]]), 'what turns on falls');
        // Let go by a quarter and more at a standstill, and never taken up again.
        self::assertSame(20.0, self::end([[60.3, 14.0], [60.5, 3.0], [61.5, 2.0]]));
    }

    /** What is let go of while it is hardly felt is no swing. */
    public function testUnderAnEighthOfThePeakNothingIsLetGo(): void
    {
        $low = self::joined([[0.0, 0.0], [6.6, 2.2], [6.6, 0.0], [12.0, 2.2], [65.4, 20.0]]);
        self::assertEqualsWithDelta(65.4, $low[count($low) - 1][0], 1e-9);
        $felt = self::joined([[0.0, 0.0], [7.8, 2.6], [7.8, 0.0], [13.2, 2.6], [65.4, 20.0]]);
        self::assertLessThan(61.5, $felt[count($felt) - 1][0]);
        // Under a quarter of it is a wobble of the hand.
        $wobble = self::joined([[0.0, 0.0], [30.0, 10.0], [30.0, 7.6], [34.0, 10.0], [64.0, 20.0]]);
        self::assertEqualsWithDelta(64.0, $wobble[count($wobble) - 1][0], 1e-9);
        $let = self::joined([[0.0, 0.0], [30.0, 10.0], [30.0, 7.4], [34.0, 10.0], [64.0, 20.0]]);
        self::assertEqualsWithDelta(60.0, $let[count($let) - 1][0], 1.5);
    }

    /**
     * N·m at the end of a pull to 20, and of what comes after it.
     *
     * @param list<array{float, float}> $more
     */
    private static function end(array $more): float
    {
        $joined = Swings::joined([...Ruler::along([[0.0, 0.0], [60.0, 20.0]]), ...$more], 20.0);

        return $joined[count($joined) - 1][1] ?? 0.0;
    }
}
