<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Logbook\DueRow;
use NimbleKnuckle\App\Web\Format;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

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

    public function testTheOtherUnitStandsBeside(): void
    {
        $plain = static fn (string $text): string => (string) preg_replace('/[\x{2060}\x{2009}\x{00A0}]+/u', ' ', $text);
        self::assertSame('6.64 lbf·ft', $plain(Format::otherUnit(9.0, 'N·m')));
        self::assertSame('4.33 US qt', $plain(Format::otherUnit(4.1, 'L')));
        self::assertSame('190 °F', $plain(Format::otherUnit(88.0, 'degC')));
        self::assertSame('12.3 psi', $plain(Format::otherUnit(84.66, 'kPa')));
        self::assertSame('', Format::otherUnit(3.0, 'percent'));
        self::assertSame('', Format::otherUnit(3.0, 'furlong'));
        self::assertSame('%', Format::unit('percent'));
        self::assertSame('', Format::unit('ratio'));
    }

    #[DataProvider('dues')]
    public function testADueCheckSaysWhen(string $on, int $km, string $when, bool $due, bool $late): void
    {
        $row = DueRow::of(['id' => 'x', 'due_on' => $on, 'after_km' => $km], '2026-11-25');
        self::assertSame($when, str_replace("\u{2009}", ' ', $row->when));
        self::assertSame([$due, $late], [$row->isDue, $row->isOverdue]);
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
