<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Strip;

use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Side;
use NimbleKnuckle\Core\Procedure\UnplannableFit;

/**
 * A legal order with the fewest lifts; of those, hardly ever more changes between stands and wheel off, or sides walked
 * past, than there must be.
 *
 * On the floor, then on the stands, then on the floor again, everything that can be done there is done: doing more can never make
 * a later lift needed. At one spot everything that can be done there is done, so only the sequence of spots is searched, the
 * cheapest first; where there are very many, the nearest goes on.
 */
final readonly class Order
{
    /** Sequences of spots that are followed on one level. */
    private const MOST = 300;
    /** Ends of a level that are gone on from: the cheapest may stand at the wrong side for the next. */
    private const ENDS = 3;

    /**
     * @param array<string, Task> $tasks
     *
     * @return list<string> task ids
     *
     * @throws UnplannableFit when the tasks wait for each other
     */
    public function of(array $tasks, Position $from = Position::Ground): array
    {
        $at = new WorkPlace($from, Side::Anywhere);
        $ends = [[0, $this->exhaust($tasks, [], $at), $at]];
        $isUp = Position::Ground !== $from;
        for ($idle = 0; count($ends[0][1]) < count($tasks) && $idle < 2; $isUp = !$isUp) {
            $before = count($ends[0][1]);
            $ends = $this->level($tasks, $ends, $isUp);
            $idle = count($ends[0][1]) === $before ? $idle + 1 : 0;
        }
        $done = $ends[0][1];

        return count($done) === count($tasks) ? array_keys($done) : throw $this->deadlock($tasks, $done);
    }

    /**
     * All that can be done without a lift.
     *
     * @param array<string, Task> $tasks
     * @param non-empty-list<array{int, array<string, true>, WorkPlace}> $starts what it has cost, what is done, where one stands
     *
     * @return non-empty-list<array{int, array<string, true>, WorkPlace}> the same at the end of the level, the cheapest first
     */
    private function level(array $tasks, array $starts, bool $isUp): array
    {
        $all = $this->reached($tasks, $starts[0][1], $isUp);
        if ([] === $all) {
            return $starts;
        }
        /** @var \SplMinHeap<array{int, int, int, int, array<string, true>, WorkPlace}> $paths at least, undone, number, cost, done, at */
        $paths = new \SplMinHeap();
        $number = 0;
        foreach ($starts as [$cost, $done, $at]) {
            $paths->insert([$cost, 0, ++$number, $cost, $done, $at]);
        }
        $seen = $ends = [];
        while (!$paths->isEmpty() && count($seen) < self::MOST && count($ends) < self::ENDS) {
            [, , , $cost, $done, $at] = $paths->extract();
            $left = array_diff_key($all, $done);
            if ([] === $left) {
                $ends[$at->key] ??= [$cost, $done, $at];
                continue;
            }
            $key = $at->key.' '.self::key($done);
            foreach (isset($seen[$key]) ? [] : self::open($left, $done, $at, $isUp) as $spot) {
                $more = $this->exhaust($tasks, $done, $spot);
                $so = $cost + $at->costTo($spot);
                $paths->insert([$so + self::atLeast(array_diff_key($all, $more), $spot), -count($more), ++$number, $so, $more, $spot]);
            }
            $seen[$key] = true;
        }

        return [] === $ends ? [$this->nearest($tasks, $all, $starts[0], $isUp)] : array_values($ends);
    }

    /**
     * @param array<string, Task> $tasks
     * @param array<string, Task> $all of this level
     * @param array{int, array<string, true>, WorkPlace} $start
     *
     * @return array{int, array<string, true>, WorkPlace}
     */
    private function nearest(array $tasks, array $all, array $start, bool $isUp): array
    {
        [$cost, $done, $at] = $start;
        while ([] !== $left = array_diff_key($all, $done)) {
            $spots = self::open($left, $done, $at, $isUp);
            usort($spots, static fn (WorkPlace $a, WorkPlace $b): int => $at->costTo($a) <=> $at->costTo($b));
            $done = $this->exhaust($tasks, $done, $spots[0]);
            $cost += $at->costTo($spots[0]);
            $at = $spots[0];
        }

        return [$cost, $done, $at];
    }

    /**
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     *
     * @return array<string, Task> all that can be done without a lift, wherever one goes
     */
    private function reached(array $tasks, array $done, bool $isUp): array
    {
        $here = array_filter($tasks, static fn (Task $task): bool => Position::Any === $task->position
            || $isUp === (Position::Ground !== $task->position));
        [$waits, $frees] = self::waiting($tasks, $done);
        $next = array_keys(array_intersect_key($waits, $here), 0, true);
        $reached = [];
        while ([] !== $next) {
            $id = array_pop($next);
            $reached[$id] = $tasks[$id];
            foreach ($frees[$id] ?? [] as $freed) {
                if (0 === --$waits[$freed] && isset($here[$freed])) {
                    $next[] = $freed;
                }
            }
        }

        return $reached;
    }

    /**
     * What is left cannot cost less: every other position and every other side is gone to once.
     *
     * @param array<string, Task> $left
     */
    private static function atLeast(array $left, WorkPlace $at): int
    {
        $spots = [];
        foreach ($left as $task) {
            $spots[$task->position->value] = Position::Any === $task->position || $at->position === $task->position ? 0 : WorkPlace::CHANGE;
            $spots[$task->side->value] = Side::Anywhere === $task->side || $at->side === $task->side ? 0 : 1;
        }

        return array_sum($spots);
    }

    /**
     * @param array<string, Task> $left of this level
     * @param array<string, true> $done
     *
     * @return list<WorkPlace> wherever something can be done now
     */
    private static function open(array $left, array $done, WorkPlace $at, bool $isUp): array
    {
        $stays = $isUp === (Position::Ground !== $at->position) ? $at->position : ($isUp ? Position::Raised : Position::Ground);
        $spots = [];
        foreach ($left as $task) {
            if ($task->isFree($done)) {
                $spot = new WorkPlace(
                    Position::Any === $task->position ? $stays : $task->position,
                    Side::Anywhere === $task->side ? $at->side : $task->side,
                );
                $spots[$spot->key] = $spot;
            }
        }

        return array_values($spots);
    }

    /**
     * A wait is set going as soon as it can be, and what has to stand by until it is over comes last, so that work can be laid over
     * it; otherwise the order of the list stands.
     *
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     *
     * @return array<string, true> what is done once nothing more can be done at this spot
     */
    private function exhaust(array $tasks, array $done, WorkPlace $spot): array
    {
        $place = array_flip(array_keys($tasks));
        [$waits, $frees] = self::waiting($tasks, $done);
        /** @var \SplMinHeap<array{int, int, string}> $ready */
        $ready = new \SplMinHeap();
        foreach (array_keys($waits, 0, true) as $id) {
            if ($tasks[$id]->canBeDoneAt($spot)) {
                $ready->insert([$tasks[$id]->rank(), $place[$id], $id]);
            }
        }
        while (!$ready->isEmpty()) {
            $id = $ready->extract()[2];
            $done[$id] = true;
            foreach ($frees[$id] ?? [] as $next) {
                if (0 === --$waits[$next] && $tasks[$next]->canBeDoneAt($spot)) {
                    $ready->insert([$tasks[$next]->rank(), $place[$next], $next]);
                }
            }
        }

        return $done;
    }

    /**
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     *
     * @return array{array<string, int>, array<string, list<string>>} how many each waits for, and whom each sets free
     */
    private static function waiting(array $tasks, array $done): array
    {
        $waits = $frees = [];
        foreach (array_diff_key($tasks, $done) as $id => $task) {
            $before = array_filter($task->after, static fn (string $one): bool => !isset($done[$one]));
            $waits[$id] = count($before);
            foreach ($before as $one) {
                $frees[$one][] = $id;
            }
        }

        return [$waits, $frees];
    }

    /** @param array<string, true> $done */
    private static function key(array $done): string
    {
        $ids = array_keys($done);
        sort($ids);

        return implode("\n", $ids);
    }

    /**
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     */
    private function deadlock(array $tasks, array $done): UnplannableFit
    {
        $left = array_diff_key($tasks, $done);

        return UnplannableFit::dueToDeadlock((string) array_key_first($left));
    }
}
