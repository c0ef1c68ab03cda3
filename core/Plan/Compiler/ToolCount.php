<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Procedure\CommonParts;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Puts the count of the tools before the engine runs for the first time, or before the drive where nothing is started. */
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
                $count = Step::fromOperation($this->common->move('tool-count'))->with(phase: $step->slot->phase, tags: [self::TAG]);

                return [...array_slice($steps, 0, $i), $count, ...array_slice($steps, $i)];
            }
        }

        return $steps;
    }
}
