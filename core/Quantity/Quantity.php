<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** A size with its kind. The number is never read without naming the unit it is wanted in. */
final readonly class Quantity
{
    private function __construct(public Kind $kind, private float $base)
    {
        is_finite($base) || throw InvalidQuantity::notFinite($kind);
    }

    public static function of(float $value, Unit $unit): self
    {
        return new self($unit->kind(), $value * $unit->factor() + $unit->offset());
    }

    /** The value is in the base unit of the kind (N·m, mm, deg, kPa, L, °C, percent, N, MPa, km, m, min). */
    public static function base(Kind $kind, float $value): self
    {
        return new self($kind, $value);
    }

    public static function torque(float $newtonMetres): self
    {
        return new self(Kind::Torque, $newtonMetres);
    }

    public static function length(float $millimetres): self
    {
        return new self(Kind::Length, $millimetres);
    }

    public static function volume(float $litres): self
    {
        return new self(Kind::Volume, $litres);
    }

    public static function percent(float $percent): self
    {
        return new self(Kind::Percent, $percent);
    }

    public function times(float $factor): self
    {
        return new self($this->kind, $factor * $this->base);
    }

    public function in(Unit $unit): float
    {
        $unit->kind() === $this->kind || throw new \LogicException(sprintf('A %s has no %s.', $this->kind->value, $unit->value));

        return ($this->base - $unit->offset()) / $unit->factor();
    }

    public function inBase(): float
    {
        return $this->base;
    }

    public function isCloseTo(self $that, float $toleranceInBase): bool
    {
        return $this->kind === $that->kind && abs($this->base - $that->base) <= $toleranceInBase;
    }

    /** For a person's eye: a thin space stands before the unit. */
    public function format(Unit $unit, int $decimals): string
    {
        return rtrim(Digits::fixed($this->in($unit), $decimals).Digits::GROUP.$unit->symbol(), Digits::GROUP);
    }
}
