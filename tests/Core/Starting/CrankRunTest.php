<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Starting;

use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Starting\CrankDrawing;
use NimbleKnuckle\Core\Starting\CrankFault;
use NimbleKnuckle\Core\Starting\CrankFinding;
use NimbleKnuckle\Core\Starting\CrankModel;
use NimbleKnuckle\Core\Starting\CrankRun;
use NimbleKnuckle\Core\Starting\Door\CrankSaid;
use NimbleKnuckle\Core\Starting\MeterDrawing;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Recordings of a starter that cranks: judged on our own simulation, on one drawn another way, and at each limit. */
#[CoversClass(CrankDrawing::class)]
#[CoversClass(CrankFault::class)]
#[CoversClass(CrankFinding::class)]
#[CoversClass(CrankModel::class)]
#[CoversClass(CrankRun::class)]
#[CoversClass(CrankSaid::class)]
#[CoversClass(MeterDrawing::class)]
final class CrankRunTest extends TestCase
{
    private const FLOODED = 'flooded';

    /** @return iterable<string, array{CrankFault}> */
    public static function faults(): iterable
    {
        foreach (CrankFault::cases() as $fault) {
            yield $fault->value => [$fault];
        }
    }

    #[DataProvider('faults')]
    public function testNinetyFiveInAHundredSimulatedRunsAreFound(CrankFault $fault): void
    {
        [$right, $all] = [0, 0];
        $seeds = Sample::seeds(100, 'simulated '.$fault->value);
        foreach ([3, 4, 6] as $cylinders) {
            foreach ($seeds as $seed) {
                $run = CrankRun::of((new CrankModel($fault, $cylinders, 31 * $seed))->samples(), $cylinders, 21.0, self::FLOODED);
                $right += $fault->finding() === $run->finding ? 1 : 0;
                ++$all;
            }
        }
        self::assertGreaterThanOrEqual(Sample::floor(CrankFault::None === $fault ? 0.98 : 0.95, $all), $right);
    }

    #[DataProvider('faults')]
    public function testRunsDrawnAnotherWayAreFoundToo(CrankFault $fault): void
    {
        [$right, $all] = [0, 0];
        $seeds = Sample::seeds(100, 'drawn '.$fault->value);
        foreach ([3, 4, 6] as $cylinders) {
            foreach ($seeds as $seed) {
                $run = CrankRun::of($this->drawn($fault, $cylinders, 977 * $seed), $cylinders, 21.0, self::FLOODED);
                $right += $fault->finding() === $run->finding ? 1 : 0;
                ++$all;
            }
        }
        self::assertGreaterThanOrEqual(Sample::floor(CrankFault::None === $fault ? 0.97 : 0.94, $all), $right);
    }

    public function testItsSpeedIsCountedByTheHumps(): void
    {
        foreach ([160.0, 210.0, 290.0] as $rpm) {
            foreach ([3, 4, 6] as $cylinders) {
                $run = CrankRun::of($this->drawn(CrankFault::None, $cylinders, 5, $rpm), $cylinders, 21.0, self::FLOODED);
                self::assertEqualsWithDelta($rpm, $run->rpm($cylinders) ?? 0.0, 0.015 * $rpm, $cylinders.' at '.$rpm);
            }
        }
    }

    /** @return iterable<string, array{float, float, float, float, CrankFinding}> */
    public static function limits(): iterable
    {
        yield 'all well' => [12.6, 10.5, 9.9, 0.1, CrankFinding::Sound];
        yield 'the earth at its limit' => [12.6, 10.5, 9.9, 0.2, CrankFinding::Sound];
        yield 'the earth over it' => [12.6, 10.5, 9.9, 0.21, CrankFinding::Earth];
        yield 'the feed at its limit' => [12.6, 10.5, 9.9, 0.1, CrankFinding::Sound];
        yield 'the feed over it' => [12.6, 10.5, 9.88, 0.1, CrankFinding::Feed];
        yield 'both over, the earth by more of its limit' => [12.6, 10.5, 9.1, 0.5, CrankFinding::Earth];
        yield 'both over, the feed by more of its limit' => [12.6, 10.5, 8.5, 0.3, CrankFinding::Feed];
        yield 'the battery keeps what a good one keeps' => [12.6, 9.6, 9.3, 0.1, CrankFinding::Sound];
        yield 'the battery keeps less' => [12.6, 9.58, 9.3, 0.1, CrankFinding::Battery];
        yield 'a leg before the battery' => [12.6, 8.0, 7.0, 0.6, CrankFinding::Earth];
    }

