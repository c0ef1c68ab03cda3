<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Strip\Order;
use NimbleKnuckle\Core\Compiler\Strip\Task;
use NimbleKnuckle\Core\Compiler\Strip\WorkPlace;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Side;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Order::class)]
#[CoversClass(Task::class)]
#[CoversClass(WorkPlace::class)]
#[CoversClass(Side::class)]
final class OrderTest extends TestCase
{
    /** @var array<string, int> the brute force's own memory: done tasks, position and side => least that is left */
    private array $known = [];

    /** 1,000 random access maps: every order is legal, and up to 8 tasks it lifts as rarely, and walks hardly more, than brute force. */
    public function testOrdersAreLegalAndLiftAndWalkHardlyMoreThanTheyMust(): void
    {
        mt_srand(42);
        $small = $near = 0;
        for ($run = 0; $run < 1000; ++$run) {
            $tasks = $this->random(0 === $run % 4 ? mt_rand(9, 40) : mt_rand(1, 8), $run % 3);
            $order = (new Order())->of($tasks);
            $this->ensureLegal($tasks, $order);
            if (count($tasks) <= 8) {
                $this->known = [];
                [$best, $cost] = [$this->least($tasks, [], Position::Ground, Side::Anywhere), $this->cost($tasks, $order)];
                self::assertSame(intdiv($best, 1_000_000), intdiv($cost, 1_000_000), 'lifts of run '.$run);
                ++$small;
                $moves = static fn (int $cost): int => intdiv($cost % 1_000_000, 1_000) + $cost % 1_000;
                $near += $moves($cost) - $moves($best) <= 1 ? 1 : 0;
            }
        }
        self::assertGreaterThanOrEqual(0.94 * $small, $near, sprintf('%d of %d', $near, $small));
    }

