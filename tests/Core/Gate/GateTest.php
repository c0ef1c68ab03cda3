<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Gate;

use NimbleKnuckle\Core\Gate\ActuatorFault;
use NimbleKnuckle\Core\Gate\ActuatorFinding;
use NimbleKnuckle\Core\Gate\ActuatorModel;
use NimbleKnuckle\Core\Gate\ActuatorTest;
use NimbleKnuckle\Core\Gate\BoostFault;
use NimbleKnuckle\Core\Gate\BoostFinding;
use NimbleKnuckle\Core\Gate\BoostModel;
use NimbleKnuckle\Core\Gate\BoostRun;
use NimbleKnuckle\Core\Gate\Door\BoostRunSum;
use NimbleKnuckle\Core\Gate\Door\PumpReading;
use NimbleKnuckle\Core\Gate\GatePreload;
use NimbleKnuckle\Core\Gate\Line;
use NimbleKnuckle\Core\Gate\Middle;
use NimbleKnuckle\Core\Gate\PumpDrawing;
use NimbleKnuckle\Core\Gate\RodDrawing;
use NimbleKnuckle\Core\Gate\RunDrawing;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Gate and boost: worked values, the simulations judged, curves that are none of theirs, what is refused. */
#[CoversClass(ActuatorFault::class)]
#[CoversClass(ActuatorModel::class)]
#[CoversClass(ActuatorTest::class)]
#[CoversClass(BoostFault::class)]
#[CoversClass(BoostModel::class)]
#[CoversClass(BoostRun::class)]
#[CoversClass(BoostRunSum::class)]
#[CoversClass(GatePreload::class)]
#[CoversClass(Line::class)]
#[CoversClass(Middle::class)]
#[CoversClass(PumpDrawing::class)]
#[CoversClass(PumpReading::class)]
#[CoversClass(RodDrawing::class)]
#[CoversClass(RunDrawing::class)]
final class GateTest extends TestCase
{
    private const ROD = ['cracks' => 48, 'rate' => 7.5, 'pitch' => 1, 'step' => 0.5, 'wanted' => 70];

    public function testTheWorkedRod(): void
    {
        $r = self::answer('gate-preload', self::ROD);
        self::assertSame([3.0, 3.0, 70.5], [$r->number('turns'), $r->number('preload'), $r->number('cracks_then')]);
        $fine = self::answer('gate-preload', ['pitch' => 1.25, 'step' => 1, 'needed' => 9] + self::ROD);
        self::assertSame(2.0, $fine->number('turns'), '2.35 turns, to whole ones');
        self::assertEqualsWithDelta(48 + 7.5 * 2.5 + 7.5 * 9, $fine->number('full_open'), 1e-9);
        // The way back: what was turned says where it cracks.
        $back = self::answer('gate-preload', ['wanted' => null, 'turns' => 3] + self::ROD);
        self::assertSame(70.5, $back->number('cracks_then'));
        $points = self::answer('gate-preload', [
            'cracks' => null, 'rate' => null, 'points' => '0 0; 20 0; 40 0; 48 0; 55.5 1; 63 2; 70.5 3; 78 4; 85.5 5',
        ] + self::ROD);
        self::assertEqualsWithDelta(70.5, $points->number('cracks_then'), 0.2);
    }

    public function testWhereARodTurns(): void
    {
        $has = static fn (array $with, string $code): bool => Doors::book()->run('gate-preload', $with + self::ROD)->hasCheck($code);
        self::assertTrue($has(['wanted' => 40], 'too-hard'));
        self::assertTrue($has(['wanted' => 49], 'no-preload'), 'a seventh of a turn is none');
        self::assertTrue($has(['travel' => 12.0, 'needed' => 9], 'opens'));
        self::assertTrue($has(['travel' => 11.99, 'needed' => 9], 'too-far'));
        self::assertTrue($has(['stated' => '2 mm', 'stated_turns' => 2], 'agrees'));
        self::assertTrue($has(['stated' => '0.1 in', 'stated_turns' => 2], 'disagree'));
    }

