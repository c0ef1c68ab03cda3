<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Strip;

use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Stage 2: takes the operations bound to the vehicle, gives the ids of the strip in their order, with all that lies in front of
 * what must be reached.
 */
final readonly class Stripping
{
    public function __construct(private VehicleSheet $vehicle)
    {
    }

    /**
     * Every job strips in its own order; only where the vehicle does not let them, what one shares with another waits for the
     * first of them alone.
     *
     * @return list<string>
     *
     * @throws UnplannableFit where items lie in front of each other in a circle
     */
    public function of(Resolved $resolved): array
    {
        try {
            return (new Order())->of((new AccessClosure())->of($resolved, $this->vehicle, true));
        } catch (UnplannableFit) {
            return (new Order())->of((new AccessClosure())->of($resolved, $this->vehicle));
        }
    }
}
