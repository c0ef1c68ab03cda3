<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Compiler\Arrange\EarlyRefit;
use NimbleKnuckle\Core\Compiler\Arrange\RunningFitSnapshot;
use NimbleKnuckle\Core\Compiler\Bind\JobMerge;
use NimbleKnuckle\Core\Compiler\Bind\SharedWork;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Procedure\ChoiceGroup;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\Questions;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Bench\Law\Worker;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use NimbleKnuckle\Tests\Core\Vehicle\WholeVehicle;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Jobs planned together lose nothing: whatever a sheet of one job says, takes, asks and books stands on the sheet of all, in
 * that job's own order, and all together take no longer than one after the other, but for a lift. What is looked for is read off the single
 * sheets. A sample of all pairs, of their options, of a thousand triples.
 */
#[CoversClass(JobMerge::class)]
#[CoversClass(RunningFitSnapshot::class)]
#[CoversClass(EarlyRefit::class)]
#[CoversClass(SharedWork::class)]
#[CoversClass(Questions::class)]
final class JobMergeTest extends TestCase
{
    /** min: where one job starts the engine up on stands, and the other wants it on the ground for that, one more trip is needed. */
    private const ONE_LIFT = 11.0;
    /** Put in by the compiler wherever the next step needs them. */
    private const MOVES = [StepKind::Raise, StepKind::Lower];

    public function testEveryPairLosesNothing(): void
    {
        $pairs = self::pairsOf(self::jobs());
        self::assertGreaterThanOrEqual(90, count($pairs));
        foreach (Sample::of($pairs, 'pairs') as $pair) {
            $this->check($pair, [[], []]);
        }
    }

    public function testEveryPairOnEveryDemoVehicleLosesNothing(): void
    {
        $planned = 0;
        $all = [];
        foreach (glob(dirname(__DIR__, 3).'/demo/vehicles/*.yaml') ?: [] as $file) {
            $vehicle = Sheets::vehicle(basename($file, '.yaml'));
            $jobs = array_filter(self::jobs(), static fn (Procedure $job): bool => self::fits($job, $vehicle));
            $planned += count($jobs);
            foreach (self::pairsOf($jobs) as $pair) {
                $all[] = [$pair, $vehicle];
            }
        }
        self::assertGreaterThanOrEqual(25, $planned, 'most procedures can be planned on some demo vehicle');
        foreach (Sample::of($all, 'pairs on vehicles') as [$pair, $vehicle]) {
            $this->check($pair, [[], []], $vehicle);
        }
    }

    /**
     * @param array<string, Procedure> $jobs
     *
     * @return list<array{Procedure, Procedure}> in either order
     */
    private static function pairsOf(array $jobs): array
    {
        $pairs = [];
        foreach ($jobs as $first => $a) {
            foreach ($jobs as $second => $b) {
                if ($first !== $second) {
                    $pairs[] = [$a, $b];
                }
            }
        }

        return $pairs;
    }

    private static function fits(Procedure $job, VehicleSheet $vehicle): bool
    {
        foreach ($job->needs->items as $role) {
            if (null === $vehicle->itemFor($role)) {
                return false;
            }
        }
        foreach ($job->needs->joints as $role) {
            if (null === $vehicle->jointFor($role)) {
                return false;
            }
        }

        return [] === array_filter($job->needs->circuits, static fn (string $role): bool => null === $vehicle->circuitFor($role));
    }

    public function testEveryOptionInPairsLosesNothing(): void
    {
        $all = [];
        foreach (self::pairsOf(self::jobs()) as $pair) {
            foreach ($pair[0]->groups as $group) {
                foreach ($group->options as $option) {
                    $all[] = [$pair, [$group->id => $option->id]];
                }
            }
        }
        foreach (Sample::of($all, 'options') as [$pair, $choice]) {
            $this->check($pair, [$choice, []]);
        }
    }

    public function testSeededTriplesLoseNothing(): void
    {
        $jobs = array_values(self::jobs());
        foreach (Sample::seeds(1000, 'triples', 50) as $seed) {
            $luck = new Randomizer(new Mt19937(1_225 + $seed));
            $three = array_slice($luck->shuffleArray($jobs), 0, 3);
            $this->check($three, array_map(static fn (Procedure $job): array => self::anyOptions($job, $luck), $three));
        }
    }

