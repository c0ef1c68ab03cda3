<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Level;

/** What a curve comes to, and what it says of the readings its step asks for. */
final readonly class CurveVerdict
{
    /**
     * @param array<string, float> $readings field => in the base unit of its kind; of a choice its number from 1
     * @param float $seconds between the two readings it says; 0 where that says nothing
     */
    public function __construct(
        public string $finding, public Level $level, public string $said, public array $readings = [], public float $seconds = 0.0,
    ) {
    }

    /** @param array<string, float> $readings */
    public static function of(string $finding, Check $check, array $readings = [], float $seconds = 0.0): self
    {
        return new self($finding, $check->level, $check->text, $readings, $seconds);
    }

    /** No worse than a warning: of the old part that is to be replaced. */
    public function ofTheOld(): self
    {
        return Level::Stop !== $this->level ? $this : new self($this->finding, Level::Watch, $this->said, $this->readings, $this->seconds);
    }
}
