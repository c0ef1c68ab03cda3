<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sheet;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Compiler\Arrange\RunningFitSnapshot;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Mend;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Mishap\MishapList;
use NimbleKnuckle\Core\Sheet\Mishap\MishapWay;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Bench\Law\Worker;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** A mishap in mid-job: its steps come in, hold the work up until they are done, and stay when it is planned again. */
#[CoversClass(Mend::class)]
#[CoversClass(Repair::class)]
#[CoversClass(MishapList::class)]
#[CoversClass(RunningFitSnapshot::class)]
final class MishapTest extends TestCase
{
    private const EVENT = '01J00000000000000000000ABC';
    private const JOBS = [
        ['veldra-tarn-20t', 'thermostat-under'], ['ostrel-vane-s6', 'serpentine-belt'], ['corrin-drover-27d', 'water-pump'],
        ['corrin-drover-27d', 'starter'],
    ];

    private \DateTimeImmutable $at;
    private int $made = 0;

    protected function setUp(): void
    {
        $this->at = new \DateTimeImmutable('2026-11-26T08:00:00Z');
    }

    /** At every step of every sheet, every mishap and every way: what it adds, and that nothing else changes. */
    public function testItsStepsComeInBeforeTheStepAndNothingElseMoves(): void
    {
        foreach (self::JOBS as [$vehicle, $procedure]) {
            $sheet = self::sheet($vehicle, $procedure);
            $mend = new Mend(Sheets::vehicle($vehicle), new Kit([], []));
            foreach (Sample::of($sheet->steps, 'mishaps '.$procedure) as $i => $step) {
                foreach (self::ways($i) as [$name, $way]) {
                    $this->checkOne($sheet, $mend, $step, new Repair(self::EVENT, $way, 'M6 stud'), $name.' at '.$step->id);
                }
            }
        }
    }

    private function checkOne(Sheet $sheet, Mend $mend, Step $step, Repair $repair, string $at): void
    {
        $whole = $mend->into($sheet, $step->id, $repair);
        $added = Mend::of($whole, self::EVENT);
        $ids = self::ids($whole->steps);
        self::assertSame($ids, array_values(array_unique($ids)), $at);
        self::assertSame(self::ids($sheet->steps), array_values(array_diff($ids, self::ids($added))), $at);
        self::assertSame($sheet->moves, $whole->moves, $at);
        $before = array_column(array_map(self::plain(...), $sheet->findings), 'code');
        $after = array_column(array_map(self::plain(...), $whole->findings), 'code');
        self::assertSame([], array_values(array_diff($after, $before)), $at);
        self::assertStringNotContainsString('{what}', json_encode($whole->toArray(), \JSON_THROW_ON_ERROR), $at);
        $last = '';
        foreach ($added as $one) {
            if (StepKind::Book === $one->deed) {
                continue;
            }
            self::assertLessThan($whole->placeOf($step->id), $whole->placeOf($one->id), $at);
            self::assertSame($step->slot->phase, $one->slot->phase, $at);
            '' === $one->slot->until || self::assertGreaterThan(
                $whole->placeOf($one->id), $whole->placeOf($one->slot->until), $at.' '.$one->id,
            );
            self::assertSame([], array_diff($one->needs->tools, array_column($whole->lists->tools, 'name')), $at);
            self::assertSame([], array_diff(array_column($one->needs->parts, 'name'), array_column($whole->lists->parts, 'name')), $at);
            $last = $one->id;
        }
        self::assertContains($last, $whole->step($step->id)->slot->after ?? [], $at);
        self::assertGreaterThanOrEqual($sheet->timing->likely, $whole->timing->likely, $at);
        self::assertEquals($sheet->toArray()['steps'], $mend->without($whole, self::EVENT)->toArray()['steps'], $at);
    }