    public function testTheIdOfWhatIsSharedIsTheSameInEitherOrder(): void
    {
        $ids = static fn (string ...$jobs): array => array_map(
            static fn (Step $step): string => in_array($step->deed, self::MOVES, true) ? 'move' : $step->id,
            (new Compiler(Sheets::common()))->compile(
                array_map(Sheets::procedure(...), array_values($jobs)), new Choices([]), WholeVehicle::sheet(), self::kit(),
            )->steps,
        );
        $one = $ids('thermostat-under', 'water-pump');
        $other = $ids('water-pump', 'thermostat-under');
        self::assertEqualsCanonicalizing(array_unique($one), array_unique($other));
        self::assertContains('drain-coolant', $one);
        self::assertContains('fill-coolant', $one);
    }

    public function testWhatStandsOnTheSheetKeepsItsMarks(): void
    {
        $standing = static fn (Sheet $sheet): RunningFitSnapshot => RunningFitSnapshot::of(
            $sheet, VehicleState::standing(WholeVehicle::sheet()), WholeVehicle::sheet(),
        );
        $alone = self::compiled(null, 'thermostat-under');
        $more = self::ids(self::compiled($standing($alone), 'thermostat-under', 'water-pump'));
        $alone = self::ids($alone);
        self::assertSame([], array_values(array_filter(
            array_diff($alone, $more), static fn (string $id): bool => 1 !== preg_match('/\A(raise|lower)-\d+\z/', $id),
        )), 'a job that is added takes no mark away');
        $together = self::compiled(null, 'thermostat-under', 'water-pump');
        self::assertContains('drain-coolant', self::ids($together));
        $left = self::ids(self::compiled($standing($together), 'water-pump'));
        self::assertContains('drain-coolant', $left, 'nor does one that goes');
        self::assertNotContains('pump-drain', $left);
    }

    #[DataProvider('leaving')]
    public function testAJobThatIsTakenOutLeavesWhatItOpened(string $stays, string $goes, string $until): void
    {
        $fit = new Fit(self::compiled(null, $stays, $goes), WholeVehicle::sheet(), FitState::none());
        $worker = new Worker(new Randomizer(new Mt19937(3)));
        $fit = self::worked($worker, $fit, $until, 0);
        $standing = RunningFitSnapshot::of($fit->sheet, $fit->actual(), $fit->vehicle);
        $left = self::compiled($standing, $stays);
        $name = $stays.' without '.$goes;
        $stops = array_filter($left->findings, static fn (Finding $one): bool => Level::Stop === $one->level);
        self::assertSame([], array_map(static fn (Finding $one): string => $one->code.' '.$one->step, $stops), $name);
        $now = new Fit($left, $fit->vehicle, $fit->state);
        self::assertEqualsCanonicalizing(self::open($fit->actual()), self::open($now->actual()), $name.': nothing is forgotten');
        $before = self::open(VehicleState::standing($fit->vehicle));
        self::assertNotSame([], array_diff(self::open($fit->actual()), $before), 'something is open');
        $done = self::worked($worker, $now, '', 500);
        self::assertSame([], self::open($done->actual()), $name.': all is closed in the end');
        self::assertNull($left->step($goes.'-start'));
    }

    /** @return iterable<string, array{string, string, string}> the job that stays, the one that goes, and where it stood then */
    public static function leaving(): iterable
    {
        yield 'plugs out' => ['thermostat-under', 'spark-plugs', 'thermostat-in'];
        yield 'starter off' => ['water-pump', 'starter', 'pump-gasket'];
        yield 'thermostat open' => ['spark-plugs', 'thermostat-under', 'thermostat-in'];
        yield 'belt off' => ['starter', 'serpentine-belt', 'starter-on'];
        yield 'oil out' => ['spark-plugs', 'oil-filter-housing', 'plugs-on'];
    }

    /** @return list<string> what of the vehicle is off, loose, open, hanging or disconnected */
    private static function open(VehicleState $rig): array
    {
        $open = [];
        foreach (['off' => $rig->off, 'loose' => $rig->loose, 'open' => $rig->open, 'held' => $rig->held] as $kind => $things) {
            foreach (array_keys($things) as $thing) {
                $open[] = $kind.' '.$thing;
            }
        }

        return [...$open, ...$rig->battery ? [] : ['battery']];
    }

