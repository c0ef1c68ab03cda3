<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Simulator;

use NimbleKnuckle\Core\Fluids\WarmUp\EngineData;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineModel;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Component\Console\Attribute\Option;

/** Which simulated engine is to warm up, how fast, and where its temperature goes. */
final class SimulatedWarmUp
{
    #[Option('What is wrong: none, stuck-open, stuck-closed and others')]
    public string $fault = 'none';
    #[Option('Which of the many like engines')]
    public string $seed = '';
    #[Option('The thermostat opens at, °C')]
    public string $opens = '88';
    #[Option('Air, °C')]
    public string $ambient = '16';
    #[Option('Times faster than a clock; 0 does not wait')]
    public string $speed = '20';
    #[Option('Send over HTTP to this address')]
    public string $url = '';
    #[Option('The device’s token, with --url')]
    public string $token = '';
    #[Option('Print one whole warm-up')]
    public bool $print = false;

    /**
     * @return list<array{float, float}> seconds, °C
     *
     * @throws InvalidInput naming the option
     */
    public function samples(): array
    {
        $known = EngineFault::tryFrom($this->fault) ?? throw InvalidInput::in('fault', sprintf(
            'That fault is not known: use %s.', implode(', ', array_column(EngineFault::cases(), 'value')),
        ));
        $data = new EngineData($this->rating(), self::number($this->ambient, 'ambient', -30.0, 45.0));

        return (new EngineModel($data, $known, is_numeric($this->seed) ? (int) $this->seed : random_int(1, 1_000_000)))->whole();
    }

    /** @throws InvalidInput */
    public function rating(): float
    {
        return self::number($this->opens, 'opens', 50.0, 120.0);
    }

    /** @throws InvalidInput */
    public function pace(): float
    {
        return self::number($this->speed, 'speed', 0.0, 1000.0);
    }

    private static function number(string $value, string $name, float $low, float $high): float
    {
        return is_numeric($value) && (float) $value >= $low && (float) $value <= $high ? (float) $value : throw InvalidInput::in(
            $name, sprintf('--%s is a number from %s to %s.', $name, $low, $high),
        );
    }
}
