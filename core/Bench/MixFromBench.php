<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\Fluids\Door\CoolantMix;
use NimbleKnuckle\Core\Plan\Vehicle\Circuit;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;

/** The coolant mix of a fit: capacity, target and product from the vehicle sheet, drained and strength from the bench. */
final readonly class MixFromBench
{
    private function __construct(public ?SumResult $result, public string $missing)
    {
    }

    /** @param string $familyInIt what was last filled in, in small letters; empty where nobody knows */
    public static function of(Circuit $circuit, FitState $state, string $familyInIt = ''): self
    {
        $drained = $state->readingOf('drained');
        $strength = $state->readingOf('strength_before');
        if (null === $drained || null === $strength) {
            return new self(null, null === $drained ? 'The drained amount was not measured.' : 'The strength was not read.');
        }
        $sum = new CoolantMix();
        try {
            return new self($sum->compute(Inputs::of([
                'capacity' => $circuit->capacity, 'drained' => $drained->value, 'present' => $strength->value,
                'target' => $circuit->target, 'product' => $circuit->product,
                'incompatible' => '' !== $familyInIt && '' !== $circuit->family && $familyInIt !== mb_strtolower($circuit->family),
            ], $sum->fields())), '');
        } catch (InvalidInput $e) {
            return new self(null, $e->getMessage());
        }
    }
}
