<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** A number in a named unit, or a list of numbers or names; never rounded. */
final readonly class Value
{
    /** @param float|list<float|string> $value */
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

    /** @param list<string> $names */
    public static function names(array $names): self
    {
        return new self($names, 'name');
    }

    /** @return list<float|string> */
    public function entries(): array
    {
        return is_array($this->value) ? $this->value : [$this->value];
    }

    public function number(): float
    {
        return is_float($this->value) ? $this->value : throw new \LogicException('This value is a list.');
    }
}
