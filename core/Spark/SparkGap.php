<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Spark;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;

/**
 * The voltage a plug's gap asks for: compressed from bottom centre to the spark, polytropic 1.32, which is an upper bound for valves
 * close later; then V = 24.22 x + 6.08 √x kV, x = (p/101.325)(293.15/T) d (Meek and Craggs), d in cm, ±20 %. kPa, °C, mm, kV.
 */
final readonly class SparkGap
{
    /** kV, for x = p d over what it is at 20 °C and one atmosphere, in cm (Meek and Craggs). */
    public const DEMAND = '24.22 x + 6.08 √x';
    public const SPREAD = 0.2;
    /** How much the coil has to have over. */
    public const RESERVE = 1.25;
    private const EXPONENT = 1.32;
    /** Length of the rod over the radius of the crank: working value. */
    private const ROD = 3.5;
    private const OUTSIDE = 101.325;
    private const ZERO = 273.15;

    /**
     * @param float $pressure kPa absolute, at the spark
     * @param float $celsius there
     * @param ?Formula $compressed kPa, how it came to be; null in the open
     */
    private function __construct(public float $pressure, public float $celsius, public ?Formula $compressed = null)
    {
    }

    /**
     * @param float $boost over the air outside
     * @param float $ratio compression
     * @param float $advance degrees before top centre
     */
    public static function at(float $boost, float $ratio, float $advance, float $celsius): self
    {
        $angle = deg2rad($advance);
        $fallen = (self::ROD + 1 - cos($angle) - sqrt(self::ROD ** 2 - sin($angle) ** 2)) / 2;
        $pressed = $ratio / (1 + ($ratio - 1) * $fallen);

        $compressed = Formula::of('p = p₁ (r/(1 + (r − 1) s))^n', [
            'p₁' => self::OUTSIDE + $boost, 'r' => $ratio, 's' => $fallen, 'n' => Term::fixed(self::EXPONENT),
        ]);

        return new self(
            $compressed->value, ($celsius + self::ZERO) * $pressed ** (self::EXPONENT - 1) - self::ZERO, $compressed,
        );
    }

    /** In the open, as on a bench. */
    public static function open(float $pressure, float $celsius): self
    {
        return new self($pressure, $celsius);
    }

    /** kV a gap of so many mm asks for. */
    public function demand(float $gap): float
    {
        return Formula::of(self::DEMAND, [
            'x' => $this->pressure / self::OUTSIDE * (20.0 + self::ZERO) / ($this->celsius + self::ZERO) * $gap / 10,
        ])->value;
    }

    /** The largest gap in a range that leaves a coil its reserve once it is worn; null where none does. */
    public function largest(float $low, float $high, float $wear, float $coil): ?float
    {
        $fits = fn (float $gap): bool => self::RESERVE * $this->demand($gap + $wear) <= $coil + 1e-9;
        if (!$fits($low)) {
            return null;
        }
        if ($fits($high)) {
            return $high;
        }
        for ($i = 0; $i < 60; ++$i) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $fits($middle) ? [$middle, $high] : [$low, $middle];
        }

        return $low;
    }
}
