<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Due;

use NimbleKnuckle\Core\Due\Every;
use NimbleKnuckle\Core\Due\Forecast;
use NimbleKnuckle\Core\Due\Mileage;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Every::class)]
#[CoversClass(Forecast::class)]
#[CoversClass(Mileage::class)]
final class DueTest extends TestCase
{
    public function testItFallsDueByTimeOrByDistance(): void
    {
        $of = static fn (string $now, float $km): Forecast => Forecast::of(
            new Every(12, 10_000.0), self::day('2025-11-25'), 50_000.0,
            self::clock(['2025-11-25' => 50_000.0, '2026-05-20' => $km]), self::day($now),
        );
        self::assertFalse($of('2026-05-25', 55_000.0)->isDue);
        self::assertTrue($of('2026-05-25', 60_001.0)->isDue);
        self::assertLessThan(0.0, $of('2026-05-25', 60_001.0)->kmLeft);
        self::assertTrue($of('2026-12-01', 51_000.0)->isDue);
        self::assertEqualsWithDelta(6.0, $of('2026-05-26', 51_000.0)->monthsLeft ?? 0.0, 0.1);
        self::assertLessThan(0.0, $of('2026-12-01', 51_000.0)->monthsLeft);
        $byDistance = Forecast::of(new Every(0, 5000.0), self::day('2026-01-01'), null, Mileage::of([]), self::day('2026-07-20'));
        self::assertNull($byDistance->monthsLeft);
    }

    public function testBetweenTwoReadingsItRunsEvenlyAndAfterwardsAsInTheYearBefore(): void
    {
        $mileage = self::clock(['2026-01-01' => 10_000.0, '2026-04-11' => 15_000.0, '2026-07-20' => 16_000.0]);
        self::assertSame(16_000.0, $mileage->last());
        self::assertEqualsWithDelta(6000 / 200, $mileage->rate ?? 0.0, 1e-9);
        self::assertEqualsWithDelta(12_500.0, $mileage->at(self::day('2026-02-20')) ?? 0.0, 1e-6);
        self::assertEqualsWithDelta(16_000 + 30 * 10, $mileage->at(self::day('2026-07-30')) ?? 0.0, 1e-6);
        self::assertEqualsWithDelta(10_000 - 30 * 10, $mileage->at(self::day('2025-12-22')) ?? 0.0, 1e-6, 'before the first as well');
        self::assertSame('2026-02-20', $mileage->when(12_500.0)?->format('Y-m-d'));
        self::assertSame('2026-07-30', $mileage->when(16_300.0)?->format('Y-m-d'));
        self::assertSame('2026-01-01', $mileage->when(9000.0)?->format('Y-m-d'), 'by the first reading it was run');
    }

    public function testOneReadingSaysNothingOfTheRate(): void
    {
        self::assertNull(Mileage::of([])->last());
        self::assertNull(Mileage::of([])->at(self::day('2026-01-01')));
        self::assertNull(Mileage::of([])->when(5.0));
        $one = self::clock(['2026-01-01' => 10_000.0]);
        self::assertNull($one->rate);
        self::assertSame(10_000.0, $one->at(self::day('2026-06-01')));
        self::assertNull($one->when(10_001.0));
        self::assertNull(self::clock(['2026-01-01' => 10_000.0, '2026-01-07' => 11_000.0])->rate, 'six days are too few');
        self::assertNotNull(self::clock(['2026-01-01' => 10_000.0, '2026-01-08' => 11_000.0])->rate);
    }

    public function testTheRateIsThatOfTheLastYear(): void
    {
        $mileage = self::clock(['2023-01-01' => 0.0, '2025-12-01' => 90_000.0, '2026-06-01' => 91_820.0]);
        self::assertEqualsWithDelta(10.0, $mileage->rate ?? 0.0, 1e-9);
        $old = self::clock(['2022-01-01' => 0.0, '2023-01-01' => 36_500.0, '2026-01-01' => 37_596.0]);
        self::assertEqualsWithDelta(1.0, $old->rate ?? 0.0, 1e-3, 'where there is none in the last year, from the newest before it');
    }

    public function testATypingSlipIsLeftAsideWhicheverWayItGoes(): void
    {
        $right = ['2026-01-01' => 78_100.0, '2026-02-01' => 79_000.0, '2026-03-01' => 80_000.0];
        foreach ([['2026-01-15', 781_000.0], ['2026-02-15', 7_950.0], ['2026-03-15', 70_100.0]] as [$day, $km]) {
            $mileage = self::clock($right + [$day => $km]);
            self::assertSame(array_values($right), array_column($mileage->readings, 1), $day);
            self::assertSame([$km], array_column($mileage->odd, 1));
        }
        self::assertSame([], self::clock($right)->odd);
        self::assertSame(80_000.0, self::clock(['2026-01-01' => 80_000.0, '2026-02-01' => 80_000.0])->last(), 'it stood');
    }