    private static function worked(Worker $worker, Fit $fit, string $until, int $made): Fit
    {
        $at = new \DateTimeImmutable('2026-11-25T08:00:00Z');
        while (null !== $next = $worker->next($fit, $until)) {
            $at = $at->modify(sprintf('+%d seconds', (int) ceil($next[2])));
            $fit = $fit->then(FitEvent::of(sprintf('01J%023d', ++$made), $next[0], $next[1], 'Joss Wending', $at));
        }

        return $fit;
    }

    private static function compiled(?RunningFitSnapshot $standing, string ...$jobs): Sheet
    {
        return (new Compiler(Sheets::common()))->compile(
            array_map(Sheets::procedure(...), array_values($jobs)), new Choices([]), WholeVehicle::sheet(), self::kit(), 1, $standing,
        );
    }

    /** @return list<string> */
    private static function ids(Sheet $sheet): array
    {
        return array_map(static fn (Step $step): string => $step->id, $sheet->steps);
    }

    /**
     * @param list<ChoiceGroup> $groups
     *
     * @return list<string>
     */
    private static function names(array $groups): array
    {
        return array_map(static fn (ChoiceGroup $one): string => $one->id, $groups);
    }

    public function testWhatTwoAskOfOneThingIsAskedOnce(): void
    {
        [$thermostat, $pump] = [Sheets::procedure('thermostat-under'), Sheets::procedure('water-pump')];
        $asked = array_map(self::names(...), Questions::of([$thermostat, $pump]));
        self::assertContains('fill', $asked['thermostat-under']);
        self::assertNotContains('pump-fill', $asked['water-pump']);
        self::assertContains('pump-fill', self::names(Questions::of([$pump, $thermostat])['water-pump']));
        $agreed = static fn (string $way): string => Questions::agreed([$thermostat, $pump], ['fill' => $way])['pump-fill'];
        self::assertSame(['vacuum', 'burp', ''], [$agreed('vacuum'), $agreed('burp'), $agreed('bleed')]);
        self::assertSame('burp', Questions::agreed([$pump, $thermostat], ['pump-fill' => 'burp', 'fill' => 'vacuum'])['fill']);
        $whole = (new Compiler(Sheets::common()))->compile(
            [$thermostat, $pump], new Choices(['fill' => 'bleed', 'pump-fill' => 'vacuum']), WholeVehicle::sheet(), self::kit(),
        );
        self::assertCount(1, $whole->doing(StepKind::Fill), 'the first does the whole of it');
        self::assertNull($whole->step('pump-vacuum'));
    }

    public function testWhatEachSharesIsNamed(): void
    {
        $jobs = [Sheets::procedure('thermostat-under'), Sheets::procedure('water-pump'), Sheets::procedure('spark-plugs')];
        $shared = SharedWork::of($jobs, new Choices([]), WholeVehicle::sheet());
        self::assertSame(array_map(static fn (Procedure $one): string => $one->id, $jobs), array_keys($shared));
        self::assertContains('Short drive', $shared['water-pump']);
        self::assertContains('Level floor, brake on, key out', $shared['spark-plugs']);
        self::assertNotContains('Read the plugs', $shared['spark-plugs']);
        self::assertSame([], SharedWork::of([$jobs[0]], new Choices([]), WholeVehicle::sheet())['thermostat-under']);
    }

    /** @return array<string, Procedure> */
    private static function jobs(): array
    {
        $jobs = [];
        foreach (glob(dirname(__DIR__, 3).'/procedures/*.yaml') ?: [] as $file) {
            $id = basename($file, '.yaml');
            'common' === $id || $jobs[$id] = Sheets::procedure($id);
        }

        return $jobs;
    }

    private static function kit(): Kit
    {
        return new Kit(array_map(
            static fn (float $most): Wrench => new Wrench('to '.$most, '1/2 in', 0.0, $most, 1.0, 400.0, 0), [6.0, 25.0, 100.0, 400.0],
        ), []);
    }

    /** @return array<string, string> */
    private static function anyOptions(Procedure $job, Randomizer $luck): array
    {
        $chosen = [];
        foreach ($job->groups as $group) {
            $chosen[$group->id] = $group->options[$luck->getInt(0, count($group->options) - 1)]->id;
        }

        return $chosen;
    }

