<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;

/** A wastegate’s rod shortened against its spring: turns of the end, and at what pressure the gate cracks then. mm and kPa. */
final readonly class GatePreload
{
    /**
     * @param float $turns of the end, in its steps; less than nothing where it would have to be let out
     * @param Formula $exact before they were rounded to a step
     * @param Formula $cracks kPa
     */
    private function __construct(
        public float $turns, public Formula $exact, public Length $preload, public Formula $cracks, public ?Pressure $fullOpen,
    ) {
    }

    /**
     * @param float $rate kPa for each mm of rod
     * @param float $step turns the end can be moved by
     */
    public static function toCrackAt(
        Pressure $wanted, Pressure $bare, float $rate, Length $pitch, float $step, ?Length $needed,
    ): self {
        $exact = Formula::of('(wanted − cracks)/(rate · pitch)', [
            'wanted' => $wanted->kilopascals, 'cracks' => $bare->kilopascals, 'rate' => $rate, 'pitch' => $pitch->millimetres,
        ]);

        return self::after($step * round($exact->value / $step), $exact, $bare, $rate, $pitch, $needed);
    }

    public static function turned(float $turns, Pressure $bare, float $rate, Length $pitch, ?Length $needed): self
    {
        return self::after($turns, Formula::of('as turned', ['as turned' => $turns]), $bare, $rate, $pitch, $needed);
    }

    private static function after(float $turns, Formula $exact, Pressure $bare, float $rate, Length $pitch, ?Length $needed): self
    {
        $preload = $turns * $pitch->millimetres;
        $cracks = Formula::of('cracks + rate · turns · pitch', [
            'cracks' => $bare->kilopascals, 'rate' => $rate, 'turns' => $turns, 'pitch' => $pitch->millimetres,
        ]);

        return new self(
            $turns, $exact, Length::millimetres($preload), $cracks,
            null === $needed ? null : Pressure::kilopascals($cracks->value + $rate * $needed->millimetres),
        );
    }
}
