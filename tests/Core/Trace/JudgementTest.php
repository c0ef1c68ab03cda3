<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Trace;

use NimbleKnuckle\Core\Trace\JointData;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\Symptom;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Trace\TraceSpec;
use NimbleKnuckle\Tests\Core\Ruler;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Each verdict just on either side of where it begins, on traces drawn with a ruler: a run-down, a rise, and nothing else. */
final class JudgementTest extends TestCase
{
    /**
     * Straight lines from corner to corner, a sample every so many degrees and the same time.
     *
     * @param list<array{float, float}> $corners degrees and N·m
     */
    private static function drawn(array $corners, float $every = 1.0, ?float $ms = null): Trace
    {
        $samples = Ruler::along($corners, $every);
        if (null !== $ms) {
            $samples = array_map(static fn (array $at, int $i): array => [...$at, $ms * $i], $samples, array_keys($samples));
        }

        return Trace::of($samples);
    }

    private static function said(Trace $trace, TraceSpec $spec, ?JointData $joint = null): Symptom
    {
        return Judgement::of($trace, $spec, $joint ?? JointData::unknown())->symptom;
    }

    /** A run-down of 0.5 N·m over so many degrees, a rise to 25 N·m over so many more. */
    private static function pull(float $runDown, float $rise, float $to = 25.0, float $every = 1.0): Trace
    {
        return self::drawn([[0.0, 0.5], [$runDown, 0.5], [$runDown + $rise, $to]], $every);
    }

    /** @return iterable<string, array{float, Symptom}> */
    public static function reached(): iterable
    {
        yield '23.7 of 25' => [23.7, Symptom::TorqueShort];
        yield '23.8 of 25' => [23.8, Symptom::Straight];
        yield '26.2 of 25' => [26.2, Symptom::Straight];
        yield '26.3 of 25' => [26.3, Symptom::TorqueOver];
    }

    #[DataProvider('reached')]
    public function testWithinFiveInAHundredIsMet(float $to, Symptom $symptom): void
    {
        self::assertSame($symptom, self::said(self::pull(300, 30, $to), TraceSpec::torque(25.0)));
    }

    public function testATorqueThatFellByAnEighthHasStripped(): void
    {
        foreach ([[22.15, Symptom::Straight], [21.8, Symptom::TorqueFell]] as [$end, $symptom]) {
            $trace = self::drawn([[0, 0.5], [300, 0.5], [330, 25.0], [340, $end]], 0.25);
            self::assertSame(
                Symptom::TorqueFell === $symptom, Symptom::TorqueFell === self::said($trace, TraceSpec::torque(25.0)), $end.' N·m',
            );
            self::assertEqualsWithDelta(
                1 - $end / 25, Judgement::of($trace, TraceSpec::torque(25.0), JointData::unknown())->fallen(), 0.006,
            );
            self::assertEqualsWithDelta(
                10.0, Judgement::of($trace, TraceSpec::torque(25.0), JointData::unknown())->turnedSincePeak(), 1.0,
            );
        }
        // Within two degrees it is the wrench letting go.
        $let = self::drawn([[0, 0.5], [300, 0.5], [330, 25.0], [331.5, 18.0]], 0.5);
        self::assertNotSame(Symptom::TorqueFell, self::said($let, TraceSpec::torque(25.0)));
    }

    /** Steeper than its springs by 1.7 is a bottom; under 0.4 of them nothing is clamped hard. */
    public function testTheSlopeIsHeldAgainstTheJoint(): void
    {
        $joint = JointData::bySlope(1.0, 300.0);
        foreach ([
            [1.77, Symptom::TooSteep], [1.63, Symptom::Straight], [1.0, Symptom::Straight],
            [0.42, Symptom::Straight], [0.38, Symptom::Slack],
        ] as [$slope, $symptom]) {
            self::assertSame($symptom, self::said(self::pull(300, 24.5 / $slope), TraceSpec::torque(25.0), $joint), 'slope '.$slope);
        }
        $judged = Judgement::of(self::pull(300, 24.5), TraceSpec::torque(25.0), $joint);
        self::assertEqualsWithDelta(1.0, $judged->steepness(), 0.02);
        self::assertEqualsWithDelta(0.8 * 24.5, $judged->rise(), 0.5);
        self::assertEqualsWithDelta(300.0, $judged->snugAngle(), 1.0);
        self::assertEqualsWithDelta(300 + 0.12 * 24.5, $judged->firstRise(), 0.8);
    }

    /** What gets tight before seven tenths of its run-down is cross-threaded, or is not clean. */
    public function testItComesEarlyBeforeSevenTenthsOfTheRunDown(): void
    {
        $joint = JointData::bySlope(1.0, 400.0);
        foreach ([[268.0, Symptom::CameEarly], [284.0, Symptom::Straight]] as [$runDown, $symptom]) {
            self::assertSame($symptom, self::said(self::pull($runDown, 24.5), TraceSpec::torque(25.0), $joint), $runDown.'°');
        }
        // Of one that was tight before, no run-down is to be seen.
        self::assertNotSame(Symptom::CameEarly, self::said(self::pull(268.0, 24.5), TraceSpec::torque(25.0, 12.0), $joint));
    }

