<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * A quantity as somebody wrote it: the value, the unit it was written in, how finely it was written, where it came from.
 *
 * The half step is half of the last written digit (or half of the fraction's denominator step), in the base unit.
 */
final readonly class Figure
{
    public function __construct(
        public Quantity $quantity,
        public Unit $unit,
        public float $halfStep,
        public string $text,
        public Origin $origin = Origin::Entered,
    ) {
    }

    public function value(): float
    {
        return $this->quantity->inBase();
    }

    /** The number as it was written, in the unit it was written in. */
    public function written(): float
    {
        return $this->quantity->in($this->unit);
    }

    public function lowest(): float
    {
        return $this->value() - $this->halfStep;
    }

    public function highest(): float
    {
        return $this->value() + $this->halfStep;
    }

    /** So many times as much, worked out and not written by anybody. */
    public function times(float $factor, Origin $origin): self
    {
        $quantity = $this->quantity->times($factor);

        return new self(
            $quantity, $this->unit, $this->halfStep * $factor,
            Digits::significant($quantity->in($this->unit)).Digits::GROUP.$this->unit->value, $origin,
        );
    }

    public function withOrigin(Origin $origin): self
    {
        return new self($this->quantity, $this->unit, $this->halfStep, $this->text, $origin);
    }
}
