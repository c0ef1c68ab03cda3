<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Procedure\CommonParts;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Puts the count of the tools where the engine is to run for the first time, or to be driven where nothing is started: last before it. */
final readonly class ToolCount
{
    public const TAG = 'tool-count';

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
            if (Deed::Start === $step->deed || Deed::Drive === $step->deed) {
                $count = Step::fromOperation($this->common->move('tool-count'))->with(
                    phase: $step->slot->phase, position: $step->slot->position, tags: [self::TAG],
                );

                return [...array_slice($steps, 0, $i), $count, ...array_slice($steps, $i)];
            }
        }

        return $steps;
    }
}
