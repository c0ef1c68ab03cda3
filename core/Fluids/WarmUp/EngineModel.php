<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

use NimbleKnuckle\Core\Luck;

/**
 * An engine that warms up, as three lumps of heat (metal, coolant in the engine, coolant in the radiator), a thermostat with
 * a slow wax and a hysteresis, a fan, a heater core, and a sensor that may stand in air. Times in s, temperatures in °C,
 * heat in W. Somebody holds the speed up a while after the thermostat should have opened, so that the fan has to come.
 * Everything is for a litre of coolant, a working value of a small engine; the energy balance is exact, the numbers are no
 * measurement.
 */
final class EngineModel
{
    public const STEP = 0.5;
    private const COOLANT_HEAT = 3550.0;
    private const METAL_HEAT = 7000.0;
    private const METAL_TO_COOLANT = 230.0;
    private const PUMP = 0.07;
    private const RADIATOR_STILL = 10.6;
    private const RADIATOR_FAN = 45.0;
    private const HEATER = 4.5;
    private const BLOCK_TO_AIR = 2.3;
    private const WAX = 9.0;
    private const HYSTERESIS = 3.0;
    private const FAN_SPAN = 6.0;
    private const RAISE_AFTER = 90.0;
    private const IN_ENGINE = 0.6;
    private const SENSOR = 2.5;
    private const NOISE = 0.12;

    private float $time = 0.0;
    private float $metal;
    private float $engine;
    private float $radiator;
    private float $wax;
    private float $sensor;
    private float $open = 0.0;
    private bool $fan = false;
    private int $fanStarts = 0;
    private float $passed = -1.0;
    private float $bubbleFrom = -1.0;
    private float $bubbleUntil = -1.0;
    private float $bubbleDepth = 0.0;
    private readonly Luck $luck;

    public function __construct(private readonly EngineData $data, private readonly EngineFault $fault, int $seed)
    {
        $this->luck = new Luck($seed);
        $this->metal = $this->engine = $this->radiator = $this->wax = $this->sensor = $data->ambient;
        $this->bubbleFrom = $this->luck->between(90.0, 180.0);
    }

    /**
     * @param float $every seconds between two samples
     *
     * @return list<array{float, float}> [s, °C] of the sensor, from where it was before
     */
    public function run(float $seconds, float $every = 2.0): array
    {
        $samples = [];
        $next = $this->time;
        $end = $this->time + $seconds;
        while ($this->time < $end - 1e-9) {
            if ($this->time >= $next - 1e-9) {
                $samples[] = [round($this->time, 1), round($this->sensor + self::NOISE * $this->luck->normal(), 2)];
                $next += $every;
            }
            $this->step();
        }

        return $samples;
    }

    /**
     * The whole of a warm-up as somebody would run it: until the fan has cycled, until it is plainly never going to get
     * hot, or until it must be stopped.
     *
     * @return list<array{float, float}>
     */
    public function whole(float $every = 2.0): array
    {
        $samples = [];
        while ($this->time < ($this->passed < 0.0 ? 1800.0 : 2700.0) && $this->sensor < 121.0 && $this->fanStarts < 3) {
            array_push($samples, ...$this->run(20.0, $every));
        }

        return $samples;
    }

    public function time(): float
    {
        return $this->time;
    }

    /** Heat that went into the lumps since the start at ambient, J a litre of coolant; for the balance. */
    public function stored(): float
    {
        return $this->metalHeat() * ($this->metal - $this->data->ambient)
            + $this->engineHeat() * ($this->engine - $this->data->ambient)
            + $this->radiatorHeat() * ($this->radiator - $this->data->ambient);
    }

    public function coolant(): float
    {
        return $this->engine;
    }

    public function opening(): float
    {
        return $this->open;
    }

    public function fanRuns(): bool
    {
        return $this->fan;
    }

