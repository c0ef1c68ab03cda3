<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Formula\Formula;

/**
 * Stiffness of rubber from its Shore A hardness, for a ratio between two of the same shape: Gent 1958,
 * good for 20 to 80; beside it S = 100 erf(3.186e-4 √E[Pa]).
 */
final readonly class Hardness
{
    public const LOW = 20.0;
    public const HIGH = 80.0;

    /** MPa */
    public static function modulus(float $shoreA): float
    {
        return self::modulusFormula($shoreA)->value;
    }

    /** MPa */
    public static function modulusFormula(float $shoreA): Formula
    {
        return Formula::of('E = 0.0981 (56 + 7.62336 S)/(0.137505 (254 − 2.54 S))', ['S' => $shoreA]);
    }

    /** MPa, by the other relation, which holds up to hard ones */
    public static function modulusByErf(float $shoreA): float
    {
        [$low, $high] = [0.0, 6.0];
        for ($i = 0; $i < 80; ++$i) {
            $middle = ($low + $high) / 2;
            self::erf($middle) < $shoreA / 100 ? $low = $middle : $high = $middle;
        }

        return ($low / 3.186e-4) ** 2 / 1e6;
    }

    /** The error function by its series, to double precision for 0 to 6 (Abramowitz and Stegun 7.1.6). */
    public static function erf(float $x): float
    {
        if ($x > 5.9) {
            return 1.0;
        }
        $term = $sum = $x;
        for ($n = 1; $n < 300; ++$n) {
            $term *= 2 * $x * $x / (2 * $n + 1);
            $sum += $term;
        }

        return 2 / sqrt(\M_PI) * exp(-$x * $x) * $sum;
    }
}
