<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Strip;

use NimbleKnuckle\Core\Compiler\Bind\BoundOperation;
use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Side;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Whatever lies in front of what must be reached is added to the strip, each item once. */
final readonly class AccessClosure
{
    /**
     * @return array<string, Task> the strip: “op:…” for an operation of the procedure, “item:…” for a removal that makes room
     *
     * @throws UnplannableFit when items lie in front of each other in a circle
     */
    public function of(Resolved $resolved, VehicleSheet $vehicle, bool $isStrict = false): array
    {
        $strip = $resolved->in(Phase::Strip);
        $opOf = [];
        foreach ($strip as $b) {
            if (StepKind::Remove === $b->operation->deed && '' !== $b->item) {
                $opOf[$b->item] = 'op:'.$b->operation->id;
            }
        }
        $room = [];
        foreach ($strip as $b) {
            foreach ($this->blockers($b, $vehicle) as $id) {
                $this->add($id, $vehicle, $room, []);
            }
        }
        foreach ($resolved->bound as $b) {
            foreach ($this->reachedLater($b, $vehicle) as $id) {
                $this->add($id, $vehicle, $room, []);
            }
        }

        $tasks = $this->tasks($strip, array_keys($room), $opOf, $vehicle, $this->before($resolved, $strip, $isStrict));
        $tasks = $isStrict ? self::drained($tasks, $strip, $vehicle) : $tasks;
        foreach ($isStrict ? $strip : [] as $b) {
            if (StepKind::Hold === $b->operation->deed) {
                $tasks = self::heldLast($tasks, 'op:'.$b->operation->id);
            }
        }

        return $tasks;
    }

    /**
     * What is part of a circuit comes off once that is drained, unless the drain lies behind it.
     *
     * @param array<string, Task> $tasks
     * @param list<BoundOperation> $strip
     *
     * @return array<string, Task>
     */
    private static function drained(array $tasks, array $strip, VehicleSheet $vehicle): array
    {
        $drains = $items = [];
        foreach ($strip as $b) {
            if (StepKind::Drain === $b->operation->deed) {
                $drains[$b->circuit] = 'op:'.$b->operation->id;
            } elseif (StepKind::Remove === $b->operation->deed) {
                $items['op:'.$b->operation->id] = $b->item;
            }
        }
        foreach ($tasks as $id => $task) {
            $isRoom = str_starts_with($id, 'item:');
            $item = $vehicle->items[$isRoom ? substr($id, strlen('item:')) : $items[$id] ?? ''] ?? null;
            $circuit = $item->dangers->wet ?? '';
            $drain = $drains[$circuit] ?? '';
            if (null === $item || '' === $drain || in_array($item->id, $vehicle->circuits[$circuit]->plumbing->drainBehind, true)) {
                continue;
            }
            $tasks[$id] = $task->standingBy($drain);
        }

        return $tasks;
    }

    /**
     * Weight is taken once all is off that does not wait for it: whatever hangs is not raised and lowered meanwhile.
     *
     * @param array<string, Task> $tasks
     *
     * @return array<string, Task>
     */
    private static function heldLast(array $tasks, string $hold): array
    {
        $waiting = [$hold => true];
        do {
            $before = count($waiting);
            foreach ($tasks as $id => $task) {
                [] === array_filter($task->after, static fn (string $one): bool => isset($waiting[$one])) || $waiting[$id] = true;
            }
        } while (count($waiting) > $before);
        $others = array_map(strval(...), array_keys(array_diff_key($tasks, $waiting)));
        $tasks[$hold] = $tasks[$hold]->waitingFor($others);

        return $tasks;
    }

    /** @return list<string> what must be off for something that is undone or taken off after the strip */
    private function reachedLater(BoundOperation $b, VehicleSheet $vehicle): array
    {
        $isLater = $b->operation->slot->phase->number() > Phase::Strip->number();
        $item = StepKind::Undo === $b->operation->deed ? $vehicle->joints[$b->joint]->item ?? '' : $b->item;
        $takes = in_array($b->operation->deed, [StepKind::Remove, StepKind::Undo], true);

        return $isLater && $takes ? $vehicle->items[$item]->access->behind ?? [] : [];
    }

    /** @return list<string> */
    private function blockers(BoundOperation $b, VehicleSheet $vehicle): array
    {
        $opens = '' !== $b->circuit && in_array($b->operation->deed, [StepKind::Drain, StepKind::Open], true);

        return match (true) {
            StepKind::Remove === $b->operation->deed && '' !== $b->item => [$b->item],
            $opens => $vehicle->circuits[$b->circuit]->plumbing->drainBehind,
            '' !== $b->item => $vehicle->items[$b->item]->access->behind,
            StepKind::Undo === $b->operation->deed => $vehicle->items[$vehicle->joints[$b->joint]->item ?? '']->access->behind ?? [],
            default => [],
        };
    }

    /**
     * @param array<string, true> $room
     * @param list<string> $path
     */
    private function add(string $id, VehicleSheet $vehicle, array &$room, array $path): void
    {
        if (in_array($id, $path, true)) {
            $cycle = [...array_slice($path, (int) array_search($id, $path, true)), $id];
            throw UnplannableFit::dueToCycle(array_map(static fn (string $one): string => $vehicle->items[$one]->name, $cycle));
        }
        if (isset($room[$id])) {
            return;
        }
        foreach ($vehicle->items[$id]->access->behind as $front) {
            $this->add($front, $vehicle, $room, [...$path, $id]);
        }
        $room[$id] = true;
    }

    /**
     * @param list<BoundOperation> $strip
     * @param list<string> $room
     * @param array<string, string> $opOf
     * @param array<string, list<string>> $before
     *
     * @return array<string, Task>
     */
    private function tasks(array $strip, array $room, array $opOf, VehicleSheet $vehicle, array $before): array
    {
        $taskOf = static fn (string $item): string => $opOf[$item] ?? 'item:'.$item;
        $tasks = [];
        foreach ($room as $id) {
            if (!isset($opOf[$id])) {
                $tasks['item:'.$id] = new Task(
                    'item:'.$id, $vehicle->items[$id]->access->position, array_map($taskOf, $vehicle->items[$id]->access->behind),
                    side: $vehicle->items[$id]->access->side,
                );
            }
        }
        foreach ($strip as $b) {
            $id = 'op:'.$b->operation->id;
            $removes = StepKind::Remove === $b->operation->deed && '' !== $b->item;
            $blockers = $removes ? $vehicle->items[$b->item]->access->behind : $this->blockers($b, $vehicle);
            $position = $removes ? $vehicle->items[$b->item]->access->position : $b->operation->slot->position;
            $tasks[$id] = new Task(
                $id, $position, array_values(array_unique([...$before[$b->operation->id] ?? [], ...array_map($taskOf, $blockers)])),
                $b->operation->slot->passive, $vehicle->items[$b->item]->access->side ?? Side::Anywhere,
            );
        }

        return $tasks;
    }

    /**
     * Each procedure keeps its own order; where that is not strict, what it shares with one before it is not made to wait for it.
     *
     * @param list<BoundOperation> $strip
     *
     * @return array<string, list<string>> operation => tasks before it
     */
    private function before(Resolved $resolved, array $strip, bool $isStrict): array
    {
        $owner = [];
        foreach ($strip as $b) {
            $owner[$b->operation->id] = $b->procedure;
        }
        $before = [];
        foreach ($resolved->chains as $procedure => $operations) {
            $previous = null;
            foreach ($operations as $id) {
                if (!isset($owner[$id])) {
                    continue;
                }
                if (null !== $previous && ($isStrict || $owner[$id] === $procedure)) {
                    $before[$id][] = 'op:'.$previous;
                }
                $previous = $id;
            }
        }

        return $before;
    }
}
