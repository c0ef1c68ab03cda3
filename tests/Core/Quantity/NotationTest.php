<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Quantity;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\WrittenNumber;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Notation::class)]
#[CoversClass(WrittenNumber::class)]
#[CoversClass(Unit::class)]
final class NotationTest extends TestCase
{
    #[DataProvider('writings')]
    public function testReadsWhatPeopleWrite(Kind $kind, string $text, float $base, float $halfStep): void
    {
        $figure = Notation::read($kind, $text);
        self::assertEqualsWithDelta($base, $figure->value(), 1e-9 * max(1.0, abs($base)) + 5e-4);
        self::assertEqualsWithDelta($halfStep, $figure->halfStep, 5e-4);
    }

    /** @return iterable<string, array{Kind, string, float, float}> conversions by NIST SP 811 */
    public static function writings(): iterable
    {
        foreach ([
            '17 lbf·ft', '17 ft-lb', '17 lb-ft', '17 foot-pounds', '17 FT.LBS', '17ft·lbf', '17 pound feet', '17  lb ft', '17 ft∙lbs',
        ] as $text) {
            yield $text => [Kind::Torque, $text, 23.04890, 0.67791];
        }
        yield '204 in-lb' => [Kind::Torque, '204 in-lb', 23.04890, 0.05649];
        yield 'bare torque' => [Kind::Torque, '25', 25.0, 0.5];
        yield 'written finer' => [Kind::Torque, '25.0 Nm', 25.0, 0.05];
        yield '2.5 kgf·m' => [Kind::Torque, '2.5 kgf·m', 24.51663, 0.49033];
        yield '16 oz-in' => [Kind::Torque, '16 oz-in', 0.11298, 0.00353];
        yield '3/16 in' => [Kind::Length, '3/16 in', 4.7625, 0.79375];
        yield '1 3/4 in' => [Kind::Length, '1 3/4 in', 44.45, 3.175];
        yield '1-3/4 in' => [Kind::Length, '1-3/4 in', 44.45, 3.175];
        yield '2½ inches' => [Kind::Length, '2½ inches', 63.5, 6.35];
        yield '31 thou' => [Kind::Length, '31 thou', 0.7874, 0.0127];
        yield '7,5 mm' => [Kind::Length, '7,5 mm', 7.5, 0.05];
        yield '.5 in' => [Kind::Length, '.5 in', 12.7, 1.27];
        yield '25 inHg' => [Kind::Pressure, '25 inHg', 84.65972, 1.69319];
        yield '1.2 bar' => [Kind::Pressure, '1.2 bar', 120.0, 5.0];
        yield '16 psi' => [Kind::Pressure, '16 psi', 110.31612, 3.44738];
        yield '212 °F' => [Kind::Temperature, '212 °F', 100.0, 0.27778];
        yield '212F' => [Kind::Temperature, '212F', 100.0, 0.27778];
        yield '-40 °F' => [Kind::Temperature, '−40 °F', -40.0, 0.27778];
        yield '7 qt' => [Kind::Volume, '7 qt', 6.62447, 0.47318];
        yield '1 imp gal' => [Kind::Volume, '1 imp gal', 4.54609, 2.27305];
        yield '850 ml' => [Kind::Volume, '850 ml', 0.85, 0.0005];
        yield 'quarter turn' => [Kind::Angle, 'quarter turn', 90.0, 45.0];
        yield 'a quarter of a turn' => [Kind::Angle, 'a quarter of a turn', 90.0, 45.0];
        yield 'one and a half turns' => [Kind::Angle, 'one and a half turns', 540.0, 90.0];
        yield 'three quarter turn' => [Kind::Angle, 'three quarter turn', 270.0, 45.0];
        yield '2 flats' => [Kind::Angle, '2 flats', 120.0, 30.0];
        yield 'thousands with a point behind' => [Kind::Altitude, '1,200.5 m', 1200.5, 0.05];
        yield 'thousands with a thin space' => [Kind::Altitude, "1\u{2009}200 m", 1200.0, 0.5];
        yield 'continental' => [Kind::Distance, '1.200,5 km', 1200.5, 0.05];
        yield 'percent' => [Kind::Percent, '45 %', 45.0, 0.5];
    }

