<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Task\ClutchTrials;
use NimbleKnuckle\Core\Clutch\SlipTrial;
use NimbleKnuckle\Core\Sheet\Step;

/** The slip clutch of a fit as it is put into its sum: the stack of the last trial, and all that were tried. */
final readonly class ClutchSums
{
    /** @return array<string, string|float|null>|null null where the sum of the step is none of these */
    public static function known(Step $step, Fit $fit): ?array
    {
        return 'disc-stack' === $step->asking->sum ? self::stack($fit) : null;
    }

    /** @return array<string, string|float> */
    private static function stack(Fit $fit): array
    {
        $trials = ClutchTrials::of($fit);
        $last = $trials?->last();
        if (null === $trials || null === $last) {
            return [];
        }
        $value = static fn (string $field): float => $fit->state->readingOf($field)->value ?? 0.0;
        $spring = $trials->clutch->spring;

        return [
            'spring' => sprintf('%s %s %s %s', $spring->outer, $spring->inner, $spring->t, $spring->l0),
            'arrangement' => $last->stack->said(), 'height' => $last->height, 'faces' => $value('lining_faces'),
            'outer' => $value('lining_outside'), 'inner' => $value('lining_inside'),
            'trials' => implode('; ', array_map(static fn (SlipTrial $one): string => sprintf(
                '%s %s: %s', $one->stack->said(), $one->height, implode(' ', $one->pulls),
            ), $trials->trials)),
            'target' => $trials->aim(), 'band' => 100 * $trials->band,
        ];
    }
}