    #[DataProvider('limits')]
    public function testEachLimit(float $rest, float $crank, float $stud, float $earth, CrankFinding $finding): void
    {
        $run = CrankRun::of(self::level($rest, $crank, $stud, $earth, 3.0), 4, 21.0, self::FLOODED);
        self::assertSame($finding, $run->finding);
        self::assertEqualsWithDelta($crank, $run->settled, 1e-9);
        self::assertSame(CrankFinding::Sound === $finding ? Level::Ok : Level::Stop, CrankSaid::of($run, 4)->level);
        self::assertStringContainsString(
            CrankFinding::Sound === $finding ? 'cannot be told' : '', CrankSaid::of($run, 4)->text, 'a run without humps says so',
        );
    }

    public function testAColdBatteryMayFallFurther(): void
    {
        $samples = self::level(12.6, 9.2, 8.9, 0.1, 3.0);
        self::assertSame(CrankFinding::Battery, CrankRun::of($samples, 4, 21.0, self::FLOODED)->finding);
        self::assertSame(CrankFinding::Sound, CrankRun::of($samples, 4, -1.0, self::FLOODED)->finding);
    }

    public function testWhatWasNotCrankedLongEnoughIsNotJudged(): void
    {
        foreach ([0.0, 0.5, 1.5] as $lasts) {
            $run = CrankRun::of(self::level(12.6, 10.5, 9.9, 0.9, $lasts), 4, 21.0, self::FLOODED);
            self::assertSame(CrankFinding::TooShort, $run->finding, (string) $lasts);
            self::assertSame(Level::Watch, CrankSaid::of($run, 4)->level);
            self::assertNull($run->rpm(4));
        }
        self::assertSame(CrankFinding::Earth, CrankRun::of(self::level(12.6, 10.5, 9.9, 0.9, 1.7), 4, 21.0, self::FLOODED)->finding);
    }

    public function testWhatComesAfterTheKeyIsLetGoDoesNotCount(): void
    {
        $samples = self::level(12.6, 10.5, 9.9, 0.3, 2.5);
        $end = $samples[count($samples) - 1][0];
        for ($i = 1; $i <= 200; ++$i) {
            $samples[] = [$end + $i / 50, 12.5, 0.0, 0.0];
        }
        $run = CrankRun::of($samples, 4, 21.0, self::FLOODED);
        self::assertSame(CrankFinding::Earth, $run->finding);
        self::assertEqualsWithDelta(0.3, $run->earth, 1e-9);
    }

    public function testTheDrawingShowsWhatWasReadAndTheRunBefore(): void
    {
        $bad = (new CrankModel(CrankFault::Earth, 4, 3))->samples();
        $good = (new CrankModel(CrankFault::None, 4, 3))->samples();
        $run = CrankRun::of($good, 4, 21.0, self::FLOODED);
        $plot = CrankDrawing::of($good, $run, $bad);
        self::assertCount(4, $plot->lines);
        self::assertCount(3, $plot->dots);
        self::assertSame('a good battery keeps 9.6 V', $plot->levels[0]['text'] ?? '');
        $short = self::level(12.6, 10.5, 9.9, 0.1, 0.5);
        self::assertSame([], CrankDrawing::of($short, CrankRun::of($short, 4, 21.0, self::FLOODED))->dots);
    }

