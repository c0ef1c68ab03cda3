<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Plan;

use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Lint\Linter;
use NimbleKnuckle\Core\Plan\Lint\Rig;
use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\TrayLine;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;
use NimbleKnuckle\Core\Sum\Level;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Linter::class)]
#[CoversClass(Rig::class)]
#[CoversClass(Run::class)]
#[CoversClass(Rule\ItemNotRefitted::class)]
#[CoversClass(Rule\TrayMiscounts::class)]
#[CoversClass(Rule\JointNotTightened::class)]
#[CoversClass(Rule\JointWithoutFigure::class)]
#[CoversClass(Rule\FigureDoubtful::class)]
#[CoversClass(Rule\NoWrench::class)]
#[CoversClass(Rule\SinglePartMissing::class)]
#[CoversClass(Rule\CircuitNotFilled::class)]
#[CoversClass(Rule\StartedBeforeFilled::class)]
#[CoversClass(Rule\HotCircuitOpened::class)]
#[CoversClass(Rule\UnderWithoutStands::class)]
#[CoversClass(Rule\FollowUpMissing::class)]
#[CoversClass(Rule\ToolMissing::class)]
#[CoversClass(Rule\NotLowered::class)]
#[CoversClass(Rule\EmptySheet::class)]
final class LinterTest extends TestCase
{
    public function testTheShippedSheetBreaksNoRule(): void
    {
        self::assertSame([], Sheets::thermostat()->findings);
    }

    #[DataProvider('flaws')]
    public function testAFlawIsFoundAtItsStepWithWhatMendsIt(string $code, string $step, Level $level, Sheet $sheet, ?VehicleSheet $vehicle = null, ?Kit $kit = null): void
    {
        $findings = (new Linter())->findings($sheet, $vehicle ?? Sheets::tarn(), $kit ?? Sheets::kit());
        $mine = array_values(array_filter($findings, static fn (Finding $f): bool => $f->code === $code));
        self::assertNotSame([], $mine, implode(', ', Sheets::codes($findings)));
        self::assertSame($step, $mine[0]->step);
        self::assertSame($level, $mine[0]->level);
        self::assertNotSame('', $mine[0]->why);
        self::assertNotSame('', $mine[0]->mend);
    }

    /** @return iterable<string, array{0: string, 1: string, 2: Level, 3: Sheet, 4?: VehicleSheet|null, 5?: Kit}> */
    public static function flaws(): iterable
    {
        yield 'a cover stays off' => ['cover-left-off', 'off.under-pan', Level::Stop, self::without('on.under-pan')];
        yield 'the housing bolts stay loose' => ['joint-left-loose', 'housing-off', Level::Stop, self::without('housing-tight')];
        yield 'a circuit stays empty' => ['circuit-not-filled', 'drain', Level::Stop, self::without('vacuum-fill')];
        yield 'the engine runs dry' => ['started-before-filled', 'start-first', Level::Stop, self::moved('start-first', 'vacuum-fill')];
        yield 'nobody looks next morning' => ['no-morning-check', 'book-retorque', Level::Stop, self::without('book-level')];
        yield 'nobody tightens again' => ['no-retorque', 'book-level', Level::Stop, self::without('book-retorque')];
        yield 'nobody looks again' => ['no-follow-up', 'book-retorque', Level::Stop, Sheets::of(Sheets::thermostat()->steps, ['re-look'])];
        yield 'opened hot' => ['hot-circuit', 'drain', Level::Stop, self::without('safe-cold')];
        yield 'nothing holds it up' => ['no-stands', 'off.front-shield', Level::Stop, self::without('raise-1')];
        yield 'left up' => ['left-on-stands', 'book-retorque', Level::Watch, self::without('lower-2')];
        yield 'one screw fewer goes back' => ['tray-miscount', 'on.under-pan', Level::Stop, self::fewerScrews()];
        yield 'nothing to do' => ['empty-sheet', '', Level::Stop, Sheets::of([])];
        yield 'no figure' => ['joint-no-figure', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['figure' => ''])];
        yield 'the two units disagree' => ['figure-conflict', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['figure' => '9 N·m / 120 in-lb'])];
        yield 'too much for the thread' => ['figure-past-thread', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['figure' => '90 N·m'])];
        yield 'close to yield' => ['figure-near-yield', 'housing-tight', Level::Watch, Sheets::thermostat(), self::joint(['figure' => '9 N·m', 'friction' => 'oiled'])];
        yield 'no wrench reaches' => ['no-wrench', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['figure' => '0.5 N·m'])];
        yield 'the wrench is out of date' => ['wrench-past-calibration', 'housing-tight', Level::Watch, Sheets::thermostat(), null, Sheets::kit(40)];
        yield 'new bolts nobody listed' => ['single-use-not-listed', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['reuse' => 'new'])];
        yield 'a tool is missing' => ['tool-missing', 'strength-before', Level::Watch, Sheets::thermostat(new Kit([], [])), null, new Kit([], [])];
    }

    public function testGravestFindingsStandFirst(): void
    {
        $levels = array_map(static fn (Finding $f): int => $f->level->rank(), (new Linter())->findings(self::without('on.under-pan'), Sheets::tarn(), Sheets::kit(40)));
        $sorted = $levels;
        rsort($sorted);
        self::assertSame($sorted, $levels);
    }

    private static function without(string $id): Sheet
    {
        $sheet = Sheets::thermostat();

        return Sheets::of(array_values(array_filter($sheet->steps, static fn (Step $step): bool => $step->id !== $id)), $sheet->expects, $sheet);
    }

    private static function moved(string $id, string $before): Sheet
    {
        $sheet = Sheets::thermostat();
        $steps = [];
        foreach ($sheet->steps as $step) {
            if ($step->id === $before) {
                $steps[] = $sheet->step($id) ?? throw new \LogicException('There is such a step.');
            }
            if ($step->id !== $id) {
                $steps[] = $step;
            }
        }

        return Sheets::of($steps, $sheet->expects, $sheet);
    }

    private static function fewerScrews(): Sheet
    {
        $sheet = Sheets::thermostat();

        return Sheets::of(array_map(static fn (Step $step): Step => 'on.under-pan' === $step->id && Deed::Refit === $step->deed ? $step->with(tray: [new TrayLine('short screws', 6)]) : $step, $sheet->steps), $sheet->expects, $sheet);
    }

    /** @param array<string, string> $changes */
    private static function joint(array $changes): VehicleSheet
    {
        return Sheets::vehicle('veldra-tarn-20t', static fn (array $d): array => array_replace_recursive($d, ['joints' => [$changes]]));
    }
}
