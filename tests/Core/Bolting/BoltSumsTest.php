<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bolting;

use NimbleKnuckle\Core\Bolting\Door\BoltReuse;
use NimbleKnuckle\Core\Bolting\Door\ThreadEngagement;
use NimbleKnuckle\Core\Bolting\Door\TorqueEstimate;
use NimbleKnuckle\Core\Bolting\Engagement;
use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Tightening\Door\AngleTighten;
use NimbleKnuckle\Core\Tightening\Door\PartTurn;
use NimbleKnuckle\Core\Tightening\Pulls;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(TorqueEstimate::class)]
#[CoversClass(AngleTighten::class)]
#[CoversClass(PartTurn::class)]
#[CoversClass(ThreadEngagement::class)]
#[CoversClass(Engagement::class)]
#[CoversClass(Springs::class)]
#[CoversClass(Pulls::class)]
#[CoversClass(BoltReuse::class)]
final class BoltSumsTest extends TestCase
{
    /** @param array<string, mixed> $inputs */
    private static function worked(string $sum, array $inputs): SumResult
    {
        return Doors::book()->run($sum, $inputs);
    }

    public function testTheEstimateGivesThePublishedPreloadsAndTorques(): void
    {
        $m8 = self::worked('torque-estimate', ['thread' => 'M8', 'grade' => '8.8', 'friction' => 0.14, 'share' => 90]);
        self::assertEqualsWithDelta(18_130.0, $m8->number('preload'), 5.0);
        self::assertEqualsWithDelta(27.30, $m8->number('torque'), 0.005);
        $m10 = self::worked('torque-estimate', ['thread' => 'M10', 'grade' => '8.8', 'friction' => '0.12', 'share' => '90 %']);
        self::assertEqualsWithDelta(29_600.0, $m10->number('preload'), 5.0);
        self::assertEqualsWithDelta(48.46, $m10->number('torque'), 0.005);
        self::assertTrue($m10->hasCheck('estimate'));
    }

    public function testTheEstimateIsMonotoneInEverythingThatMatters(): void
    {
        $torque = static fn (string $field, mixed $value): float => self::worked(
            'torque-estimate', [$field => $value] + ['thread' => 'M8', 'grade' => '8.8', 'friction' => 'oiled'],
        )->number('torque');
        $last = 0.0;
        foreach (['4.6', '5.6', '5.8', '8.8', '10.9', '12.9'] as $grade) {
            self::assertGreaterThan($last, $last = $torque('grade', $grade));
        }
        $last = 0.0;
        foreach (['M4', 'M5', 'M6', 'M8', 'M10', 'M12', 'M16', 'M20', 'M24'] as $thread) {
            self::assertGreaterThan($last, $last = $torque('thread', $thread));
        }
        $last = 0.0;
        foreach ([10, 30, 50, 65, 90, 100] as $share) {
            self::assertGreaterThan($last, $last = $torque('share', $share));
        }
        self::assertGreaterThan($torque('share', 65), $torque('head', 'flange'));
        self::assertLessThan($torque('head', 'flange'), $torque('head', 'socket'));
    }

    public function testSixtyFivePercentIsTakenAndSpreadsWithFriction(): void
    {
        $plain = self::worked('torque-estimate', ['thread' => 'M8']);
        $said = self::worked('torque-estimate', ['thread' => 'M8', 'grade' => '8.8', 'friction' => 'oiled', 'share' => 65]);
        self::assertSame($said->number('torque'), $plain->number('torque'));
        self::assertTrue($plain->hasCheck('grade-assumed'));
        self::assertLessThan($plain->number('preload'), $plain->number('preload_low'));
        self::assertGreaterThan($plain->number('preload'), $plain->number('preload_high'));
        self::assertEqualsWithDelta(0.65, $plain->number('torque') / $plain->number('yield_torque'), 1e-9);
    }

    public function testAShortThreadInSoftMetalHoldsTheEstimateDown(): void
    {
        $free = self::worked('torque-estimate', ['thread' => 'M8', 'grade' => '10.9', 'friction' => 'oiled']);
        $capped = self::worked(
            'torque-estimate',
            ['thread' => 'M8', 'grade' => '10.9', 'friction' => 'oiled', 'material' => 'aluminium casting', 'engagement' => '5 mm'],
        );
        self::assertTrue($capped->hasCheck('capped'));
        self::assertSame(Level::Watch, $capped->verdict);
        self::assertLessThan($free->number('torque'), $capped->number('torque'));
        self::assertEqualsWithDelta(0.875 * \M_PI * 8 * 5 * 145 / 1.25, $capped->number('preload'), 1e-6);
        self::assertFalse(self::worked('torque-estimate', ['thread' => 'M8', 'material' => 'steel'])->hasCheck('capped'));
    }

