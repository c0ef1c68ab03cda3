<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Quantity;

use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Unit;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Quantity::class)]
#[CoversClass(Kind::class)]
#[CoversClass(Figure::class)]
#[CoversClass(Origin::class)]
#[CoversClass(InvalidQuantity::class)]
final class QuantityTest extends TestCase
{
    #[DataProvider('conversions')]
    public function testConvertsByTheDefinition(float $value, Unit $from, Unit $to, float $expected): void
    {
        self::assertEqualsWithDelta($expected, Quantity::of($value, $from)->in($to), 1e-4 * max(1.0, abs($expected)));
    }

    /** @return iterable<string, array{float, Unit, Unit, float}> NIST SP 811, appendix B.8 */
    public static function conversions(): iterable
    {
        yield '25 N·m is 18.439 lbf·ft' => [25.0, Unit::NewtonMetre, Unit::PoundFoot, 18.4390];
        yield '1 lbf·ft is 12 lbf·in' => [1.0, Unit::PoundFoot, Unit::PoundInch, 12.0];
        yield '1 lbf·in is 16 ozf·in' => [1.0, Unit::PoundInch, Unit::OunceInch, 16.0];
        yield '1 kgf·m is 9.80665 N·m' => [1.0, Unit::KilogramMetre, Unit::NewtonMetre, 9.80665];
        yield '1 bar is 14.5038 psi' => [1.0, Unit::Bar, Unit::Psi, 14.5038];
        yield '29.9213 inHg is an atmosphere' => [29.92126, Unit::InchMercury, Unit::Kilopascal, 101.325];
        yield '100 °C is 212 °F' => [100.0, Unit::Celsius, Unit::Fahrenheit, 212.0];
        yield '-40 is both' => [-40.0, Unit::Fahrenheit, Unit::Celsius, -40.0];
        yield '0 °C is 273.15 K' => [0.0, Unit::Celsius, Unit::Kelvin, 273.15];
        yield '1 gal is 4 qt' => [1.0, Unit::Gallon, Unit::Quart, 4.0];
        yield '1 imp gal is 1.20095 gal' => [1.0, Unit::ImperialGallon, Unit::Gallon, 1.20095];
        yield 'a turn is six flats' => [1.0, Unit::Turn, Unit::Flat, 6.0];
        yield 'half a turn is π' => [0.5, Unit::Turn, Unit::Radian, \M_PI];
        yield '1 mile is 1.609344 km' => [1.0, Unit::Mile, Unit::Kilometre, 1.609344];
    }

    /** A unit belongs to one kind; no spelling means two units of it; each symbol is among what is accepted. */
    public function testUnitsAreUnambiguousWithinTheirKind(): void
    {
        foreach (Kind::cases() as $kind) {
            $seen = [];
            foreach ($kind->units() as $unit) {
                foreach ($unit->spellings() as $spelling) {
                    self::assertSame($unit, $seen[$spelling] ?? $unit, $kind->value.': '.$spelling);
                    $seen[$spelling] = $unit;
                }
                self::assertStringContainsString($unit->symbol(), $kind->acceptedUnits());
            }
            self::assertSame(1.0, $kind->baseUnit()->factor());
            self::assertSame(0.0, $kind->baseUnit()->offset());
            self::assertGreaterThan(0.0, $kind->absurdAbove());
        }
    }

    public function testEverySymbolCanBeTypedBack(): void
    {
        foreach (Kind::cases() as $kind) {
            foreach ($kind->units() as $unit) {
                self::assertSame($unit, Notation::read($kind, trim('2 '.$unit->symbol()))->unit, $kind->value.' '.$unit->symbol());
            }
        }
    }

    public function testWhatWasWrittenStaysWithTheFigure(): void
    {
        $figure = Notation::read(Kind::Torque, '17.0 lbf·ft', Origin::Makers);
        self::assertSame('17.0 lbf·ft', $figure->text);
        self::assertEqualsWithDelta(17.0, $figure->written(), 1e-12);
        self::assertEqualsWithDelta(0.1 * 1.3558179483314004, $figure->highest() - $figure->lowest(), 1e-9);
        self::assertSame('maker’s figure', $figure->origin->label());
        self::assertSame('estimated', $figure->withOrigin(Origin::Estimated)->origin->label());
    }

    public function testAKindIsNotMixedWithAnother(): void
    {
        self::assertTrue(Quantity::torque(90.0)->isCloseTo(Quantity::of(9.0, Unit::DecanewtonMetre), 1e-9));
        self::assertFalse(Quantity::torque(9.0)->isCloseTo(Quantity::volume(9.0), 1.0));
        $this->expectException(\LogicException::class);
        Quantity::torque(9.0)->in(Unit::Litre);
    }

    public function testNothingEndlessIsAQuantity(): void
    {
        $this->expectException(InvalidQuantity::class);
        Quantity::torque(\NAN);
    }

    public function testUserTextIsQuotedShort(): void
    {
        self::assertSame(40, mb_strlen(InvalidQuantity::quote(str_repeat('x', 300))));
        self::assertSame('a b', InvalidQuantity::quote("a\nb"));
    }
}
