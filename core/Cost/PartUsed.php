<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Cost;

/** A part or consumable of a fit: what was planned and what was used, and what one costs where anybody knows. */
final readonly class PartUsed
{
    /**
     * @param string $number as the one who sells it calls it; empty where nobody wrote it down
     * @param float $planned pieces, litres, whatever one is counted in
     * @param ?float $used null where nobody has said yet
     * @param ?float $each price of one; null where nobody knows
     */
    public function __construct(
        public string $name, public string $number, public float $planned, public ?float $used, public ?float $each,
        public bool $isConsumable = false,
    ) {
    }

    public function plannedCost(): float
    {
        return $this->planned * ($this->each ?? 0.0);
    }

    /** What was used; as planned while nobody has said otherwise. */
    public function usedCost(): float
    {
        return ($this->used ?? $this->planned) * ($this->each ?? 0.0);
    }

    /** “2”, “0.5 L”, “1 set”: the number it begins with; one where there is none. */
    public static function amount(string $text): float
    {
        return 1 === preg_match('/\A\s*([0-9]+(?:[.,][0-9]+)?)/', $text, $m) ? (float) strtr($m[1], [',' => '.']) : 1.0;
    }
}