    public function testTwoMishapsKeepApart(): void
    {
        $sheet = self::sheet('veldra-tarn-20t', 'thermostat-under');
        $mend = new Mend(Sheets::tarn(), new Kit([], []));
        $way = self::list()->mishap('stripped-thread')?->way('insert') ?? self::fail('an insert is a way');
        $one = $mend->into($sheet, 'housing-tight', new Repair('one', $way, 'first bolt'));
        $two = $mend->into($one, 'housing-tight', new Repair('two', $way, 'second bolt'));
        self::assertSame(self::ids($two->steps), array_values(array_unique(self::ids($two->steps))));
        self::assertCount(count(Mend::of($two, 'one')), Mend::of($two, 'two'));
        self::assertSame(['repaired-thread-1', 'repaired-thread-2'], array_values(array_filter(array_map(
            static fn (Step $step): string => str_starts_with($step->id, 'mend') ? $step->asking->followUp->id : '', $two->steps,
        ))));
        $gone = $mend->without($two, 'one');
        self::assertSame([], Mend::of($gone, 'one'));
        self::assertEquals(Mend::of($two, 'two'), array_map(
            static fn (Step $step): Step => $two->step($step->id) ?? $step, Mend::of($gone, 'two'),
        ));
    }

    /** Another job, another answer, a job left out: what mends stays before the step it held up. */
    public function testPlannedAgainItStaysBeforeItsStep(): void
    {
        $sheet = self::sheet('corrin-drover-27d', 'water-pump');
        $vehicle = Sheets::vehicle('corrin-drover-27d');
        foreach (['starter', 'oil-filter-housing'] as $other) {
            foreach ([5, 15, 25] as $place) {
                $at = $sheet->steps[$place];
                [$name, $way] = self::ways($place)[0];
                $mended = (new Mend($vehicle, new Kit([], [])))->into($sheet, $at->id, new Repair(self::EVENT, $way, 'bolt'));
                $fit = new Fit($mended, $vehicle, FitState::none());
                $whole = (new Compiler(Sheets::common()))->compile(
                    [Sheets::procedure('water-pump'), Sheets::procedure($other)], new Choices([]), $vehicle, new Kit([], []), 1,
                    RunningFitSnapshot::of($mended, $fit->actual(), $vehicle),
                );
                $said = $name.' at '.$at->id.' with '.$other;
                self::assertSame(self::ids(Mend::of($mended, self::EVENT)), self::ids(Mend::of($whole, self::EVENT)), $said);
                $last = array_slice($fit->mending(self::event($at->id)), -1)[0];
                self::assertNotNull($whole->step($at->id), $said);
                self::assertLessThan($whole->placeOf($at->id), $whole->placeOf($last->id), $said);
            }
        }
    }

    public function testOnlyTheServerNamesOneAndTakesItBack(): void
    {
        [$fit, $sheet] = $this->mended('housing-tight');
        $unmended = new Fit($sheet, Sheets::tarn(), FitState::none());
        foreach ([Authority::Helper, Authority::Mechanic, Authority::Lead] as $hand) {
            self::assertStringContainsString('cannot be sent', $this->refused($unmended, self::event('housing-tight'), $hand));
            self::assertStringContainsString('Withdraw it', $this->refused($fit, $this->undone(self::EVENT), $hand));
        }
        self::assertSame('', $this->refused($fit, $this->undone(self::EVENT), Authority::Server));
        self::assertSame([], $fit->then($this->undone(self::EVENT))->state->mishaps);
    }

    public function testItHoldsUpItsStepWhatGoesOnThereAndTheEngine(): void
    {
        [$fit] = $this->mended('housing-tight');
        foreach (['housing-tight' => true, 'housing-on' => true, 'start-first' => true, 'safe-cold' => false] as $step => $isHeld) {
            $codes = array_column(Gate::at($fit)->before($fit->sheet->step($step) ?? self::fail('no '.$step)), 'code');
            self::assertSame($isHeld, in_array('mishap', $codes, true), $step);
        }
        self::assertSame(['5 of 5 steps to go'], $this->since($fit));
        $done = FitEvent::of('01J00000000000000000000DEF', EventType::StepDone, ['step' => 'mend1-look'], 'Joss', $this->at);
        self::assertSame(['4 of 5 steps to go'], $this->since($fit->then($done)));
        $skipped = FitEvent::of(
            '01J00000000000000000000DEF', EventType::StepSkipped, ['step' => 'mend1-look', 'reason' => 'no time left'], 'Joss', $this->at,
        );
        self::assertSame(['5 of 5 steps to go'], $this->since($fit->then($skipped)), 'skipping does not mend');
    }

