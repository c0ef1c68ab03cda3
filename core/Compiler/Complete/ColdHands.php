<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Where hands go near what gets hot and no job makes sure that it is cold, that is asked once, before anything comes off. */
final readonly class ColdHands
{
    public function __construct(private CommonParts $common, private VehicleSheet $vehicle)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function into(array $steps): array
    {
        if (!$this->isNeeded($steps)) {
            return $steps;
        }
        $at = 0;
        foreach ($steps as $i => $step) {
            $at = $step->slot->phase->number() <= Phase::MakeSafe->number() ? $i + 1 : $at;
        }

        return [...array_slice($steps, 0, $at), Step::fromOperation($this->common->move('cold-hands')), ...array_slice($steps, $at)];
    }

    /** @param list<Step> $steps */
    private function isNeeded(array $steps): bool
    {
        $rig = VehicleState::standing($this->vehicle);
        foreach ($steps as $step) {
            if (!$rig->cold && Nature::handlesHot($step, $this->vehicle)) {
                return true;
            }
            $rig = $rig->after($step);
        }

        return false;
    }
}
