<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Nature;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A reading that guards this step is missing or outside its limits, and no lead has overruled it. */
final readonly class SafetyReading implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($fit->earlier($step) as $guard) {
            foreach ($fit->isOverruled($guard) ? [] : $fit->asks($guard) as $ask) {
                foreach ($ask->guards as $what) {
                    if (Nature::isGuardedBy($fit, $step, $what) && !$fit->isWithin($guard, $ask)) {
                        yield Obstacle::lead('safety-reading', self::said($fit, $guard, $ask, $what->label()), $guard->id);
                    }
                }
            }
        }
    }

    private static function said(Fit $fit, Step $guard, Ask $ask, string $what): string
    {
        $reading = $fit->state->reading($guard->id, $ask->field);

        return null === $reading
            ? sprintf('%s has not been read. It stands before %s.', $ask->label, $what)
            : sprintf('%s reads %s, outside its limits. It stands before %s.', $ask->label, $reading->text, $what);
    }
}
