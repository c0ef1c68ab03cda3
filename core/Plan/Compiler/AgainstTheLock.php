<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** While a flywheel lock or timing pins hold the engine, what is undone or tightened against them is turned by hand. */
final readonly class AgainstTheLock
{
    public const LOCKED = 'flywheel-locked';
    public const UNLOCKED = 'flywheel-unlocked';
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
            $isLocked = self::isLocked($step, $isLocked);
            $turns = in_array($step->deed, [Deed::Undo, Deed::Tighten, Deed::Remove], true);
            $said[] = $isLocked && $turns ? $step->with(
                cautions: [...$step->words->cautions, new Caution(self::BY_HAND, true)],
                tools: array_values(array_diff($step->needs->tools, [RunDown::TOOL])),
            ) : $step;
        }

        return $said;
    }

    /** Whether the lock is in at a step, from whether it was in before it. */
    public static function isLocked(Step $step, bool $wasLocked): bool
    {
        return !in_array(self::UNLOCKED, $step->tags, true) && ($wasLocked || in_array(self::LOCKED, $step->tags, true));
    }
}
