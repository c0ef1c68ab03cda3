<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\Stood as StoodFact;
use NimbleKnuckle\Core\Law\Book\Rules;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** The law of a sheet, worked out once for all states of a fit; and the model of the vehicle as the marks say it is. */
final class PlannedAndActual
{
    private ?Rules $rules;

    public function __construct(private readonly Sheet $sheet, private readonly VehicleSheet $vehicle, ?Rules $rules = null)
    {
        $this->rules = $rules;
    }

    public function rules(): Rules
    {
        return $this->rules ??= Rules::of(new Ground($this->sheet, $this->vehicle));
    }

    /** As it stands by the steps that were done and by what was said of it, in their order; a drain counts from when it is opened. */
    public function actual(FitState $state): VehicleState
    {
        $rig = VehicleState::standing($this->vehicle);
        foreach ($this->inTurn($state) as $event) {
            $step = $this->sheet->step($event->step());
            $stood = EventType::Stood === $event->type ? $event->as(StoodFact::class) : null;
            $rig = match (true) {
                null !== $stood => $rig->stoodOn(Stance::from($stood->stance), array_values(array_filter(explode(',', $stood->wheelsOff)))),
                null !== $step => $rig->after($step),
                default => $rig,
            };
        }
        foreach ($this->sheet->doing(StepKind::Drain) as $drain) {
            $rig = $state->isStarted($drain->id) && !$state->isDone($drain->id) ? $rig->after($drain) : $rig;
        }

        return $rig;
    }

    /** @return list<FitEvent> what was done, and what was said of where it stands, in the order of the log */
    private function inTurn(FitState $state): array
    {
        $events = [...array_values($state->done), ...$state->stood];
        if ([] !== $state->stood) {
            usort($events, static fn (FitEvent $a, FitEvent $b): int => $state->places[$a->id] <=> $state->places[$b->id]);
        }

        return $events;
    }
}
