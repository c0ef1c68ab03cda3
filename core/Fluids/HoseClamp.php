<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;

/** A clamp of one kind: what it closes on, how wide its band is, what its screw is turned to. */
final readonly class HoseClamp
{
    /** Hose past the band, mm. */
    private const END_ROOM = 5.0;

    private function __construct(
        public ClampKind $kind, public Length $smallest, public Length $largest, public Length $band, public Torque $torque,
    ) {
    }

    /** The one whose middle lies nearest; null where none of the kind closes on it. */
    public static function nearest(ClampKind $kind, Length $across): ?self
    {
        $on = $across->millimetres;
        $around = array_values(array_filter($kind->sizes(), static fn (array $c): bool => $on >= $c[0] && $on <= $c[1]));
        $off = static fn (float $low, float $high): float => abs(($low + $high) / 2 - $on) / ($high - $low);
        usort($around, static fn (array $a, array $b): int => $off($a[0], $a[1]) <=> $off($b[0], $b[1]));
        if ([] === $around) {
            return null;
        }
        [$smallest, $largest, $band, $torque] = $around[0];

        return new self(
            $kind, Length::millimetres($smallest), Length::millimetres($largest), Length::millimetres($band),
            Torque::newtonMetres($torque),
        );
    }

    /** Behind the bead: the band, and some hose past it. */
    public function room(): Length
    {
        return Length::millimetres($this->roomFormula()->value);
    }

    /** mm. */
    public function roomFormula(): Formula
    {
        return Formula::of('band + end', ['band' => $this->band->millimetres, 'end' => Term::fixed(self::END_ROOM)]);
    }
}
