<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** A number, or a list of numbers, in a named unit; never rounded. */
final readonly class Value
{
    /** @param float|list<float> $value */
    private function __construct(public float|array $value, public string $unit)
    {
    }

    public static function of(float $value, string $unit): self
    {
        return new self($value, $unit);
    }

    /** @param list<float> $values */
    public static function listOf(array $values, string $unit): self
    {
        return new self($values, $unit);
    }

    public function number(): float
    {
        return is_float($this->value) ? $this->value : throw new \LogicException('This value is a list.');
    }
}
