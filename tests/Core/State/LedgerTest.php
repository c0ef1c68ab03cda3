<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\State;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Complete\Moves;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Support;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\Bearing;
use NimbleKnuckle\Core\State\Ledger;
use NimbleKnuckle\Core\State\LedgerDrawing;
use NimbleKnuckle\Core\State\Mount;
use NimbleKnuckle\Core\State\MountState;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Who carries what after every step, for each way of holding the engine. */
#[CoversClass(Ledger::class)]
#[CoversClass(LedgerDrawing::class)]
#[CoversClass(Bearing::class)]
#[CoversClass(VehicleState::class)]
#[CoversClass(Moves::class)]
final class LedgerTest extends TestCase
{
    /** @param array<string, string> $said step => who carries the engine after it */
    #[DataProvider('ways')]
    public function testTheEngineIsCarriedAtEveryStep(string $way, array $said): void
    {
        $after = self::after(self::sheet(['engine-mounts'], ['engine-hold' => $way]));
        foreach ($said as $step => $words) {
            self::assertSame($words, $after[$step]->bodies['engine']->said(), $way.' '.$step);
        }
        foreach ($after as $step => $ledger) {
            $engine = $ledger->bodies['engine'];
            self::assertTrue([] !== $engine->supports || !$engine->hangs(), $way.': nothing holds it after '.$step);
            self::assertLessThan(2, $engine->offMounts(), $way.' '.$step);
            self::assertFalse($ledger->raised && [] !== $engine->supports, $way.': up on a support at '.$step);
        }
    }

    /** @return iterable<string, array{string, array<string, string>}> */
    public static function ways(): iterable
    {
        $both = 'left engine mount, right engine mount undone';
        yield 'a bar with two hooks' => ['bar-two', [
            'battery-off' => 'own mounts', 'emount-left-lower' => 'own mounts', 'emount-bar-two' => 'own mounts and support bar',
            'emount-right-upper' => 'support bar; '.$both,
            'emount-left-off' => 'support bar, 40 mm up; right engine mount undone; left engine mount off',
            'emount-right-on' => 'support bar, 40 mm up; '.$both, 'emount-down' => 'own mounts, undone',
            'emount-right-low-tight' => 'own mounts',
        ]];
        yield 'one hook and a jack' => ['bar-one', [
            'emount-bar-one' => 'own mounts and support bar', 'emount-level' => 'own mounts and support bar and jack with timber',
            'emount-right-upper' => 'support bar and jack with timber; '.$both, 'emount-down' => 'own mounts, undone',
        ]];
        yield 'a jack with timber' => ['jack', [
            'emount-jack' => 'own mounts and jack with timber', 'emount-right-upper' => 'jack with timber; '.$both,
        ]];
        yield 'a jack, then the bar' => ['jack-bar', [
            'emount-jack' => 'own mounts and jack with timber', 'emount-to-bar' => 'own mounts and support bar',
            'emount-right-upper' => 'support bar; '.$both,
        ]];
    }

    public function testEngineAndGearboxNeverHangTogether(): void
    {
        foreach (['bar-two', 'bar-one', 'jack', 'jack-bar'] as $way) {
            foreach ([['engine-mounts', 'gearbox-mount'], ['gearbox-mount', 'engine-mounts', 'starter']] as $jobs) {
                foreach (self::after(self::sheet($jobs, ['engine-hold' => $way])) as $step => $ledger) {
                    self::assertLessThan(2, count($ledger->hanging()), $way.' '.$step);
                }
            }
        }
    }

    public function testLettingGoOfOneOfTwoLeavesTheOther(): void
    {
        $rig = self::rig(
            self::load('a', StepKind::Hold, Support::Jack), self::load('b', StepKind::Hold, Support::Bar),
            self::load('c', StepKind::Release, Support::Jack),
        );
        self::assertSame(['engine' => ['bar' => 'b']], $rig->supports);
        self::assertSame(['engine' => 'b'], $rig->held);
        $gone = $rig->after(self::load('d', StepKind::Release, Support::Bar));
        self::assertSame([[], []], [$gone->supports, $gone->held]);
    }

