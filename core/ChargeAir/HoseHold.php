<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;

/**
 * Whether boost pushes a hose off its pipe: the push on the area of the pipe against what the band holds by friction and, behind a
 * bead, by its flank. Friction of the hose under its own band is allowed for with a quarter of the tension.
 */
final readonly class HoseHold
{
    private const SPREAD = 0.3;
    private const LEFT = 0.75;

    /**
     * @param Formula $push N on the bore
     * @param Formula $hold N the band holds
     * @param Formula $least N it holds where friction is low
     * @param float $margin of the least it holds over the push
     */
    private function __construct(
        public Formula $push, public Force $band, public Formula $hold, public Formula $least, public float $margin,
    ) {
    }

    /** @param float $flank degrees of the bead; 0 without one */
    public static function of(Length $diameter, Pressure $boost, Force $band, float $friction, float $flank): self
    {
        $push = Formula::of('F = p π D²/4', [
            'p' => Term::readAs(1e-3 * $boost->kilopascals, $boost->kilopascals, 'kPa'), 'D' => $diameter->millimetres,
        ]);
        $held = ['T' => $band->newtons, 'μ' => $friction, 'β' => Term::of($flank, '°')];
        $least = Formula::of('2π left T (tan β + low μ)/(1 − low μ tan β)', [
            'left' => Term::fixed(self::LEFT), 'low' => Term::fixed(1 - self::SPREAD),
        ] + $held);

        return new self(
            $push, $band, Formula::of('2π T (tan β + μ)/(1 − μ tan β)', $held), $least, $least->value / $push->value,
        );
    }
}
