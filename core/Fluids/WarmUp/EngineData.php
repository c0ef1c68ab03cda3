<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

use NimbleKnuckle\Core\Luck;

/** What an engine model is told: temperatures in °C, heat into the coolant in W a litre, at idle and held at higher speed. */
final readonly class EngineData
{
    public function __construct(
        public float $opens,
        public float $ambient,
        public float $idle = 940.0,
        public float $raised = 1900.0,
        public float $span = 12.0,
        public float $fanOn = 14.0,
    ) {
    }

    /** One of many engines on one of many days; the same luck gives the same one. */
    public static function drawn(Luck $luck, EngineFault $fault): self
    {
        $opens = $luck->oneOf([85.0, 88.0, 90.0, 92.0]);
        $ambient = match ($fault) {
            EngineFault::FanDead => $luck->between(18.0, 30.0),
            // In warm air an idling engine gets warm with its thermostat open too: no curve at idle tells the two apart.
            EngineFault::StuckOpen => $luck->between(2.0, 20.0),
            default => $luck->between(5.0, 28.0),
        };

        return new self(
            $opens, $ambient, $luck->between(880.0, 1000.0), $luck->between(1850.0, 2050.0), $luck->between(10.0, 13.0),
            $luck->between(12.0, 15.0),
        );
    }
}