    /** @return iterable<string, array{int, float, ?float, ?string, bool, bool, bool}> */
    public static function intervals(): iterable
    {
        // Done on 2026-01-01 at 10 000 km; it runs 10 km a day; it is 2026-07-20, 12 000 km.
        yield 'by time alone' => [12, 0.0, null, '2027-01-01', false, false, false];
        yield 'by distance alone' => [0, 5000.0, null, '2027-05-16', true, false, false];
        yield 'distance comes first' => [24, 3000.0, null, '2026-10-28', true, false, true];
        yield 'time comes first' => [8, 9000.0, null, '2026-09-01', false, false, true];
        yield 'the month is full today' => [6, 0.0, null, '2026-07-01', false, true, false];
        yield 'run over, and read' => [24, 1500.0, null, '2026-05-31', true, true, false];
        yield 'from what the clock showed then' => [0, 2500.0, 9600.0, '2026-07-30', true, false, true];
    }

    #[DataProvider('intervals')]
    public function testWhatComesFirstCounts(
        int $months, float $km, ?float $then, ?string $on, bool $isByDistance, bool $isDue, bool $isSoon,
    ): void {
        $mileage = self::clock(['2026-01-01' => 10_000.0, '2026-07-20' => 12_000.0]);
        $next = Forecast::of(new Every($months, $km), self::day('2026-01-01'), $then, $mileage, self::day('2026-07-20'));
        self::assertSame(
            [$on, $isByDistance, $isDue, $isSoon], [$next->on?->format('Y-m-d'), $next->isByDistance, $next->isDue, $next->isSoon],
        );
    }

    public function testSoonBeginsFortyFiveDaysOrFifteenHundredKilometresBefore(): void
    {
        $at = static fn (string $now): Forecast => Forecast::of(
            new Every(12, 0.0), self::day('2026-01-01'), null, Mileage::of([]), self::day($now),
        );
        self::assertSame([false, true, true, false], [
            $at('2026-11-16')->isSoon, $at('2026-11-17')->isSoon, $at('2026-12-31')->isSoon, $at('2027-01-01')->isSoon,
        ]);
        self::assertTrue($at('2027-01-01')->isDue);
        $by = static fn (float $shows): Forecast => Forecast::of(new Every(0, 10_000.0), self::day('2026-01-01'), 20_000.0,
            self::clock(['2026-01-01' => 20_000.0, '2027-01-01' => $shows]), self::day('2027-01-01'));
        self::assertFalse($by(20_400.0)->isSoon);
        self::assertSame([false, true], [$by(28_499.0)->isSoon && null === $by(28_499.0)->on, $by(28_500.0)->isSoon]);
        self::assertTrue($by(30_000.0)->isDue);
        self::assertFalse($by(30_000.0)->isAbout, 'it was read');
        self::assertTrue($by(28_500.0)->isAbout);
    }

    public function testWithoutAnyReadingDistanceSaysNothing(): void
    {
        $next = Forecast::of(new Every(0, 5000.0), self::day('2026-01-01'), null, Mileage::of([]), self::day('2026-07-20'));
        self::assertSame([null, null, false, false], [$next->on, $next->kmLeft, $next->isDue, $next->isSoon]);
        self::assertFalse((new Every(0, 0.0))->isSet());
    }

    /** @param array<string, float> $shown */
    private static function clock(array $shown): Mileage
    {
        return Mileage::of(array_map(
            static fn (string $day, float $km): array => [self::day($day), $km], array_keys($shown), array_values($shown),
        ));
    }

    private static function day(string $day): \DateTimeImmutable
    {
        return new \DateTimeImmutable($day, new \DateTimeZone('UTC'));
    }

    /** A slip of a digit makes nothing due: it counts once another reading agrees. */
    public function testWhatItCanHardlyHaveRunIsHeldUntilAnotherAgrees(): void
    {
        $day = static fn (string $day): \DateTimeImmutable => new \DateTimeImmutable($day.' 10:00');
        $held = Mileage::of([[$day('2026-06-01'), 1.0], [$day('2026-06-02'), 400_000.0]]);
        self::assertSame([1.0, 400_000.0], [$held->last(), $held->held[1] ?? 0.0]);
        self::assertNull($held->rate);
        $agreed = Mileage::of([[$day('2026-06-01'), 1.0], [$day('2026-06-02'), 400_000.0], [$day('2026-06-03'), 400_020.0]]);
        self::assertSame([400_020.0, null], [$agreed->last(), $agreed->held]);
        foreach ([[4499.0, false], [3501.5, true]] as [$km, $isHeld]) {
            // 2,500 km a day and 1,000 more: over one day 3,500.
            $one = Mileage::of([[$day('2026-06-01'), $isHeld ? 0.0 : 1000.0], [$day('2026-06-02'), $km]]);
            self::assertSame($isHeld, null !== $one->held);
        }
        self::assertNull(Mileage::of([[$day('2026-06-01'), 400_000.0]])->held, 'the first is taken as it is');
    }
}
