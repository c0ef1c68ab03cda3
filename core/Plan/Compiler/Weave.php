<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Sheet\Timing;

/**
 * Stage 5: hands-on work goes on during passive waits until the step that needs the wait to be over.
 *
 * One pair of hands; durations in minutes. The mean is the sum along the schedule of beta-PERT means.
 */
final readonly class Weave
{
    /** @param list<Step> $steps */
    public function of(array $steps): Timing
    {
        $likely = $this->schedule($steps, static fn (Step $step): float => $step->minutes->likely);
        $apart = array_sum(array_map(static fn (Step $step): float => $step->minutes->likely, $steps));

        return new Timing(
            $this->end($this->schedule($steps, static fn (Step $step): float => $step->minutes->low)),
            $this->end($likely),
            $this->end($this->schedule($steps, static fn (Step $step): float => $step->minutes->high)),
            $this->end($this->schedule($steps, static fn (Step $step): float => $step->minutes->mean())),
            max(0.0, $apart - $this->end($likely)),
            $likely,
        );
    }

    /**
     * @param list<Step> $steps
     * @param callable(Step): float $minutes
     *
     * @return array<string, array{float, float}>
     */
    private function schedule(array $steps, callable $minutes): array
    {
        $hands = 0.0;
        $waits = [];
        $spans = [];
        foreach ($steps as $step) {
            foreach ($waits as $i => [$until, $end]) {
                if ('' === $until || $until === $step->id) {
                    $hands = max($hands, $end);
                    unset($waits[$i]);
                }
            }
            $end = $hands + $minutes($step);
            $spans[$step->id] = [$hands, $end];
            if ($step->passive) {
                $waits[] = [$step->until, $end];
            } else {
                $hands = $end;
            }
        }

        return $spans;
    }

    /** @param array<string, array{float, float}> $spans */
    private function end(array $spans): float
    {
        return [] === $spans ? 0.0 : max(array_column($spans, 1));
    }
}
