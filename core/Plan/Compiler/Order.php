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
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     *
     * @return array<string, true> what is done once nothing more can be done in this position
     */
    private function exhaust(array $tasks, array $done, Position $position): array
    {
        while (null !== $next = $this->next($tasks, $done, $position)) {
            $done[$next] = true;
        }

        return $done;
    }

    /**
     * A wait is set going as soon as it can be, so that work can be laid over it; otherwise the order of the list stands.
     *
     * @param array<string, Task> $tasks
     * @param array<string, true> $done
     */
    private function next(array $tasks, array $done, Position $position): ?string
    {
        $first = null;
        foreach ($tasks as $id => $task) {
            if (isset($done[$id]) || !$task->canBeDoneIn($position) || !$task->isFree($done)) {
                continue;
            }
            if ($task->passive) {
                return $id;
            }
            $first ??= $id;
        }

        return $first;
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
