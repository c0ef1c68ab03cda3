<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

use NimbleKnuckle\Core\Fastening\AngleTighten;
use NimbleKnuckle\Core\Fastening\BoltReuse;
use NimbleKnuckle\Core\Fastening\EvenTakeUp;
use NimbleKnuckle\Core\Fastening\PartTurn;
use NimbleKnuckle\Core\Fastening\ThreadCompound;
use NimbleKnuckle\Core\Fastening\ThreadEngagement;
use NimbleKnuckle\Core\Fastening\ThreadGauge;
use NimbleKnuckle\Core\Fastening\TightenOrder;
use NimbleKnuckle\Core\Fastening\TorqueCheck;
use NimbleKnuckle\Core\Fastening\TorqueEstimate;
use NimbleKnuckle\Core\Fastening\Trace\TraceJudge;
use NimbleKnuckle\Core\Fastening\WrenchSet;
use NimbleKnuckle\Core\Fluids\ClampSize;
use NimbleKnuckle\Core\Fluids\CoolantLevel;
use NimbleKnuckle\Core\Fluids\CoolantMix;
use NimbleKnuckle\Core\Fluids\CoolantProtect;
use NimbleKnuckle\Core\Fluids\OilFill;
use NimbleKnuckle\Core\Fluids\ThermostatTest;
use NimbleKnuckle\Core\Fluids\VacuumFill;
use NimbleKnuckle\Core\Fluids\WarmUp\WarmUp;
use NimbleKnuckle\Core\Plan\Kit\WrenchPick;
use NimbleKnuckle\Core\Sealing\Door\SealSqueezeDoor;

/** All the sums there are, by name. */
final readonly class SumBook
{
    /** @var array<string, Sum> */
    private array $sums;

    public function __construct(Sum ...$sums)
    {
        $this->sums = array_combine(array_map(static fn (Sum $sum): string => $sum->name(), $sums), $sums);
    }

    /** @param ?\DateTimeImmutable $today what a calibration date is held against */
    public static function standard(?\DateTimeImmutable $today = null): self
    {
        return new self(
            new TorqueCheck(), new TorqueEstimate(), new AngleTighten(), new PartTurn(), new WrenchSet(), new WrenchPick($today), new TightenOrder(), new EvenTakeUp(),
            new ThreadEngagement(), new ThreadGauge(), new ThreadCompound(), new BoltReuse(), new TraceJudge(),
            new CoolantMix(), new CoolantProtect(), new VacuumFill(), new CoolantLevel(), new WarmUp(), new ThermostatTest(), new OilFill(), new ClampSize(),
            new SealSqueezeDoor(),
        );
    }

    /** @return array<string, Sum> */
    public function all(): array
    {
        return $this->sums;
    }

    /** @throws InvalidInput when there is no such sum */
    public function named(string $name): Sum
    {
        return $this->sums[$name] ?? throw InvalidInput::in('sum', sprintf('There is no sum “%s”: the sums are %s.', mb_substr($name, 0, 40), implode(', ', array_keys($this->sums))));
    }

    /**
     * @param array<array-key, mixed> $raw
     *
     * @throws InvalidInput
     */
    public function run(string $name, array $raw): SumResult
    {
        $sum = $this->named($name);

        return $sum->compute(Inputs::of($raw, $sum->fields()));
    }
}
