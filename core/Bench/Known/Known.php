<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Step;

/** What vehicle sheet and bench know for the sum of a step: a new sum that a step asks for is filled in from here. */
final readonly class Known
{
    /** @return array<string, string|float|null> field of the sum => what is known, a number in the base unit of its kind */
    public static function of(Step $step, Fit $fit): array
    {
        [$vehicle, $state, $sum] = [$fit->vehicle, $fit->state, $step->asking->sum];

        return match ($sum) {
            'lift-links' => LiftingSums::links($vehicle->lifting, $step),
            'tilt-clearance' => LiftingSums::tilt($vehicle->lifting, $step),
            'mount-share' => LiftingSums::shares($vehicle->lifting),
            'mount-tired' => LiftingSums::wear($state),
            'press-fit', 'drive-wear', 'chain-travel', 'belt-line', 'pulley-change' => TurningSums::known($step, $fit),
            'gate-preload', 'leak-decay', 'charge-cooler', 'coupler-match', 'blow-off' => BoostSums::known($step, $fit),
            'disc-stack' => ClutchSums::known($fit),
            'volt-drop', 'plug-set', 'plug-gap' => SparkSums::known($step, $state),
            'clearance' => ['cold' => $state->readingOf('gap_cold')?->value],
            default => FluidSums::known($sum, $vehicle->circuits[$step->target->circuit] ?? null, $state),
        };
    }
}
