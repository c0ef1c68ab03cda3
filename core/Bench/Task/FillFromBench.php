<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Task;

use NimbleKnuckle\Core\Bench\Fact\StageBegun;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\State\StandDuration;
use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Fluids\DialDrawing;
use NimbleKnuckle\Core\Fluids\Vacuum;
use NimbleKnuckle\Core\Fluids\VacuumHold;
use NimbleKnuckle\Core\Quantity\Duration;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Vehicle\Circuit;

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
            $shut = 'hold' === $event->as(StageBegun::class)->stage ? $event : $shut;
        }
        $read = $state->readingOf('vacuum_lost')?->event;

        return null === $shut || null === $read ? self::HOLD_MINUTES : max(
            0.05, StandDuration::between($shut, $read, $state->liveBefore($shut))->seconds / 60,
        );
    }

    private function __construct(
        public Vacuum $vacuum, public ?VacuumHold $hold, public DialDrawing $dial, public bool $isPulled, public float $altitude,
    ) {
    }

    /**
     * Null where the vehicle sheet does not say what the circuit holds.
     *
     * @param array<string, string> $choices what was answered when the fit was planned
     */
    public static function of(Circuit $circuit, FitState $state, array $choices): ?self
    {
        if ($circuit->capacity <= 0.0) {
            return null;
        }
        $said = $choices[self::CHOICE] ?? '';
        $altitude = is_numeric($said) ? max(-500.0, min(6000.0, (float) $said)) : 0.0;
        $pulled = $state->readingOf('vacuum_pulled')?->value;
        $lost = $state->readingOf('vacuum_lost')?->value;
        $temperature = $state->readingOf('coolant_temperature')->value ?? self::USUAL_TEMPERATURE;
        $vacuum = Vacuum::of(
            Air::at($altitude), Temperature::celsius($temperature), Volume::litres($circuit->capacity),
            Pressure::kilopascals($pulled ?? 0.0),
        );
        $hold = null === $pulled || null === $lost || $lost > $pulled ? null : VacuumHold::of(
            $vacuum->volume, $vacuum->pulled, Pressure::kilopascals($pulled - $lost), Duration::minutes(self::held($state)),
        );
        $now = ($pulled ?? 0.0) - (null === $hold ? 0.0 : $lost ?? 0.0);
        $dial = DialDrawing::of(
            $now, $vacuum->aim()->kilopascals, $vacuum->limit->kilopascals, null === $hold ? null : $pulled,
        );

        return new self($vacuum, $hold, $dial, null !== $pulled, $altitude);
    }
}