    #[DataProvider('refusals')]
    public function testRefusesWithASentenceThatHelps(Kind $kind, string|float $text, string $hint): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessageMatches($hint);
        Notation::read($kind, $text);
    }

    /** @return iterable<string, array{Kind, string|float, string}> */
    public static function refusals(): iterable
    {
        yield 'nothing' => [Kind::Torque, '  ', '/Nothing was written/'];
        yield 'words' => [Kind::Torque, 'good and tight', '/is not a torque/'];
        yield 'a unit of another kind' => [Kind::Torque, '17 lbs', '/is not a unit of torque: use N·m/'];
        yield 'energy' => [Kind::Torque, '17 joule', '/use N·m/'];
        yield 'a comma read two ways' => [Kind::Torque, '1,200 Nm', '/can mean 1.200 or 1200/'];
        yield 'negative' => [Kind::Torque, '-3 Nm', '/below zero/'];
        yield 'absurd' => [Kind::Torque, '90000 Nm', '/check the unit/'];
        yield 'not a number' => [Kind::Torque, \NAN, '/ordinary number/'];
        yield 'infinite' => [Kind::Torque, \INF, '/ordinary number/'];
        yield 'nan as text' => [Kind::Torque, 'nan', '/is not a torque/'];
        yield 'two numbers' => [Kind::Torque, '12 14 Nm', '/is not a torque/'];
        yield 'two points' => [Kind::Length, '7.5.2 mm', '/is not a length/'];
        yield 'a zero below the line' => [Kind::Length, '3/0 in', '/is not a/'];
        yield 'colder than anything' => [Kind::Temperature, '-300 °C', '/past anything/'];
        yield 'very long' => [Kind::Torque, str_repeat('9', 200), '/is not a torque/'];
        yield 'broken text' => [Kind::Torque, "25 \xff\xfe", '/not readable text/'];
    }

    /** Whatever is written in one unit and read back stands for the same thing. */
    public function testReadsBackWhatItPrints(): void
    {
        mt_srand(11);
        foreach (Kind::cases() as $kind) {
            foreach ($kind->units() as $unit) {
                for ($i = 0; $i < 20; ++$i) {
                    $written = mt_rand(1, 999) / 10;
                    $quantity = Quantity::of($written, $unit);
                    if ($quantity->inBase() > $kind->absurdAbove() || $quantity->inBase() < 0) {
                        continue;
                    }
                    $read = Notation::read($kind, sprintf('%.1F %s', $written, $unit->spellings()[0]));
                    self::assertEqualsWithDelta($written, $read->quantity->in($unit), 1e-9, $unit->value);
                }
            }
        }
    }

    public function testTwoStatementsAreTakenApart(): void
    {
        foreach ([
            '29 ft-lb / 21 Nm', '29 ft-lb (21 N·m)', '29 ft-lb or 21 Nm', '29 ft-lb, 21 Nm', '29 ft-lb = 21 Nm', '29 ft-lb 21 Nm',
            '29ft-lb/21Nm',
        ] as $text) {
            $figures = Notation::readStatement(Kind::Torque, $text);
            self::assertCount(2, $figures, $text);
            self::assertSame(Unit::PoundFoot, $figures[0]->unit, $text);
            self::assertEqualsWithDelta(21.0, $figures[1]->value(), 1e-9, $text);
        }
        self::assertCount(1, Notation::readStatement(Kind::Torque, '1 3/4 ft-lb'));
    }

    #[DataProvider('badStatements')]
    public function testAStatementMustBeOneTorque(string $text, string $hint): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessageMatches($hint);
        Notation::readStatement(Kind::Torque, $text);
    }

    /** @return iterable<string, array{string, string}> */
    public static function badStatements(): iterable
    {
        yield 'a range' => ['18-22 Nm', '/is a range/'];
        yield 'three' => ['1 Nm / 2 Nm / 3 Nm', '/3 figures/'];
        yield 'no unit behind the second' => ['20 Nm / 15', '/no unit/'];
        yield 'marks only' => ['/ /', '/./'];
    }

    /** Two hundred ways to write a torque wrongly: each is refused with a sentence that names what was written or how to write it. */
    public function testMalformedNotationsAreEachAnErrorThatHelps(): void
    {
        $numbers = [
            '', '.', '--5', '5--6', '1/0', '1//2', '1.2.3', '1,2,3,4', 'fivish', '1e999', '+', '0x1F', '5 5 5', '∞', 'NaN',
            '1 2/3/4', '−', '()', '5..2',
        ];
        $units = ['Nm', 'ft-lb', 'in-lb', 'kgf·m', 'N·cm', 'lbf·ft', ''];
        $strange = [
            'Nmm²', 'kg', 'lb/yd', 'ft', 'in', 'bar', 'N', 'J', 'W', '°', 'rpm', 'Nm Nm', 'Nm/°', 'newton', 'mN', '%', 'L', 'psi',
            'mm', 'furlong lb', 'lb·yd', 'Nm²', 'ft·ft', 'lb·lb', '?', 'N*', 'm', '°C', 'kPa', 'oz',
        ];
        $texts = [];
        foreach ($numbers as $number) {
            foreach ($units as $unit) {
                $texts[] = trim($number.' '.$unit);
            }
        }
        foreach ($strange as $unit) {
            array_push($texts, '25 '.$unit, '2.5'.$unit);
        }
        $texts = array_values(array_unique($texts));
        $texts = [
            ...$texts, '25 Nm tight', 'hardly 25 Nm', '25 Nm?', '25Nm25', "25\0Nm", '25 Nm; 30', '<b>25 Nm</b>', '25 Nm or so',
            str_repeat('25 Nm ', 40), '9e9 Nm',
        ];
        self::assertGreaterThanOrEqual(200, count($texts));
        foreach ($texts as $text) {
            try {
                Notation::read(Kind::Torque, $text);
                self::fail(sprintf('“%s” was taken.', $text));
            } catch (InvalidQuantity $e) {
                self::assertMatchesRegularExpression('/\p{Lu}|“/u', $e->getMessage());
                self::assertGreaterThan(20, mb_strlen($e->getMessage()), $text);
                self::assertLessThan(400, mb_strlen($e->getMessage()), $text);
            }
        }
    }
}
