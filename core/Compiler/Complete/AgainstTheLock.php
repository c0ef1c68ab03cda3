<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;

/** While a flywheel lock or timing pins hold the engine, what is undone or tightened against them is turned by hand. */
final readonly class AgainstTheLock
{
    private const BY_HAND = 'By hand and steadily: no impact tool against the lock, and timing pins never take the pull of the crank bolt.';

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public static function into(array $steps): array
    {
        $isLocked = false;
        $said = [];
        foreach ($steps as $step) {
            $isLocked = Nature::isLocked($step, $isLocked);
            $turns = in_array($step->deed, [StepKind::Undo, StepKind::Tighten, StepKind::Remove], true);
            $said[] = $isLocked && $turns ? $step->with(
                cautions: [...$step->words->cautions, new Caution(self::BY_HAND, true)],
                tools: array_values(array_diff($step->needs->tools, [RunDown::TOOL])),
            ) : $step;
        }

        return $said;
    }
}
