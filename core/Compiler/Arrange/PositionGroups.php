<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Arrange;

use NimbleKnuckle\Core\Compiler\Strip\Order;
use NimbleKnuckle\Core\Compiler\Strip\Task;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Side;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * What several procedures do after the strip is grouped by position, as far as their own orders and the access map allow.
 * The strip is in its order already; a start, a drive, a fluid or a booking is a border nothing crosses.
 */
final readonly class PositionGroups
{
    public function __construct(private ?VehicleSheet $vehicle = null)
    {
    }

    /**
     * @param list<Step> $steps with what each waits for
     *
     * @return list<Step>
     */
    public function of(array $steps): array
    {
        $position = Position::Ground;
        $grouped = [];
        foreach ($this->segments($steps) as $segment) {
            foreach ($this->ordered($segment, $position) as $step) {
                $grouped[] = $step;
                $position = Position::Any === $step->slot->position ? $position : $step->slot->position;
            }
        }

        return $grouped;
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<non-empty-list<Step>>
     */
    private function segments(array $steps): array
    {
        $segments = [];
        $open = false;
        $phase = null;
        foreach ($steps as $step) {
            $alone = $step->slot->phase->number() <= Phase::Strip->number() || in_array(
                $step->deed, [
                    StepKind::Start, StepKind::Drive, StepKind::CoolDown, StepKind::Book, StepKind::Hold, StepKind::HandOver,
                    StepKind::Release,
                    StepKind::Move,
                ], true,
            ) || (Phase::Fit !== $step->slot->phase && '' !== $step->target->circuit);
            if ($open && !$alone && $phase === $step->slot->phase) {
                $segments[count($segments) - 1][] = $step;
            } else {
                $segments[] = [$step];
            }
            $open = !$alone;
            $phase = $step->slot->phase;
        }

        return $segments;
    }

    /**
     * @param non-empty-list<Step> $segment
     *
     * @return list<Step>
     */
    private function ordered(array $segment, Position $from): array
    {
        if (1 === count($segment)) {
            return $segment;
        }
        $byId = [];
        foreach ($segment as $step) {
            $byId[$step->id] = $step;
        }
        $tasks = [];
        foreach ($byId as $id => $step) {
            $tasks[$id] = new Task(
                $id, $step->slot->position,
                array_values(array_filter($step->slot->after, static fn (string $before): bool => isset($byId[$before]))),
                side: $this->sideOf($step),
            );
        }

        return array_map(static fn (string $id): Step => $byId[$id], (new Order())->of($tasks, $from));
    }

    private function sideOf(Step $step): Side
    {
        return null === $this->vehicle
            ? Side::Anywhere
            : $this->vehicle->items[$step->itemOn($this->vehicle)]->access->side ?? Side::Anywhere;
    }
}
