<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Expand;

use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Stage 3: takes the operations and the order of the strip, gives steps with words, trays, figures, and what each waits for. */
final readonly class Expansion
{
    public function __construct(private VehicleSheet $vehicle)
    {
    }

    /**
     * @param list<string> $strip
     *
     * @return list<Step>
     */
    public function of(Resolved $resolved, array $strip): array
    {
        return (new StepDependencies($this->vehicle))->between((new Expander($this->vehicle))->of($resolved->bound, $strip), $resolved);
    }
}
