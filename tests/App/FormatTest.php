<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Logbook\DueRow;
use NimbleKnuckle\App\Web\Format;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\UnitSystem;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Digits::class)]
#[CoversClass(UnitSystem::class)]
#[CoversClass(Format::class)]
#[CoversClass(DueRow::class)]
final class FormatTest extends TestCase
{
    #[DataProvider('durations')]
    public function testTimeIsSaidAsAMechanicWould(float $minutes, string $said): void
    {
        self::assertSame($said, str_replace("\u{00A0}", ' ', Format::hours($minutes)));
    }

    /** @return iterable<string, array{float, string}> */
    public static function durations(): iterable
    {
        yield 'nothing' => [0.0, '0 min'];
        yield 'past' => [-5.0, '0 min'];
        yield 'minutes' => [42.4, '42 min'];
        yield 'an hour' => [60.0, '1 h'];
        yield 'to five minutes past an hour' => [168.0, '2 h 50 min'];
        yield 'rounded up to the hour' => [119.0, '2 h'];
    }

    public function testFiguresShowNoMoreThanIsWorthReading(): void
    {
        self::assertSame('7.9', Format::torque(7.857));
        self::assertSame('120', Format::torque(120.4));
        self::assertSame('6.6', Format::plain(6.6));
        self::assertSame('210', Format::plain(210.0));
        self::assertSame('0', Format::significant(0.0));
        self::assertSame('2.46', Format::significant(2.4637));
        self::assertSame('85.4', Format::significant(85.42));
        self::assertSame('135', Format::significant(135.0));
    }

    public function testEveryNumberHasTheSameThousandsAndDecimals(): void
    {
        self::assertSame("8\u{202F}600", Format::whole(8600.0));
        self::assertSame("70\u{202F}000", Format::plain(70000.0));
        self::assertSame("1\u{202F}000", Format::significant(1000.0));
        self::assertSame("−1\u{202F}234.50", Digits::fixed(-1234.5, 2));
        self::assertSame('0.0', Digits::fixed(-0.01, 1), 'nothing is no less than nothing');
        self::assertSame(['9.0', '99.9', '100', '120'], array_map(Format::torque(...), [9.0, 99.94, 99.96, 120.4]));
        self::assertSame(['4.10', '0.25'], array_map(Format::litres(...), [4.1, 0.25]));
    }

    #[DataProvider('spoken')]
    public function testTheUnitsSpokenAreHeardFromWhatWasWritten(UnitSystem $system, string ...$texts): void
    {
        self::assertSame($system, UnitSystem::heardIn(...$texts));
    }

    /** @return iterable<list<UnitSystem|string>> */
    public static function spoken(): iterable
    {
        yield [UnitSystem::Metric, '25 N·m', 'M8', '8.8', 'aluminium casting', 'ring 8', '6.4 L', '0 0.4; 90 0.4', '5/16-18 UNC'];
        foreach ([
            '25 N·m / 18.4 ft-lb', '9 Nm / 80 in-lb', '17 foot-pounds', '7 qt', '16 psi', '212 °F', '65 F', '1/4 in', '5/16"', '2 gal',
            '25 inHg', '½ in',
        ] as $text) {
            yield [UnitSystem::Us, '6.4 L', $text];
        }
        yield [UnitSystem::Imperial, '1 imp gal'];
        yield [UnitSystem::Imperial, '4 imperial pints'];
    }

    public function testUnitsHaveTheirSigns(): void
    {
        self::assertSame('%', Format::unit('percent'));
        self::assertSame('', Format::unit('ratio'));
    }

    #[DataProvider('dues')]
    public function testADueCheckSaysWhen(string $on, int $km, string $when, bool $due, bool $late): void
    {
        $row = DueRow::of(['id' => 'x', 'due_on' => $on, 'after_km' => $km], '2026-11-25');
        self::assertSame($when, str_replace("\u{2009}", ' ', $row->day->said));
        self::assertSame([$due, $late], [$row->day->isDue, $row->day->isOverdue]);
    }

    /** @return iterable<string, array{string, int, string, bool, bool}> */
    public static function dues(): iterable
    {
        yield 'today' => ['2026-11-25', 0, 'today', true, false];
        yield 'late' => ['2026-11-20', 0, 'since 20 Nov', true, true];
        yield 'to come' => ['2026-12-24', 0, '24 Dec', false, false];
        yield 'by distance' => ['2026-12-24', 300, 'at 300 km, or 24 Dec', false, false];
    }
}
