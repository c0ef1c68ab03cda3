<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Task;

use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Fluids\Mix;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Vehicle\Circuit;

/** The coolant mix of a fit: capacity, target and product from the vehicle sheet, drained and strength from the bench. */
final readonly class MixFromBench
{
    /**
     * @param ?Mix $mix null where something is missing, which is then said
     * @param bool $isIncompatible what was in it must not mix with the new
     */
    private function __construct(public ?Mix $mix, public string $missing, public bool $isIncompatible = false)
    {
    }

    /** @param string $familyInIt what was last filled in, in small letters; empty where nobody knows */
    public static function of(Circuit $circuit, FitState $state, string $familyInIt = ''): self
    {
        $drained = $state->readingOf('drained');
        $strength = $state->readingOf('strength_before');
        $missing = match (true) {
            null === $drained => 'The drained amount was not measured.',
            null === $strength => 'The strength was not read.',
            $strength->value > 100.0 => 'A strength of more than 100 % was read: read it again.',
            $drained->value < 0.0 || $drained->value > $circuit->capacity => sprintf(
                '%g L do not come out of a circuit of %g: measure again, or correct the vehicle sheet.', $drained->value,
                $circuit->capacity,
            ),
            $circuit->capacity <= 0.0 => 'The vehicle sheet does not say what the circuit holds.',
            $circuit->blend->product <= 0.0 => 'The vehicle sheet does not say how strong the coolant is that goes in.',
            default => '',
        };
        if ('' !== $missing || null === $drained || null === $strength) {
            return new self(null, $missing);
        }

        return new self(Mix::of(
            Volume::litres($circuit->capacity), Volume::litres($drained->value), Share::ofHundred($strength->value),
            Share::ofHundred($circuit->blend->target), Share::ofHundred($circuit->blend->product),
        ), '', '' !== $familyInIt && '' !== $circuit->blend->family && $familyInIt !== mb_strtolower($circuit->blend->family));
    }
}
