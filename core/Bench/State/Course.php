<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Compiler\Schedule\Scheduler;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;

/** How far a fit has come: the step in hand, what runs by itself, how many minutes it still takes. */
final readonly class Course
{
    /** @param ?\DateTimeImmutable $now null counts from the last event */
    public function __construct(private Sheet $sheet, private FitState $state, private ?\DateTimeImmutable $now = null)
    {
    }

    /** The step to show: the one last worked on while it is open, else the first open one that is not just running by itself. */
    public function currentStep(): ?Step
    {
        $last = $this->sheet->step($this->state->lastStep);
        if (null !== $last && !$this->state->isClosed($last->id) && !$this->runsByItself($last)) {
            return $last;
        }
        foreach ($this->sheet->steps as $step) {
            if (!$this->state->isClosed($step->id) && !$this->runsByItself($step)) {
                return $step;
            }
            if ($this->holdsUp($step)) {
                return $step;
            }
        }

        return $this->sheet->steps[count($this->sheet->steps) - 1] ?? null;
    }

    public function currentPhase(): ?Phase
    {
        return $this->currentStep()?->slot->phase;
    }

    /** A wait that has been set going: work goes on meanwhile. */
    public function runsByItself(Step $step): bool
    {
        return $step->slot->passive && $this->state->isStarted($step->id) && !$this->state->isClosed($step->id);
    }

    /** A running wait whose next step cannot begin before it is over. */
    private function holdsUp(Step $step): bool
    {
        if (!$this->runsByItself($step)) {
            return false;
        }
        $place = $this->sheet->placeOf($step->id);
        foreach (array_slice($this->sheet->steps, $place + 1) as $later) {
            if ($later->id === $step->slot->until) {
                return true;
            }
            if (!$this->state->isClosed($later->id)) {
                return false;
            }
        }

        return true;
    }

    /** Likely minutes until all that is open is done, work laid over the waits; a running wait counts only what is left of it. */
    public function minutesLeft(\DateTimeImmutable $now): float
    {
        $left = $running = [];
        foreach ($this->sheet->steps as $step) {
            if ($this->runsByItself($step)) {
                $wait = max(0.0, $this->waitLeft($step, $now));
                $running[] = $step->with(minutes: new Minutes($wait, $wait, $wait));
            } elseif (!$this->state->isClosed($step->id)) {
                $left[] = $step;
            }
        }

        return (new Scheduler())->lasting([...$running, ...$left], $this->sheet->timing->people);
    }

    /** Minutes until a running wait has had its likely time; negative once it has. */
    public function waitLeft(Step $step, \DateTimeImmutable $now): float
    {
        $started = ($this->state->started[$step->id] ?? null)?->happened() ?? $now;

        return $step->slot->minutes->likely - ((float) $now->format('U.u') - (float) $started->format('U.u')) / 60;
    }

    /** The same by the instant the fit was looked at. */
    public function waitLeftNow(Step $step): float
    {
        $last = [] === $this->state->log ? null : $this->state->log[count($this->state->log) - 1]->receipt->at;

        return $this->waitLeft($step, $this->now ?? $last ?? new \DateTimeImmutable('@0'));
    }
}
