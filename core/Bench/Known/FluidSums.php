<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Fluids\UsualWarmth;
use NimbleKnuckle\Core\Sheet\Step;

/** What vehicle sheet and bench know for the sums of coolant and oil. */
final readonly class FluidSums
{
    /** @return array<string, string|float|null>|null null where the sum of the step is none of these */
    public static function known(Step $step, Fit $fit): ?array
    {
        $circuit = $fit->vehicle->circuits[$step->target->circuit] ?? null;
        if (null === $circuit || $circuit->capacity <= 0.0) {
            return null;
        }
        $value = static fn (string $field): ?float => $fit->state->readingOf($field)?->value;

        return match ($step->asking->sum) {
            'coolant-protect' => [
                'base' => str_contains($circuit->blend->base, 'propylene') ? 'pg' : 'eg', 'percent' => $value('strength_before'),
                'cap' => $circuit->plumbing->cap,
            ],
            'coolant-level' => [
                'volume' => $circuit->capacity, 'percent' => $circuit->blend->target,
                'cold' => $value('coolant_temperature') ?? UsualWarmth::MORNING,
                'hot' => $value('drive_temperature') ?? UsualWarmth::driven($circuit->plumbing->opens),
                'marks' => $circuit->plumbing->marks > 0.0 ? $circuit->plumbing->marks : null,
            ],
            'oil-fill' => ['capacity' => $circuit->capacity, 'drained' => $value('oil_drained'), 'filter' => 'changed'],
            default => null,
        };
    }
}
