<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Fluids\Fill\FillRun;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Plan\Vehicle\TrayLine;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** A sheet, the vehicle it is for, and what has happened so far: where we are, what may be closed, what is still open. */
final readonly class Fit
{
    public function __construct(public Sheet $sheet, public VehicleSheet $vehicle, public FitState $state)
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
        return $this->currentStep()?->phase;
    }

    /** A wait that has been set going: work goes on meanwhile. */
    public function runsByItself(Step $step): bool
    {
        return $step->passive && $this->state->isStarted($step->id) && !$this->state->isClosed($step->id);
    }

    /** A running wait whose next step cannot begin before it is over. */
    private function holdsUp(Step $step): bool
    {
        if (!$this->runsByItself($step)) {
            return false;
        }
        $place = $this->sheet->placeOf($step->id);
        foreach (array_slice($this->sheet->steps, $place + 1) as $later) {
            if ($later->id === $step->until) {
                return true;
            }
            if (!$this->state->isClosed($later->id)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<string> what keeps a step from being closed, each with its remedy; empty when it may be closed */
    public function gate(Step $step): array
    {
        $reasons = [];
        foreach ($step->cautions as $i => $caution) {
            if ($caution->acknowledge && !isset($this->state->seen[$step->id][$i])) {
                $reasons[] = 'Acknowledge the caution first.';
                break;
            }
        }
        foreach ($step->asks as $ask) {
            if (null === $this->state->reading($step->id, $ask->field)) {
                $reasons[] = sprintf('Measure: %s.', lcfirst($ask->label));
            }
        }
        $curve = $this->state->curves[$step->id] ?? null;
        if ('stop' === $curve?->string('verdict')) {
            $reasons[] = sprintf('The curve says %s: let it cool, put it right, warm it up once more.', str_replace('-', ' ', $curve->string('finding')));
        }
        $run = $this->routine($step);
        if (null !== $run && !$run->isAtItsEnd()) {
            $reasons[] = sprintf('The routine stands at «%s».', $run->isBegun() ? $run->stage()->title : 'not begun');
        }
        if (Deed::Tighten === $step->deed) {
            $left = $this->boltsLeft($step->joint);
            if ($left > 0) {
                $reasons[] = sprintf('%d of %d fasteners are not at their final mark.', $left, $this->vehicle->joints[$step->joint]->count());
            }
        }
        foreach ($this->waitsFor($step) as $wait) {
            $reasons[] = sprintf('«%s» is not finished.', $wait->title);
        }

        return [...$reasons, ...$this->trayGate($step)];
    }

    /** Where the fill routine of a step stands; null for a step without one. */
    public function routine(Step $step): ?FillRun
    {
        $routine = FillRoutine::named($step->routine);

        return null === $routine ? null : FillRun::of($routine, $this->state->routines[$step->id] ?? []);
    }

    /**
     * Running or open waits that this step needs to be over.
     *
     * @return list<Step>
     */
    private function waitsFor(Step $step): array
    {
        return array_values(array_filter($this->sheet->steps, fn (Step $wait): bool => $wait->passive && $wait->until === $step->id && !$this->state->isClosed($wait->id)));
    }

    /** @return list<string> */
    private function trayGate(Step $step): array
    {
        if ([] === $step->tray) {
            return [];
        }
        $expected = $this->expected($step);
        $counted = $this->counted($step);
        if (Deed::Remove === $step->deed && $counted < $expected) {
            return [sprintf('The tray holds %d of %d pieces: count them in, or say which is missing.', $counted, $expected)];
        }

        return Deed::Refit === $step->deed && $counted < $expected ? [sprintf('%d of %d pieces have gone back on.', $counted, $expected)] : [];
    }

    /** How many of a thing are counted at a step. */
    public function countOf(Step $step, TrayLine $line): int
    {
        return (isset($this->state->countedAll[$step->id]) ? $line->count : 0) + $this->state->count($step->id, $line->thing);
    }

    public function counted(Step $step): int
    {
        return array_sum(array_map(fn (TrayLine $line): int => $this->countOf($step, $line), $step->tray));
    }

    public function expected(Step $step): int
    {
        return array_sum(array_map(static fn (TrayLine $line): int => $line->count, $step->tray));
    }

    /** How many fasteners of a joint are short of their final mark. */
    public function boltsLeft(string $jointId): int
    {
        $joint = $this->vehicle->joints[$jointId] ?? null;
        if (null === $joint) {
            return 0;
        }
        $final = Ladder::of($joint)->final();
        $left = 0;
        for ($bolt = 1; $bolt <= $joint->count(); ++$bolt) {
            $left += $this->state->stage($jointId, $bolt) < $final ? 1 : 0;
        }

        return $left;
    }

    /**
     * The fastener to do next, and the stage it then has; 0 where the joint is final.
     *
     * @return array{int, int}
     */
    public function nextBolt(Joint $joint): array
    {
        $ladder = Ladder::of($joint);
        foreach ($ladder->goes() as $top) {
            foreach ($joint->order() as $bolt) {
                $stage = $this->state->stage($joint->id, $bolt);
                if ($stage < $top) {
                    return [$bolt, $stage + 1];
                }
            }
        }

        return [0, $ladder->final()];
    }

    /** Likely minutes of what is still open; a running wait counts only what is left of it. */
    public function minutesLeft(\DateTimeImmutable $now): float
    {
        $left = 0.0;
        foreach ($this->sheet->steps as $step) {
            if (!$this->state->isClosed($step->id)) {
                $left += $this->runsByItself($step) ? max(0.0, $this->waitLeft($step, $now)) : $step->minutes->likely;
            }
        }

        return $left;
    }

    /** Minutes until a running wait has had its likely time; negative once it has. */
    public function waitLeft(Step $step, \DateTimeImmutable $now): float
    {
        $started = $this->state->started[$step->id]->at ?? $now;

        return $step->minutes->likely - ((float) $now->format('U.u') - (float) $started->format('U.u')) / 60;
    }

    /** @return list<LooseEnd> everything open that was not waived, in the order it arose */
    public function looseEnds(): array
    {
        return array_values(array_filter((new LooseEnds($this))->all(), fn (LooseEnd $end): bool => !isset($this->state->waived[$end->id])));
    }

    /** @return list<LooseEnd> steps neither done nor skipped */
    public function openSteps(): array
    {
        $ends = [];
        foreach ($this->sheet->steps as $step) {
            if (!$this->state->isClosed($step->id)) {
                $ends[] = new LooseEnd('step:'.$step->id, LooseEndKind::Step, $step->title, $step->id, '');
            }
        }

        return $ends;
    }

    /** @return list<string> why it cannot be signed off by this role; empty when it can */
    public function refusals(bool $isLead): array
    {
        $ends = count($this->looseEnds());
        $steps = count($this->openSteps());

        return array_values(array_filter([
            null !== $this->state->signed ? 'It is signed off already.' : '',
            $isLead ? '' : 'Only a lead signs off.',
            0 === $ends ? '' : sprintf('%d loose %s open: close each, or waive it with a reason.', $ends, 1 === $ends ? 'end is' : 'ends are'),
            0 === $steps ? '' : sprintf('%d %s not done: do it, or skip it with a reason.', $steps, 1 === $steps ? 'step is' : 'steps are'),
        ], static fn (string $reason): bool => '' !== $reason));
    }
}