    /** A hand that does every step of its sheet, with a mishap at each kind of step, comes to an end with nothing open. */
    #[DataProvider('jobs')]
    public function testAnHonestHandMendsItAndIsDone(string $vehicle, string $procedure): void
    {
        $sheet = self::sheet($vehicle, $procedure);
        foreach ([0.2, 0.5, 0.8] as $i => $share) {
            $at = $sheet->steps[(int) ($share * count($sheet->steps))];
            [$name, $way] = self::ways($i)[0];
            $whole = (new Mend(Sheets::vehicle($vehicle), new Kit([], [])))->into($sheet, $at->id, new Repair(self::EVENT, $way, 'bolt'));
            $fit = new Fit($sheet, Sheets::vehicle($vehicle), FitState::none());
            $worker = new Worker(new \Random\Randomizer(new \Random\Engine\Mt19937($i)));
            while (null !== $next = $worker->next($fit)) {
                if ([] === $fit->state->mishaps && ($next[1]['step'] ?? '') === $at->id) {
                    $fit = (new Fit($whole, $fit->vehicle, $fit->state))->then(self::event($at->id));
                    continue;
                }
                $this->at = $this->at->modify(sprintf('+%d seconds', (int) ceil($next[2])));
                $event = FitEvent::of(
                    sprintf('01J%023d', ++$this->made), $next[0], $next[1], 'Joss Wending', $this->at, new Receipt($this->at, 'tablet'),
                );
                $fit = new Fit($fit->sheet, $fit->vehicle, $fit->state, $this->at);
                self::assertSame('', $this->refused($fit, $event, Authority::Helper), $name.' '.json_encode($next[1]));
                $fit = $fit->then($event);
            }
            self::assertSame([], SignOff::of($fit)->refusals(Authority::Lead), $name.' at '.$at->id);
            self::assertSame(['Snapped bolt: bolt. Drilled'], array_column(SignOff::of($fit)->review(), 'said'), $name);
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function jobs(): iterable
    {
        foreach (self::JOBS as $job) {
            yield implode(' ', $job) => $job;
        }
    }

    public function testABrokenPieceOfATrayIsMissedUntilThereIsANewOne(): void
    {
        $sheet = self::sheet('veldra-tarn-20t', 'thermostat-under');
        $off = $sheet->doing(StepKind::Remove, 'under-pan')[0];
        $line = $off->needs->tray[0];
        $way = self::list()->mishap('snapped-bolt')?->way('proud') ?? self::fail('a stub is a way');
        $whole = (new Mend(Sheets::tarn(), new Kit([], [])))->into($sheet, $off->id, new Repair(self::EVENT, $way, $line->thing));
        $fit = (new Fit($whole, Sheets::tarn(), FitState::none()))->then(self::event($off->id, ['thing' => $line->thing]));
        $count = $fit->pieces()->of($off, $line);
        self::assertSame([1, $line->count - 1, $line->count], [$count->broken(), $count->room(), $count->expected]);
        self::assertContains('broken:under-pan:'.$line->thing, array_column(SignOff::of($fit)->looseEnds(), 'id'));
        $again = self::event($off->id, ['thing' => 'none such'], '01J00000000000000000000GH1');
        self::assertStringContainsString('does not belong', $this->refused($fit, $again, Authority::Server));
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('wrongLists')]
    public function testAListThatCannotBeIsRefusedByName(array $change, string $said): void
    {
        $step = ['id' => 'look', 'do' => 'check', 'title' => 'Look', 'minutes' => [1, 2, 3]];
        $mishap = $change + ['id' => 'odd', 'title' => 'Odd', 'of' => 'part', 'ways' => [
            ['id' => 'one', 'label' => 'One', 'steps' => $change['steps'] ?? [$step]],
        ]];
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage($said);
        MishapList::read(Node::of(['format' => $change['format'] ?? MishapList::FORMAT, 'mishaps' => [$mishap]]));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongLists(): iterable
    {
        $step = ['id' => 'look', 'do' => 'check', 'title' => 'Look', 'minutes' => [1, 2, 3]];
        yield 'format' => [['format' => 'nimble-knuckle/sheet@1'], 'this is not nimble-knuckle/mishaps@1'];
        yield 'of nothing' => [['of' => 'weather'], 'mishaps.0.of'];
        yield 'no way' => [['ways' => []], 'at least one way'];
        yield 'no step' => [['ways' => [['id' => 'a', 'label' => 'A', 'steps' => []]]], 'at least one step'];
        yield 'twice' => [['steps' => [$step, $step]], 'stands there twice'];
        yield 'waits for nothing' => [['steps' => [['until' => 'later'] + $step]], '“look” waits for “later”'];
        yield 'out for nothing' => [['steps' => [['puts' => [['thing' => 'rag', 'out_before' => 'x']]] + $step]], 'waits for “x”'];
        yield 'no fragment' => [['steps' => [['include' => 'none']]], 'there is no fragment “none”'];
    }

    /** @return array{Fit, Sheet} with a snapped bolt at a step, and the sheet before */
    private function mended(string $step): array
    {
        $sheet = self::sheet('veldra-tarn-20t', 'thermostat-under');
        $way = self::list()->mishap('snapped-bolt')?->way('proud') ?? self::fail('a stub is a way');
        $whole = (new Mend(Sheets::tarn(), new Kit([], [])))->into($sheet, $step, new Repair(self::EVENT, $way, 'bolt'));
        $named = self::event($step, ['item' => 'thermostat-housing']);

        return [(new Fit($whole, Sheets::tarn(), FitState::none()))->then($named), $sheet];
    }

    /** @return list<string> */
    private function since(Fit $fit): array
    {
        $ends = array_filter(SignOff::of($fit)->looseEnds(), static fn ($end): bool => 'mishap:'.self::EVENT === $end->id);

        return array_values(array_column($ends, 'since'));
    }

    private function refused(Fit $fit, FitEvent $event, Authority $hand): string
    {
        try {
            (new Law($fit, $hand, $this->at))->ensure($event);
        } catch (InvalidEvent $e) {
            return $e->getMessage();
        }

        return '';
    }

    /** @param array<string, string> $more */
    private static function event(string $step, array $more = [], string $id = self::EVENT): FitEvent
    {
        return FitEvent::of($id, EventType::Mishap, [
            'step' => $step, 'mishap' => 'snapped-bolt', 'said' => 'Snapped bolt', 'way' => 'flush', 'how' => 'Drilled', 'what' => 'bolt',
        ] + $more, 'Joss Wending', new \DateTimeImmutable('2026-11-26T08:00:00Z'));
    }

    private function undone(string $event): FitEvent
    {
        return FitEvent::of(sprintf('01J%023d', ++$this->made), EventType::Undone, ['event' => $event], 'Joss Wending', $this->at);
    }

    private static function sheet(string $vehicle, string $procedure): Sheet
    {
        return (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($procedure)], new Choices([]), Sheets::vehicle($vehicle), new Kit([], []),
        );
    }

    private static function list(): MishapList
    {
        return MishapList::read(Node::of(Yaml::parseFile(dirname(__DIR__, 3).'/mishaps/mishaps.yaml')));
    }

    /** @return list<array{string, MishapWay}> all ways, beginning with another one each time */
    private static function ways(int $first): array
    {
        $ways = [];
        foreach (self::list()->mishaps as $mishap) {
            foreach ($mishap->ways as $way) {
                $ways[] = [$mishap->id.' '.$way->id, $way];
            }
        }

        return [...array_slice($ways, $first % count($ways)), ...array_slice($ways, 0, $first % count($ways))];
    }

    /** @return array{code: string} */
    private static function plain(Finding $finding): array
    {
        return ['code' => $finding->code];
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<string>
     */
    private static function ids(array $steps): array
    {
        return array_map(static fn (Step $step): string => $step->id, $steps);
    }
}
