<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\Fluids\DialDrawing;
use NimbleKnuckle\Core\Fluids\Door\VacuumFill;
use NimbleKnuckle\Core\Plan\Vehicle\Circuit;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;

/**
 * The vacuum of a fit: how deep it may go where the workshop stands and as warm as the coolant was, and what the
 * readings say. kPa, m, °C.
 */
final readonly class FillFromBench
{
    /** The answer that tells how high the workshop stands. */
    public const CHOICE = 'workshop-altitude';
    private const USUAL_TEMPERATURE = 20.0;
    private const HOLD_MINUTES = 2.0;

    /** Minutes from the last time the valve was shut to the reading, as it really stood; the usual ones where nobody timed it. */
    private static function held(FitState $state): float
    {
        $shut = null;
        foreach (array_merge(...array_values($state->routines)) as $event) {
            $shut = 'hold' === $event->string('stage') ? $event : $shut;
        }
        $read = $state->readingOf('vacuum_lost')?->event;

        return null === $shut || null === $read ? self::HOLD_MINUTES : max(
            0.05, Stood::between($shut, $read, $state->liveBefore($shut))->seconds / 60,
        );
    }

    private function __construct(public SumResult $result, public DialDrawing $dial, public bool $isPulled, public float $altitude)
    {
    }

    /** @param array<string, string> $choices what was answered when the fit was planned */
    public static function of(Circuit $circuit, FitState $state, array $choices): ?self
    {
        $said = $choices[self::CHOICE] ?? '';
        $altitude = is_numeric($said) ? max(-500.0, min(6000.0, (float) $said)) : 0.0;
        $pulled = $state->readingOf('vacuum_pulled')?->value;
        $lost = $state->readingOf('vacuum_lost')?->value;
        $sum = new VacuumFill();
        try {
            $result = $sum->compute(Inputs::of([
                'altitude' => $altitude,
                'temperature' => $state->readingOf('coolant_temperature')->value ?? self::USUAL_TEMPERATURE,
                'volume' => $circuit->capacity, 'pulled' => $pulled ?? 0.0,
            ] + (null !== $pulled && null !== $lost && $lost <= $pulled ? [
                'hold_end' => $pulled - $lost, 'hold_minutes' => self::held($state),
            ] : []), $sum->fields()));
        } catch (InvalidInput) {
            return null;
        }
        $now = ($pulled ?? 0.0) - ($result->has('leak_rate') ? $lost ?? 0.0 : 0.0);

        return new self(
            $result,
            DialDrawing::of($now, $result->number('aim'), $result->number('limit'), $result->has('leak_rate') ? $pulled : null),
            null !== $pulled, $altitude,
        );
    }
}
