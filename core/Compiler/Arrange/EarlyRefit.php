<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Arrange;

use NimbleKnuckle\Core\Compiler\Bind\BoundOperation;
use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Where it saves a lift, what one job puts back goes back while the vehicle still stands where that
 * is done, before the others have finished fitting. A job's own order stays: all it does before its rebuild is done by then.
 */
final readonly class EarlyRefit
{
    /** Small things between one part that goes back and the next. */
    private const WITH_IT = [StepKind::Refit, StepKind::Tighten, StepKind::Act, StepKind::Check, StepKind::Measure, StepKind::Install];

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
        $needs = $this->needs($resolved) + self::lines($resolved);
        foreach ([Position::Raised, Position::WheelOff, Position::Ground] as $position) {
            $moved = $this->moved($steps, $position, $needs);
            $steps = Lifts::needed($moved) < Lifts::needed($steps) ? $moved : $steps;
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
     * The last step of the fit before the vehicle leaves a position, with what may be done anywhere after it; -1 where it never does.
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
        foreach (-1 === $last ? [] : array_slice($steps, $last + 1) as $step) {
            if (Phase::Fit !== $step->slot->phase || Position::Any !== $step->slot->position) {
                break;
            }
            ++$last;
        }

        return $last;
    }

    private function isPutBack(Step $step, Position $position): bool
    {
        $isAnywhere = Position::Any === $step->slot->position && in_array($step->deed, self::WITH_IT, true);

        return Phase::Rebuild === $step->slot->phase && '' === $step->target->circuit
            && ($isAnywhere || $position === $step->slot->position && in_array($step->deed, [StepKind::Refit, StepKind::Tighten], true));
    }

    /**
     * @param array<string, mixed> $done
     * @param array<string, list<string>> $needs
     */
    private function isFree(Step $step, array $done, array $needs): bool
    {
        $isBulk = str_starts_with($step->id, 'on.') || str_starts_with($step->id, 'tight.');
        foreach ([...$step->slot->after, ...$needs[$isBulk ? $step->itemOn($this->vehicle) : 'op '.$step->id] ?? []] as $before) {
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

    /** @return array<string, list<string>> “op …” => all that its own jobs do before it */
    private static function lines(Resolved $resolved): array
    {
        $before = [];
        foreach ($resolved->chains as $line) {
            foreach ($line as $i => $id) {
                $before['op '.$id] = array_values(array_unique([...$before['op '.$id] ?? [], ...array_slice($line, 0, $i)]));
            }
        }

        return $before;
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
                if (StepKind::Rebuild === $operation->deed && Phase::Rebuild === $operation->slot->phase) {
                    break;
                }
                $before[] = $id;
                $reached = [...$reached, ...$this->reached($bound[$id])];
            }
            foreach (array_keys($this->vehicle->allToReach(...$reached)) as $item) {
                $needs[$item] = [...$needs[$item] ?? [], ...$this->until($item, $before, $bound)];
            }
        }

        return $needs;
    }

    /**
     * What a job does before an item goes back: all of its line, but no further than what goes back in front of that item.
     *
     * @param list<string> $line
     * @param array<string, BoundOperation> $bound
     *
     * @return list<string>
     */
    private function until(string $item, array $line, array $bound): array
    {
        $inFront = $this->vehicle->allToReach($item);
        foreach ($line as $i => $id) {
            if (Phase::Rebuild === $bound[$id]->operation->slot->phase && isset($inFront[$bound[$id]->item])) {
                return array_slice($line, 0, $i);
            }
        }

        return $line;
    }

    /** @return list<string> items an operation reaches for */
    private function reached(BoundOperation $b): array
    {
        return array_values(array_filter([
            $b->item, $this->vehicle->joints[$b->joint]->item ?? '', ...$this->vehicle->circuits[$b->circuit]->plumbing->drainBehind ?? [],
        ]));
    }
}
