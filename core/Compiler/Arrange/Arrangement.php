<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Arrange;

use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Stage 4: takes the steps, gives them in the order they are done in, with as few lifts as the jobs and the vehicle allow. */
final readonly class Arrangement
{
    public function __construct(private VehicleSheet $vehicle)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function of(array $steps, Resolved $resolved): array
    {
        return (new EarlyRefit($this->vehicle))->of((new PositionGroups($this->vehicle))->of($steps), $resolved);
    }
}
