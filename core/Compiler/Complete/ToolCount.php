<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;

/** Puts the count of the tools where the engine is to run for the first time, or to be driven where nothing is started: last before it. */
final readonly class ToolCount
{
    public function __construct(private CommonParts $common)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function into(array $steps): array
    {
        foreach ($steps as $i => $step) {
            if (StepKind::Start === $step->deed || StepKind::Drive === $step->deed) {
                $count = Step::fromOperation($this->common->move('tool-count'))->with(
                    phase: $step->slot->phase, position: $step->slot->position, tags: [Tag::TOOL_COUNT],
                );

                return [...array_slice($steps, 0, $i), $count, ...array_slice($steps, $i)];
            }
        }

        return $steps;
    }
}
