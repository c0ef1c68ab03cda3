<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Unit;

/**
 * The strength of a coolant as it is read: in percent by volume, or as the temperature at which the refractometer says it
 * begins to freeze. Source: ASHRAE Fundamentals, by the table of the base fluid.
 */
final readonly class CoolantStrength
{
    /**
     * @param ?Figure $freezing the temperature it was written as, °C; null where percent were written
     */
    private function __construct(public Figure $figure, public ?Figure $freezing)
    {
    }

    /** @throws InvalidQuantity where it is neither, or no mix of this base freezes there */
    public static function read(string|int|float $input, Glycol $base): self
    {
        try {
            return new self(Notation::read(Kind::Percent, $input), null);
        } catch (InvalidQuantity $e) {
            $freezing = self::temperature($input) ?? throw $e;
        }
        $percent = $freezing->value() > 0.0 ? null : $base->strengthFor($freezing->value());
        null !== $percent || throw InvalidQuantity::noFreezingPoint($freezing->text, $base->inWords(), $base->freezing($base->strongest()));
        $finer = abs(($base->strengthFor($freezing->value() - $freezing->halfStep) ?? $percent) - $percent);

        return new self(new Figure(Quantity::percent($percent), Unit::Percent, $finer, $freezing->text), $freezing);
    }

    private static function temperature(string|int|float $input): ?Figure
    {
        try {
            // A bare number below zero may be degrees of either scale.
            return 1 === preg_match('~[CFK℃℉]~iu', (string) $input) ? Notation::read(Kind::Temperature, $input) : null;
        } catch (InvalidQuantity) {
            // Then it was meant as a strength, and that reading's own words are shown.
            return null;
        }
    }
}
