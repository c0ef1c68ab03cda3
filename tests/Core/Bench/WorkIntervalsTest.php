<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Labour\WorkInterval;
use NimbleKnuckle\Core\Bench\Labour\WorkIntervals;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Pace\Paces;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Times\Learned;
use NimbleKnuckle\Core\Times\Tally;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What steps took by the marks of a log, what was an interruption, and how a plan goes by it. */
#[CoversClass(Learned::class)]
#[CoversClass(Minutes::class)]
#[CoversClass(Paces::class)]
#[CoversClass(WorkInterval::class)]
#[CoversClass(WorkIntervals::class)]
#[CoversClass(Tally::class)]
final class WorkIntervalsTest extends TestCase
{
    private const FROM = '2026-03-02 08:00:00';
    private int $made = 0;

    /**
     * Steps a, b and c are planned at 4, 10 and 6 minutes, d runs by itself; at most they take twice that.
     *
     * @param list<array{float, string, string}> $marks minutes from the start, who, and the step that is done or “note”
     * @param array<string, float> $took
     * @param list<string> $away who was away
     */
    #[DataProvider('logs')]
    public function testWhatEachStepTook(array $marks, array $took, array $away = []): void
    {
        $spells = WorkIntervals::of($this->fit($marks));
        $minutes = array_map(static fn (array $one): float => round($one['minutes'], 3), $spells->steps());
        ksort($minutes);
        self::assertEquals($took, $minutes);
        self::assertSame($away, array_column($spells->pauses(), 'by'));
    }

    /** @return iterable<string, array{0: list<array{float, string, string}>, 1: array<string, float>, 2?: list<string>}> */
    public static function logs(): iterable
    {
        yield 'from mark to mark' => [[[0, 'J', 'note'], [5, 'J', 'a'], [14, 'J', 'b'], [20, 'J', 'c']], ['a' => 5, 'b' => 9, 'c' => 6]];
        yield 'the first mark has no beginning' => [[[5, 'J', 'a'], [14, 'J', 'b']], ['b' => 9]];
        yield 'a note on the way belongs to nobody' => [[[0, 'J', 'a'], [3, 'J', 'note'], [12, 'J', 'b']], ['b' => 9]];
        yield 'what runs by itself is nobody’s time' => [[[0, 'J', 'a'], [30, 'J', 'd'], [36, 'J', 'c']], ['c' => 6]];
        yield 'each by their own marks' => [
            [[0, 'J', 'note'], [1, 'P', 'note'], [6, 'J', 'a'], [11, 'P', 'b']], ['a' => 6, 'b' => 10],
        ];
        yield 'just no interruption' => [[[0, 'J', 'a'], [40, 'J', 'b']], ['b' => 40]];
        yield 'just an interruption' => [[[0, 'J', 'a'], [40.1, 'J', 'b'], [46.1, 'J', 'c']], ['c' => 6], ['J']];
        yield 'short steps may take twenty' => [[[0, 'J', 'b'], [20, 'J', 'a']], ['a' => 20]];
        yield 'and no more' => [[[0, 'J', 'b'], [20.1, 'J', 'a']], [], ['J']];
        yield 'three ticked in one go share as planned' => [
            [[0, 'J', 'note'], [30, 'J', 'a'], [30.1, 'J', 'b'], [30.2, 'J', 'c']],
            ['a' => 6.04, 'b' => 15.1, 'c' => 9.06],
        ];
        yield 'and what took its time in between is its own' => [
            [[0, 'J', 'note'], [6, 'J', 'a'], [13, 'J', 'b'], [13.1, 'J', 'c']],
            ['a' => 6, 'b' => 4.438, 'c' => 2.663],
        ];
    }

    public function testSomebodySaysThatAPauseWasWork(): void
    {
        $fit = $this->fit([[0, 'J', 'a'], [50, 'J', 'b']]);
        $pause = WorkIntervals::of($fit)->pauses()[0];
        self::assertSame([true, false, 50.0, 'b'], [$pause->isAway, $pause->isSaid, $pause->minutes, $pause->step]);
        self::assertSame(0.0, WorkIntervals::of($fit)->worked());
        $said = WorkIntervals::of($fit, [$pause->event => true]);
        self::assertSame(50.0, $said->steps()['b']['minutes']);
        self::assertSame(50.0, $said->worked());
        self::assertSame([false, true], [$said->pauses()[0]->isAway, $said->pauses()[0]->isSaid], 'it stays to be taken back');
        self::assertSame([], WorkIntervals::of($fit, [$pause->event => false])->steps());
    }

