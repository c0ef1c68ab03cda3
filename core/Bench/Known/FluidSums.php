<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Known;

use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Fluids\UsualWarmth;
use NimbleKnuckle\Core\Vehicle\Circuit;

/** What vehicle sheet and bench know for the sums of coolant and oil. */
final readonly class FluidSums
{
    /** @return array<string, string|float|null> */
    public static function known(string $sum, ?Circuit $circuit, FitState $state): array
    {
        if (null === $circuit || $circuit->capacity <= 0.0) {
            return [];
        }
        $value = static fn (string $field): ?float => $state->readingOf($field)?->value;

        return match ($sum) {
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
            default => [],
        };
    }
}
