<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Nature;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Mishap\Repair;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/**
 * A mishap is not mended: the step it happened at waits for that, and so does what goes back on at the same place, is
 * tightened there, or runs the engine.
 */
final readonly class Mended implements Hindrance
{
    public const CODE = 'mishap';

    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($fit->state->mishaps as $event) {
            if (Repair::eventOf($step) === $event->id || !self::isTouched($fit, $step, $event)) {
                continue;
            }
            foreach ($fit->mending($event) as $mend) {
                if (!$fit->state->isClosed($mend->id)) {
                    yield Obstacle::reason(
                        self::CODE, sprintf('Not mended. %s. Next: “%s”.', Fit::told($event), $mend->words->title), $mend->id,
                    );

                    break;
                }
            }
        }
    }

    private static function isTouched(Fit $fit, Step $step, FitEvent $event): bool
    {
        $item = $event->string('item');
        $goesBack = in_array($step->deed, [Deed::Refit, Deed::Install, Deed::Tighten], true);

        return $step->id === $event->string('step') || Nature::runsEngine($step)
            || $goesBack && ('' !== $item && $step->itemOn($fit->vehicle) === $item
                || '' !== $event->string('joint') && $step->target->joint === $event->string('joint'));
    }
}
