<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\PanTest;
use NimbleKnuckle\Core\Quantity\Temperature;
use PHPUnit\Framework\TestCase;

/** A thermostat of 88 °C in its pan, on either side of each band. */
final class PanLimitsTest extends TestCase
{
    private static function pan(float $opened, ?float $full = null, ?float $closed = null): PanTest
    {
        $at = static fn (?float $celsius): ?Temperature => null === $celsius ? null : Temperature::celsius($celsius);

        return new PanTest(Temperature::celsius(88.0), Temperature::celsius($opened), $at($full), $at($closed));
    }

    public function testOffItsStamp(): void
    {
        foreach ([
            [91.0, false, false], [91.1, true, false], [84.9, true, false], [94.0, true, false], [94.1, true, true], [81.9, true, true],
        ] as [$at, $off, $far]) {
            self::assertSame([$off, $far], [self::pan($at)->isOff(), self::pan($at)->isFarOff()], (string) $at);
            self::assertEqualsWithDelta($at - 88, self::pan($at)->off(), 1e-9);
        }
    }

    public function testFromBeginToFull(): void
    {
        foreach ([[3.9, true, false], [4.0, false, false], [18.0, false, false], [18.1, false, true]] as [$span, $quick, $slow]) {
            self::assertSame(
                [$quick, $slow], [self::pan(80.0, 80 + $span)->isQuick(), self::pan(80.0, 80 + $span)->isSlow()], (string) $span,
            );
        }
        self::assertSame([null, false, false], [self::pan(88.0)->span(), self::pan(88.0)->isQuick(), self::pan(88.0)->isSlow()]);
    }

    public function testShutAgain(): void
    {
        foreach ([[8.0, false, false], [8.1, true, false], [20.0, true, false], [20.1, true, true]] as [$under, $lags, $open]) {
            $pan = self::pan(88.0, null, 88 - $under);
            self::assertSame([$lags, $open], [$pan->lags(), $pan->staysOpen()], (string) $under);
        }
        self::assertSame([null, false, false], [self::pan(88.0)->hysteresis(), self::pan(88.0)->lags(), self::pan(88.0)->staysOpen()]);
    }

    public function testNoPanIsHotterThanItsWater(): void
    {
        self::assertFalse(self::pan(100.5)->isPastBoiling());
        self::assertTrue(self::pan(100.6)->isPastBoiling());
        self::assertTrue(self::pan(95.0, 100.6)->isPastBoiling());
        self::assertSame([95.0, 99.0, 97.0], [
            self::pan(95.0)->hottest()->celsius, self::pan(95.0, 99.0)->hottest()->celsius, self::pan(97.0, 96.0)->hottest()->celsius,
        ]);
    }
}
