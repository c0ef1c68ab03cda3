<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/**
 * Between group and weave: where it saves a lift, what one job puts back goes back while the vehicle still stands where that
 * is done, before the others have finished fitting. A job's own order stays: all it does before its rebuild is done by then.
 */
final readonly class Overlap
{
    public function __construct(private VehicleSheet $vehicle)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function of(array $steps, Resolved $resolved): array
    {
        if (count($resolved->chains) < 2) {
            return $steps;
        }
        $needs = $this->needs($resolved);
        foreach ([Position::Raised, Position::WheelOff, Position::Ground] as $position) {
            $moved = $this->moved($steps, $position, $needs);
            $steps = Moves::needed($moved) < Moves::needed($steps) ? $moved : $steps;
        }

        return $steps;
    }

    /**
     * @param list<Step> $steps
     * @param array<string, list<string>> $needs
     *
     * @return list<Step>
     */
    private function moved(array $steps, Position $position, array $needs): array
    {
        $at = self::leaves($steps, $position);
        $done = array_flip(array_map(static fn (Step $step): string => $step->id, array_slice($steps, 0, $at + 1)));
        $early = $late = [];
        foreach (array_slice($steps, $at + 1) as $i => $step) {
            $mayGo = -1 !== $at && $this->isPutBack($step, $position) && $this->isFree($step, $done, $needs)
                && !$this->isInTheWay($step, array_slice($steps, $at + 1, $i), $early);
            if ($mayGo) {
                $early[$step->id] = $step->with(phase: Phase::Fit);
                $done[$step->id] = true;
            } else {
                $late[] = $step;
            }
        }

        return [...array_slice($steps, 0, $at + 1), ...array_values($early), ...$late];
    }

    /**
     * The last step of the fit before the vehicle leaves a position; -1 where it never does.
     *
     * @param list<Step> $steps
     */
    private static function leaves(array $steps, Position $position): int
    {
        $last = -1;
        foreach ($steps as $i => $step) {
            if (Phase::Fit === $step->slot->phase && $position === $step->slot->position) {
                $last = $i;
            }
        }

        return $last;
    }

    private function isPutBack(Step $step, Position $position): bool
    {
        $isBulk = str_starts_with($step->id, 'on.') || str_starts_with($step->id, 'tight.');

        return $isBulk && Phase::Rebuild === $step->slot->phase && $position === $step->slot->position;
    }

    /**
     * @param array<string, mixed> $done
     * @param array<string, list<string>> $needs
     */
    private function isFree(Step $step, array $done, array $needs): bool
    {
        foreach ([...$step->slot->after, ...$needs[$step->itemOn($this->vehicle)] ?? []] as $before) {
            if (!isset($done[$before])) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether something that lies behind it has still to be done.
     *
     * @param list<Step> $between
     * @param array<string, Step> $early what goes with it
     */
    private function isInTheWay(Step $step, array $between, array $early): bool
    {
        $behind = $this->vehicle->allHiddenBy($step->itemOn($this->vehicle));
        foreach ($between as $other) {
            if (!isset($early[$other->id]) && isset($behind[$other->itemOn($this->vehicle)])) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, list<string>> item => what the jobs it came off for do before they put it back */
    private function needs(Resolved $resolved): array
    {
        $bound = [];
        foreach ($resolved->bound as $b) {
            $bound[$b->operation->id] = $b;
        }
        $needs = [];
        foreach ($resolved->chains as $line) {
            $before = $reached = [];
            foreach ($line as $id) {
                $operation = $bound[$id]->operation;
                if (Deed::Rebuild === $operation->deed && Phase::Rebuild === $operation->slot->phase) {
                    break;
                }
                $before[] = $id;
                $reached = [...$reached, ...$this->reached($bound[$id])];
            }
            foreach (array_keys($this->vehicle->allToReach(...$reached)) as $item) {
                $needs[$item] = [...$needs[$item] ?? [], ...$before];
            }
        }

        return $needs;
    }

    /** @return list<string> items an operation reaches for */
    private function reached(Bound $b): array
    {
        return array_values(array_filter([
            $b->item, $this->vehicle->joints[$b->joint]->item ?? '', ...$this->vehicle->circuits[$b->circuit]->plumbing->drainBehind ?? [],
        ]));
    }
}