    public function testAStepThatIsOpenAgainHasTakenNothing(): void
    {
        $fit = $this->fit([[0, 'J', 'a'], [9, 'J', 'b']]);
        $last = $fit->state->log[1];
        $undone = $fit->then(FitEvent::of($this->id(), EventType::Undone, ['event' => $last->id], 'J', self::at(10)));
        self::assertSame([], WorkIntervals::of($undone)->steps());
    }

    public function testAPlanGoesByThreeJobsAndNotByTwo(): void
    {
        $steps = [self::step('a', 4.0)];
        $twice = static fn (int $jobs): Paces => new Paces(['a' => Tally::of(array_fill(0, $jobs, log(2.0)))]);
        self::assertSame($steps, $twice(2)->onto($steps));
        $minutes = $twice(3)->onto($steps)[0]->slot->minutes;
        // μ = ln 4 + 3/7 ln 2
        self::assertEqualsWithDelta(4 * 2 ** (3 / 7), $minutes->likely, 0.05);
        self::assertSame([3, 4.0, 4.0], [$minutes->from, $minutes->planned, $minutes->byProcedure()]);
        self::assertGreaterThan($minutes->likely, $minutes->high);
        $again = $twice(3)->onto($twice(3)->onto($steps));
        self::assertSame($minutes->likely, $again[0]->slot->minutes->likely, 'what is learned is not learned once more');
        $kept = Step::read(Node::of($twice(3)->onto($steps)[0]->toArray()));
        self::assertEquals($minutes, $kept->slot->minutes);
    }

    public function testWhatRunsByItselfOrHasNoMinutesStaysAsItIs(): void
    {
        $paces = new Paces(['d' => Tally::of([1.0, 1.0, 1.0]), 'e' => Tally::of([1.0, 1.0, 1.0])]);
        $steps = [self::step('d', 20.0, true), self::step('e', 0.0)];
        self::assertSame($steps, $paces->onto($steps));
    }

    public function testATallyIsAsGoodAsTheListItCameFrom(): void
    {
        $done = [5.0, 6.5, 4.2, 9.0, 7.7];
        $logs = array_map(static fn (float $one): float => log($one / 5.0), $done);
        $sum = array_reduce($logs, static fn (Tally $sum, float $one): Tally => $sum->and(Tally::of([$one])), Tally::of([]));
        [$whole, $parts] = [Learned::of([3.0, 5.0, 9.0], $done), Learned::by([3.0, 5.0, 9.0], $sum)];
        foreach (['likely', 'low', 'high', 'off'] as $field) {
            self::assertEqualsWithDelta($whole->{$field}, $parts->{$field}, 1e-9, $field);
        }
        self::assertSame([0.0, 0.0], [Tally::of([])->mean(), Tally::of([])->aroundMean()]);
    }

    /** @param list<array{float, string, string}> $marks */
    private function fit(array $marks): Fit
    {
        $steps = [self::step('a', 4.0), self::step('b', 10.0), self::step('c', 6.0), self::step('d', 25.0, true)];
        $sheet = Sheets::of($steps);
        $fit = new Fit($sheet, Sheets::tarn(), FitState::none());
        foreach ($marks as [$minutes, $by, $step]) {
            $fit = $fit->then('note' === $step
                ? FitEvent::of($this->id(), EventType::Noted, ['step' => '', 'text' => 'coffee'], $by, self::at($minutes))
                : FitEvent::of($this->id(), EventType::StepDone, ['step' => $step], $by, self::at($minutes)));
        }

        return $fit;
    }

    private function id(): string
    {
        return sprintf('01K0000000000000000000%04d', ++$this->made);
    }

    private static function step(string $id, float $likely, bool $passive = false): Step
    {
        return Step::plain($id, Phase::Strip, StepKind::Act, 'Step '.$id)->with(
            minutes: new Minutes(0.5 * $likely, $likely, 2 * $likely), passive: $passive,
        );
    }

    private static function at(float $minutes): \DateTimeImmutable
    {
        return (new \DateTimeImmutable(self::FROM))->modify(sprintf('+%d seconds', (int) round(60 * $minutes)));
    }
}