    public function testEachFaultOfTheSimulatedActuatorIsFound(): void
    {
        foreach (ActuatorFault::cases() as $fault) {
            $right = 0;
            for ($seed = 1; $seed <= 100; ++$seed) {
                $model = new ActuatorModel($fault, $seed);
                $test = $model->test();
                $judged = ActuatorTest::of($test['samples'], $model->label, $model->full, $test['hold']);
                $right += $judged->finding === $fault->finding() ? 1 : 0;
                if (ActuatorFault::None === $fault) {
                    self::assertEqualsWithDelta(1.0, ($judged->cracks ?? 0.0) / $model->cracks, 0.1, 'seed '.$seed);
                }
            }
            self::assertGreaterThanOrEqual(ActuatorFault::None === $fault ? 98 : 95, $right, $fault->value);
        }
    }

    /** Read off in another way: by the rod in whole steps, coarse and fine, without noise. */
    public function testWhereItCracksIsFoundWithinAHundredth(): void
    {
        $luck = new Luck(8);
        for ($i = 0; $i < 100; ++$i) {
            [$cracks, $rate, $full] = [$luck->between(20, 110), $luck->between(3, 15), $luck->between(5, 20)];
            $samples = [];
            $top = $cracks + $rate * $full * 1.2;
            for ($p = 0.0; $p < $top; $p += $luck->between(0.5, 3.0)) {
                $samples[] = [$p, max(0.0, min($full, ($p - $cracks) / $rate))];
            }
            $test = ActuatorTest::of([[0.0, 0.0], ...$samples], null, null, null);
            self::assertEqualsWithDelta($cracks, $test->cracks ?? 0.0, 0.01 * $cracks);
            self::assertEqualsWithDelta($rate, $test->rate ?? 0.0, 0.01 * $rate);
            self::assertEqualsWithDelta($full, $test->travel, 0.01 * $full);
            self::assertNull($test->hysteresis, 'it was not let down');
        }
    }

    public function testHowMuchMayBeLostAndHowFarALabelMayBeOff(): void
    {
        $samples = '0 0; 20 0; 40 0; 48 0; 55.5 1; 63 2; 70.5 3; 78 4; 85.5 5; 93 6; 101 6; 110 6; 93 6; 78 4; 63 2; 48 0; 20 0';
        $says = static fn (array $with): string => self::found('actuator-test', $with + ['samples' => $samples]);
        self::assertSame('sound', $says(['label' => 43.9]));
        self::assertSame('spring-off-label', $says(['label' => 43.4]));
        self::assertSame('sound', $says(['hold' => '100 90.1 10']));
        self::assertSame('leaks', $says(['hold' => '100 89.9 10']));
        self::assertSame('sound', $says(['hold' => [100, 81.2, 20]]), 'the same leak, waited for twice as long');
        self::assertSame('stopped-short', $says(['full' => 6.8]));
        self::assertSame('sound', $says(['full' => 6.5]));
    }

    /** What is drawn lies in its range, and comes near both of its ends. */
    public function testASimulatedRunIsDrawnFromTheRangesItNames(): void
    {
        $begins = $ends = $lasts = $leaks = $shorts = $over = [];
        for ($seed = 1; $seed <= 150; ++$seed) {
            $sound = (new BoostModel(100.0, BoostFault::None, $seed))->samples();
            $last = $sound[count($sound) - 1];
            [$begins[], $ends[], $lasts[]] = [$sound[0][1], $last[1], $last[0]];
            $top = static fn (BoostFault $fault): float => max(array_column((new BoostModel(100.0, $fault, $seed))->samples(), 2));
            [$leaks[], $shorts[], $over[]] = [$top(BoostFault::Leak), $top(BoostFault::Short), $top(BoostFault::Spike)];
        }
        self::assertSpans(1800, 2600, 30, $begins, 'rpm it begins at');
        self::assertSpans(5800, 7400, 60, $ends, 'rpm it ends at');
        self::assertSpans(5.0, 9.0, 0.2, $lasts, 's it lasts');
        self::assertSpans(45.0, 88.0, 6.0, $leaks, 'a leak reaches less than nine tenths');
        self::assertSpans(60.0, 90.0, 6.0, $shorts, 'a short one too');
        self::assertGreaterThan(112.0, min($over), 'a spike is over by more than twelve');
        self::assertLessThan(200.0, max($over));
    }

    /** @param non-empty-list<float> $values */
    private static function assertSpans(float $low, float $high, float $near, array $values, string $what): void
    {
        self::assertGreaterThanOrEqual($low - $near / 3, min($values), $what);
        self::assertLessThanOrEqual($low + $near, min($values), $what);
        self::assertLessThanOrEqual($high + $near / 3, max($values), $what);
        self::assertGreaterThanOrEqual($high - $near, max($values), $what);
    }

