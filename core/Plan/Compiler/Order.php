<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Position;

/**
 * Stage 3: a legal order with the fewest changes of position.
 *
 * In one position everything that can be done is done: doing more can never make a later change needed. So only the
 * sequence of positions is searched, breadth first, and the first one that finishes has the fewest changes.
 */
final readonly class Order
{
    /**
     * @param array<string, Task> $tasks
     *
     * @return list<string> task ids
     *
     * @throws UnplannableFit when the tasks wait for each other
     */
    public function of(array $tasks, Position $from = Position::Ground): array
    {
        $paths = [$this->exhaust($tasks, [], $from)];
        $seen = [];
        while (true) {
            $next = [];
            foreach ($paths as $done) {
                if (count($done) === count($tasks)) {
                    return array_keys($done);
                }
                foreach ([Position::Ground, Position::Raised, Position::WheelOff] as $position) {
                    $more = $this->exhaust($tasks, $done, $position);
                    $key = $this->key($more);
                    if (count($more) > count($done) && !isset($seen[$key])) {
                        $seen[$key] = true;
                        $next[] = $more;
                    }
                }
            }
            if ([] === $next) {
                throw $this->deadlock($tasks, $paths[0]);
            }
            $paths = $next;
        }
    }

    /**
     * A wait is set going as soon as it can be, so that work can be laid over it; otherwise the order of the list stands.
     *
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     *
     * @return array<string, true> what is done once nothing more can be done in this position
     */
    private function exhaust(array $tasks, array $done, Position $position): array
    {
        $place = array_flip(array_keys($tasks));
        [$waits, $frees] = self::waiting($tasks, $done);
        /** @var \SplMinHeap<array{int, int, string}> $ready */
        $ready = new \SplMinHeap();
        foreach (array_keys($waits, 0, true) as $id) {
            if ($tasks[$id]->canBeDoneIn($position)) {
                $ready->insert([$tasks[$id]->passive ? 0 : 1, $place[$id], $id]);
            }
        }
        while (!$ready->isEmpty()) {
            $id = $ready->extract()[2];
            $done[$id] = true;
            foreach ($frees[$id] ?? [] as $next) {
                if (0 === --$waits[$next] && $tasks[$next]->canBeDoneIn($position)) {
                    $ready->insert([$tasks[$next]->passive ? 0 : 1, $place[$next], $next]);
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
    private function key(array $done): string
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
