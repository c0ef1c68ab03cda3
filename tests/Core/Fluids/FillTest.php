<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\State\FillRun;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\Task\FillFromBench;
use NimbleKnuckle\Core\Fluids\DialDrawing;
use NimbleKnuckle\Core\Fluids\Fill\CircuitDrawing;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Fluids\Fill\FillStage;
use NimbleKnuckle\Core\Fluids\Fill\Look;
use NimbleKnuckle\Core\Fluids\VacuumHold;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Quantity\Duration;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(FillRoutine::class)]
#[CoversClass(FillStage::class)]
#[CoversClass(FillRun::class)]
#[CoversClass(CircuitDrawing::class)]
#[CoversClass(FillFromBench::class)]
#[CoversClass(DialDrawing::class)]
final class FillTest extends TestCase
{
    private const START = '2026-11-25T10:00:00Z';

    private int $made = 0;

    #[DataProvider('routines')]
    public function testEveryRoutineCanBeWalkedAndGoesBackOnlyToItsOwnStages(string $name): void
    {
        $routine = FillRoutine::named($name);
        self::assertNotNull($routine);
        $ids = array_map(static fn (FillStage $s): string => $s->id, $routine->stages);
        self::assertSame($ids, array_values(array_unique($ids)));
        $begun = [];
        foreach ($routine->stages as $i => $stage) {
            self::assertNotSame('', $stage->text.$stage->title);
            self::assertNotSame('', $stage->done, 'the button says what is over');
            self::assertTrue('' === $stage->again->stage || ($routine->place($stage->again->stage) ?? 99) <= $i);
            self::assertSame('' === $stage->again->stage, '' === $stage->again->text);
            self::assertSame($i === count($ids), FillRun::of($routine, $begun)->isAtItsEnd());
            $begun[] = $this->begun($stage->id, 10 * $i);
            $run = FillRun::of($routine, $begun);
            self::assertSame($stage, $run->stage());
            self::assertSame($ids[$i + 1] ?? null, $run->next()?->id);
        }
        self::assertTrue(FillRun::of($routine, $begun)->isAtItsEnd());
    }

    /** @return iterable<string, array{string}> */
    public static function routines(): iterable
    {
        foreach (FillRoutine::names() as $name) {
            yield $name => [$name];
        }
    }

    public function testEachStepAsksForWhatItsRoutineReads(): void
    {
        foreach (['vacuum', 'bleed', 'burp'] as $fill) {
            foreach (Sheets::thermostat(choices: ['fill' => $fill])->steps as $step) {
                foreach (FillRoutine::named($step->asking->routine)->stages ?? [] as $stage) {
                    self::assertTrue(
                        '' === $stage->ask || in_array(
                            $stage->ask, array_map(static fn (Ask $a): string => $a->field, $step->asking->asks), true,
                        ),
                        $step->id.' '.$stage->ask,
                    );
                }
            }
        }
        self::assertNull(FillRoutine::named('magic'));
    }

    /** Whatever is switched off meanwhile: the seconds left follow from the log alone, at every second. */
    public function testInterruptedAtAnySecondItGoesOnAtThatSecond(): void
    {
        $routine = FillRoutine::named('vacuum-pull');
        self::assertNotNull($routine);
        $log = [$this->begun('connect', 0), $this->begun('pull', 40), $this->begun('hold', 95)];
        $start = new \DateTimeImmutable(self::START);
        for ($second = 95; $second <= 260; ++$second) {
            $now = $start->modify(sprintf('+%d seconds', $second));
            $left = FillRun::of($routine, $log)->secondsLeft($now);
            self::assertSame((float) max(0, 120 - ($second - 95)), $left);
            $stored = array_map(
                static fn (FitEvent $e): FitEvent => FitEvent::of(
                    $e->id, $e->type, $e->payload, $e->by, new \DateTimeImmutable($e->at->format(\DATE_ATOM)),
                ),
                $log,
            );
            self::assertSame(
                $left, FillRun::of($routine, FitState::fold($stored)->routines['vacuum-pull'])->secondsLeft($now),
                'after a restart',
            );
        }
    }