    public function testLettingGoOfNothingNamedLetsGoOfAllAndItIsDownAgain(): void
    {
        $up = Step::plain('up', Phase::Fit, StepKind::Move, 'Up')->with(body: 'engine', mm: 40.0, way: 'up');
        $rig = self::rig(self::load('a', StepKind::Hold, Support::Jack), self::load('b', StepKind::Hold, Support::Bar), $up);
        self::assertSame(40.0, Ledger::of($rig, self::drover())->bodies['engine']->raised);
        $gone = Ledger::of($rig->after(self::load('c', StepKind::Release, null)), self::drover())->bodies['engine'];
        self::assertSame([[], 0.0], [$gone->supports, $gone->raised]);
    }

    public function testAHandOverNeverLeavesItAlone(): void
    {
        $over = Step::plain('over', Phase::Fit, StepKind::HandOver, 'Over')->with(
            body: 'engine', support: Support::Bar, from: Support::Jack
        );
        $rig = self::rig(self::load('a', StepKind::Hold, Support::Jack), $over);
        self::assertSame(['engine' => ['bar' => 'over']], $rig->supports);
        $open = Step::plain('over', Phase::Fit, StepKind::HandOver, 'Over')->with(body: 'engine', support: Support::Bar);
        self::assertSame(['jack', 'bar'], array_keys(self::rig(self::load('a', StepKind::Hold, Support::Jack), $open)->supports['engine']));
    }

    public function testWhereItMustMoveWhileItHangsThatIsSaidAndAcknowledged(): void
    {
        $steps = [
            self::load('hold', StepKind::Hold, Support::Bar),
            Step::plain('l', Phase::Fit, StepKind::Remove, 'Out')->with(item: 'left-mount', position: Position::Ground),
            Step::plain('below', Phase::Fit, StepKind::Act, 'Below')->with(position: Position::Raised),
            Step::plain('in', Phase::Fit, StepKind::Refit, 'In')->with(item: 'left-mount', position: Position::Ground),
            self::load('gone', StepKind::Release, Support::Bar),
        ];
        [$moved, $count] = (new Moves(Sheets::common(), self::drover()))->into($steps);
        self::assertSame(2, $count);
        $texts = array_map(
            static fn (Step $step): string => $step->words->cautions[0]->text ?? '',
            array_values(
                array_filter($moved, static fn (Step $step): bool => in_array($step->deed, [StepKind::Raise, StepKind::Lower], true))
            ),
        );
        self::assertCount(2, array_filter($texts, static fn (string $text): bool => str_contains($text, 'engine hangs on its support')));
        $found = array_values(array_filter(
            (new Linter())->findings(Sheets::of($moved), self::drover(), new Kit([], [])),
            static fn (Finding $one): bool => 'raised-unmounted' === $one->code,
        ));
        self::assertSame([Level::Watch, Level::Watch], array_column($found, 'level'));
    }

    public function testTheDrawingShowsWhatTheStepChanges(): void
    {
        $sheet = self::sheet(['engine-mounts'], ['engine-hold' => 'jack-bar']);
        $strip = [];
        foreach (LedgerDrawing::strip($sheet, self::drover()) as [$step, $drawing]) {
            $strip[$step->id] = $drawing;
        }
        self::assertSame([
            'emount-jack', 'emount-to-bar', 'emount-left-upper', 'emount-right-upper', 'emount-up', 'emount-left-off', 'emount-left-on',
            'emount-right-off', 'emount-right-on', 'emount-down', 'emount-left-tight', 'emount-right-tight',
        ], array_keys($strip));
        $change = static fn (string $step): array => array_column($strip[$step]->supports, 'change', 'kind');
        self::assertSame(['jack' => 'new'], $change('emount-jack'));
        self::assertSame(['bar' => 'new', 'jack' => 'gone'], $change('emount-to-bar'));
        self::assertSame(['bar' => 'none'], $change('emount-left-off'));
        self::assertSame(['bar' => 'gone'], $change('emount-down'));
        self::assertSame('engine up 40 mm', $strip['emount-up']->moves);
        $changed = static fn (string $step): array => array_column(array_filter(
            $strip[$step]->mounts, static fn (array $mount): bool => $mount['changes'],
        ), 'state', 'name');
        self::assertSame(['left engine mount' => 'bolted'], $changed('emount-left-upper'));
        self::assertSame(['left engine mount' => 'undone'], $changed('emount-left-off'));
        self::assertSame(['left engine mount' => 'off'], $changed('emount-left-on'));
        self::assertSame([], $changed('emount-up'));
        $before = $strip['emount-up']->bodies['engine'];
        self::assertGreaterThan($strip['emount-left-off']->bodies['engine']['y'], $before['y'], 'it is drawn higher once it is up');
        foreach ($strip as $drawing) {
            foreach ($drawing->supports as $support) {
                $body = $drawing->bodies[$support['body']];
                $edge = 'bar' === $support['kind'] ? $body['y'] : $body['y'] + $body['h'];
                self::assertSame($edge, $support['top'], 'a support touches what it holds');
                self::assertTrue($support['x'] > $body['x'] && $support['x'] < $body['x'] + $body['w']);
            }
        }
        self::assertSame([], LedgerDrawing::strip(Sheets::thermostat(), Sheets::tarn()), 'nothing hangs, nothing is drawn');
    }

