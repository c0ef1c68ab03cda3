<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Labour;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * How long each step took, read off the marks of the log. A gap much longer than its step was an interruption, until somebody says it
 * was work. Steps that were ticked together share the time they took together as the plan has it. Minutes.
 */
final readonly class WorkIntervals
{
    /** Under this many minutes no gap is an interruption; over it, where it is so many times what the step takes at most. */
    private const PAUSE = 20.0;
    private const TIMES = 2.0;
    /** Of what a step likely takes, under which it was ticked with the one before. */
    private const TICKED = 0.15;

    /** @param list<WorkInterval> $all */
    private function __construct(public array $all, private Fit $fit)
    {
    }

    /** @param array<string, bool> $said mark => whether the time before it was work, as somebody said */
    public static function of(Fit $fit, array $said = []): self
    {
        $marks = [];
        foreach ($fit->state->log as $event) {
            $marks[$event->by][] = $event;
        }
        $spells = [];
        foreach ($marks as $own) {
            $steps = array_map(static fn (FitEvent $one): ?Step => $fit->sheet->step($one->step()), $own);
            $gaps = array_map(
                static fn (FitEvent $one, int $i): float => 0 === $i ? 0.0 : self::minutes($own[$i - 1], $one), $own, array_keys($own),
            );
            foreach ($own as $i => $event) {
                $known = $said[$event->id] ?? null;
                if ($gaps[$i] > 0.0) {
                    $spells[] = new WorkInterval(
                        $event->id, $steps[$i]->id ?? '', $event->by, $own[$i - 1]->happened(), $gaps[$i],
                        null === $known ? $gaps[$i] > self::longest($steps, $gaps, $i) : !$known, null !== $known,
                    );
                }
            }
        }
        usort($spells, static fn (WorkInterval $a, WorkInterval $b): int => $a->from <=> $b->from);

        return new self($spells, $fit);
    }

    /** @return list<WorkInterval> that count as interruptions, or somebody said that they do not */
    public function pauses(): array
    {
        return array_values(array_filter($this->all, static fn (WorkInterval $one): bool => $one->isAway || $one->isSaid));
    }

    /** Minutes of work of everybody. */
    public function worked(): float
    {
        return array_sum(array_map(static fn (WorkInterval $one): float => $one->isAway ? 0.0 : $one->minutes, $this->all));
    }

    /**
     * What each step took whoever closed it; steps that run by themselves, or were closed without being done, took nobody's time.
     *
     * @return array<string, array{by: string, minutes: float}>
     */
    public function steps(): array
    {
        $took = [];
        foreach ($this->pools() as $pool) {
            $planned = array_sum(array_map($this->likely(...), $pool['steps']));
            foreach ($pool['steps'] as $step) {
                $share = $planned > 0.0 ? $this->likely($step) / $planned : 1 / count($pool['steps']);
                $pool['minutes'] * $share > 0.0 && $took[$step] = ['by' => $pool['by'], 'minutes' => $pool['minutes'] * $share];
            }
        }

        return $took;
    }

    /** @return list<array{by: string, steps: non-empty-list<string>, minutes: float}> steps that were ticked together, in one */
    private function pools(): array
    {
        $work = [];
        foreach ($this->all as $spell) {
            $key = $spell->by."\n".$spell->step;
            $work[$key] = ($work[$key] ?? 0.0) + ($spell->isAway ? 0.0 : $spell->minutes);
        }
        $pools = $open = [];
        foreach ($this->closings() as [$step, $by]) {
            $minutes = $work[$by."\n".$step] ?? null;
            $at = $open[$by] ?? null;
            if (null === $minutes) {
                unset($open[$by]);
            } elseif (null !== $at && $minutes < self::TICKED * $this->likely($step)) {
                $pools[$at] = [
                    'by' => $by, 'steps' => [...$pools[$at]['steps'], $step], 'minutes' => $pools[$at]['minutes'] + $minutes,
                ];
            } else {
                $open[$by] = count($pools);
                $pools[] = ['by' => $by, 'steps' => [$step], 'minutes' => $minutes];
            }
        }

        return array_values($pools);
    }

    /** @return list<array{string, string}> step and who closed it, of those that were done by hand, in their order */
    private function closings(): array
    {
        $closed = [];
        foreach ($this->fit->state->log as $event) {
            $step = EventType::StepDone === $event->type ? $this->fit->sheet->step($event->step()) : null;
            if (null !== $step && !$step->slot->passive && $this->fit->state->isDone($step->id)) {
                unset($closed[$step->id]);
                $closed[$step->id] = [$step->id, $event->by];
            }
        }

        return array_values($closed);
    }

    private function likely(string $step): float
    {
        return $this->fit->sheet->step($step)?->slot->minutes->byProcedure() ?? 0.0;
    }

    /**
     * What the step of a mark takes at most, and those that were ticked right after it; then some.
     *
     * @param list<?Step> $steps of each mark
     * @param list<float> $gaps before each mark
     */
    private static function longest(array $steps, array $gaps, int $at): float
    {
        $high = $steps[$at]->slot->minutes->high ?? 0.0;
        for ($i = $at + 1; $i < count($steps); ++$i) {
            $minutes = $steps[$i]?->slot->minutes;
            if (null === $minutes || $gaps[$i] >= self::TICKED * $minutes->byProcedure()) {
                break;
            }
            $high += $steps[$i] === $steps[$i - 1] ? 0.0 : $minutes->high;
        }

        return max(self::PAUSE, self::TIMES * $high);
    }

    private static function minutes(FitEvent $from, FitEvent $to): float
    {
        return max(0.0, ((float) $to->happened()->format('U.u') - (float) $from->happened()->format('U.u')) / 60);
    }
}
