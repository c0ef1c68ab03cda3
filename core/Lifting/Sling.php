<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Mass;

/**
 * What each leg of a sling carries. Two legs balance sideways. Of three or more only two can be
 * counted on.
 */
final readonly class Sling
{
    /**
     * @param list<Leg> $legs
     *
     * @return list<Formula> N in the order of the legs
     */
    public static function tensions(Mass $mass, array $legs): array
    {
        $load = $mass->weight()->newtons;
        $angles = array_map(static fn (Leg $leg): Term => Term::of($leg->angle->degrees, '°'), $legs);
        if (2 !== count($angles)) {
            return array_map(static fn (Term $angle): Formula => Formula::of(1 === count($angles) ? 'T = F / cos θ' : 'T = F / (2 cos θ)', [
                'F' => $load, 'θ' => $angle,
            ]), $angles);
        }
        // Both upright share it.
        $text = abs(sin(deg2rad($angles[0]->value + $angles[1]->value))) < 1e-9 ? 'T1 = F / 2' : 'T1 = F sin θ2 / sin(θ1 + θ2)';

        return array_map(static fn (array $pair): Formula => Formula::of($text, [
            'F' => $load, 'θ1' => $pair[0], 'θ2' => $pair[1],
        ]), [$angles, array_reverse($angles)]);
    }
}