    private function step(): void
    {
        $dt = self::STEP;
        $heat = $this->passed >= 0.0 && $this->time - $this->passed > self::RAISE_AFTER ? $this->data->raised : $this->data->idle;
        $low = EngineFault::LowLevel === $this->fault;
        $flow = self::PUMP * $this->open * ($low ? 0.5 : 1.0) * self::COOLANT_HEAT;
        $toCoolant = self::METAL_TO_COOLANT * ($low ? 0.6 : 1.0) * ($this->metal - $this->engine);
        $toHeater = ($low ? 0.2 : 1.0) * self::HEATER * ($this->engine - $this->data->ambient);
        $over = $flow * ($this->engine - $this->radiator);
        $away = ($this->fan ? self::RADIATOR_FAN : self::RADIATOR_STILL) * ($this->radiator - $this->data->ambient);
        $this->metal += $dt * ($heat - $toCoolant - self::BLOCK_TO_AIR * ($this->metal - $this->data->ambient)) / $this->metalHeat();
        $this->engine += $dt * ($toCoolant - $toHeater - $over) / $this->engineHeat();
        $this->radiator += $dt * ($over - $away) / $this->radiatorHeat();
        $this->wax += $dt / self::WAX * ($this->engine - $this->wax);
        $this->sensor += min(1.0, $dt / self::SENSOR) * ($this->engine - $this->inAir() - $this->sensor);
        $this->time += $dt;
        $this->thermostat();
        $this->switchFan();
        if ($this->passed < 0.0 && $this->sensor > $this->data->opens) {
            $this->passed = $this->time;
        }
    }

    private function thermostat(): void
    {
        if (EngineFault::StuckOpen === $this->fault || EngineFault::StuckClosed === $this->fault) {
            $this->open = EngineFault::StuckOpen === $this->fault ? 1.0 : 0.0;

            return;
        }
        $at = fn (float $offset): float => max(0.0, min(1.0, ($this->wax + $offset - $this->data->opens) / $this->data->span));
        $this->open = max($at(0.0), min($this->open, $at(self::HYSTERESIS)));
    }

    private function switchFan(): void
    {
        if (EngineFault::FanDead === $this->fault) {
            return;
        }
        $on = $this->data->opens + $this->data->fanOn;
        $runs = $this->fan ? $this->sensor > $on - self::FAN_SPAN : $this->sensor > $on;
        $this->fanStarts += $runs && !$this->fan ? 1 : 0;
        $this->fan = $runs;
    }

    /** How far below the coolant the sensor reads, because it stands in a bubble for a while. */
    private function inAir(): float
    {
        if (EngineFault::TrappedAir !== $this->fault && EngineFault::LowLevel !== $this->fault) {
            return 0.0;
        }
        if ($this->time >= $this->bubbleFrom && $this->bubbleUntil < $this->bubbleFrom) {
            $this->bubbleUntil = $this->bubbleFrom + $this->luck->between(8.0, 22.0);
            $this->bubbleDepth = $this->luck->between(0.16, 0.4);
        }
        if ($this->time >= $this->bubbleUntil && $this->bubbleUntil > $this->bubbleFrom) {
            $this->bubbleFrom = $this->time + $this->luck->between(15.0, EngineFault::LowLevel === $this->fault ? 90.0 : 60.0);
        }

        return $this->time >= $this->bubbleFrom && $this->time < $this->bubbleUntil
            ? $this->bubbleDepth * ($this->engine - $this->data->ambient)
            : 0.0;
    }

    /** J/K, a litre of coolant. */
    private function metalHeat(): float
    {
        return self::METAL_HEAT;
    }

    private function engineHeat(): float
    {
        return self::COOLANT_HEAT * self::IN_ENGINE * (EngineFault::LowLevel === $this->fault ? 0.7 : 1.0);
    }

    private function radiatorHeat(): float
    {
        return self::COOLANT_HEAT * (1 - self::IN_ENGINE);
    }
}
