<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Sheet\Timing;

/**
 * Stage 5: hands-on work goes on during passive waits until the step that needs the wait to be over; a second pair of
 * hands takes steps that need nothing the first is doing. Going up and down and the end of a phase wait for everyone.
 *
 * Durations in minutes. The mean is the sum along the schedule of beta-PERT means; low and high are the schedules at all
 * the low and all the high durations, which is wider than any one job will be.
 */
final readonly class Weave
{
    /** @param list<Step> $steps */
    public function of(array $steps, int $people = 1): Timing
    {
        $people = max(1, min(2, $people));
        $likely = $this->schedule($steps, $people, static fn (Step $step): float => $step->minutes->likely);
        $apart = array_sum(array_map(static fn (Step $step): float => $step->minutes->likely, $steps));

        return new Timing(
            $this->end($this->schedule($steps, $people, static fn (Step $step): float => $step->minutes->low)),
            $this->end($likely),
            $this->end($this->schedule($steps, $people, static fn (Step $step): float => $step->minutes->high)),
            $this->end($this->schedule($steps, $people, static fn (Step $step): float => $step->minutes->mean())),
            max(0.0, $apart - $this->end($likely)),
            $likely,
            $people,
        );
    }

    /**
     * @param list<Step> $steps
     * @param callable(Step): float $minutes
     *
     * @return array<string, array{float, float, int}> start, end, and whose hands: 1, 2, or 0 where it runs by itself
     */
    private function schedule(array $steps, int $people, callable $minutes): array
    {
        $free = 1 === $people ? [1 => 0.0] : [1 => 0.0, 2 => 0.0];
        $ends = [];
        $waits = [];
        $barrier = 0.0;
        $phase = null;
        $spans = [];
        foreach ($steps as $step) {
            $together = in_array($step->deed, [Deed::Raise, Deed::Lower, Deed::Start, Deed::Drive], true) || ($phase instanceof Phase && $phase !== $step->phase);
            $phase = $step->phase;
            if ($together) {
                $barrier = max($barrier, ...array_values($free));
            }
            $from = $barrier;
            foreach ($step->after as $id) {
                $from = max($from, $ends[$id] ?? 0.0);
            }
            foreach ($waits as $i => [$until, $end]) {
                if ('' === $until || $until === $step->id) {
                    $from = $barrier = max($barrier, $from, $end);
                    unset($waits[$i]);
                }
            }
            $who = ($free[2] ?? \INF) < $free[1] ? 2 : 1;
            $start = max($from, $free[$who] ?? 0.0);
            $end = $start + $minutes($step);
            $spans[$step->id] = [$start, $end, $step->passive ? 0 : $who];
            if ($step->passive) {
                $waits[] = [$step->until, $end];
                $ends[$step->id] = $start;
            } else {
                $free[$who] = $ends[$step->id] = $end;
            }
            if (in_array($step->deed, [Deed::Raise, Deed::Lower], true)) {
                $barrier = max($barrier, $end);
            }
        }

        return $spans;
    }

    /** @param array<string, array{float, float, int}> $spans */
    private function end(array $spans): float
    {
        return [] === $spans ? 0.0 : max(array_column($spans, 1));
    }
}
