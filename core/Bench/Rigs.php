<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\Plan\Lint\Rig;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** The model of the vehicle twice: as the sheet has it just before a step, and as the marks say it is. */
final class Rigs
{
    /** @var array<string, Rig>|null */
    private ?array $planned = null;

    public function __construct(private readonly Sheet $sheet, private readonly VehicleSheet $vehicle)
    {
    }

    /** As it stands before this step when everything is done in the order of the sheet. */
    public function planned(Step $step): Rig
    {
        $this->planned ??= $this->run();

        return $this->planned[$step->id] ?? Rig::standing($this->vehicle);
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

    /** @return array<string, Rig> */
    private function run(): array
    {
        $rig = Rig::standing($this->vehicle);
        $before = [];
        foreach ($this->sheet->steps as $step) {
            $before[$step->id] = $rig;
            $rig = $rig->after($step);
        }

        return $before;
    }
}
