<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Schedule;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Timing;

/**
 * Hands-on work goes on during passive waits until the step that needs the wait to be over; a second pair of
 * hands takes steps that need nothing the first is doing. Going up and down and the end of a phase wait for everyone.
 *
 * Durations in minutes; a step's own low and high are what one time in ten is under, and one in ten over. The mean is the
 * schedule of beta-PERT means. The whole's low and high are its 10 and 90 %: steps depend on each other, for a stiff bolt and a
 * tired hand meet more than one of them, by a correlation of 0.5 (a working value). The part in common is the spread between the
 * schedules at all the low and all the high durations, the rest that of the steps no other covers; the whole is log-normal.
 */
final readonly class Scheduler
{
    private const CORRELATION = 0.5;
    /** From the 10 to the 90 % point, in standard deviations. */
    private const SPREAD = 2.5631;

    /** @param list<Step> $steps */
    public function of(array $steps, int $people = 1): Timing
    {
        $people = max(1, min(2, $people));
        [$likely, $longest] = $this->schedule($steps, $people, static fn (Step $step): float => $step->slot->minutes->likely);
        $apart = array_sum(array_map(static fn (Step $step): float => $step->slot->minutes->likely, $steps));
        $end = fn (callable $minutes): float => $this->end($this->schedule($steps, $people, $minutes)[0]);
        $mean = $end(static fn (Step $step): float => $step->slot->minutes->mean());
        $high = $end(static fn (Step $step): float => $step->slot->minutes->high);
        $together = ($high - $end(static fn (Step $step): float => $step->slot->minutes->low)) / self::SPREAD;
        $alone = 0.0;
        foreach ($steps as $step) {
            $alone += isset($longest[$step->id]) ? (($step->slot->minutes->high - $step->slot->minutes->low) / self::SPREAD) ** 2 : 0.0;
        }
        [$low, $high] = self::tenths($mean, self::CORRELATION * $together ** 2 + (1 - self::CORRELATION) * $alone);
        $whole = $this->end($likely);

        return new Timing(min($low, $whole), $whole, max($high, $whole), $mean, max(0.0, $apart - $whole), $likely, $people);
    }

    /**
     * How long these steps take at their likely durations, in minutes.
     *
     * @param list<Step> $steps
     */
    public function lasting(array $steps, int $people): float
    {
        $likely = static fn (Step $step): float => $step->slot->minutes->likely;

        return $this->end($this->schedule($steps, max(1, min(2, $people)), $likely)[0]);
    }

    /** @return array{float, float} the 10 and the 90 % of a log-normal of this mean and variance */
    private static function tenths(float $mean, float $variance): array
    {
        if ($mean <= 0.0) {
            return [0.0, 0.0];
        }
        $s = sqrt(log(1 + $variance / $mean ** 2));
        $middle = log($mean) - $s ** 2 / 2;

        return [exp($middle - self::SPREAD / 2 * $s), exp($middle + self::SPREAD / 2 * $s)];
    }

    /**
     * @param list<Step> $steps
     * @param callable(Step): float $minutes
     *
     * @return array{array<string, array{float, float, int}>, array<string, true>} step => start, end, and whose hands: 1, 2, or 0
     *                                                                             where it runs by itself; and the steps of the longest way
     */
    private function schedule(array $steps, int $people, callable $minutes): array
    {
        if (2 === $people) {
            $crew = new Crew($steps, array_combine(array_map(static fn (Step $s): string => $s->id, $steps), array_map($minutes, $steps)));
            $crew->work();

            return [$crew->spans, self::longestWay($crew->spans, $crew->behind)];
        }
        $schedule = new Schedule();
        foreach ($steps as $step) {
            $schedule->take($step, $minutes($step));
        }

        return [$schedule->spans, self::longestWay($schedule->spans, $schedule->behind)];
    }

    /**
     * @param array<string, array{float, float, int}> $spans
     * @param array<string, string> $behind step => the step whose end let it begin
     *
     * @return array<string, true>
     */
    private static function longestWay(array $spans, array $behind): array
    {
        $at = '';
        foreach ($spans as $id => $span) {
            $at = '' === $at || $span[1] > $spans[$at][1] ? $id : $at;
        }
        $way = [];
        while ('' !== $at && !isset($way[$at])) {
            $way[$at] = true;
            $at = $behind[$at] ?? '';
        }

        return $way;
    }

    /** @param array<string, array{float, float, int}> $spans */
    private function end(array $spans): float
    {
        return [] === $spans ? 0.0 : max(array_column($spans, 1));
    }
}
