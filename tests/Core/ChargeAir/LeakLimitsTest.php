<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\ChargeAir;

use NimbleKnuckle\Core\ChargeAir\LeakFinding;
use NimbleKnuckle\Core\ChargeAir\LeakRun;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;
use PHPUnit\Framework\TestCase;

/** A gauge read every half second for a minute, drawn with a ruler: on either side of each limit, and a hole of known size. */
final class LeakLimitsTest extends TestCase
{
    private const SECONDS = 60.0;

    /** @param callable(float): float $kpa by the time */
    private static function read(callable $kpa, float $every = 0.5): LeakRun
    {
        $samples = [];
        for ($t = 0.0; $t <= self::SECONDS + 1e-9; $t += $every) {
            $samples[] = [$t, $kpa($t)];
        }

        return LeakRun::of($samples, Volume::litres(5.0), Temperature::celsius(20.0), Pressure::kilopascals(100.0));
    }

    /** Ends are read off over the first and the last twelfth and a half: what lies between their middles is 0.88 of it all. */
    public function testOneKilopascalIsStillTight(): void
    {
        foreach ([
            [0.95, LeakFinding::Tight], [1.05, LeakFinding::Leaks], [-0.95, LeakFinding::Tight], [-1.05, LeakFinding::Rises],
        ] as [$lost, $finding]) {
            $run = self::read(static fn (float $t): float => 100 - $lost / 0.88 * ($t / self::SECONDS - 0.06));
            self::assertSame($finding, $run->finding, $lost.' kPa');
            self::assertEqualsWithDelta([100.0, 100 - $lost], [$run->from, $run->to], 0.02);
        }
        $run = self::read(static fn (float $t): float => 100.0);
        self::assertEqualsWithDelta([3.6, 52.8, 60.0], [$run->begins(), $run->apart(), $run->seconds], 1e-9);
        self::assertNull($run->leak);
    }

    public function testAQuarterWithinASecondAndAHalfIsAHoseThatLetGo(): void
    {
        foreach ([[24.0, 1.0, false], [26.0, 1.0, true], [26.0, 1.5, true], [26.0, 2.5, false]] as [$by, $over, $isGone]) {
            $run = self::read(static fn (float $t): float => 100 - $by * max(0.0, min(1.0, ($t - 30) / $over)) - 0.05 * $t, 0.25);
            self::assertSame($isGone, LeakFinding::LetsGo === $run->finding, $by.' kPa within '.$over.' s');
        }
    }

    /** Where it loses ever less, the last third under a quarter of the first, only the air has cooled. */
    public function testWarmAirThatCoolsIsNoLeak(): void
    {
        $falls = static fn (float $first, float $last): callable => static function (float $t) use ($first, $last): float {
            // The middles of the four readings: 3.6, 19.8, 40.2 and 56.4 s.
            return match (true) {
                $t < 19.8 => 100 - $first * ($t - 3.6) / 16.2,
                $t < 40.2 => 100 - $first,
                default => 100 - $first - $last * ($t - 40.2) / 16.2,
            };
        };
        self::assertSame(LeakFinding::CoolsDown, self::read($falls(12.0, 2.6))->finding);
        self::assertSame(LeakFinding::Leaks, self::read($falls(12.0, 3.4))->finding);
        // What has lost over two fifths was no warm air.
        self::assertSame(LeakFinding::CoolsDown, self::read($falls(38.0, 1.0))->finding);
        self::assertSame(LeakFinding::Leaks, self::read($falls(40.5, 1.0))->finding);
    }

    /** Air out of a round hole, worked out in small steps of time: the hole that is read off is the one that was drawn. */
    public function testAHoleIsFoundAsItWasDrawn(): void
    {
        foreach ([0.3, 0.8, 2.0] as $mm2) {
            $volume = 0.005;
            $kpa = [100.0];
            [$p, $step] = [200_000.0, 0.002];
            for ($i = 1; $i <= (int) (self::SECONDS / $step); ++$i) {
                $ratio = 100_000.0 / $p;
                $critical = (2 / 2.4) ** (1.4 / 0.4);
                $psi = $ratio <= $critical ? sqrt(1.4 * (2 / 2.4) ** (2.4 / 0.4)) : sqrt(
                    2 * 1.4 / 0.4 * ($ratio ** (2 / 1.4) - $ratio ** (2.4 / 1.4)),
                );
                $flow = 0.65 * $mm2 * 1e-6 * $p / sqrt(287.05 * 293.15) * $psi;
                $p = max(100_000.0, $p - $flow * 287.05 * 293.15 / $volume * $step);
                0 === $i % 250 && $kpa[] = ($p - 100_000) / 1000;
            }
            $run = self::read(static fn (float $t): float => $kpa[(int) round(2 * $t)] ?? 0.0);
            self::assertSame(LeakFinding::Leaks, $run->finding);
            self::assertEqualsWithDelta(1.0, ($run->leak->area ?? 0.0) / $mm2, 0.03, $mm2.' mm²');
        }
    }
}
