<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Hold;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A timed stage was cut short without a reason; what was read is judged for the time it really stood. */
final readonly class HoldsStood implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($fit->holds($step) as $hold) {
            if ($hold->isShort() && !$hold->isExcused) {
                yield Obstacle::reason(
                    'hold-short',
                    trim(sprintf('“%s” stood %s. %s', $hold->stage->title, $hold->inWords(), self::scaled($fit, $step, $hold))),
                    $step->id,
                );
            }
        }
    }

    private static function scaled(Fit $fit, Step $step, Hold $hold): string
    {
        $reading = $fit->state->reading($step->id, $hold->stage->ask);
        $ask = array_values(
            array_filter($step->asking->asks, static fn (Ask $one): bool => $one->field === $hold->stage->ask && $one->limits->isSet),
        )[0] ?? null;
        $change = null === $reading || null === $ask ? null : $hold->overItsTime($reading->value);

        return null !== $change && null !== $ask && $ask->isOutside($change)
            ? sprintf('At that rate it would be %s %s: too much.', round($change, 1), $ask->unit)
            : 'Let it stand and read it again.';
    }
}
