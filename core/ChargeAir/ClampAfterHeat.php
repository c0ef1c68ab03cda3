<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Temperature;

/**
 * What a clamp that is brought back to its figure after heat says of its hose. The screw draws the band in, and by 2π less the wall
 * under it has given way: rubber takes a set under load and heat (compression set as ISO 815 measures it). A wall between pipe and band
 * can only grow outwards, so it grows with three times its own coefficient; what pipe and band grow nearly cancels and is left out.
 */
final readonly class ClampAfterHeat
{
    /** °C a hose is cold at. */
    public const COLD = 20.0;
    /** What a hose is of => its growth in 10⁻⁶ a kelvin: handbook values, a compound differs by a fifth. */
    public const GROWTH = ['epdm' => 160.0, 'silicone' => 270.0];
    /** Times its own coefficient, for a wall that can grow one way only. */
    private const ONE_WAY = 3.0;

    /**
     * @param Formula $drawn mm the band was drawn in
     * @param Formula $gave mm the wall under it gave way, cold: set warm, it had grown by that much
     * @param Formula $share of one of the wall
     * @param Formula $slack mm of band that comes loose again as it cools to 20 °C; nothing where it was set cold
     */
    private function __construct(
        public Formula $drawn, public Formula $gave, public Formula $share, public Formula $slack, private float $lead,
    ) {
    }

    /**
     * @param float $lead mm a turn of the screw draws the band
     * @param float $growth of the rubber, 10⁻⁶ a kelvin
     */
    public static function of(Angle $turn, float $lead, Length $wall, Temperature $set, float $growth): self
    {
        $drawn = Formula::of('s = lead θ/360', ['lead' => Term::of($lead, 'mm'), 'θ' => Term::of($turn->degrees, '°')]);
        $slack = Formula::of('w = 2π × grows α h (T − cold)', [
            'grows' => Term::fixed(self::ONE_WAY), 'α' => Term::readAs(1e-6 * $growth, $growth, '·10⁻⁶'), 'h' => $wall->millimetres,
            'T' => Term::of(max(self::COLD, $set->celsius), '°C'), 'cold' => Term::fixed(self::COLD),
        ]);
        $came = ['s' => Term::of($drawn->value, 'mm')];
        $gave = $slack->value > 0.0 ? Formula::of('e = (s + w)/(2π)', $came + ['w' => Term::of($slack->value, 'mm')])
            : Formula::of('e = s/(2π)', $came);
        $share = Formula::of('e/h', ['e' => Term::of($gave->value, 'mm'), 'h' => Term::of($wall->millimetres, 'mm')]);

        return new self($drawn, $gave, $share, $slack, $lead);
    }

    /** How far the screw will be short of where it was set, once it is cold. */
    public function shortCold(): Angle
    {
        return Angle::degrees(360 * $this->slack->value / $this->lead);
    }
}
