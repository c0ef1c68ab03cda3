<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Sheet\Step;

/** The tools of a fit, as they are counted before the engine runs. */
final readonly class Tools
{
    public function __construct(private Ground $ground, private FitState $state)
    {
    }

    /** The step that counts the tools before the engine runs; null where the sheet has none. */
    public function whereCounted(): ?Step
    {
        return $this->ground->toolCount();
    }

    /** @return list<string> tools to be accounted for at a step: those that were needed before it */
    public function listed(Step $step): array
    {
        return $this->ground->toolsListed($step);
    }

    /** @return list<string> */
    public function missing(Step $step): array
    {
        return array_values(
            array_filter($this->listed($step), fn (string $tool): bool => !isset($this->state->tools[$step->id][$tool])),
        );
    }
}
