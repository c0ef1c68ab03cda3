<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Schedule;

use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * Completes, on the final order, what each step waits for, so that two people may work by that alone. Every job keeps
 * its own order from phase to phase; all that makes it safe is over before anything is taken apart; what the vehicle's own
 * rebuild puts back, the battery, and what goes into a circuit wait for all that stands before them.
 */
final readonly class HelperDependencies
{
    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function in(array $steps, Resolved $resolved): array
    {
        $owners = $resolved->owners();
        $last = $open = $gate = $earlier = $apart = $done = [];
        $phase = null;
        foreach ($steps as $step) {
            if ($phase !== $step->slot->phase) {
                $earlier = $open;
                $gate = Phase::Strip->number() > ($phase?->number() ?? 0) ? $open : $gate;
                $phase = $step->slot->phase;
            }
            $jobs = $owners[$step->id] ?? [];
            $after = $step->slot->after;
            foreach ($jobs as $job) {
                $after[] = $last[$job] ?? '';
                $last[$job] = $step->id;
            }
            $isApart = $phase->number() >= Phase::Strip->number();
            $more = match (true) {
                Schedule::needsEverybodyClear($step) => [],
                self::isLast($step) => $open,
                [] === $jobs && StepKind::Wait !== $step->deed && $phase->number() > Phase::Strip->number() => $earlier,
                $isApart && [] === array_intersect_key($apart, array_flip($after)) => $gate,
                default => [],
            };
            $apart += $isApart ? [$step->id => true] : [];
            $after = array_values(array_unique(array_filter([...$after, ...array_keys($more)])));
            $open = array_diff_key($open, array_flip($after)) + [$step->id => true];
            $done[] = $after === $step->slot->after ? $step : new Step(
                $step->id, $step->deed, $step->target, $step->words, $step->slot->between($after, $step->slot->until), $step->needs,
                $step->asking, $step->tags,
            );
        }

        return $done;
    }

    /** It waits for all that stands before it: current comes back, or a circuit is filled. */
    private static function isLast(Step $step): bool
    {
        return in_array($step->deed, [StepKind::BatteryOn, StepKind::Fill], true);
    }
}