    public function testTheWorkedAngleGoesIntoYield(): void
    {
        $result = self::worked(
            'angle-tighten',
            [
                'thread' => 'M12x1.25', 'grade' => '10.9', 'member' => 'aluminium', 'shank' => 30, 'threaded' => 16,
                'friction' => 0.12, 'snug' => '40 N·m', 'angle' => 75, 'swing' => 30,
            ],
        );
        self::assertEqualsWithDelta(21_250.0, $result->number('snug_preload'), 5.0);
        self::assertEqualsWithDelta(77_320.0, $result->number('added_preload'), 5.0);
        self::assertEqualsWithDelta(78_400.0, $result->number('yield_preload'), 5.0);
        self::assertSame($result->number('yield_preload'), $result->number('preload'));
        self::assertSame(Level::Watch, $result->verdict);
        self::assertTrue($result->hasCheck('into-yield'));
        self::assertSame(3.0, $result->number('pulls'));
        self::assertEqualsWithDelta(15.0, $result->number('last_pull'), 1e-9);
    }

    public function testPreloadByAngleIsStraightUntilYieldAndUnitsDoNotMatter(): void
    {
        $at = static fn (mixed $angle): SumResult => self::worked(
            'angle-tighten',
            ['thread' => 'M10', 'grade' => '8.8', 'shank' => '30 mm', 'threaded' => '16 mm', 'snug' => '14.75 ft-lb', 'angle' => $angle],
        );
        self::assertEqualsWithDelta(3 * $at(10)->number('added_preload'), $at(30)->number('added_preload'), 1e-6);
        self::assertEqualsWithDelta($at('quarter turn')->number('added_preload'), $at(90)->number('added_preload'), 1e-6);
        self::assertEqualsWithDelta($at('2 flats')->number('added_preload'), $at(120)->number('added_preload'), 1e-6);
        $inch = self::worked(
            'angle-tighten',
            [
                'thread' => 'M10', 'grade' => '8.8', 'shank' => '1.1811023622 in', 'threaded' => '0.62992125984 in',
                'snug' => '14.75 ft-lb', 'angle' => 30,
            ],
        );
        self::assertEqualsWithDelta($at(30)->number('preload'), $inch->number('preload'), 1e-3);
    }

    public function testTheBoltAndTheClampedPartsAreSprings(): void
    {
        $thread = Thread::parse('M10');
        $long = Springs::of($thread, Length::millimetres(60.0), Length::millimetres(20.0), Member::Steel);
        $short = Springs::of($thread, Length::millimetres(30.0), Length::millimetres(10.0), Member::Steel);
        $soft = Springs::of($thread, Length::millimetres(30.0), Length::millimetres(10.0), Member::Aluminium);
        self::assertEqualsWithDelta(2 * $long->bolt(), $short->bolt(), 1e-6);
        self::assertGreaterThan($soft->members(), $short->members());
        self::assertGreaterThan($long->perDegree()->newtons, $short->perDegree()->newtons);
        // All shank: E A / l.
        self::assertEqualsWithDelta(
            207_000 * \M_PI * 25 / 50,
            Springs::of($thread, Length::millimetres(50.0), Length::millimetres(0.0), Member::Steel)->bolt(), 1e-6,
        );
    }

    public function testPullsNeverExceedTheSwingAndMakeUpTheAngle(): void
    {
        for ($angle = 5.0; $angle <= 360; $angle += 7.5) {
            foreach ([12.0, 30.0, 45.0, 90.0] as $swing) {
                $pulls = Pulls::of(Angle::degrees($angle), Angle::degrees($swing));
                self::assertEqualsWithDelta($angle, ($pulls->count - 1) * $swing + $pulls->last->degrees, 1e-9);
                self::assertGreaterThan(0.0, $pulls->last->degrees);
                self::assertLessThanOrEqual($swing + 1e-9, $pulls->last->degrees);
            }
        }
    }

