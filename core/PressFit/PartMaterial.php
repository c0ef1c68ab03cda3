<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Quantity\Stress;

/** What one of the two parts is made of: E in GPa, ν, α in 10⁻⁶ a kelvin (less when chilled), where it yields. Handbook values. */
final readonly class PartMaterial
{
    /** name => E, ν, α warmed, α chilled. */
    private const KNOWN = [
        'steel' => [207.0, 0.30, 11.5, 8.5], 'cast iron' => [100.0, 0.25, 10.5, 8.0], 'aluminium' => [71.0, 0.33, 23.0, 18.0],
    ];

    /** @param ?Stress $yield null where nobody knows; of cast iron the tensile strength */
    public function __construct(
        public string $name, public float $elastic, public float $poisson, public float $alpha, public float $chilled,
        public ?Stress $yield,
    ) {
    }

    /** Null for one that is not known here. */
    public static function named(string $name, ?Stress $yield = null): ?self
    {
        $clean = str_replace(['aluminum', '_', '-'], ['aluminium', ' ', ' '], mb_strtolower(trim($name)));
        $clean = ['iron' => 'cast iron', 'alu' => 'aluminium'][$clean] ?? $clean;
        $known = self::KNOWN[$clean] ?? null;

        return null === $known ? null : new self($clean, ...[...$known, $yield]);
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::KNOWN);
    }

    /** A length at another temperature as it is at 20 °C. */
    public function atTwenty(float $millimetres, float $celsius): float
    {
        return $millimetres / (1 + $this->alpha * 1e-6 * ($celsius - 20.0));
    }
}
