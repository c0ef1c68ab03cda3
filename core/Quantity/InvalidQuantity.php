<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

use NimbleKnuckle\Core\CoreException;

/** A person wrote something that is no quantity of the kind asked for; the sentence tells what to write instead. */
final class InvalidQuantity extends \DomainException implements CoreException
{
    public static function empty(Kind $kind): self
    {
        return new self(sprintf('Nothing was written: give %s, for example “%s”.', $kind->withArticle(), self::example($kind)));
    }

    public static function notReadable(Kind $kind, string $text): self
    {
        return new self(
            sprintf(
                '“%s” is not %s: write a number and a unit, for example “%s”.', self::quote($text), $kind->withArticle(),
                self::example($kind),
            ),
        );
    }

    public static function unknownUnit(Kind $kind, string $unit): self
    {
        return new self(sprintf('“%s” is not a unit of %s: use %s.', self::quote($unit), $kind->value, $kind->acceptedUnits()));
    }

    public static function ambiguousNumber(string $text): self
    {
        $point = str_replace(',', '.', $text);

        return new self(sprintf(
            '“%s” can mean %s or %s: write one of the two.', self::quote($text), $point, str_replace(',', '', $text),
        ));
    }

    public static function notFinite(Kind $kind): self
    {
        return new self(sprintf('%s must be an ordinary number.', ucfirst($kind->withArticle())));
    }

    public static function negative(Kind $kind, string $text): self
    {
        return new self(sprintf('“%s” is below zero: %s cannot be.', self::quote($text), $kind->withArticle()));
    }

    public static function absurd(Kind $kind, string $text): self
    {
        return new self(sprintf(
            '“%s” is past anything found in an engine bay (limit %s %s): check the unit and the decimal point.',
            self::quote($text), Digits::fixed($kind->absurdAbove(), 0), $kind->baseUnit()->symbol(),
        ));
    }

    public static function range(string $text): self
    {
        return new self(sprintf('“%s” is a range: give the one figure to be used.', self::quote($text)));
    }

    public static function rangeBackwards(string $text): self
    {
        return new self(sprintf('“%s” runs from high to low: write the lower figure first, such as 18 to 22.', self::quote($text)));
    }

    public static function plusAngle(string $text): self
    {
        return new self(
            sprintf(
                '“%s” is a torque and an angle: write the torque here, and the angle where the angle is asked for.',
                self::quote($text),
            ),
        );
    }

    public static function limit(string $text): self
    {
        return new self(sprintf('“%s” is a limit: write the figure itself.', self::quote($text)));
    }

    public static function twoWays(string $text, string $one, string $two): self
    {
        return new self(sprintf('“%s” can mean %s or %s: write one of the two.', self::quote($text), $one, $two));
    }

    public static function tooSmall(Kind $kind, string $text): self
    {
        return new self(
            sprintf('“%s” is smaller than any %s there is: write 0, or check the power of ten.', self::quote($text), $kind->value),
        );
    }

    public static function foreignDigit(string $text, string $digit): self
    {
        return new self(
            sprintf(
                '“%s” has the sign “%s”, which is none of the digits 0 to 9: type that number again.', self::quote($text), $digit,
            ),
        );
    }

    public static function noFreezingPoint(string $text, string $base, float $lowest): self
    {
        return new self(sprintf(
            '“%s” is no freezing point of %s: they lie between 0 and %s °C. Read it again, or write the strength in percent.',
            self::quote($text), $base, Digits::significant($lowest, 3),
        ));
    }

    public static function inRow(int $row, string $cell): self
    {
        return new self(sprintf('Row %d: “%s” is no plain number. Write 0.4 or 0,4, with spaces between columns.', $row, $cell));
    }

    public static function noText(string $text): self
    {
        return new self(sprintf('“%s” is not readable text: type it again.', self::quote($text)));
    }

    public static function tooMany(int $count): self
    {
        return new self(sprintf('%d figures stand there: give one, or the same one in two units.', $count));
    }

    public static function quote(string $text): string
    {
        $clean = (string) preg_replace('/[\x00-\x1f\x7f]+/u', ' ', mb_scrub($text, 'UTF-8'));

        return mb_strlen($clean) > 40 ? mb_substr($clean, 0, 39).'…' : $clean;
    }

    private static function example(Kind $kind): string
    {
        return match ($kind) {
            Kind::Torque => '25 N·m',
            Kind::Length => '32 mm',
            Kind::Angle => '90 deg',
            Kind::Pressure => '120 kPa',
            Kind::Volume => '4.1 L',
            Kind::Temperature => '88 °C',
            Kind::Percent => '45 %',
            Kind::Force => '400 N',
            Kind::Stress => '640 MPa',
            Kind::Distance => '300 km',
            Kind::Altitude => '640 m',
            Kind::Duration => '20 min',
            Kind::Mass => '180 kg',
            Kind::Stiffness => '160 N/mm',
            Kind::Speed => '6500 rpm',
            Kind::Velocity => '40 m/s',
            Kind::Power => '45 kW',
            Kind::Frequency => '84 Hz',
            Kind::MassFlow => '240 g/s',
            Kind::Voltage => '12.6 V',
            Kind::Current => '180 A',
            Kind::Number => '8',
        };
    }
}
