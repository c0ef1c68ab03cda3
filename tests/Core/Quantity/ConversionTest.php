<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Quantity;

use NimbleKnuckle\Core\Quantity\Conversion;
use NimbleKnuckle\Core\Quantity\Kind;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Conversion::class)]
final class ConversionTest extends TestCase
{
    /** @return iterable<array{string, Kind, list<string>}> every row of the table, worked out by hand */
    public static function written(): iterable
    {
        yield ['100 N·m', Kind::Torque, ['73.76 lbf·ft', '885.1 lbf·in', '10.2 kgf·m']];
        yield ['45 ft-lb', Kind::Torque, ['61.01 N·m', '540 lbf·in', '6.221 kgf·m']];
        yield ['1/2"', Kind::Length, ['12.7 mm', '500 thou', '1.27 cm', '0.04167 ft']];
        yield ['90°', Kind::Angle, ['0.25 turn', '1.5 flat', '1.571 rad']];
        yield ['20 psi', Kind::Pressure, ['137.9 kPa', '1.379 bar', '40.72 inHg', '1 379 mbar']];
        yield ['1.5 qt', Kind::Volume, ['1.42 L', '1 420 mL', '3 US pt', '2.498 imp pt', '0.375 US gal']];
        yield ['88 °C', Kind::Temperature, ['190.4 °F', '361.2 K']];
        yield ['1 kN', Kind::Force, ['1 000 N', '224.8 lbf', '102 kgf']];
        yield ['100 ksi', Kind::Stress, ['689.5 MPa']];
        yield ['100 km', Kind::Distance, ['62.14 mi']];
        yield ['640 m', Kind::Altitude, ['2 100 ft']];
        yield ['90 min', Kind::Duration, ['5 400 s', '1.5 h']];
        yield ['185 kg', Kind::Mass, ['407.9 lb', '0.185 t']];
        yield ['100 N/mm', Kind::Stiffness, ['571 lbf/in']];
    }

    /** @param list<string> $others */
    #[DataProvider('written')]
    public function testAQuantityIsSaidInTheOtherUnitsOfItsKind(string $text, Kind $kind, array $others): void
    {
        $found = array_values(array_filter(Conversion::of($text), static fn (Conversion $one): bool => $one->kind === $kind));
        self::assertCount(1, $found);
        $plain = array_map(static fn (string $other): string => strtr($other, ["\u{202F}" => ' ']), $found[0]->others);
        self::assertSame($others, $plain);
        self::assertSame($text, $found[0]->written);
    }

    public function testWhatIsNoQuantityIsNone(): void
    {
        foreach (['', '45', 'tarn', 'M8', '12 frogs', '1e400 Nm', 'Nm 5'] as $text) {
            self::assertSame([], Conversion::of($text), $text);
        }
    }
}