    public function testWhatIsMovedIsDrawnHigherOrLower(): void
    {
        $y = static fn (string $way, float $mm): float => LedgerDrawing::of(
            self::rig(Step::plain('m', Phase::Fit, StepKind::Move, 'M')->with(body: 'engine', way: $way, mm: $mm)), self::drover(), null,
        )->bodies['engine']['y'];
        self::assertSame([190.0, 170.0, 200.0], [$y('up', 0.0), $y('up', 40.0), $y('down', 25.0)]);
        $mounts = LedgerDrawing::of(VehicleState::standing(self::drover()), self::drover(), null)->mounts;
        self::assertSame([134.0, 190.0, 272.0], array_column($mounts, 'x'));
        self::assertSame([270.0, 270.0, 266.0], array_column($mounts, 'y'));
    }

    public function testOnStandsAllOfItIsDrawnHigher(): void
    {
        $up = VehicleState::standing(self::drover())->after(Step::plain('up', Phase::Strip, StepKind::Raise, 'Up'));
        $low = LedgerDrawing::of(VehicleState::standing(self::drover()), self::drover(), null);
        $high = LedgerDrawing::of($up, self::drover(), Step::plain('down', Phase::Prove, StepKind::Lower, 'Down'));
        self::assertSame([false, true, '', 'down'], [$low->raised, $high->raised, $low->moves, $high->moves]);
        self::assertSame($high->up, $low->bodies['engine']['y'] - $high->bodies['engine']['y']);
        self::assertSame(['engine', 'gearbox'], array_keys($low->bodies));
    }

    public function testInWords(): void
    {
        $mount = static fn (string $name, MountState $state): Mount => new Mount($name, $name, $state);
        $bolted = $mount('left', MountState::Bolted);
        $off = $mount('right', MountState::Off);
        self::assertSame('nothing holds it; right off', (new Bearing('engine', [$off], []))->said());
        self::assertSame('left; right off', (new Bearing('engine', [$bolted, $off], []))->said());
        self::assertSame('crane', (new Bearing('engine', [], [Support::Crane]))->said());
        self::assertNull((new Bearing('engine', [], [Support::Bar]))->onTheFloor());
        self::assertSame(Support::Stand, (new Bearing('engine', [], [Support::Bar, Support::Stand]))->onTheFloor());
        self::assertSame([true, false, false, true], array_map(
            static fn (Support $one): bool => $one->reachesFromAbove(), Support::cases(),
        ));
    }

    /** @return array<string, Ledger> */
    private static function after(Sheet $sheet): array
    {
        $rig = VehicleState::standing(self::drover());
        $after = [];
        foreach ($sheet->steps as $step) {
            $rig = $rig->after($step);
            $after[$step->id] = Ledger::of($rig, self::drover());
        }

        return $after;
    }

    private static function rig(Step ...$steps): VehicleState
    {
        $after = static fn (VehicleState $rig, Step $step): VehicleState => $rig->after($step);

        return array_reduce($steps, $after, VehicleState::standing(self::drover()));
    }

    private static function load(string $id, StepKind $deed, ?Support $support): Step
    {
        return Step::plain($id, Phase::Fit, $deed, $id)->with(body: 'engine', support: $support);
    }

    private static function drover(): VehicleSheet
    {
        return Sheets::vehicle('corrin-drover-27d');
    }

    /**
     * @param list<string> $jobs
     * @param array<string, string> $choices
     */
    private static function sheet(array $jobs, array $choices): Sheet
    {
        return (new Compiler(Sheets::common()))->compile(
            array_map(Sheets::procedure(...), $jobs), new Choices($choices), self::drover(), new Kit([], []),
        );
    }
}
