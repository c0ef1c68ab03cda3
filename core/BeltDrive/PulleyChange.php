<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;

/** A pulley of another size on crank or blower: ratio, driven speed in rpm, belt speed in m/s, pressure ratio. */
final readonly class PulleyChange
{
    /** m/s, past which it is said. */
    public const FAST = 50.0;

    /**
     * @param float $overdrive percent faster than before
     * @param ?float $pressureRatio null where the old one is not known
     */
    private function __construct(
        public float $ratio, public float $ratioBefore, public float $speed, public float $speedBefore, public float $overdrive,
        public float $beltSpeed, public ?float $pressureRatio,
    ) {
    }

    /**
     * @param array{Length, Length} $crank before and after
     * @param array{Length, Length} $driven before and after
     * @param float $redline rpm of the crank
     */
    public static function of(array $crank, array $driven, float $redline, ?float $pressureRatio, BlowerType $type): self
    {
        [$before, $after] = [$crank[0]->over($driven[0]), $crank[1]->over($driven[1])];

        return new self(
            $after, $before, $redline * $after, $redline * $before, 100 * ($after / $before - 1),
            \M_PI * $crank[1]->millimetres / 1000 * $redline / 60,
            null === $pressureRatio ? null : $type->ratio($pressureRatio, $after / $before),
        );
    }

    /** Over the air outside. */
    public function boost(Pressure $outside): ?Pressure
    {
        return null === $this->pressureRatio ? null : Pressure::kilopascals(($this->pressureRatio - 1) * $outside->kilopascals);
    }
}
