<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/** One length of pipe of one inside diameter, with its bends. mm, degrees, °C. */
final readonly class ChargeSection
{
    /** Drawn tube: mm. */
    public const SMOOTH = 0.0015;

    /**
     * @param list<array{float, float}> $bends angle and radius of the centre line
     * @param ?float $temperature where it is another than that of the whole path
     */
    public function __construct(
        public string $name, public float $d, public float $length, public array $bends = [], public float $roughness = self::SMOOTH,
        public ?float $temperature = null,
    ) {
    }

    /** Litres. */
    public function volume(): float
    {
        return \M_PI / 4 * $this->d ** 2 * $this->length / 1e6;
    }

    public function wide(float $d): self
    {
        return new self($this->name, $d, $this->length, $this->bends, $this->roughness, $this->temperature);
    }
}
