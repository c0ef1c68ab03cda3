<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;

/** A pulley of another size on crank or blower: ratio, driven speed in rpm, belt speed in m/s, pressure ratio. */
final readonly class PulleyChange
{
    /** m/s, past which it is said. */
    public const FAST = 50.0;

    /**
     * @param Formula $speed rpm
     * @param Formula $overdrive percent faster than before
     * @param Formula $beltSpeed m/s
     * @param ?Formula $pressureRatio null where the old one is not known
     */
    private function __construct(
        public Formula $ratio, public Formula $ratioBefore, public Formula $speed, public float $speedBefore, public Formula $overdrive,
        public Formula $beltSpeed, public ?Formula $pressureRatio,
    ) {
    }

    /**
     * @param array{Length, Length} $crank before and after
     * @param array{Length, Length} $driven before and after
     * @param float $redline rpm of the crank
     */
    public static function of(array $crank, array $driven, float $redline, ?float $pressureRatio, BlowerType $type): self
    {
        [$before, $after] = array_map(static fn (int $i): Formula => Formula::of('crank/driven', [
            'crank' => $crank[$i]->millimetres, 'driven' => $driven[$i]->millimetres,
        ]), [0, 1]);

        return new self(
            $after, $before, Formula::of('redline · ratio', ['redline' => $redline, 'ratio' => $after->value]), $redline * $before->value,
            Formula::of('100 (ratio/before − 1)', ['ratio' => $after->value, 'before' => $before->value]),
            Formula::of('π · crank · redline/60', [
                'crank' => Term::readAs($crank[1]->millimetres / 1000, $crank[1]->millimetres, 'mm'), 'redline' => $redline,
            ]),
            null === $pressureRatio ? null : $type->formula($pressureRatio, $before->value, $after->value),
        );
    }

    /** Over the air outside. */
    public function boost(Pressure $outside): ?Pressure
    {
        $boost = $this->boostFormula($outside);

        return null === $boost ? null : Pressure::kilopascals($boost->value);
    }

    /** kPa over the air outside. */
    public function boostFormula(Pressure $outside): ?Formula
    {
        return null === $this->pressureRatio ? null : Formula::of('(PR − 1) · air outside', [
            'PR' => $this->pressureRatio->value, 'air outside' => $outside->kilopascals,
        ]);
    }
}
