<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Schedule;

use NimbleKnuckle\Core\Sheet\Step;

/**
 * Two people over the steps, minutes from the start. Between two steps that need everybody clear each takes, of what may begin,
 * that on which the longest way still hangs; waits run by themselves. On a tie the order of the sheet stands.
 */
final class Crew
{
    /** @var array<string, array{float, float, int}> step => start, end, and whose hands: 1, 2, or 0 where it runs by itself */
    public array $spans = [];
    /** @var array<string, string> step => the one it had to wait for */
    public array $behind = [];
    /** @var array<int, array{float, string}> person => when free, and of which step */
    private array $free = [1 => [0.0, ''], 2 => [0.0, '']];
    /** @var array{float, string} nothing begins before */
    private array $clear = [0.0, ''];
    /** @var array<string, list<string>> step => the waits that end with it */
    private array $waits = [];

    /**
     * @param list<Step> $steps
     * @param array<string, float> $minutes step => how long it takes
     */
    public function __construct(private readonly array $steps, private readonly array $minutes)
    {
        $endless = [];
        foreach ($steps as $step) {
            // A wait of which nobody said where it ends holds up all that follows.
            $this->waits[$step->id] = [...$endless, ...$this->waits[$step->id] ?? []];
            if ($step->slot->passive) {
                '' === $step->slot->until ? $endless[] = $step->id : $this->waits[$step->slot->until][] = $step->id;
            }
        }
    }

    public function work(): void
    {
        $stretch = [];
        foreach ($this->steps as $step) {
            if (Schedule::needsEverybodyClear($step)) {
                $this->stretch($stretch);
                $stretch = [];
                $this->together($step);
            } else {
                $stretch[$step->id] = $step;
            }
        }
        $this->stretch($stretch);
    }

    private function together(Step $step): void
    {
        $from = $this->from($step);
        foreach ($this->free as $free) {
            $from = $free[0] > $from[0] ? $free : $from;
        }
        $this->spans[$step->id] = [$from[0], $from[0] + $this->minutes[$step->id], 1];
        $this->behind[$step->id] = $from[1];
        $this->clear = [$from[0] + $this->minutes[$step->id], $step->id];
        $this->free = [1 => $this->clear, 2 => $this->clear];
    }

    /** @param array<string, Step> $stretch */
    private function stretch(array $stretch): void
    {
        $best = null;
        $ways = $this->longestWays($stretch);
        $least = max([$this->over(), $this->clear[0] + max([0.0, ...array_values($ways), self::hands($stretch, $this->minutes) / 2])]);
        foreach ($this->urgencies($stretch, $ways) as $urgency) {
            $try = clone $this;
            $try->laid($stretch, $urgency);
            $best = null === $best || $try->over() < $best->over() - 1e-9 ? $try : $best;
            if ($best->over() <= $least + 1e-9) {
                break;
            }
        }
        [$this->spans, $this->behind, $this->free] = null === $best
            ? [$this->spans, $this->behind, $this->free] : [$best->spans, $best->behind, $best->free];
    }

    /**
     * @param array<string, Step> $stretch
     * @param array<string, float> $minutes
     */
    private static function hands(array $stretch, array $minutes): float
    {
        return array_sum(array_map(static fn (Step $step): float => $step->slot->passive ? 0.0 : $minutes[$step->id], $stretch));
    }

    private function over(): float
    {
        return [] === $this->spans ? 0.0 : max(array_column($this->spans, 1));
    }

    /**
     * @param array<string, Step> $left
     * @param array<string, float> $urgency
     */
    private function laid(array $left, array $urgency): void
    {
        while ([] !== $left) {
            [$best, $bestFrom] = ['', [\INF, '']];
            $hand = min($this->free[1][0], $this->free[2][0]);
            foreach ($left as $id => $step) {
                if ([] !== array_intersect_key($left, array_flip($this->preds($step)))) {
                    continue;
                }
                $from = $this->from($step);
                [$now, $then] = [max($hand, $from[0]), max($hand, $bestFrom[0])];
                if ($now < $then - 1e-9 || $now < $then + 1e-9 && $urgency[$id] > $urgency[$best] + 1e-9) {
                    [$best, $bestFrom] = [$id, $from];
                }
            }
            $this->take($left[$best], $bestFrom);
            unset($left[$best]);
        }
    }

    /** @param array{float, string} $from */
    private function take(Step $step, array $from): void
    {
        // Whoever has waited least for it takes it.
        [$one, $two] = [max($this->free[1][0], $from[0]), max($this->free[2][0], $from[0])];
        $who = $two < $one || $two === $one && $this->free[2][0] > $this->free[1][0] ? 2 : 1;
        [$start, $this->behind[$step->id]] = $this->free[$who][0] > $from[0] ? $this->free[$who] : $from;
        $end = $start + $this->minutes[$step->id];
        $this->spans[$step->id] = [$start, $end, $step->slot->passive ? 0 : $who];
        if (!$step->slot->passive) {
            $this->free[$who] = [$end, $step->id];
        }
    }

    /** @return list<string> the steps before it, and the waits that must be over */
    private function preds(Step $step): array
    {
        return [...$step->slot->after, ...$this->waits[$step->id] ?? []];
    }

    /** @return array{float, string} when all it waits for is over, and which of it is the last */
    private function from(Step $step): array
    {
        $from = $this->clear;
        foreach ($step->slot->after as $id) {
            // A wait that is under way does not hold up what comes next; it is over where it must be.
            [$begun, $end, $who] = $this->spans[$id] ?? [0.0, 0.0, 1];
            $time = 0 === $who ? $begun : $end;
            $from = $time > $from[0] ? [$time, $id] : $from;
        }
        foreach ($this->waits[$step->id] ?? [] as $id) {
            $end = $this->spans[$id][1] ?? 0.0;
            $from = $end > $from[0] ? [$end, $id] : $from;
        }

        return $from;
    }

    /**
     * What is tried, the shortest counts: the longest way first, the longest step first, the order of the sheet; and the longest
     * way with each step in turn before the others.
     *
     * @param array<string, Step> $stretch
     * @param array<string, float> $ways
     *
     * @return iterable<array<string, float>> of each step, the highest is taken first
     */
    private function urgencies(array $stretch, array $ways): iterable
    {
        $none = ['' => -1.0];
        $own = array_intersect_key($this->minutes, $stretch);

        yield $none + $ways;
        yield $none + $own;
        yield $none + array_fill_keys(array_keys($stretch), 0.0);
        foreach (array_keys($stretch) as $first) {
            yield [$first => 1e6] + $none + $ways;
        }
    }

    /**
     * @param array<string, Step> $stretch
     *
     * @return array<string, float> step => minutes of the longest way from its start to the end of the stretch
     */
    private function longestWays(array $stretch): array
    {
        $ways = $next = [];
        foreach (array_reverse($stretch, true) as $id => $step) {
            $own = $this->minutes[$id];
            $ways[$id] = max(($step->slot->passive ? 0.0 : $own) + ($next[$id] ?? 0.0), $own + ($next['end '.$id] ?? 0.0));
            foreach ($step->slot->after as $before) {
                $next[$before] = max($next[$before] ?? 0.0, $ways[$id]);
            }
            foreach ($this->waits[$id] ?? [] as $wait) {
                $next['end '.$wait] = max($next['end '.$wait] ?? 0.0, $ways[$id]);
            }
        }

        return $ways;
    }
}
