<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rules;
use NimbleKnuckle\Core\Plan\Lint\Rig;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** The law of a sheet, worked out once for all states of a fit; and the model of the vehicle as the marks say it is. */
final class Rigs
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

    /** As it stands by the steps that were done, in the order they were done; a drain counts from when it is opened. */
    public function actual(FitState $state): Rig
    {
        $rig = Rig::standing($this->vehicle);
        foreach (array_keys($state->done) as $id) {
            $step = $this->sheet->step((string) $id);
            $rig = null === $step ? $rig : $rig->after($step);
        }
        foreach ($this->sheet->doing(Deed::Drain) as $drain) {
            $rig = $state->isStarted($drain->id) && !$state->isDone($drain->id) ? $rig->after($drain) : $rig;
        }

        return $rig;
    }
}
