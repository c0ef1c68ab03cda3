<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Gate;

use NimbleKnuckle\Core\Gate\ActuatorFinding;
use NimbleKnuckle\Core\Gate\ActuatorTest;
use PHPUnit\Framework\TestCase;

/** An actuator that cracks at 50 kPa and moves a millimetre each 8, drawn with a ruler: on either side of each limit. */
final class ActuatorLimitsTest extends TestCase
{
    /**
     * Up to 120 kPa and down again, a reading each kPa; later on the way down by so much.
     *
     * @return non-empty-list<array{float, float}>
     */
    private static function drawn(float $later = 0.0, float $stop = 7.0, float $cracks = 50.0, float $to = 120.0, float $rest = 0.0): array
    {
        $samples = [[0.0, $rest]];
        foreach ([[0, (int) $to, 1, 0.0], [(int) $to, 0, -1, $later]] as [$from, $end, $step, $off]) {
            for ($kpa = $from; $kpa !== $end + $step; $kpa += $step) {
                $samples[] = [(float) $kpa, $rest + max(0.0, min($stop, ($kpa + $off - $cracks) / 8))];
            }
        }

        return $samples;
    }

    public function testItIsReadOffAsDrawn(): void
    {
        $read = ActuatorTest::of(self::drawn(4.0, rest: 12.0), null, null, [100.0, 90.0, 20.0]);
        self::assertSame(ActuatorFinding::Sound, $read->finding);
        self::assertEqualsWithDelta([50.0, 8.0, 7.0, 4.0], [$read->cracks, $read->rate, $read->travel, $read->hysteresis], 0.06);
        self::assertEqualsWithDelta(1 - sqrt(0.9), $read->lost, 1e-9, 'half the time, half of it lost');
        self::assertNull(ActuatorTest::of(self::drawn(), null, null, null)->lost);
        self::assertNull(ActuatorTest::of(array_slice(self::drawn(), 0, 121), null, null, null)->hysteresis);
    }

    public function testItSticksFromFifteenInAHundredOfWhereItCracks(): void
    {
        foreach ([[7.3, ActuatorFinding::Sound], [7.7, ActuatorFinding::Sticks]] as [$later, $finding]) {
            self::assertSame($finding, ActuatorTest::of(self::drawn($later), null, null, null)->finding, $later.' kPa');
        }
    }

    public function testItLeaksFromATenthInTenSeconds(): void
    {
        foreach ([[90.1, ActuatorFinding::Sound], [89.9, ActuatorFinding::Leaks]] as [$left, $finding]) {
            self::assertSame($finding, ActuatorTest::of(self::drawn(), null, null, [100.0, $left, 10.0])->finding, $left.' kPa');
        }
    }

    public function testItsSpringIsOffItsLabelFromATenth(): void
    {
        foreach ([[45.6, false], [45.3, true], [55.4, false], [55.7, true]] as [$label, $isOff]) {
            $finding = ActuatorTest::of(self::drawn(), $label, null, null)->finding;
            self::assertSame($isOff ? ActuatorFinding::SpringOffLabel : ActuatorFinding::Sound, $finding, $label.' kPa');
        }
    }

    public function testItStopsShortUnderNineTenthsOfItsWayWherePressureGoesOn(): void
    {
        foreach ([[7.7, false], [7.85, true]] as [$full, $isShort]) {
            $finding = ActuatorTest::of(self::drawn(), null, $full, null)->finding;
            self::assertSame($isShort ? ActuatorFinding::StoppedShort : ActuatorFinding::Sound, $finding, $full.' mm');
        }
        // Pumped no further than it moved, nothing is known of its stop: 106 kPa, and a tenth of 56.
        foreach ([[108.0, false], [115.0, true]] as [$to, $isShort]) {
            $finding = ActuatorTest::of(self::drawn(to: $to), null, 9.0, null)->finding;
            self::assertSame($isShort ? ActuatorFinding::StoppedShort : ActuatorFinding::Sound, $finding, $to.' kPa');
        }
    }

    public function testUnderHalfAMillimetreItHasNotMoved(): void
    {
        foreach ([[0.45, true], [0.55, false]] as [$stop, $isStill]) {
            $read = ActuatorTest::of(self::drawn(stop: $stop), null, null, null);
            self::assertSame($isStill, ActuatorFinding::NeverMoves === $read->finding, $stop.' mm');
            self::assertEqualsWithDelta($stop, $read->travel, 1e-6);
            self::assertSame($isStill, null === $read->cracks && null === $read->rate);
        }
    }

    /** What comes first is told first. */
    public function testTheGravestIsNamed(): void
    {
        $all = [self::drawn(9.0), 30.0, 9.0, [100.0, 50.0, 10.0]];
        self::assertSame(ActuatorFinding::StoppedShort, ActuatorTest::of(...$all)->finding);
        self::assertSame(ActuatorFinding::Sticks, ActuatorTest::of($all[0], $all[1], null, $all[3])->finding);
        self::assertSame(ActuatorFinding::Leaks, ActuatorTest::of(self::drawn(), $all[1], null, $all[3])->finding);
    }
}
