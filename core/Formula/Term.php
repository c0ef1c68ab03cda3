<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Formula;

use NimbleKnuckle\Core\Quantity\Show;

/**
 * What a name in a formula stands for, in the unit the formula needs, and how it is printed when it is put in.
 */
final readonly class Term
{
    private function __construct(
        public float $value, private string $unit, private int $digits, public bool $isFixed, private ?string $words,
    ) {
    }

    /** A quantity of the case: its name stands in the formula, its number where it is filled in. */
    public static function of(float $value, string $unit = '', int $digits = 4): self
    {
        return new self($value, $unit, $digits, false, null);
    }

    /** A factor of the trade that is kept elsewhere: its number stands in both. */
    public static function fixed(float $value, string $unit = ''): self
    {
        return new self($value, $unit, 8, true, null);
    }

    /** One that is reckoned with in another unit than people read: radians, a share of one. */
    public static function readAs(float $value, float $shown, string $unit): self
    {
        return new self($value, $unit, 4, false, Show::n($shown));
    }

    public function shown(): string
    {
        $shown = $this->words ?? Show::n($this->value, $this->digits);

        return $shown.('' === $this->unit || str_starts_with($this->unit, '·') || '°' === $this->unit ? $this->unit : ' '.$this->unit);
    }
}
