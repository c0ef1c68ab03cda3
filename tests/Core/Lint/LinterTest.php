<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Lint;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Lint\Explanations;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Lint\Rule;
use NimbleKnuckle\Core\Lint\Rule\Run;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\TrayLine;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Linter::class)]
#[CoversClass(VehicleState::class)]
#[CoversClass(Run::class)]
#[CoversClass(Rule\AgainstTheLaw::class)]
#[CoversClass(Rule\BatteryLeftOff::class)]
#[CoversClass(Rule\BeltNotListed::class)]
#[CoversClass(Rule\BushBeforeLoad::class)]
#[CoversClass(Rule\CircuitNotFilled::class)]
#[CoversClass(Rule\ClampsNotRechecked::class)]
#[CoversClass(Rule\CureTooShort::class)]
#[CoversClass(Rule\EmptySheet::class)]
#[CoversClass(Rule\FigureDoubtful::class)]
#[CoversClass(Rule\FigureTooLow::class)]
#[CoversClass(Rule\FlashWithoutWait::class)]
#[CoversClass(Rule\FollowUpMissing::class)]
#[CoversClass(Rule\GateLocked::class)]
#[CoversClass(Rule\ItemNotRefitted::class)]
#[CoversClass(Rule\JointNotTightened::class)]
#[CoversClass(Rule\JointWithoutFigure::class)]
#[CoversClass(Rule\LevelNotChecked::class)]
#[CoversClass(Rule\LevelWhileHot::class)]
#[CoversClass(Rule\LoadAndRoomClash::class)]
#[CoversClass(Rule\MixWithoutReading::class)]
#[CoversClass(Rule\MovesTooFar::class)]
#[CoversClass(Rule\NoWrench::class)]
#[CoversClass(Rule\NotChecked::class)]
#[CoversClass(Rule\NotLowered::class)]
#[CoversClass(Rule\PasteAndLocker::class)]
#[CoversClass(Rule\RaisedWithoutCaution::class)]
#[CoversClass(Rule\RefitOutOfOrder::class)]
#[CoversClass(Rule\RoomIsGone::class)]
#[CoversClass(Rule\RunsWithJointsLoose::class)]
#[CoversClass(Rule\RunsWithPartsOff::class)]
#[CoversClass(Rule\SetNotComplete::class)]
#[CoversClass(Rule\WheelHeld::class)]
#[CoversClass(Rule\SinglePartMissing::class)]
#[CoversClass(Rule\StartedBeforeFilled::class)]
#[CoversClass(Rule\StepTwice::class)]
#[CoversClass(Rule\SupportLeftIn::class)]
#[CoversClass(Rule\ToolMissing::class)]
#[CoversClass(Rule\TrayMiscounts::class)]
#[CoversClass(Rule\UnknownBinding::class)]
#[CoversClass(Rule\WaitWithoutEnd::class)]
#[CoversClass(Rule\RaisedUnmounted::class)]
#[CoversClass(Rule\SupportGone::class)]
#[CoversClass(Rule\SupportTooWeak::class)]
#[CoversClass(Rule\TwoBodiesHang::class)]
#[CoversClass(Rule\MountsBothOut::class)]
#[CoversClass(Rule\BatteryOnEarly::class)]
#[CoversClass(Rule\FilledWithPartOff::class)]
#[CoversClass(Rule\OffBeforeDrained::class)]
#[CoversClass(Rule\RefitNotOff::class)]
#[CoversClass(Rule\RemovedTwice::class)]
#[CoversClass(Rule\TightenedBeforeIn::class)]
final class LinterTest extends TestCase
{
    public function testTheShippedSheetBreaksNoRule(): void
    {
        self::assertSame([], Sheets::thermostat()->findings);
    }

