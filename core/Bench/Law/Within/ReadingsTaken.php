<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A reading is missing or outside its limits, or read off a picture too near them. One that guards something only a lead passes. */
final readonly class ReadingsTaken implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        foreach ($fit->asks($step) as $ask) {
            $reading = $fit->state->reading($step->id, $ask->field);
            if (null === $reading) {
                $asked = sprintf([] === $ask->limits->choices ? 'Measure: %s.' : 'Say: %s.', lcfirst($ask->label));
                yield self::obstacle($ask, 'reading-missing', $asked, $step);
            } elseif ($ask->isOutside($reading->value)) {
                yield self::obstacle($ask, 'reading-outside', trim(sprintf('%s: %s. %s', $ask->label, $reading->text, $ask->past)), $step);
            } elseif ($reading->mayBeOutside($ask)) {
                yield self::obstacle($ask, 'reading-doubtful', sprintf(
                    '%s: %s. It may lie outside: measure it with a tool.', $ask->label, $reading->said(),
                ), $step);
            }
        }
    }

    private static function obstacle(Ask $ask, string $code, string $text, Step $step): Obstacle
    {
        return $ask->isSafety() ? Obstacle::lead($code, $text, $step->id) : Obstacle::reason($code, $text, $step->id);
    }
}
