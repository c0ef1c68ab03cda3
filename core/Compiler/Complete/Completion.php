<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Stage 5: takes the steps in their order, gives them with all that every sheet has whatever the job: cures and the run-down of
 * bolts, cold metal before hands, the look over what was unplugged, the count of the tools, moves, wheels, what the lock forbids,
 * how warm it may be, and what a second person does.
 */
final readonly class Completion
{
    public function __construct(private CommonParts $common, private VehicleSheet $vehicle, private Choices $choices)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return array{list<Step>, int} and how often the vehicle is moved
     */
    public function of(array $steps, int $people): array
    {
        $steps = (new CureWaits($this->vehicle, $this->choices))->into($steps);
        $steps = (new RunDown($this->vehicle, $this->choices))->into($steps);
        $steps = (new ColdHands($this->common, $this->vehicle))->into($steps);
        $steps = (new EndsLook($this->common, $this->vehicle))->into($steps);
        $steps = (new ToolCount($this->common))->into($steps);
        [$steps, $moves] = (new Moves($this->common, $this->vehicle))->into($steps);
        $steps = (new Wheels($this->common, $this->vehicle))->into($steps);
        $steps = AgainstTheLock::into($steps);

        return [WarmLimits::onto(ForPeople::said($steps, $people), $this->vehicle), $moves];
    }
}
