<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Schedule;

use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Sheet\Pace\Paces;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Timing;

/** Stage 6: takes the steps as they stand on the sheet, gives them with how long each takes here, and who does which when. */
final readonly class Staffing
{
    public function __construct(private Paces $paces)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return array{list<Step>, Timing}
     */
    public function of(array $steps, Resolved $resolved, int $people): array
    {
        $steps = $this->paces->onto($steps);
        $steps = 2 === $people ? (new HelperDependencies())->in($steps, $resolved) : $steps;

        return [$steps, (new Scheduler())->of($steps, $people)];
    }
}
