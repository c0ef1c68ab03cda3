<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * How deep a vacuum fill may pull and what air it leaves; vacuums are gauge, positive downwards. The deepest before water boils
 * is Patm − Pw(T); the air left is V (Patm − pulled)/Patm. Source: Boyle's law, Antoine equation for water.
 */
final readonly class Vacuum
{
    /** Of the deepest. */
    public const AIM = 0.9;

    /** @param Pressure $limit below nothing where it boils without any vacuum */
    private function __construct(
        public Air $air, public Temperature $temperature, public Volume $volume, public Pressure $pulled, public Pressure $vapour,
        public Pressure $limit,
    ) {
    }

    public static function of(Air $air, Temperature $temperature, Volume $volume, Pressure $pulled): self
    {
        $vapour = WaterVapour::pressure($temperature);

        return new self(
            $air, $temperature, $volume, $pulled, $vapour, Pressure::kilopascals(self::deepest($air->pressure, $vapour)->value),
        );
    }

    /** kPa below the air: where water boils. */
    public function limitFormula(): Formula
    {
        return self::deepest($this->air->pressure, $this->vapour);
    }

    private static function deepest(Pressure $air, Pressure $vapour): Formula
    {
        return Formula::of('limit = p − Pw(T)', ['p' => $air->kilopascals, 'Pw(T)' => $vapour->kilopascals]);
    }

    public function aim(): Pressure
    {
        return Pressure::kilopascals($this->aimFormula()->value);
    }

    /** kPa below the air: somewhat short of boiling. */
    public function aimFormula(): Formula
    {
        return Formula::of('aim = share limit', ['share' => Term::fixed(self::AIM), 'limit' => max(0.0, $this->limit->kilopascals)]);
    }

    /** Back at air pressure. */
    public function airLeft(): Volume
    {
        return Volume::litres(max(0.0, $this->airLeftFormula()->value));
    }

    /** L at air pressure; below nothing where the gauge shows more than there is. */
    public function airLeftFormula(): Formula
    {
        return Formula::of('V (p − pulled) / p', [
            'V' => $this->volume->litres, 'p' => $this->air->pressure->kilopascals, 'pulled' => $this->pulled->kilopascals,
        ]);
    }

    public function isTooHot(): bool
    {
        return $this->limit->kilopascals <= 0.0;
    }

    public function isBelowBoiling(): bool
    {
        return $this->pulled->kilopascals > $this->limit->kilopascals;
    }

    public function isDeeperThanAim(): bool
    {
        return $this->pulled->kilopascals > $this->aim()->kilopascals;
    }
}
