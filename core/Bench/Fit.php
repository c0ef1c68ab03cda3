<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\Bench\Fact\Mishap;
use NimbleKnuckle\Core\Bench\Fact\Waived;
use NimbleKnuckle\Core\Bench\Law\Gate;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Plan\Compiler\Weave;
use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Lint\Rig;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Mishap\Repair;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\PutIn;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Plan\Vehicle\TrayLine;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** A sheet, the vehicle it is for, and what has happened so far: where we are, what may be closed, what is still open. */
final class Fit
{
    private ?Rig $actual = null;
    private ?Gate $gate = null;
    /** @var list<LooseEnd>|null */
    private ?array $looseEnds = null;

    /**
     * @param ?\DateTimeImmutable $now null counts from the last event
     * @param Rigs $rigs the model of the vehicle; handed on from one state of a fit to the next
     */
    public function __construct(
        public readonly Sheet $sheet,
        public readonly VehicleSheet $vehicle,
        public readonly FitState $state,
        private readonly ?\DateTimeImmutable $now = null,
        private ?Rigs $rigs = null,
    ) {
    }

    /** The same fit one event later. */
    public function then(FitEvent $event): self
    {
        return new self($this->sheet, $this->vehicle, $this->state->then($event), $this->now, $this->rigs());
    }

    public function rigs(): Rigs
    {
        return $this->rigs ??= new Rigs($this->sheet, $this->vehicle);
    }

    /** The sheet and the vehicle as the law reads them. */
    public function ground(): Ground
    {
        return $this->rigs()->rules()->ground;
    }

    /** The vehicle as the marks say it is. */
    public function actual(): Rig
    {
        return $this->actual ??= $this->rigs()->actual($this->state);
    }

    public function pieces(): Pieces
    {
        return new Pieces($this->sheet, $this->state);
    }

    public function flows(): Flows
    {
        return new Flows($this->sheet, $this->state);
    }

    /** @return list<Hold> the timed stages of a step as they stood */
    public function holds(Step $step): array
    {
        return (new Holds($this->state))->of($step);
    }

    /** @return list<Step> what stands before a step in the line */
    public function earlier(Step $step): array
    {
        return $this->ground()->earlier($step);
    }

    /** Whether a step was closed or skipped with a reason. */
    public function isOverruled(Step $step): bool
    {
        return isset($this->state->skipped[$step->id]) || true === ($this->state->done[$step->id] ?? null)?->hasReason();
    }

    /** The joint of a new part that must be final before what holds that part comes out for good; null where nothing is loose. */
    public function looseUnder(Step $step, string $thing): ?Joint
    {
        $puts = array_filter($step->needs->puts, static fn (PutIn $put): bool => $put->forGood && $put->thing === $thing);
        foreach ([] === $puts ? [] : $this->vehicle->joints as $joint) {
            if ($joint->item === $step->target->item && '' !== $joint->item && $this->boltsLeft($joint->id) > 0) {
                return $joint;
            }
        }

        return null;
    }

    /** @return list<Ask> what a step wants to know, held against what has been read before where that is how it is held */
    public function asks(Step $step): array
    {
        return array_map(fn (Ask $ask): Ask => $ask->resolved(
            fn (string $field): ?float => $this->state->readingOf($field)?->value,
        ), $step->asking->asks);
    }

    /** The answer chosen last where a reading is chosen and not measured, by its id; empty where there is none. */
    public function answer(string $field): string
    {
        $reading = $this->state->readingOf($field);
        foreach ($this->sheet->step($reading?->event->step() ?? '')->asking->asks ?? [] as $ask) {
            if ($ask->field === $field && null !== $reading) {
                $choice = $ask->limits->choices[(int) round($reading->value) - 1] ?? null;

                return null === $choice ? '' : $choice->id;
            }
        }

        return '';
    }

    /** @return array<string, int> joint => how many of its fasteners are not final, of those that were undone or touched */
    public function looseJoints(): array
    {
        $loose = [];
        foreach ($this->sheet->doing(Deed::Tighten) as $step) {
            $joint = $this->vehicle->joints[$step->target->joint] ?? null;
            if (null !== $joint && (isset($this->state->stages[$joint->id]) || $this->wasOpened($joint))) {
                $loose[$joint->id] = $this->boltsLeft($joint->id);
            }
        }

        return array_filter($loose);
    }

    /** Undone in its place, or with the item it clamps. */
    private function wasOpened(Joint $joint): bool
    {
        foreach ($this->sheet->doing(Deed::Undo, '', $joint->id) as $step) {
            if ($this->state->isDone($step->id)) {
                return true;
            }
        }

        return $this->wasTakenOff($joint->item);
    }

    public function wasTakenOff(string $item): bool
    {
        foreach ('' === $item ? [] : $this->sheet->doing(Deed::Remove, $item) as $step) {
            if ($this->state->isDone($step->id)) {
                return true;
            }
        }

        return false;
    }

    /** The step that counts the tools before the engine runs; null where the sheet has none. */
    public function toolCount(): ?Step
    {
        return $this->ground()->toolCount();
    }