    public function testARoundDoneAgainIsCountedAndAnUndoneStageIsAsIfItHadNeverBeen(): void
    {
        $routine = FillRoutine::named('bleed-pour');
        self::assertNotNull($routine);
        $log = array_map(fn (string $id): FitEvent => $this->begun($id, 0), ['ready', 'open', 'pour', 'stand', 'level', 'open', 'pour']);
        $run = FillRun::of($routine, $log);
        self::assertSame(['pour', 2], [$run->stage()->id, $run->round()]);
        $undone = FitEvent::of(
            '01J00000000000000000000099', EventType::Undone, ['event' => $log[6]->id], 'Joss Wending',
            new \DateTimeImmutable(self::START),
        );
        $state = FitState::fold(
            [...array_map(fn (FitEvent $e): FitEvent => $this->begun($e->string('stage'), 0, 'bleed-fill', $e->id), $log), $undone],
        );
        self::assertSame('open', FillRun::of($routine, $state->routines['bleed-fill'])->stage()->id);
    }

    public function testATimedStageThatIsTakenOutOfTheMiddleStoodNotAtAll(): void
    {
        $sheet = Sheets::thermostat(null, ['fill' => 'burp']);
        $step = $sheet->step('burp-fill');
        self::assertInstanceOf(Step::class, $step);
        $log = array_map(fn (int $second, string $stage): FitEvent => $this->begun($stage, $second, 'burp-fill'), [
            0, 5, 10, 135,
        ], ['funnel', 'pour', 'squeeze', 'level']);
        $undone = FitEvent::of(
            '01J00000000000000000000099', EventType::Undone, ['event' => $log[2]->id], 'Joss Wending',
            new \DateTimeImmutable(self::START),
        );
        $said = static fn (FitEvent ...$events): string => implode(
            ' ', array_column(Gate::at(new Fit($sheet, Sheets::tarn(), FitState::fold($events)))->within($step), 'text'),
        );
        self::assertStringNotContainsString('Squeeze both', $said(...$log));
        self::assertStringContainsString('“Squeeze both radiator hoses” stood 0:00 of 2:00', $said(...[...$log, $undone]));
        $again = $this->begun('squeeze', 140, 'burp-fill', '01J00000000000000000000098');
        self::assertStringNotContainsString('0:00 of 2:00', $said(...[...$log, $undone, $again]));
    }

    /** The limit of the step, the stage that is left alone and the sum are one. */
    public function testTheStepHoldsAVacuumByTheLimitOfTheSum(): void
    {
        $step = Sheets::thermostat()->step('vacuum-pull');
        self::assertInstanceOf(Step::class, $step);
        $ask = array_values(array_filter($step->asking->asks, static fn (Ask $one): bool => 'vacuum_lost' === $one->field))[0];
        self::assertSame(VacuumHold::mostLost()->kilopascals, $ask->limits->high);
        self::assertStringContainsString('two minutes', $ask->label);
        self::assertSame(2 * 60, VacuumHold::SECONDS);
        $held = static fn (float $lost): VacuumHold => VacuumHold::of(
            Volume::litres(6.4), Pressure::kilopascals(84.0), Pressure::kilopascals(84.0 - $lost),
            Duration::minutes(VacuumHold::SECONDS / 60),
        );
        self::assertFalse($held($ask->limits->high - 0.01)->leaks());
        self::assertTrue($held($ask->limits->high + 0.01)->leaks());
    }

    public function testAStepIsNotClosedOverAnUnfinishedRoutine(): void
    {
        $sheet = Sheets::thermostat();
        $step = $sheet->step('vacuum-fill');
        self::assertInstanceOf(Step::class, $step);
        $gate = static fn (FitEvent ...$events): string => implode(
            ' ', array_column(Gate::at(new Fit($sheet, Sheets::tarn(), FitState::fold($events)))->within($step), 'text'),
        );
        self::assertStringContainsString('not begun', $gate());
        self::assertStringContainsString('valve open', $gate($this->begun('draw', 0, 'vacuum-fill')));
        self::assertStringNotContainsString(
            'routine', $gate($this->begun('draw', 0, 'vacuum-fill'), $this->begun('settle', 9, 'vacuum-fill')),
        );
    }