    public function testAPartTurnGivesThePreloadOfTheFigure(): void
    {
        $turn = self::worked(
            'part-turn',
            ['target' => 24, 'thread' => 'M8', 'grade' => '10.9', 'shank' => 20, 'threaded' => 15, 'friction' => 'oiled', 'snug' => 6],
        );
        $check = self::worked(
            'angle-tighten',
            [
                'thread' => 'M8', 'grade' => '10.9', 'shank' => 20, 'threaded' => 15, 'friction' => 'oiled', 'snug' => 6,
                'angle' => $turn->number('angle'),
            ],
        );
        self::assertEqualsWithDelta($turn->number('preload'), $check->number('preload'), 1e-6);
        self::assertSame(Level::Watch, $turn->verdict);
        self::assertLessThan($turn->number('preload'), $turn->number('preload_low'));
    }

    public function testSnugByHandMayBeHalfOrOneAndAHalfTimesAsHard(): void
    {
        $turn = self::worked('part-turn', ['target' => 24, 'thread' => 'M8', 'shank' => 20, 'threaded' => 15, 'snug' => 6]);
        // M8, oiled: 0.16 P + 0.58 d2 μ + DKm/2 μ = 0.2 + 0.58 × 7.18810125 × 0.12 + 5.1575 × 0.12 mm.
        $lever = 0.2 + 0.58 * (8 - 0.649519 * 1.25) * 0.12 + 5.1575 * 0.12;
        $byTurn = (24 - 6) * 1000 / $lever;
        self::assertEqualsWithDelta(3000 / $lever + $byTurn, $turn->number('preload_low'), 1e-6);
        self::assertEqualsWithDelta(9000 / $lever + $byTurn, $turn->number('preload_high'), 1e-6);
    }

    public function testATurnIsSaidInFlatsWithoutRoundingItAway(): void
    {
        $words = [
            5 => 'less than a sixth of a flat', 10 => 'a sixth of a flat', 15 => 'a quarter of a flat', 20 => 'a third of a flat',
            25 => 'a little over a third of a flat',
            30 => 'half a flat', 40 => 'two thirds of a flat', 60 => 'one flat', 75 => '1¼ flats', 90 => '1½ flats',
            100 => '1⅔ flats', 120 => '2 flats', 180 => '3 flats',
        ];
        foreach ($words as $angle => $said) {
            self::assertSame($said, PartTurn::inWords((float) $angle));
        }
    }

    public function testAnAluminiumBoltIsTheSofterSpring(): void
    {
        $thread = Thread::parse('M8');
        $steel = Springs::of($thread, Length::millimetres(10.0), Length::millimetres(12.0), Member::Aluminium);
        self::assertEqualsWithDelta(
            71 / 207, Springs::of(
                $thread, Length::millimetres(10.0), Length::millimetres(12.0), Member::Aluminium, Grade::Aluminium,
            )->bolt() / $steel->bolt(), 1e-12,
        );
        $in = ['thread' => 'M8', 'grade' => 'aluminium', 'shank' => 0, 'threaded' => 50, 'snug' => 4, 'angle' => 30];
        $result = self::worked('angle-tighten', $in);
        self::assertEqualsWithDelta($result->number('preload') / ($thread->stressArea() * 71_000 / 50), $result->number('stretch'), 1e-9);
        self::assertStringContainsString('E = 71 GPa', $result->working[1]->with);
    }

    public function testAThreadThatStripsOnASlipperyDayIsNotCalledWell(): void
    {
        $fine = ['thread' => 'M8x0.75', 'friction' => 'dry zinc', 'material' => 'aluminium casting', 'engagement' => 5];
        $result = self::worked('torque-estimate', $fine);
        // Friction falls from 0.18 to 0.14: more than the quarter in hand against stripping.
        self::assertTrue($result->hasCheck('may-strip'));
        self::assertSame(Level::Stop, $result->verdict);
        self::assertGreaterThan(0.875 * \M_PI * 8 * 5 * 145, $result->number('preload_high'));
        self::assertTrue(self::worked('torque-estimate', ['friction' => '0.12'] + $fine)->hasCheck('never-strips'));
        self::assertTrue(self::worked('torque-estimate', ['thread' => 'M8'] + $fine)->hasCheck('near-strip'));
    }