    /**
     * Where the rod rests and where it stands are read off what is still, not off what only just moves: a few hundredths of play in
     * the rule change neither, nor does a stroke that lies the other way.
     */
    public function testRestAndStopAreTheMiddlesOfWhatIsStill(): void
    {
        $samples = [];
        for ($p = 0; $p <= 120; $p += 4) {
            $samples[] = [(float) $p, max(0.0, min(6.0, ($p - 40) / 10)) + [0.0, 0.03, -0.03, 0.02, -0.02][$p / 4 % 5]];
        }
        $test = ActuatorTest::of($samples, null, null, null);
        self::assertEqualsWithDelta(6.0, $test->travel, 0.012);
        self::assertEqualsWithDelta(40.0, $test->cracks ?? 0.0, 0.35);
        self::assertEqualsWithDelta(10.0, $test->rate ?? 0.0, 0.08);
        $falling = array_map(static fn (array $one): array => [$one[0], 6.0 - $one[1]], $samples);
        self::assertSame(ActuatorFinding::NeverMoves, ActuatorTest::of($falling, null, null, null)->finding, 'it does not open by falling');
    }

    public function testEachFaultOfTheSimulatedRunIsFound(): void
    {
        foreach ([10.0, 25.0, 100.0] as $hertz) {
            foreach (BoostFault::cases() as $fault) {
                $right = 0;
                $seeds = Sample::seeds(40, 'runs '.$fault->value.$hertz, least: 8);
                foreach ($seeds as $seed) {
                    $target = (new Luck($seed))->between(35, 190);
                    $run = BoostRun::of((new BoostModel($target, $fault, $seed, $hertz))->samples(), static fn (): float => $target, null);
                    $right += $run?->finding === $fault->finding() ? 1 : 0;
                }
                $floor = Sample::floor(BoostFault::None === $fault ? 1.0 : 0.95, count($seeds));
                self::assertGreaterThanOrEqual($floor, $right, $fault->value.' at '.$hertz);
            }
        }
    }

    /** @return iterable<string, array{\Closure(float): float, BoostFinding}> boost over its target by seconds after it is reached */
    public static function shapes(): iterable
    {
        yield 'level' => [static fn (float $t): float => 1.0, BoostFinding::Sound];
        yield 'a little over' => [static fn (float $t): float => 1.05, BoostFinding::Sound];
        yield 'over by eleven hundredths and back' => [static fn (float $t): float => $t < 0.7 ? 1.11 : 1.0, BoostFinding::Sound];
        yield 'over by thirteen and back' => [static fn (float $t): float => $t < 0.7 ? 1.13 : 1.0, BoostFinding::Spike];
        yield 'over by thirteen and it stays' => [static fn (float $t): float => 1.13, BoostFinding::Sound];
        yield 'up by ten over the run' => [static fn (float $t): float => 1.0 + 0.02 * $t, BoostFinding::Creep];
        yield 'down by fourteen' => [static fn (float $t): float => 1.0 - 0.14 * min(1.0, $t / 4.4), BoostFinding::Sound];
        yield 'down by eighteen' => [static fn (float $t): float => 1.0 - 0.18 * min(1.0, $t / 4.4), BoostFinding::Tapers];
        yield 'swings of ten' => [static fn (float $t): float => 1.0 + 0.05 * sin(6 * $t), BoostFinding::Hunting];
        yield 'swings of seven' => [static fn (float $t): float => 1.0 + 0.035 * sin(6 * $t), BoostFinding::Sound];
        yield 'square swings' => [static fn (float $t): float => fmod($t, 1.0) < 0.5 ? 1.05 : 0.94, BoostFinding::Hunting];
        yield 'one dip' => [static fn (float $t): float => $t > 2 && $t < 2.5 ? 0.9 : 1.0, BoostFinding::Sound];
        yield 'never there' => [static fn (float $t): float => 0.915, BoostFinding::Short];
        yield 'only just' => [static fn (float $t): float => 0.925, BoostFinding::Sound];
    }

    /** @param \Closure(float): float $shape */
    #[DataProvider('shapes')]
    public function testAShapeThatIsDrawnIsNamed(\Closure $shape, BoostFinding $finding): void
    {
        foreach ([80.0, 160.0] as $target) {
            $samples = [];
            for ($t = 0.0; $t <= 6.0; $t += 0.05) {
                $samples[] = [$t, 2500 + 600 * $t, $target * ($t < 1.0 ? 0.9 * $t * $t : $shape($t - 1.0)), 100.0];
            }
            self::assertSame($finding, BoostRun::of($samples, static fn (): float => $target, null)?->finding, $target.' kPa');
        }
    }