    /** 20 to 40 removals with raise and lower: no order lifts more rarely, and hardly one walks less. */
    public function testLongStripsAreBestOrNearlySo(): void
    {
        mt_srand(7);
        $near = 0;
        for ($run = 0; $run < 100; ++$run) {
            $tasks = $this->random(mt_rand(20, 40), 2);
            $order = (new Order())->of($tasks);
            $this->ensureLegal($tasks, $order);
            [$lifts, $changes, $walk] = $this->costs($tasks, $order);
            self::assertSame($this->fewestLifts($tasks), $lifts, 'run '.$run);
            $others = array_map(fn (array $other): array => $this->costs($tasks, $other), $this->shuffled($tasks, 40));
            usort($others, static fn (array $a, array $b): int => $a <=> $b);
            $near += [$lifts, $changes, $walk - 1] <= $others[0] ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(95, $near);
    }

    public function testOneStaysAtASideWhileThereIsWork(): void
    {
        $task = static fn (string $id, Side $side, string ...$after): Task => new Task(
            $id, Position::Ground, array_values($after), false, $side,
        );
        $tasks = [
            'a' => $task('a', Side::Left), 'b' => $task('b', Side::Right), 'c' => $task('c', Side::Left),
            'd' => $task('d', Side::Right, 'a'), 'e' => new Task('e', Position::Any, ['c']),
        ];
        self::assertSame(['a', 'c', 'e', 'b', 'd'], (new Order())->of($tasks));
        self::assertSame([1, 2, 2, 0, 1, 2, 1, 0], [
            Side::Front->walk(Side::Left), Side::Front->walk(Side::Rear), Side::Left->walk(Side::Right),
            Side::Anywhere->walk(Side::Rear), Side::Inside->walk(Side::Left), Side::Rear->walk(Side::Inside),
            Side::Right->walk(Side::Front), Side::Rear->walk(Side::Rear),
        ]);
        $up = new WorkPlace(Position::Raised, Side::Left);
        self::assertSame(
            [1000, 1_001_002, 0], [
                $up->costTo(new WorkPlace(Position::WheelOff, Side::Left)), $up->costTo(new WorkPlace(Position::Ground, Side::Right)),
                $up->costTo($up),
            ], 'a wheel off is no lift',
        );
    }

    public function testAWaitStartsAsSoonAsItCan(): void
    {
        $tasks = [
            'a' => new Task('a', Position::Raised, []), 'b' => new Task('b', Position::Raised, []),
            'drain' => new Task('drain', Position::Raised, ['a'], true),
        ];
        self::assertSame(['a', 'drain', 'b'], (new Order())->of($tasks));
    }

    public function testWhatStandsByForAWaitComesAfterOtherWork(): void
    {
        $tasks = [
            'hose' => (new Task('hose', Position::Ground, []))->standingBy('drain'),
            'belt' => new Task('belt', Position::Ground, ['drain']),
            'drain' => new Task('drain', Position::Ground, [], true), 'cover' => new Task('cover', Position::Ground, []),
        ];
        self::assertSame(['drain', 'belt', 'cover', 'hose'], (new Order())->of($tasks));
        self::assertSame(['drain'], $tasks['hose']->after);
        self::assertSame([0, 1, 2], [$tasks['drain']->rank(), $tasks['belt']->rank(), $tasks['hose']->waitingFor(['belt'])->rank()]);
    }

    public function testTasksThatWaitForEachOtherAreRefused(): void
    {
        $this->expectException(UnplannableFit::class);
        (new Order())->of(['a' => new Task('a', Position::Any, ['b']), 'b' => new Task('b', Position::Any, ['a'])]);
    }

    /** @return array<string, Task> */
    private function random(int $n, int $sides): array
    {
        $positions = [Position::Ground, Position::Raised, Position::WheelOff, Position::Any];
        $places = [Side::Anywhere, Side::Left, Side::Right, Side::Front, Side::Inside];
        $tasks = [];
        for ($i = 0; $i < $n; ++$i) {
            $after = [];
            for ($k = 0; $k < $i; ++$k) {
                if (mt_rand(0, 99) < ($n > 15 ? 8 : 25)) {
                    $after[] = 't'.$k;
                }
            }
            $tasks['t'.$i] = new Task('t'.$i, $positions[mt_rand(0, 3)], $after, false, $places[mt_rand(0, 2 * $sides)]);
        }

        return $tasks;
    }

    /**
     * @param array<string, Task> $tasks
     * @param list<string> $order
     */
    private function ensureLegal(array $tasks, array $order): void
    {
        $place = array_flip($order);
        self::assertCount(count($tasks), $order);
        foreach ($tasks as $task) {
            foreach ($task->after as $before) {
                self::assertLessThan($place[$task->id], $place[$before]);
            }
        }
    }

    /**
     * What an order costs whoever does it so: lifts, other changes of position, sides walked.
     *
     * @param array<string, Task> $tasks
     * @param list<string> $order
     *
     * @return array{int, int, int}
     */
    private function costs(array $tasks, array $order): array
    {
        [$now, $side, $costs] = [Position::Ground, Side::Anywhere, [0, 0, 0]];
        foreach ($order as $id) {
            $task = $tasks[$id];
            if (Position::Any !== $task->position && $task->position !== $now) {
                $costs[0] += (Position::Ground === $now) !== (Position::Ground === $task->position) ? 1 : 0;
                ++$costs[1];
                $now = $task->position;
            }
            if (Side::Anywhere !== $task->side) {
                $costs[2] += $side->walk($task->side);
                $side = $task->side;
            }
        }

        return $costs;
    }

    /**
     * @param array<string, Task> $tasks
     * @param list<string> $order
     */
    private function cost(array $tasks, array $order): int
    {
        [$lifts, $changes, $walk] = $this->costs($tasks, $order);

        return 1_000_000 * $lifts + 1_000 * $changes + $walk;
    }

    /**
     * Up and down in turn, each time all that can be done there.
     *
     * @param array<string, Task> $tasks
     */
    private function fewestLifts(array $tasks): int
    {
        $done = [];
        for ($lifts = 0; count($done) < count($tasks); ++$lifts) {
            do {
                $before = count($done);
                foreach ($tasks as $id => $task) {
                    $isUp = Position::Ground !== $task->position;
                    if ($task->isFree($done) && (Position::Any === $task->position || $isUp === (1 === $lifts % 2))) {
                        $done[$id] = true;
                    }
                }
            } while (count($done) > $before);
        }

        return $lifts - 1;
    }

    /**
     * Other orders of the same work, each made by taking what costs least next, with a little luck.
     *
     * @param array<string, Task> $tasks
     *
     * @return list<list<string>>
     */
    private function shuffled(array $tasks, int $count): array
    {
        $orders = [];
        for ($i = 0; $i < $count; ++$i) {
            [$done, $now, $side] = [[], Position::Ground, Side::Anywhere];
            while (count($done) < count($tasks)) {
                $best = [\PHP_INT_MAX, ''];
                foreach ($tasks as $id => $task) {
                    if (isset($done[$id]) || !$task->isFree($done)) {
                        continue;
                    }
                    $stays = Position::Any === $task->position || $task->position === $now;
                    $lift = !$stays && (Position::Ground === $now) !== (Position::Ground === $task->position);
                    $cost = ($lift ? 10_000 : 0) + ($stays ? 0 : 100) + 10 * $side->walk($task->side) + mt_rand(0, 9);
                    $best = $cost < $best[0] ? [$cost, $id] : $best;
                }
                $task = $tasks[$best[1]];
                $done[$task->id] = true;
                $now = Position::Any === $task->position ? $now : $task->position;
                $side = Side::Anywhere === $task->side ? $side : $task->side;
            }
            $orders[] = array_keys($done);
        }

        return $orders;
    }

    /**
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     */
    private function least(array $tasks, array $done, Position $now, Side $side): int
    {
        if (count($done) === count($tasks)) {
            return 0;
        }
        $sorted = array_keys($done);
        sort($sorted);
        $key = $now->value.$side->value.':'.implode(',', $sorted);
        if (isset($this->known[$key])) {
            return $this->known[$key];
        }
        $best = \PHP_INT_MAX;
        foreach ($tasks as $id => $task) {
            if (!isset($done[$id]) && $task->isFree($done)) {
                $next = Position::Any === $task->position ? $now : $task->position;
                $to = Side::Anywhere === $task->side ? $side : $task->side;
                $isLift = (Position::Ground === $now) !== (Position::Ground === $next);
                $cost = ($isLift ? 1_000_000 : 0) + ($next === $now ? 0 : 1_000) + $side->walk($to);
                $best = min($best, $cost + $this->least($tasks, $done + [$id => true], $next, $to));
            }
        }

        return $this->known[$key] = $best;
    }
}