    public function testWithoutTheJointAShortRiseAndALongOneAreNotTold(): void
    {
        foreach ([
            [8.2, Symptom::RisesFast], [9.3, Symptom::Straight], [30.0, Symptom::Straight], [73.0, Symptom::Straight],
            [77.0, Symptom::RisesSlowly],
        ] as [$rise, $symptom]) {
            self::assertSame($symptom, self::said(self::pull(300, $rise, every: 0.25), TraceSpec::torque(25.0)), $rise.'°');
        }
        // By angle or on one that was tight, nothing is said of it.
        self::assertSame(
            Symptom::StraightByAngle, self::said(self::drawn([[0, 0.5], [300, 0.5], [308, 40.0]], 0.25), TraceSpec::angle(10.0, 6.0)),
        );
    }

    /** Flatter and flatter over more than forty degrees: the thread drags; ever steeper: it clamps. */
    public function testAThreadThatDragsGrowsFlatter(): void
    {
        $bent = static fn (float $middle): Trace => self::drawn([[0.0, 0.5], [200.0, 0.5], [$middle, 10.3], [256.0, 25.0]]);
        self::assertSame(Symptom::Drags, self::said($bent(212.0), TraceSpec::torque(25.0)));
        self::assertSame(Symptom::Straight, self::said($bent(222.4), TraceSpec::torque(25.0)), 'even');
        self::assertSame(Symptom::Straight, self::said($bent(232.0), TraceSpec::torque(25.0)), 'ever steeper');
        $short = self::drawn([[0.0, 0.5], [200.0, 0.5], [209.0, 10.3], [242.0, 25.0]]);
        self::assertNotSame(Symptom::Drags, self::said($short, TraceSpec::torque(25.0)), 'over less than forty it is not told');
    }

    public function testAJumpOfATenthWithinTenMillisecondsIsAJerk(): void
    {
        foreach ([[2.7, Symptom::Jolted], [2.3, Symptom::Straight]] as [$jump, $symptom]) {
            $trace = self::drawn([[0, 0.5], [300, 0.5], [315, 10.0], [316, 10.0 + $jump], [330, 25.0]], 1.0, 10.0);
            self::assertSame($symptom, self::said($trace, TraceSpec::torque(25.0)), $jump.' N·m');
            self::assertEqualsWithDelta($jump / 25, Judgement::of($trace, TraceSpec::torque(25.0), JointData::unknown())->jolt(), 0.002);
        }
        // The same within forty is a pull.
        $slow = self::drawn([[0, 0.5], [300, 0.5], [315, 10.0], [316, 12.7], [330, 25.0]], 1.0, 40.0);
        self::assertSame(Symptom::Straight, self::said($slow, TraceSpec::torque(25.0)));
    }

    /** Past its yield the torque takes more than twice the angle it did. */
    public function testItYieldsWhereTheLastFifthTakesTwiceTheAngle(): void
    {
        $to = static fn (float $last): Trace => self::drawn([[0, 0.5], [300, 0.5], [320, 20.1], [320 + $last, 25.0]], 0.25);
        self::assertSame(Symptom::Straight, self::said($to(9.0), TraceSpec::torque(25.0)));
        self::assertSame(Symptom::Yielded, self::said($to(12.0), TraceSpec::torque(25.0)));
        self::assertSame(Symptom::YieldedByAngle, self::said($to(12.0), TraceSpec::angle(10.0, 20.0)));
    }

    /** 90° after 30 N·m, five in a hundred: from 85.5° to 94.5°. */
    public function testAnAngleIsMetFromWhereItWasSnug(): void
    {
        foreach ([
            [85.0, Symptom::AngleShort], [86.0, Symptom::StraightByAngle], [94.0, Symptom::StraightByAngle], [95.0, Symptom::AngleOver],
        ] as [$turned, $symptom]) {
            $trace = self::drawn([[0, 0.5], [300, 0.5], [330, 30.0], [330 + $turned, 30.0 + 0.983 * $turned]]);
            $judged = Judgement::of($trace, TraceSpec::angle(30.0, 90.0), JointData::unknown());
            self::assertSame($symptom, $judged->symptom, $turned.'°');
            self::assertEqualsWithDelta($turned, $judged->turned(), 0.3);
            self::assertSame([true, 30.0], [$judged->isSnugBySpec(), $judged->snugTorque()]);
            self::assertEqualsWithDelta(330.0, $judged->snugAngle(), 0.3);
        }
        // Of a small angle three degrees are given.
        foreach ([[26.5, Symptom::AngleShort], [27.5, Symptom::StraightByAngle], [33.5, Symptom::AngleOver]] as [$turned, $symptom]) {
            $trace = self::drawn([[0, 0.5], [300, 0.5], [330, 30.0], [330 + $turned, 30.0 + 0.983 * $turned]]);
            self::assertSame($symptom, self::said($trace, TraceSpec::angle(30.0, 30.0)), $turned.'°');
        }
        foreach ([[28.2, Symptom::NeverSnug], [28.8, Symptom::AngleShort]] as [$to, $symptom]) {
            self::assertSame($symptom, self::said(self::pull(300, 30, $to), TraceSpec::angle(30.0, 90.0)), $to.' N·m');
        }
        $never = Judgement::of(self::pull(300, 30, 20.0), TraceSpec::angle(30.0, 90.0), JointData::unknown());
        self::assertFalse($never->isSnugBySpec());
        self::assertEqualsWithDelta(300.0, $never->snugAngle(), 1.0);
    }
}