    public function testTheLimitGoesBeforeAllAndAClosedThrottleSaysNothing(): void
    {
        $run = '0 2500 10 100; 1 3000 97 100; 1.5 3300 131 100; 2 3600 131 100; 3 4200 100 100; 4 5000 100 100';
        $says = static fn (array $with): string => self::found('boost-run', $with + ['samples' => $run, 'target' => 100]);
        self::assertSame('over-limit', $says(['limit' => 130]));
        self::assertSame('spike', $says(['limit' => 132]));
        self::assertSame('stop', self::answer('boost-run', ['samples' => $run, 'target' => 100, 'limit' => 130])->verdict->value);
        // With a target by speed the same run is on it.
        self::assertSame('sound', $says(['target' => '3000 97; 3300 131; 3600 131; 4200 100']));
        $lifted = '0 2500 200 80; 1 2600 95 100; 2 3000 99 100; 3 3600 100 100; 4 4200 100 100; 5 4300 10 20';
        self::assertSame('sound', $says(['samples' => $lifted, 'limit' => 130]), 'what stands before and after is not judged');
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function faults(): iterable
    {
        yield 'no rate' => ['gate-preload', ['rate' => null] + self::ROD, 'rate', 'needed'];
        yield 'nothing wanted' => ['gate-preload', ['wanted' => null] + self::ROD, 'wanted', 'needed'];
        yield 'a rod that stands' => ['gate-preload', ['points' => '0 0; 20 0; 40 0; 60 0'] + self::ROD, 'points', 'does not move'];
        yield 'three rows' => ['actuator-test', ['samples' => '0 0; 20 1; 40 2'], 'samples', '4 rows'];
        yield 'a hold that rises' => [
            'actuator-test', ['samples' => '0 0; 20 0; 40 1; 60 2', 'hold' => '90 91 10'], 'hold', 'no more than',
        ];
        yield 'two numbers' => ['actuator-test', ['samples' => '0 0; 20 0; 40 1; 60 2', 'hold' => '90 91'], 'hold', 'Three numbers'];
        yield 'never open' => ['boost-run', ['samples' => '0 2500 1 50; 1 3000 2 50; 2 3500 3 60', 'target' => 90], 'samples', 'over 90 %'];
        yield 'back in time' => [
            'boost-run', ['samples' => '0 2500 1 99; 1 3000 2 99; 0.5 3500 3 99; 3 3600 4 99', 'target' => 90], 'samples', 'Row 3',
        ];
        yield 'no target' => ['boost-run', ['samples' => '0 2500 1 99; 1 3000 2 99; 2 3500 3 99; 3 4000 4 99'], 'target', 'needed'];
    }

    /** @param array<string, mixed> $raw */
    #[DataProvider('faults')]
    public function testWhatCannotBeIsNamed(string $sum, array $raw, string $field, string $said): void
    {
        try {
            self::answer($sum, $raw);
            self::fail('it was taken');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertStringContainsString($said, $e->getMessage());
        }
    }

    public function testTheMiddleOfReadings(): void
    {
        self::assertSame([0.0, 3.0, 2.5, 2.0], array_map(Middle::of(...), [[], [3.0], [4.0, 1.0], [9.0, 2.0, -5.0]]));
    }

    public function testNoSignOfAFindingIsWithoutItsFault(): void
    {
        $shown = array_unique(array_map(static fn (ActuatorFault $one): string => $one->finding()->value, ActuatorFault::cases()));
        self::assertSame(count(ActuatorFinding::cases()), count($shown));
        $run = array_unique(array_map(static fn (BoostFault $one): string => $one->finding()->value, BoostFault::cases()));
        self::assertSame(count(BoostFinding::cases()) - 1, count($run), 'the limit is no fault of its own');
    }

    /** @param array<array-key, mixed> $raw */
    private static function found(string $sum, array $raw): string
    {
        return (string) (Doors::book()->run($sum, $raw)->entries('finding')[0] ?? '');
    }

    /** @param array<string, mixed> $raw */
    private static function answer(string $sum, array $raw): SumResult
    {
        return Doors::book()->run($sum, $raw);
    }
}