    #[DataProvider('flaws')]
    public function testAFlawIsFoundAtItsStepWithWhatMendsIt(
        string $code, string $step, Level $level, Sheet $sheet, ?VehicleSheet $vehicle = null, ?Kit $kit = null,
    ): void {
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
        yield 'opened hot' => ['hot-circuit', 'safe-cap', Level::Stop, self::without('safe-cold')];
        yield 'nothing holds it up' => ['no-stands', 'off.front-shield', Level::Stop, self::without('raise-1')];
        yield 'the level is read up there' => ['not-level', 'level-cold', Level::Stop, self::moved('level-cold', 'lower-2')];
        yield 'filled before it is drained' => ['not-drained', 'vacuum-fill', Level::Stop, self::moved('vacuum-fill', 'drain')];
        yield 'a plug is shut in' => ['left-inside', 'start-first', Level::Stop, self::moved('start-first', 'thermostat-in')];
        yield 'left up' => ['left-on-stands', 'book-retorque', Level::Watch, self::without('lower-2')];
        yield 'one screw fewer goes back' => ['tray-miscount', 'on.under-pan', Level::Stop, self::fewerScrews()];
        yield 'screws for clips, as many in all' => ['tray-miscount', 'on.under-pan', Level::Stop, self::swappedScrews()];
        yield 'the cap off before it is known to be cold' => [
            'hot-circuit', 'safe-cap', Level::Stop, self::moved('safe-cap', 'safe-cold'),
        ];
        yield 'one of two second looks dropped' => [
            'no-retorque', 'mount-book', Level::Stop, self::drover(['engine-mounts', 'gearbox-mount'], 'emount-book'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'ignition on without a battery' => [
            'battery-left-off', 'tf-fill', Level::Stop,
            self::moved('tf-fill', 'battery-on', self::on('askerby-roan-30t', 'starter', 'thermostat-front')),
            Sheets::vehicle('askerby-roan-30t'),
        ];
        yield 'started up there' => [
            'started-on-stands', 'start-first', Level::Stop,
            Sheets::of(array_map(
                static fn (Step $step): Step => 'start-first' === $step->id ? $step->with(tags: []) : $step, Sheets::thermostat()->steps,
            )),
        ];
        yield 'nothing to do' => ['empty-sheet', '', Level::Stop, Sheets::of([])];
        yield 'no figure' => ['joint-no-figure', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['figure' => ''])];
        yield 'the two units disagree' => [
            'figure-conflict', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['figure' => '9 N·m / 120 in-lb']),
        ];
        yield 'too much for the thread' => [
            'figure-past-thread', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['figure' => '90 N·m']),
        ];
        yield 'close to yield' => [
            'figure-near-yield', 'housing-tight', Level::Watch, Sheets::thermostat(),
            self::joint(['figure' => '9 N·m', 'friction' => 'oiled']),
        ];
        yield 'no wrench reaches' => [
            'no-wrench', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['figure' => '0.5 N·m']),
        ];
        yield 'the wrench is out of date' => [
            'wrench-past-calibration', 'housing-tight', Level::Watch, Sheets::thermostat(), null, Sheets::kit(40),
        ];
        yield 'no wrench is fine enough' => [
            'wrench-too-coarse', 'housing-tight', Level::Watch, Sheets::thermostat(), self::joint(['figure' => '8.9 to 9.0 N·m']),
        ];
        yield 'a ceiling the band passes' => [
            'wrench-too-coarse', 'housing-tight', Level::Watch, Sheets::thermostat(),
            self::joint(['figure' => '9 N·m', 'ceiling' => '9.05 N·m']),
        ];
        yield 'new bolts nobody listed' => [
            'single-use-not-listed', 'housing-tight', Level::Stop, Sheets::thermostat(), self::joint(['reuse' => 'new']),
        ];
        yield 'a starter with the battery on' => [
            'battery-live', 'starter-off', Level::Stop, self::drover(['starter'], 'battery-off'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'no battery for the first start' => [
            'battery-left-off', 'starter-start', Level::Stop, self::drover(['starter'], 'battery-on'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'a mount with nothing under the gearbox' => [
            'weight-unsupported', 'mount-off', Level::Stop, self::drover(['gearbox-mount'], 'hold-gearbox-raised'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'the jack stays in' => [
            'support-left-in', 'drive-short', Level::Stop, self::drover(['gearbox-mount'], 'release-gearbox'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'the fan meets the shroud' => [
            'movement-limit', 'emount-up', Level::Stop, self::drover(['engine-mounts'], 'off.fan'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'lifted with nothing under it' => [
            'moved-unheld', 'emount-up', Level::Stop, self::drover(['engine-mounts'], 'emount-bar-two'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'down with the gearbox on its jack' => [
            'raised-on-jack', 'lower-2', Level::Stop, self::drover(['gearbox-mount'], 'release-gearbox'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        foreach ([
            'up while the engine hangs' => ['raised-unmounted', 'raise-3', 'raise-3', 'emount-left-look'],
            'the bar gone before the mount is in' => ['support-gone', 'emount-down', 'emount-down', 'emount-right-on'],
            'lifted while it is bolted' => ['moved-while-mounted', 'emount-up', 'emount-up', 'emount-left-upper'],
            'engine and gearbox at once' => ['two-hanging', 'mount-off', 'mount-off', 'emount-left-on'],
            'both mounts out' => ['mounts-both-out', 'emount-right-off', 'emount-left-on', 'emount-right-look'],
        ] as $name => [$code, $step, $moved, $before]) {
            yield $name => [
                $code, $step, Level::Stop, self::moved($moved, $before, self::drover(['engine-mounts', 'gearbox-mount'])),
                Sheets::vehicle('corrin-drover-27d'),
            ];
        }
        foreach ([[500.1, Level::Stop], [334.0, Level::Watch]] as [$mass, $level]) {
            yield 'an engine of '.$mass.' kg on the bar' => [
                'support-too-weak', 'emount-bar-two', $level, self::drover(['engine-mounts']), self::weighing($mass),
            ];
        }
        yield 'rubber pinched while it hangs' => [
            'bush-before-load', 'mount-tight', Level::Stop, self::drover(['gearbox-mount'], 'release-gearbox'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'no room for the wrench any more' => [
            'room-is-gone', 'mount-tight', Level::Stop, self::drover(['gearbox-mount']),
            self::droverJoint('gearbox-mount-bolts', ['when' => ['room']]),
        ];
        yield 'loaded and with room at once' => [
            'load-and-room', 'mount-tight', Level::Stop, self::drover(['gearbox-mount']),
            self::droverJoint('gearbox-mount-bolts', ['when' => ['loaded', 'room']]),
        ];
        yield 'one of a set too early' => [
            'set-not-complete', 'starter-tight', Level::Stop, self::drover(['starter', 'water-pump']),
            self::droverJoint('starter-bolts', ['set' => 'low'], 'pump-bolts', ['set' => 'low']),
        ];
        yield 'sealant still wet' => [
            'cure-too-short', 'pump-vacuum', Level::Stop, self::drover(['water-pump']),
            self::droverJoint('pump-bolts', ['cure' => 600]),
        ];
        yield 'an item nobody has looked at' => [
            'not-checked', 'starter-off', Level::Watch, self::drover(['starter']), self::unchecked('items.starter', 'items.fan-unit'),
        ];
        yield 'a joint nobody has looked at' => [
            'not-checked', 'starter-tight', Level::Watch, self::drover(['starter']), self::unchecked('joints.starter-bolts'),
        ];
        yield 'paste and locker' => [
            'paste-and-locker', 'starter-tight', Level::Stop, self::drover(['starter']),
            self::droverJoint('starter-bolts', ['compound' => 'medium threadlocker', 'friction' => 'anti-seize']),
        ];
        yield 'charge clamps never seen hot' => [
            'clamps-not-rechecked', 'open-charge', Level::Watch,
            self::plus(
                Step::plain('open-charge', Phase::Strip, StepKind::Open, 'Charge pipes off')->with(circuit: 'charge'), 'leaks-hot',
                'leaks-warm',
            ),
        ];
        yield 'the gate locked alone' => [
            'gate-locked', 'lock', Level::Stop,
            self::plus(Step::plain('lock', Phase::Fit, StepKind::Act, 'Lock the gate')->with(tags: ['internal-gate-locked'])),
        ];
        yield 'a pulley without its belt' => [
            'belt-not-listed', 'pulley', Level::Stop,
            self::plus(Step::plain('pulley', Phase::Fit, StepKind::Act, 'Smaller pulley')->with(tags: ['needs-other-belt'])),
        ];
        yield 'flashed at once' => [
            'flash-without-wait', 'flash', Level::Stop,
            self::plus(Step::plain('flash', Phase::Fit, StepKind::Act, 'Write the control unit')->with(tags: ['flash'])),
        ];
        yield 'the level of a hot engine' => ['no-cool-down', 'book-level', Level::Watch, self::without('cool-down')];
        yield 'nobody looks at the level' => ['level-not-checked', 'vacuum-fill', Level::Watch, self::without('level-cold', 'book-level')];
        yield 'the pan taken off twice' => [
            'removed-twice', 'off-again', Level::Stop,
            self::plus(Step::plain('off-again', Phase::Measure, StepKind::Remove, 'Pan off')->with(item: 'under-pan')),
        ];
        yield 'coils that were never off' => [
            'refit-not-off', 'coils-on', Level::Stop,
            self::plus(Step::plain('coils-on', Phase::Fit, StepKind::Refit, 'Coils on')->with(item: 'coils')),
        ];
        yield 'bolts of a housing that is off' => [
            'tightened-before-in', 'housing-tight', Level::Stop, self::moved('housing-tight', 'housing-on'),
        ];
        yield 'the hose before the drain' => ['off-before-drained', 'hose-off', Level::Stop, self::moved('hose-off', 'drain')];
        yield 'filled without its hose' => [
            'filled-with-part-off', 'vacuum-fill', Level::Stop, self::moved('hose-on-water', 'start-first'),
        ];
        yield 'a drive on stands' => ['driven-on-stands', 'drive-short', Level::Stop, self::moved('drive-short', 'leaks-warm')];
        yield 'the battery before the starter' => [
            'battery-on-early', 'battery-on', Level::Stop, self::moved('battery-on', 'starter-on', self::drover(['starter'])),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'the battery before the starter is tight' => [
            'battery-on-early', 'battery-on', Level::Stop, self::moved('battery-on', 'starter-tight', self::drover(['starter'])),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'the level looked at before it is filled' => [
            'level-not-checked', 'vacuum-fill', Level::Watch, self::dropped(self::moved('level-cold', 'vacuum-pull'), 'book-level'),
        ];
        yield 'a bolt into yield to be used again' => [
            'yield-bolt-reused', 'housing-tight', Level::Watch, Sheets::thermostat(), self::joint(['angle' => 180]),
        ];
        yield 'a figure for another thread' => [
            'figure-too-low', 'housing-tight', Level::Watch, Sheets::thermostat(), self::joint(['thread' => 'M20']),
        ];
        yield 'a plug left off' => ['runs-with-parts-off', 'start-first', Level::Stop, self::without('on.sensor-lead')];
        yield 'started on loose bolts' => ['runs-with-joints-loose', 'start-first', Level::Stop, self::without('housing-tight')];
        yield 'a wait nobody ends' => ['wait-without-end', 'drain', Level::Watch, self::moved('drain', 'clean')];
        yield 'one step twice' => [
            'step-twice', 'clean', Level::Stop, self::plus(Step::plain('clean', Phase::Measure, StepKind::Act, 'Clean it again')),
        ];
        yield 'a mix from nothing' => ['mix-without-reading', 'mix', Level::Stop, self::without('drained')];
        yield 'raised without a word' => ['raised-without-caution', 'raise-1', Level::Watch, self::bare('raise-1')];
        yield 'an item the vehicle lacks' => [
            'unknown-binding', 'ghost', Level::Stop,
            self::plus(Step::plain('ghost', Phase::Fit, StepKind::Act, 'Fit the ghost')->with(item: 'ghost')),
        ];
        yield 'the pan before what it hides' => [
            'refit-out-of-order', 'on.under-pan', Level::Stop, self::moved('on.under-pan', 'hose-on-water'),
        ];
        yield 'the pan through the shield' => [
            'strip-out-of-order', 'off.under-pan', Level::Stop, self::moved('off.under-pan', 'off.front-shield'),
        ];
        yield 'lowered while it drains' => ['moves-while-it-runs', 'lower-2', Level::Stop, self::moved('drain', 'lower-2')];
        yield 'under it while the engine warms up' => [
            'under-while-it-runs', 'housing-on', Level::Stop, self::plus(
                Step::plain('idle', Phase::Fit, StepKind::Start, 'Let it idle')->with(passive: true, until: 'start-first'),
            ),
        ];
        yield 'the engine raised on its torque rod' => [
            'still-tied', 'emount-up', Level::Stop, self::dropped(self::on('pelliver-dray-18', 'engine-mounts'), 'untie.upper-rod-engine'),
            Sheets::vehicle('pelliver-dray-18'),
        ];
        yield 'locker where it is too hot for it' => [
            'locker-in-heat', 'housing-tight', Level::Stop, Sheets::thermostat(),
            self::joint(['compound' => 'medium threadlocker', 'friction' => '', 'heat' => 180]),
        ];
        yield 'a dry figure on a soaked thread' => [
            'oiled-thread', 'pumount-upper', Level::Stop, self::dropped(self::on('corrin-drover-27d', 'gearbox-mount-pu'), 'pumount-dry'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'oil on a stud that goes in as it was supplied' => [
            'oiled-thread', 'pumount-upper', Level::Stop, self::on('corrin-drover-27d', 'gearbox-mount-pu'),
            self::droverJoint('gearbox-mount-upper', ['compound' => 'as supplied', 'friction' => '']),
        ];
        yield 'whatever is in the way' => ['unplugged-unnamed', 'vague', Level::Stop, self::plus(
            Step::plain('vague', Phase::Fit, StepKind::Act, 'Make room')->with(text: 'Unplug what is in the way.'),
        )];
        yield 'started before the plugs are looked over' => [
            'ends-not-looked', 'start-first', Level::Stop, self::moved('start-first', 'ends-look-below'),
        ];
        $starter = self::on('corrin-drover-27d', 'starter');
        yield 'the starter is not looked over' => [
            'ends-not-looked', 'starter-start', Level::Stop, self::dropped($starter, 'ends-look-below'),
            Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'its plug is looked over once it is down' => [
            'ends-below-not-looked', self::lowering($starter), Level::Stop,
            self::moved('ends-look-below', 'starter-start', $starter), Sheets::vehicle('corrin-drover-27d'),
        ];
        yield 'hands on a hot turbo' => [
            'hot-hands', 'gate-shield-off', Level::Stop, self::dropped(self::on('veldra-tarn-20t', 'wastegate-actuator'), 'gate-cold'),
        ];
        yield 'hammered on the lock' => ['impact-on-lock', 'damper-tight', Level::Stop, self::impact(), Sheets::vehicle('ostrel-vane-s6')];
        yield 'somebody who is not there' => ['needs-second', 'second', Level::Watch, self::plus(
            Step::plain('second', Phase::Fit, StepKind::Act, 'Lift it')->with(text: 'Somebody holds the other end.'),
        )];
        yield 'the pan before the look' => [
            'cover-before-look', 'on.under-pan', Level::Watch, Sheets::thermostat(null, ['fill' => 'vacuum', 'shield' => 'before-start']),
        ];
        yield 'a heat shield left off for the first run' => [
            'guard-off', 'start-first', Level::Stop, self::without('on.heat-shield'),
        ];
        yield from self::wheels();
        yield 'a tool is missing' => [
            'tool-missing', 'strength-before', Level::Watch, Sheets::thermostat(new Kit([], [])), null, new Kit([], []),
        ];
    }

    /** @return iterable<string, array{string, string, Level, Sheet, VehicleSheet}> */
    private static function wheels(): iterable
    {
        $plan = static fn (VehicleSheet $on): Sheet => (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure('serpentine-belt')], new Choices([]), $on, Sheets::kit(),
        );
        $changed = static fn (callable $change): VehicleSheet => Sheets::vehicle('veldra-tarn-20t', static fn (array $d): array => [
            'joints' => array_values(array_filter(array_map($change, is_array($d['joints']) ? $d['joints'] : []))),
        ] + $d);
        $isWheel = static fn (mixed $joint): bool => is_array($joint) && Joint::WHEEL === ($joint['role'] ?? '');
        $tarn = Sheets::tarn();
        $unheld = $changed(static fn (mixed $joint): mixed => $isWheel($joint) ? null : $joint);
        $bare = $changed(static fn (mixed $joint): mixed => is_array($joint) && $isWheel($joint) ? ['figure' => ''] + $joint : $joint);
        $sheet = $plan($tarn);
        yield 'nobody said what holds the wheel' => ['wheel-not-held', 'off.front-right-wheel', Level::Stop, $plan($unheld), $unheld];
        yield 'a wheel without a figure' => ['wheel-no-figure', 'off.front-right-wheel', Level::Stop, $plan($bare), $bare];
        yield 'broken loose up there' => [
            'wheel-not-loosened', 'off.front-right-wheel', Level::Stop,
            self::moved('undo.front-right-wheel-bolts', 'off.wheel-liner', $sheet), $tarn,
        ];
        yield 'a wheel tightened in the air' => [
            'wheel-in-the-air', 'tight.front-right-wheel-bolts', Level::Stop,
            self::moved('tight.front-right-wheel-bolts', 'lower-2', $sheet), $tarn,
        ];
        yield 'down without its wheel' => ['wheel-off', 'lower-2', Level::Stop, self::moved('lower-2', 'on.front-right-wheel', $sheet),
            $tarn];
        yield 'nobody looks at the wheel again' => [
            'wheel-not-rechecked', 'off.front-right-wheel', Level::Stop, self::dropped($sheet, 'wheel-recheck'), $tarn,
        ];
    }

    private static function impact(): Sheet
    {
        $sheet = self::on('ostrel-vane-s6', 'crank-damper');

        return Sheets::of(array_map(static fn (Step $step): Step => 'damper-tight' === $step->id ? $step->with(
            tools: ['impact wrench'],
        ) : $step, $sheet->steps), $sheet->expects, $sheet);
    }

    public function testGravestFindingsStandFirst(): void
    {
        $levels = array_map(
            static fn (Finding $f): int => $f->level->rank(),
            (new Linter())->findings(self::without('on.under-pan'), Sheets::tarn(), Sheets::kit(40)),
        );
        $sorted = $levels;
        rsort($sorted);
        self::assertSame($sorted, $levels);
    }

    /** What is put together dry is held against dry threads: 25 N·m on an M8 of 8.8 is high, and no stop. */
    public function testADryFigureIsJudgedDry(): void
    {
        $dry = ['thread' => 'M8', 'figure' => '25 N·m', 'compound' => 'dry', 'friction' => '', 'material' => 'steel'];
        self::assertNotContains('figure-past-thread', self::codesWith($dry));
        self::assertContains('figure-near-yield', self::codesWith($dry));
        self::assertContains('figure-past-thread', self::codesWith(['compound' => 'anti-seize'] + $dry));
    }

    public function testAStopDoesNotRestOnTwoGuesses(): void
    {
        /** @param array<string, mixed> $joint */
        $level = static function (array $joint): ?Level {
            $found = array_filter(
                (new Linter())->findings(Sheets::thermostat(), self::joint($joint), Sheets::kit()), // @phpstan-ignore argument.type
                static fn (Finding $one): bool => 'figure-past-thread' === $one->code,
            );

            return array_values($found)[0]->level ?? null;
        };
        $unsaid = ['figure' => '90 N·m', 'grade' => '', 'friction' => '', 'compound' => ''];
        self::assertSame(Level::Watch, $level($unsaid));
        self::assertSame(Level::Stop, $level(['grade' => '8.8'] + $unsaid));
        self::assertSame(Level::Stop, $level(['compound' => 'dry'] + $unsaid));
    }

    public function testSnugAndAPartTurnIsAFigureToo(): void
    {
        self::assertSame(
            [],
            array_intersect(['joint-no-figure', 'no-wrench', 'figure-too-low'], self::codesWith(['figure' => 'snug + 1/4 turn'])),
        );
    }

    /**
     * @param array<string, mixed> $joint
     *
     * @return list<string>
     */
    private static function codesWith(array $joint): array
    {
        return Sheets::codes((new Linter())->findings(Sheets::thermostat(), self::joint($joint), Sheets::kit()));
    }

    /** Every code the linter can give has an explanation, and every rule stands in the standard set once. */
    public function testCodesAreExplained(): void
    {
        $codes = [];
        foreach (self::flaws() as $flaw) {
            $codes[] = $flaw[0];
        }
        self::assertGreaterThanOrEqual(40, count(array_unique($codes)));
        foreach ($codes as $code) {
            self::assertNotNull(Explanations::of($code), $code);
        }
        self::assertSame([], array_diff(array_keys(Explanations::all()), $codes), 'every explained code has a failing example here');
    }

    private static function without(string ...$ids): Sheet
    {
        $sheet = Sheets::thermostat();

        return Sheets::of(
            array_values(array_filter($sheet->steps, static fn (Step $step): bool => !in_array($step->id, $ids, true))),
            $sheet->expects, $sheet,
        );
    }

    /** The thermostat's sheet with one more step behind the cleaning, and without some. */
    private static function plus(Step $more, string ...$without): Sheet
    {
        $steps = [];
        foreach (Sheets::thermostat()->steps as $step) {
            if (!in_array($step->id, $without, true)) {
                $steps[] = $step;
            }
            if ('clean' === $step->id) {
                $steps[] = $more;
            }
        }

        return Sheets::of($steps);
    }

    private static function bare(string $id): Sheet
    {
        return Sheets::of(
            array_map(static fn (Step $step): Step => $step->id === $id ? $step->with(cautions: []) : $step, Sheets::thermostat()->steps),
        );
    }

    /** @param list<string> $procedures */
    private static function drover(array $procedures, string ...$without): Sheet
    {
        $sheet = (new Compiler(Sheets::common()))->compile(
            array_map(Sheets::procedure(...), $procedures), new Choices([]), Sheets::vehicle('corrin-drover-27d'), Sheets::kit(),
        );

        return Sheets::of(
            array_values(array_filter($sheet->steps, static fn (Step $step): bool => !in_array($step->id, $without, true))),
            $sheet->expects, $sheet,
        );
    }

    /**
     * @param array<string, mixed> $changes
     * @param array<string, mixed> $others
     */
    private static function droverJoint(string $id, array $changes, string $other = '', array $others = []): VehicleSheet
    {
        return Sheets::vehicle('corrin-drover-27d', static function (array $d) use ($id, $changes, $other, $others): array {
            $joints = is_array($d['joints']) ? $d['joints'] : [];
            foreach ($joints as $i => $joint) {
                if (is_array($joint)) {
                    $joints[$i] = ($joint['id'] === $id ? $changes : ($joint['id'] === $other ? $others : [])) + $joint;
                }
            }

            return ['joints' => $joints] + $d;
        });
    }

    private static function weighing(float $mass): VehicleSheet
    {
        return Sheets::vehicle('corrin-drover-27d', static function (array $d) use ($mass): array {
            return ['lifting' => ['mass' => $mass] + (is_array($d['lifting']) ? $d['lifting'] : [])] + $d;
        });
    }

    private static function unchecked(string ...$things): VehicleSheet
    {
        return Sheets::vehicle('corrin-drover-27d', static fn (array $d): array => ['to_check' => $things] + $d);
    }

    private static function moved(string $id, string $before, ?Sheet $sheet = null): Sheet
    {
        $sheet ??= Sheets::thermostat();
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

    private static function dropped(Sheet $sheet, string $id): Sheet
    {
        return Sheets::of(
            array_values(array_filter($sheet->steps, static fn (Step $step): bool => $step->id !== $id)), $sheet->expects, $sheet,
        );
    }

    private static function lowering(Sheet $sheet): string
    {
        return $sheet->doing(StepKind::Lower)[0]->id;
    }

    private static function fewerScrews(): Sheet
    {
        return self::panBackWith([new TrayLine('short screws', 6)]);
    }

    /** Seven short and three long come off; three short and seven long go back. */
    private static function swappedScrews(): Sheet
    {
        return self::panBackWith([
            new TrayLine('short screws', 3), new TrayLine('long screws', 7), new TrayLine('quarter-turn clips', 2),
        ]);
    }

    /** @param list<TrayLine> $tray */
    private static function panBackWith(array $tray): Sheet
    {
        $sheet = Sheets::thermostat();

        return Sheets::of(
            array_map(
                static fn (Step $step): Step => 'on.under-pan' === $step->id && StepKind::Refit === $step->deed
                    ? $step->with(tray: $tray)
                    : $step,
                $sheet->steps,
            ),
            $sheet->expects, $sheet,
        );
    }

    private static function on(string $vehicle, string ...$procedures): Sheet
    {
        return (new Compiler(Sheets::common()))->compile(
            array_map(Sheets::procedure(...), array_values($procedures)), new Choices([]), Sheets::vehicle($vehicle), Sheets::kit(),
        );
    }

    /** @param array<string, mixed> $changes */
    private static function joint(array $changes): VehicleSheet
    {
        return Sheets::vehicle('veldra-tarn-20t', static fn (array $d): array => array_replace_recursive($d, ['joints' => [$changes]]));
    }
}