    public function testAirStaysWhereItLiesAboveTheTank(): void
    {
        $stage = static fn (string ...$shows): FillStage => new FillStage('x', 'x', 'x', 'x', look: new Look(1.0, array_values($shows)));
        $tarn = Sheets::tarn()->circuits['coolant'];
        $drawn = CircuitDrawing::of($tarn->plumbing->heights, $stage('heater'));
        self::assertTrue($drawn->measured);
        self::assertSame(['the bleed screw', 'the heater'], $drawn->air);
        self::assertTrue($drawn->vessels['heater']['air']);
        self::assertFalse($drawn->vessels['radiator']['air']);
        self::assertFalse(
            CircuitDrawing::of(
                $tarn->plumbing->heights, $stage('funnel'),
            )->vessels['heater']['air'], 'the funnel is the highest point then',
        );
        self::assertFalse(CircuitDrawing::of([], $stage())->measured);
        foreach ([0.0, 0.3, 0.7, 1.0] as $fill) {
            $one = CircuitDrawing::of($tarn->plumbing->heights, new FillStage('x', 'x', 'x', 'x', look: new Look($fill)));
            foreach ($one->vessels as $name => $vessel) {
                self::assertLessThanOrEqual($vessel['h'] + 1e-6, $vessel['fluid'], $name);
                self::assertGreaterThanOrEqual(0.0, $vessel['fluid']);
                if ($vessel['fluid'] > 0 && $vessel['fluid'] < $vessel['h'] - 1e-6) {
                    self::assertEqualsWithDelta($one->level, $vessel['y'] + $vessel['h'] - $vessel['fluid'], 1e-6, 'one level in all');
                }
            }
        }
        self::assertEqualsWithDelta(
            ($drawn->at['bleed'] - $drawn->vessels['radiator']['y']) / (842 - 680),
            ($drawn->at['bleed'] - $drawn->vessels['engine']['y']) / (842 - 745), 1e-9, 'heights are to scale',
        );
    }

    public function testTheVacuumKnowsTheHeightOfTheWorkshopAndTheWarmthOfTheCoolant(): void
    {
        $circuit = Sheets::tarn()->circuits['coolant'];
        $measured = fn (string $step, string $field, float $value, string $unit): FitEvent => FitEvent::of(
            sprintf('01J%023d', ++$this->made), EventType::Measured,
            ['step' => $step, 'field' => $field, 'text' => $value.' '.$unit, 'value' => $value, 'unit' => $unit], 'Joss Wending',
            new \DateTimeImmutable(self::START),
        );
        $none = FillFromBench::of($circuit, FitState::none(), []);
        $high = FillFromBench::of($circuit, FitState::none(), [FillFromBench::CHOICE => '1200']);
        self::assertNotNull($none);
        self::assertNotNull($high);
        self::assertEqualsWithDelta(85.4, $high->vacuum->limit->kilopascals, 0.05);
        self::assertGreaterThan(12.0, $none->vacuum->limit->kilopascals - $high->vacuum->limit->kilopascals);
        self::assertFalse($none->isPulled);
        $warm = FillFromBench::of($circuit, FitState::fold([$measured('safe-cold', 'coolant_temperature', 38.0, '°C')]), []);
        self::assertLessThan($none->vacuum->limit->kilopascals, $warm?->vacuum->limit->kilopascals);
        $held = FillFromBench::of(
            $circuit,
            FitState::fold([$measured('vacuum-pull', 'vacuum_pulled', 84.0, 'kPa'), $measured('vacuum-pull', 'vacuum_lost', 1.5, 'kPa')]),
            [],
        );
        self::assertTrue($held?->hold?->leaks(), 'a loss of 1.5 in two minutes is 3.75 in five');
        self::assertEqualsWithDelta(82.5, $held->dial->shown, 1e-9);
    }

    public function testTheHandOfTheDialTurnsEvenly(): void
    {
        $angle = static fn (float $kpa): float => rad2deg(
            atan2(DialDrawing::of($kpa, 80, 90)->hand['y'] - 200, DialDrawing::of($kpa, 80, 90)->hand['x'] - 200),
        );
        self::assertEqualsWithDelta(-90.0, $angle(50.0), 0.2);
        for ($kpa = 0.0; $kpa < 100.0; $kpa += 10.0) {
            self::assertEqualsWithDelta(27.0, fmod($angle($kpa + 10) - $angle($kpa) + 720, 360), 0.3);
        }
        self::assertCount(11, DialDrawing::of(10, 80, 90)->ticks);
    }

    private function begun(string $stage, int $second, string $step = 'vacuum-pull', string $id = ''): FitEvent
    {
        return FitEvent::of(
            '' === $id ? sprintf('01J%023d', ++$this->made) : $id, EventType::StageBegun, ['step' => $step, 'stage' => $stage],
            'Joss Wending', (new \DateTimeImmutable(self::START))->modify(sprintf('+%d seconds', $second)),
        );
    }
}
