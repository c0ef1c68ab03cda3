<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;

/** A wastegate’s rod shortened against its spring: turns of the end, and at what pressure the gate cracks then. mm and kPa. */
final readonly class GatePreload
{
    /**
     * @param float $turns of the end, in its steps; less than nothing where it would have to be let out
     * @param float $exact before they were rounded to a step
     */
    private function __construct(
        public float $turns, public float $exact, public Length $preload, public Pressure $cracks, public ?Pressure $fullOpen,
    ) {
    }

    /**
     * @param float $rate kPa for each mm of rod
     * @param float $step turns the end can be moved by
     */
    public static function toCrackAt(
        Pressure $wanted, Pressure $bare, float $rate, Length $pitch, float $step, ?Length $needed,
    ): self {
        $exact = ($wanted->kilopascals - $bare->kilopascals) / $rate / $pitch->millimetres;

        return self::after($step * round($exact / $step), $exact, $bare, $rate, $pitch, $needed);
    }

    public static function turned(float $turns, Pressure $bare, float $rate, Length $pitch, ?Length $needed): self
    {
        return self::after($turns, $turns, $bare, $rate, $pitch, $needed);
    }

    private static function after(float $turns, float $exact, Pressure $bare, float $rate, Length $pitch, ?Length $needed): self
    {
        $preload = $turns * $pitch->millimetres;
        $cracks = $bare->kilopascals + $rate * $preload;

        return new self(
            $turns, $exact, Length::millimetres($preload), Pressure::kilopascals($cracks),
            null === $needed ? null : Pressure::kilopascals($cracks + $rate * $needed->millimetres),
        );
    }
}