    /** @return list<string> tools to be accounted for at a step: those that were needed before it */
    public function toolsListed(Step $step): array
    {
        return $this->ground()->toolsListed($step);
    }

    /** @return list<string> */
    public function toolsMissing(Step $step): array
    {
        return array_values(
            array_filter($this->toolsListed($step), fn (string $tool): bool => !isset($this->state->tools[$step->id][$tool])),
        );
    }

    /** @return list<string> what was out of order at a joint, in words */
    public function passFaults(string $jointId): array
    {
        $joint = $this->vehicle->joints[$jointId] ?? null;

        return null === $joint ? [] : PassOrder::of($joint, $this->state->marked[$jointId] ?? [])->faults();
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

    /** @return list<Step> the steps that mend a mishap before the work goes on */
    public function mending(FitEvent $mishap): array
    {
        return array_values(array_filter(
            $this->sheet->steps,
            static fn (Step $step): bool => Repair::eventOf($step) === $mishap->id && Deed::Book !== $step->deed,
        ));
    }

    /** A mishap in words: what happened, and to what. */
    public static function told(FitEvent $mishap): string
    {
        $fact = $mishap->as(Mishap::class);

        return sprintf('%s: %s', $fact->said, $fact->what);
    }

    /** What stands between a step and its mark, as the fit is now. */
    public function gate(): Gate
    {
        return $this->gate ??= new Gate($this);
    }

    /** Where the fill routine of a step stands; null for a step without one. */
    public function routine(Step $step): ?FillRun
    {
        $routine = FillRoutine::named($step->asking->routine);

        return null === $routine ? null : FillRun::of($routine, $this->state->routines[$step->id] ?? []);
    }

    /** How many of a thing are counted at a step. */
    public function countOf(Step $step, TrayLine $line): int
    {
        return (isset($this->state->countedAll[$step->id]) ? $line->count : 0) + $this->state->count($step->id, $line->thing);
    }

    /** How many pieces are counted at a step. */
    public function counted(Step $step): int
    {
        return array_sum(array_map(fn (TrayLine $line): int => $this->countOf($step, $line), $step->needs->tray));
    }

    public function expected(Step $step): int
    {
        return array_sum(array_map(static fn (TrayLine $line): int => $line->count, $step->needs->tray));
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
            foreach ($joint->pattern->order() as $bolt) {
                $stage = $this->state->stage($joint->id, $bolt);
                if ($stage < $top) {
                    return [$bolt, $stage + 1];
                }
            }
        }

        return [0, $ladder->final()];
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

        return (new Weave())->lasting([...$running, ...$left], $this->sheet->timing->people);
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

    /** @return list<LooseEnd> everything open that was not waived, in the order it arose */
    public function looseEnds(): array
    {
        return $this->looseEnds ??= array_values(
            array_filter((new LooseEnds($this))->all(), fn (LooseEnd $end): bool => !$this->isWaived($end)),
        );
    }

    /** A waiver holds for what it was given for: when that has changed, it is open again. */
    private function isWaived(LooseEnd $end): bool
    {
        $as = ($this->state->waived[$end->id] ?? null)?->as(Waived::class)->as;

        return null !== $as && ('' === $as || $as === $end->since);
    }

    /** @return list<ReviewEntry> what a lead looks at before signing */
    public function review(): array
    {
        return (new Review($this))->entries();
    }

    /** @return list<LooseEnd> steps neither done nor skipped */
    public function openSteps(): array
    {
        $ends = [];
        foreach ($this->sheet->steps as $step) {
            if (!$this->state->isClosed($step->id)) {
                $ends[] = new LooseEnd('step:'.$step->id, LooseEndKind::Step, $step->words->title, $step->id, '');
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
            null !== $this->state->stopped ? 'It was stopped: take it up again first.' : '',
            $isLead ? '' : 'Only a lead signs off.',
            0 === $ends ? '' : sprintf(
                '%d loose %s open: close each, or waive it with a reason.', $ends, 1 === $ends ? 'end is' : 'ends are',
            ),
            0 === $steps ? '' : sprintf(
                1 === $steps
                    ? '%d step is not done: do it, or skip it with a reason.'
                    : '%d steps are not done: do each, or skip it with a reason.',
                $steps,
            ),
            ...array_map(static fn (array $one): string => sprintf(
                '“%s” has no answer: give it at the step “%s”.', $one[1]->label, $one[0]->words->title,
            ), $this->unanswered()),
        ], static fn (string $reason): bool => '' !== $reason));
    }

    /** @return list<array{Step, Ask}> what must be answered before anybody signs: a skipped step is no answer, and none can be waived */
    public function unanswered(): array
    {
        $missing = [];
        foreach ($this->sheet->steps as $step) {
            foreach ($this->asks($step) as $ask) {
                if ($ask->standsBeforeSigning() && null === $this->state->reading($step->id, $ask->field)) {
                    $missing[] = [$step, $ask];
                }
            }
        }

        return $missing;
    }
}
