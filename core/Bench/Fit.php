<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\Mishap;
use NimbleKnuckle\Core\Bench\State\Course;
use NimbleKnuckle\Core\Bench\State\FillRun;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\State\FluidBalance;
use NimbleKnuckle\Core\Bench\State\Hold;
use NimbleKnuckle\Core\Bench\State\Holds;
use NimbleKnuckle\Core\Bench\State\Joints;
use NimbleKnuckle\Core\Bench\State\Pieces;
use NimbleKnuckle\Core\Bench\State\PlannedAndActual;
use NimbleKnuckle\Core\Bench\State\Readings;
use NimbleKnuckle\Core\Bench\State\Tools;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** A sheet, the vehicle it is for, and what has happened so far: where we are, what may be closed, what is still open. */
final class Fit
{
    private ?VehicleState $actual = null;
    /** @var array<class-string, object> */
    private array $derived = [];

    /**
     * @param ?\DateTimeImmutable $now null counts from the last event
     * @param PlannedAndActual $rigs the model of the vehicle; handed on from one state of a fit to the next
     */
    public function __construct(
        public readonly Sheet $sheet,
        public readonly VehicleSheet $vehicle,
        public readonly FitState $state,
        private readonly ?\DateTimeImmutable $now = null,
        private ?PlannedAndActual $rigs = null,
    ) {
    }

    /** The same fit one event later. */
    public function then(FitEvent $event): self
    {
        return new self($this->sheet, $this->vehicle, $this->state->then($event), $this->now, $this->rigs());
    }

    public function rigs(): PlannedAndActual
    {
        return $this->rigs ??= new PlannedAndActual($this->sheet, $this->vehicle);
    }

    /**
     * What is read off this state of the fit by somebody above it, worked out once.
     *
     * @template T of object
     *
     * @param class-string<T> $class
     * @param callable(): T $work
     *
     * @return T
     */
    public function once(string $class, callable $work): object
    {
        $known = $this->derived[$class] ?? null;

        return $known instanceof $class ? $known : $this->derived[$class] = $work();
    }

    /** The sheet and the vehicle as the law reads them. */
    public function ground(): Ground
    {
        return $this->rigs()->rules()->ground;
    }

    /** The vehicle as the marks say it is. */
    public function actual(): VehicleState
    {
        return $this->actual ??= $this->rigs()->actual($this->state);
    }

    public function pieces(): Pieces
    {
        return new Pieces($this->sheet, $this->state);
    }

    public function joints(): Joints
    {
        return new Joints($this->sheet, $this->vehicle, $this->state);
    }

    public function tools(): Tools
    {
        return new Tools($this->ground(), $this->state);
    }

    public function readings(): Readings
    {
        return new Readings($this->sheet, $this->state);
    }

    public function course(): Course
    {
        return new Course($this->sheet, $this->state, $this->now);
    }

    public function flows(): FluidBalance
    {
        return new FluidBalance($this->sheet, $this->state);
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

    /** @return list<Step> the steps that mend a mishap before the work goes on */
    public function mending(FitEvent $mishap): array
    {
        return array_values(array_filter(
            $this->sheet->steps,
            static fn (Step $step): bool => Repair::eventOf($step) === $mishap->id && StepKind::Book !== $step->deed,
        ));
    }

    /** A mishap in words: what happened, and to what. */
    public static function told(FitEvent $mishap): string
    {
        $fact = $mishap->as(Mishap::class);

        return sprintf('%s: %s', $fact->said, $fact->what);
    }

    /** Where the fill routine of a step stands; null for a step without one. */
    public function routine(Step $step): ?FillRun
    {
        $routine = FillRoutine::named($step->asking->routine);

        return null === $routine ? null : FillRun::of($routine, $this->state->routines[$step->id] ?? []);
    }
}
