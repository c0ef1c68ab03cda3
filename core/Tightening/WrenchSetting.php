<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;

/** What to set a torque wrench to when an adapter changes its lever: moments about the fastener, in N·m; the factor is a ratio. */
final readonly class WrenchSetting
{
    /** The least share of its lever that may be left of a wrench folded back. */
    private const LEAST = 0.1;

    /** @param Length $reach from handle centre to bolt */
    private function __construct(
        public Torque $target, public Length $lever, public Length $adapter, public Angle $adapterAngle, public Length $reach,
    ) {
    }

    /**
     * @param Length $lever from handle centre to drive
     * @param Length $adapter from drive to bolt; none without an adapter
     * @param Angle $adapterAngle 0 straight out, 90 square to the handle, 180 folded back
     */
    public static function of(Torque $target, Length $lever, Length $adapter, Angle $adapterAngle): self
    {
        $reach = self::reach($lever, $adapter, $adapterAngle)->value;

        return new self($target, $lever, $adapter, $adapterAngle, Length::millimetres($reach));
    }

    /** mm. */
    public function reachFormula(): Formula
    {
        return self::reach($this->lever, $this->adapter, $this->adapterAngle);
    }

    private static function reach(Length $lever, Length $adapter, Angle $angle): Formula
    {
        return Formula::of('R = L + A cos φ', [
            'L' => $lever->millimetres, 'A' => $adapter->millimetres, 'φ' => Term::of($angle->degrees, '°'),
        ]);
    }

    /** Whether enough lever is left to turn the bolt with. */
    public function isWorkable(): bool
    {
        return $this->lever->millimetres > 0.0 && $this->reach->millimetres >= self::LEAST * $this->lever->millimetres;
    }

    /** Setting over torque at the bolt. */
    public function factor(): float
    {
        return $this->lever->over($this->reach);
    }

    public function setting(): Torque
    {
        return Torque::newtonMetres($this->settingFormula()->value);
    }

    /** N·m. */
    public function settingFormula(): Formula
    {
        return Formula::of('S = T L / R', [
            'T' => $this->target->newtonMetres, 'L' => $this->lever->millimetres, 'R' => $this->reach->millimetres,
        ]);
    }
}