    /**
     * What one job has answered on a topic, the others are not asked: each alone is given that answer too.
     *
     * @param list<Procedure> $jobs
     * @param list<array<string, string>> $chosen
     *
     * @return list<array<string, string>>|null null where one of them does not know that way
     */
    private static function agreed(array $jobs, array $chosen): ?array
    {
        $said = [];
        foreach ($jobs as $i => $job) {
            foreach ($job->groups as $group) {
                if ('' !== $group->topic) {
                    $said[$group->topic] ??= $chosen[$i][$group->id] ?? $group->default;
                    if (null === $group->option($said[$group->topic])) {
                        return null;
                    }
                    $chosen[$i][$group->id] = $said[$group->topic];
                }
            }
        }

        return $chosen;
    }

    /** @param list<Procedure> $jobs */
    private static function changeTheSame(array $jobs): bool
    {
        $ids = array_map(static fn (Procedure $job): string => $job->id, $jobs);

        $others = array_merge(...array_map(static fn (Procedure $job): array => $job->needs->notWith, array_values($jobs)));

        return [] !== array_intersect($ids, $others);
    }

    /** @param list<Procedure> $jobs */
    private function expectNoPlan(array $jobs, VehicleSheet $vehicle): void
    {
        try {
            (new Compiler(Sheets::common()))->compile($jobs, new Choices([]), $vehicle, self::kit());
            self::fail('Two jobs that change the same part were planned together.');
        } catch (UnplannableFit $e) {
            self::assertStringContainsString('choose one of the two', $e->getMessage());
        }
    }

    /**
     * @param list<Procedure> $jobs
     * @param list<array<string, string>> $chosen
     */
    private function check(array $jobs, array $chosen, ?VehicleSheet $on = null): void
    {
        $vehicle = $on ?? WholeVehicle::sheet();
        if (self::changeTheSame($jobs)) {
            $this->expectNoPlan($jobs, $vehicle);

            return;
        }
        $compiler = new Compiler(Sheets::common());
        $whole = $compiler->compile($jobs, new Choices(array_merge(...$chosen)), $vehicle, self::kit());
        $ids = array_map(static fn (Procedure $job): string => $job->id, $jobs);
        $name = sprintf('%s on %s %s', implode(' + ', $ids), $vehicle->id, json_encode($chosen));
        $isLimited = 'external' === (array_merge(...$chosen)['other-gate'] ?? '');
        $stops = array_filter(
            $whole->findings, static fn (Finding $one): bool => Level::Stop === $one->level && ($isLimited || 'gate-locked' !== $one->code),
        );
        self::assertSame([], array_map(static fn (Finding $one): string => $one->code.' '.$one->step, $stops), $name);
        $agreed = self::agreed($jobs, $chosen);
        if (null === $agreed) {
            return;
        }
        $minutes = 0.0;
        $starts = [];
        foreach ($jobs as $i => $job) {
            $single = $compiler->compile([$job], new Choices($agreed[$i]), $vehicle, self::kit());
            $minutes += $single->timing->likely;
            $starts = array_merge($starts, array_map(
                static fn (Step $start): bool => in_array(Tag::ON_STANDS, $start->tags, true), $single->doing(StepKind::Start),
            ));
            self::assertSame([], self::lost($single, $whole), $job->id.' of '.$name);
            self::assertSame([], self::disordered($job, $single, $whole), $job->id.' of '.$name);
        }
        $more = count(array_unique($starts)) > 1 ? self::ONE_LIFT : 0.0;
        self::assertLessThanOrEqual($minutes + $more + 1e-9, $whole->timing->likely, $name);
    }

    /** @return list<string> what the single sheet has and the whole has not */
    private static function lost(Sheet $single, Sheet $whole): array
    {
        $there = self::facts($whole);
        $lost = [];
        foreach (self::facts($single) as $fact => $times) {
            isset($there[$fact]) || $lost[] = $fact;
        }
        $booked = array_filter($there, static fn (string $fact): bool => str_starts_with($fact, 'booked '), \ARRAY_FILTER_USE_KEY);
        foreach ($booked as $fact => $times) {
            1 === $times || $lost[] = $fact.' stands there '.$times.' times';
        }

        return $lost;
    }