    public function testTheLeadsOfTheMeterGoWhereTheReadingIs(): void
    {
        $said = static fn (string $field): string => null === ($one = MeterDrawing::of($field)) ? '' : sprintf(
            '%s; %s; %s', $one->redSaid, $one->blackSaid, $one->isCranking ? 'cranking' : 'at rest',
        );
        self::assertSame('battery plus post; battery minus post; at rest', $said('volts_rest'));
        self::assertSame('battery plus post; battery minus post; cranking', $said('volts_crank_after'));
        self::assertSame('battery stud of the solenoid; case of the starter, bare metal; cranking', $said('volts_stud'));
        self::assertSame('case of the starter, bare metal; battery minus post; cranking', $said('volts_ground_after'));
        self::assertSame(['', ''], [$said('volts_other'), $said('coil_volts')]);
        self::assertSame(
            ['battery plus post', 'battery stud of the solenoid'],
            [MeterDrawing::atCheck('feed-drop')->redSaid ?? '', MeterDrawing::atCheck('feed-drop')->blackSaid ?? ''],
        );
        self::assertEquals(MeterDrawing::of('volts_ground'), MeterDrawing::atCheck('earth-drop'));
        self::assertNull(MeterDrawing::atCheck('by-hand'));
    }

    /** @return non-empty-list<array{float, float, float, float}> half a second at rest, then levels without a hump */
    private static function level(float $rest, float $crank, float $stud, float $earth, float $lasts): array
    {
        $samples = [[0.0, $rest, 0.0, 0.0]];
        for ($i = 1; $i <= 25 + (int) round(50 * $lasts); ++$i) {
            $samples[] = $i < 25 ? [$i / 50, $rest, 0.0, 0.0] : [$i / 50, $crank, $stud, $earth];
        }

        return $samples;
    }

    /**
     * Drawn and not solved: a fall, a rush that dies away, a dip for each compression, and noise.
     *
     * @return non-empty-list<array{float, float, float, float}>
     */
    private function drawn(CrankFault $fault, int $cylinders, int $seed, ?float $rpm = null): array
    {
        $luck = new Luck($seed);
        [$hertz, $noise, $rest] = [$luck->oneOf([50.0, 60.0, 100.0, 250.0]), $luck->between(0.003, 0.03), $luck->between(12.45, 12.85)];
        $rpm ??= $luck->between(130.0, 320.0);
        $crank = CrankFault::Battery === $fault ? $luck->between(7.2, 9.2) : $luck->between(10.0, 11.4);
        $feed = CrankFault::Feed === $fault ? $luck->between(0.7, 2.5) : $luck->between(0.1, 0.35);
        $earth = CrankFault::Earth === $fault ? $luck->between(0.3, 1.6) : $luck->between(0.02, 0.14);
        [$depth, $sharp] = [$luck->between(0.15, 0.6), $luck->oneOf([1.0, 2.0, 3.0])];
        $share = array_map(static fn (int $i): float => $luck->between(0.94, 1.06), range(1, $cylinders));
        CrankFault::Cylinder === $fault && $share[$cylinders - 2] = $luck->between(0.05, 0.5);
        [$on, $lasts, $turn] = [$luck->between(0.1, 0.6), $luck->between(2.4, 5.0), $luck->between(0.0, 9.0)];
        $samples = [[0.0, $rest, 0.0, 0.0]];
        for ($time = 1 / $hertz; $time < $on + $lasts; $time += 1 / $hertz) {
            $gone = $time - $on;
            $turns = $rpm / 120 * $cylinders * max(0.0, $gone) + $turn;
            $dip = $depth * ((1 - cos(2 * \M_PI * $turns)) / 2) ** $sharp * $share[(int) floor($turns) % $cylinders];
            $load = $gone < 0.0 ? 0.0 : 1 + ($dip - 0.3 * $depth + 1.6 * exp(-$gone / 0.12)) / ($rest - $crank);
            $posts = $rest - ($rest - $crank) * $load;
            $samples[] = [
                $time, $posts + $noise * $luck->normal(),
                $gone < 0.0 ? $noise * $luck->normal() : $posts - ($feed + $earth) * $load + $noise * $luck->normal(),
                $earth * $load + 0.3 * $noise * $luck->normal(),
            ];
        }

        return $samples;
    }
}