    public function testEnoughThreadBreaksTheBoltFirst(): void
    {
        $in = ['thread' => 'M8', 'grade' => '8.8', 'material' => 'aluminium casting'];
        $needed = self::worked('thread-engagement', $in + ['engagement' => 8])->number('needed');
        self::assertSame(Level::Ok, self::worked('thread-engagement', $in + ['engagement' => $needed + 0.01])->verdict);
        self::assertSame(Level::Watch, self::worked('thread-engagement', $in + ['engagement' => $needed * 0.9])->verdict);
        self::assertSame(Level::Stop, self::worked('thread-engagement', $in + ['engagement' => $needed / 1.3])->verdict);
        $eight = self::worked('thread-engagement', $in + ['engagement' => 8]);
        self::assertEqualsWithDelta(1.0, $eight->number('diameters'), 1e-9);
        self::assertEqualsWithDelta(0.875 * \M_PI * 64 * 145, $eight->number('strip_force'), 1e-6);
        self::assertEqualsWithDelta($eight->number('strip_force') / $eight->number('bolt_force'), $eight->number('ratio'), 1e-12);
        // In hard steel the bolt's own thread is the weaker one.
        $hard = self::worked('thread-engagement', ['thread' => 'M8', 'grade' => '8.8', 'shear_strength' => 900, 'engagement' => 8]);
        self::assertEqualsWithDelta(0.75 * \M_PI * (8 - 1.082532 * 1.25) * 8 * 0.6 * 800, $hard->number('strip_force'), 1e-6);
    }

    public function testAnOldBoltIsMeasuredAgainstTheNewOneAndTheLimit(): void
    {
        self::assertSame(Level::Ok, self::worked('bolt-reuse', ['old' => 118.02, 'new' => 118.0, 'limit' => 118.8])->verdict);
        self::assertSame(Level::Stop, self::worked('bolt-reuse', ['old' => 118.9, 'limit' => 118.8])->verdict);
        self::assertSame(Level::Stop, self::worked('bolt-reuse', ['old' => 118.4, 'new' => 118.0, 'grip' => 100])->verdict);
        self::assertSame(Level::Stop, self::worked('bolt-reuse', ['old' => 118.0, 'new' => 118.0, 'single_use' => true])->verdict);
        self::assertSame(Level::Stop, self::worked('bolt-reuse', ['old' => 118.0, 'new' => 118.0, 'into_yield' => 'yes'])->verdict);
        self::assertSame(Level::Watch, self::worked('bolt-reuse', ['old' => 117.8, 'new' => 118.0])->verdict);
        self::assertEqualsWithDelta(
            0.34, self::worked('bolt-reuse', ['old' => 118.34, 'new' => 118.0, 'grip' => 100])->number('strain'), 1e-9,
        );
    }

    /** @param array<string, mixed> $inputs */
    #[DataProvider('refused')]
    public function testBadInputNamesTheField(string $sum, array $inputs, string $field): void
    {
        try {
            self::worked($sum, $inputs);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertMatchesRegularExpression('/[.?]\z/u', $e->getMessage());
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        $angle = ['thread' => 'M10', 'shank' => 10, 'threaded' => 10, 'snug' => 20, 'angle' => 60];
        yield 'a taper pipe thread' => ['torque-estimate', ['thread' => '1/4 NPT'], 'thread'];
        yield 'a pitch that does not exist' => ['torque-estimate', ['thread' => 'M10x0.9'], 'thread'];
        yield 'a flange head nobody makes' => ['torque-estimate', ['thread' => 'M3', 'head' => 'flange'], 'head'];
        yield 'an unknown head' => ['torque-estimate', ['thread' => 'M8', 'head' => 'round'], 'head'];
        yield 'more than yield' => ['torque-estimate', ['thread' => 'M8', 'share' => 140], 'share'];
        yield 'a negative length' => ['torque-estimate', ['thread' => 'M8', 'engagement' => -3], 'engagement'];
        yield 'no grip' => ['angle-tighten', ['shank' => 0, 'threaded' => 0] + $angle, 'threaded'];
        yield 'an unknown member' => ['angle-tighten', $angle + ['member' => 'wood'], 'member'];
        yield 'a swing of nothing' => ['angle-tighten', $angle + ['swing' => 0], 'swing'];
        yield 'an unknown unit' => ['angle-tighten', ['snug' => '20 bananas'] + $angle, 'snug'];
        yield 'snug over the figure' => [
            'part-turn', ['target' => 10, 'thread' => 'M8', 'shank' => 0, 'threaded' => 20, 'snug' => 12], 'snug',
        ];
        yield 'no material' => ['thread-engagement', ['thread' => 'M8', 'engagement' => 8], 'material'];
        yield 'an unknown material' => ['thread-engagement', ['thread' => 'M8', 'engagement' => 8, 'material' => 'cheese'], 'material'];
        yield 'nothing to measure against' => ['bolt-reuse', ['old' => 100], 'limit'];
        yield 'another bolt altogether' => ['bolt-reuse', ['old' => 100, 'new' => 60], 'new'];
    }
}