    /** @return array<string, int> fact => how often it stands there */
    private static function facts(Sheet $sheet): array
    {
        $facts = [];
        foreach ($sheet->steps as $step) {
            // Put in by the compiler only where no job makes sure of the cold itself.
            if (in_array($step->deed, self::MOVES, true) || 'cold-hands' === $step->id) {
                continue;
            }
            $said = [
                ...array_map(static fn (string $one): string => 'says '.$one, self::sentences($step->words->text)),
                ...array_map(static fn (string $one): string => 'why '.$one, self::sentences($step->words->why)),
                ...array_map(
                    static fn (Caution $one): string => ($one->acknowledge ? 'must read ' : 'warns ').$one->text, $step->words->cautions,
                ),
                ...array_map(static fn (string $one): string => 'tool '.$one, $step->needs->tools),
                ...array_column(array_map(static fn ($one): array => ['part '.$one->name.' '.$one->state], $step->needs->parts), 0),
                ...array_column(array_map(static fn ($one): array => ['uses '.$one->name], $step->needs->consumables), 0),
                ...array_column(array_map(static fn ($one): array => ['puts in '.$one->thing], $step->needs->puts), 0),
            ];
            foreach ($step->asking->asks as $ask) {
                $said[] = 'asks '.$ask->field;
                foreach ($ask->guards as $guard) {
                    $said[] = 'guards '.$guard->value.' by '.$ask->field;
                }
            }
            '' === $step->asking->sum || $said[] = 'works out '.$step->asking->sum;
            $step->asking->followUp->isNone() || $said[] = 'booked '.$step->asking->followUp->id;
            foreach ([
                'item' => $step->target->item, 'joint' => $step->target->joint, 'circuit' => $step->target->circuit,
            ] as $kind => $id) {
                '' === $id || $said[] = $step->deed->value.' '.$kind.' '.$id;
            }
            foreach ($step->tags as $tag) {
                'on-stands' === $tag || $said[] = 'tagged '.$tag;
            }
            // Where it stands is said by the compiler, and with others it may stand elsewhere.
            $said = array_filter($said, static fn (string $one): bool => !str_contains($one, 'It stands on stands.'));
            foreach ($said as $fact) {
                // Who must read it has been warned as well.
                foreach (str_starts_with($fact, 'must read ') ? [$fact, 'warns '.substr($fact, 10)] : [$fact] as $one) {
                    $facts[$one] = ($facts[$one] ?? 0) + 1;
                }
            }
        }

        return $facts;
    }

    /** @return list<string> */
    private static function sentences(string $text): array
    {
        return array_values(array_filter(preg_split('/(?<=[.!?])\s+/', $text) ?: []));
    }

    /** @return list<string> pairs of a job's operations that stand the other way round */
    private static function disordered(Procedure $job, Sheet $single, Sheet $whole): array
    {
        $wrong = [];
        [$before, $last] = ['', -1];
        $phase = null;
        foreach ($job->operations as $operation) {
            $step = $single->step($operation->id);
            if (null === $step) {
                continue;
            }
            if ($phase !== $operation->slot->phase) {
                [$before, $last, $phase] = ['', -1, $operation->slot->phase];
            }
            $place = self::placeOf($step, $whole, $last);
            if ($place < $last) {
                $wrong[] = sprintf('%s stands before %s', $step->id, $before);
            }
            [$before, $last] = [$step->id, max($last, $place)];
        }

        return $wrong;
    }

    /** Where the whole does what this step does: not before a place, if it does it there as well. */
    private static function placeOf(Step $step, Sheet $whole, int $from): int
    {
        $found = -1;
        $first = self::sentences($step->words->text)[0] ?? '';
        foreach ($whole->steps as $place => $one) {
            $isIt = $one->deed === $step->deed
                && in_array($step->target->item, ['', $one->target->item], true)
                && in_array($step->target->joint, ['', $one->target->joint], true)
                && in_array($step->target->circuit, ['', $one->target->circuit], true)
                && ('' === $first ? $one->words->title === $step->words->title || '' !== $step->target->item.$step->target->joint
                    : str_contains($one->words->text, $first));
            if ($isIt) {
                $found = $place;
                if ($place >= $from) {
                    break;
                }
            }
        }

        return $found;
    }
}
