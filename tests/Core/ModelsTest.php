<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core;

use NimbleKnuckle\Core\ChargeAir\LeakFault;
use NimbleKnuckle\Core\ChargeAir\LeakModel;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineData;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Gate\ActuatorFault;
use NimbleKnuckle\Core\Gate\ActuatorModel;
use NimbleKnuckle\Core\Gate\BoostFault;
use NimbleKnuckle\Core\Gate\BoostModel;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\PressFit\PressFault;
use NimbleKnuckle\Core\PressFit\PressModel;
use NimbleKnuckle\Core\Starting\CrankFault;
use NimbleKnuckle\Core\Starting\CrankModel;
use PHPUnit\Framework\TestCase;

/**
 * What is practised on is as various as it is said to be: over many seeds each figure fills its range, and goes no further. The
 * figures are read off what the model gives, as a gauge would.
 */
final class ModelsTest extends TestCase
{
    private const SEEDS = 120;

    /**
     * @param callable(int): float $of by the seed
     */
    private static function assertFills(float $low, float $high, callable $of, string $what, float $unsure = 0.0): void
    {
        $values = array_map($of, range(1, self::SEEDS));
        $some = 0.05 * ($high - $low);
        self::assertEqualsWithDelta($low, min($values), $some + $unsure, $what.': its least');
        self::assertEqualsWithDelta($high, max($values), $some + $unsure, $what.': its most');
        $unsure > 0.0 || self::assertGreaterThanOrEqual($low - 1e-9, min($values), $what);
        $unsure > 0.0 || self::assertLessThanOrEqual($high + 1e-9, max($values), $what);
    }

    public function testEngines(): void
    {
        $drawn = static fn (int $seed, EngineFault $fault = EngineFault::None): EngineData => EngineData::drawn(new Luck($seed), $fault);
        self::assertFills(5.0, 28.0, static fn (int $seed): float => $drawn($seed)->ambient, 'air');
        self::assertFills(18.0, 30.0, static fn (int $seed): float => $drawn($seed, EngineFault::FanDead)->ambient, 'air with a dead fan');
        self::assertFills(2.0, 20.0, static fn (int $seed): float => $drawn($seed, EngineFault::StuckOpen)->ambient, 'air when stuck open');
        self::assertFills(880.0, 1000.0, static fn (int $seed): float => $drawn($seed)->idle, 'idle');
        self::assertFills(1850.0, 2050.0, static fn (int $seed): float => $drawn($seed)->raised, 'raised idle');
        self::assertFills(10.0, 13.0, static fn (int $seed): float => $drawn($seed)->span, 'from begin to full');
        self::assertFills(12.0, 15.0, static fn (int $seed): float => $drawn($seed)->fanOn, 'fan');
        $opens = array_values(array_unique(array_map(static fn (int $seed): float => $drawn($seed)->opens, range(1, 100))));
        sort($opens);
        self::assertSame([85.0, 88.0, 90.0, 92.0], $opens);
        $usual = new EngineData(88.0, 20.0);
        self::assertSame([940.0, 1900.0, 12.0, 14.0], [$usual->idle, $usual->raised, $usual->span, $usual->fanOn]);
    }

    public function testActuators(): void
    {
        $made = static fn (int $seed, ActuatorFault $fault = ActuatorFault::None): ActuatorModel => new ActuatorModel($fault, $seed);
        self::assertFills(35.0, 95.0, static fn (int $seed): float => $made($seed)->label, 'label');
        self::assertFills(0.95, 1.05, static fn (int $seed): float => $made($seed)->cracks / $made($seed)->label, 'of its label');
        self::assertFills(0.16, 0.4, static function (int $seed) use ($made): float {
            return abs($made($seed, ActuatorFault::OtherSpring)->cracks / $made($seed, ActuatorFault::OtherSpring)->label - 1);
        }, 'off its label');
        self::assertFills(3.5, 12.0, static fn (int $seed): float => $made($seed)->rate, 'rate');
        self::assertFills(8.0, 16.0, static fn (int $seed): float => $made($seed)->full, 'way');
        self::assertSame(60.0, (new ActuatorModel(ActuatorFault::None, 3, 60.0))->label);
        self::assertFills(8.0, 30.0, static fn (int $seed): float => self::hold($seed)[2], 'seconds it is held');
        self::assertFills(
            1.1, 1.35,
            static fn (int $seed): float => (self::hold($seed)[0] - $made($seed)->cracks) / $made($seed)->rate / $made($seed)->full,
            'how far up',
        );
        self::assertFills(200.0, 2000.0, static fn (int $seed): float => self::half(self::hold($seed)), 'half of it lost');
        self::assertFills(
            4.0, 40.0, static fn (int $seed): float => self::half(self::hold($seed, ActuatorFault::Leaking)), 'half of it lost by a leak',
        );
        $way = static function (int $seed, ActuatorFault $fault = ActuatorFault::None) use ($made): float {
            return max(array_column($made($seed, $fault)->test()['samples'], 1)) / $made($seed, $fault)->full;
        };
        self::assertFills(0.45, 0.82, static fn (int $seed): float => $way($seed, ActuatorFault::Bent), 'of its way when bent', 0.04);
        self::assertFills(1.0, 1.0, $way(...), 'of its way', 0.045);
        self::assertFills(0.0, 0.0, static fn (int $seed): float => $way($seed, ActuatorFault::Seized), 'seized', 0.045);
        self::assertFills(33.0, 79.0, static fn (int $seed): float => (float) count($made($seed)->test()['samples']), 'readings', 2.0);
    }

    public function testLeaks(): void
    {
        $half = static function (int $seed): float {
            $samples = (new LeakModel(5.0, 100.0, LeakFault::Leaking, $seed))->samples();

            return (float) $samples[count($samples) - 1][1];
        };
        // A hole that takes half of it in 25 to 250 s: what is left after 45.
        $left = array_map($half, range(1, 200));
        self::assertEqualsWithDelta(90.0, max($left), 1.0);
        self::assertEqualsWithDelta(24.0, min($left), 4.0);
        foreach ([LeakFault::None, LeakFault::WarmAir, LeakFault::StillFed, LeakFault::LettingGo] as $fault) {
            self::assertSame(0.0, (new LeakModel(5.0, 100.0, $fault, 7))->hole, $fault->value);
        }
        $run = static fn (int $seed, LeakFault $fault): array => (new LeakModel(5.0, 100.0, $fault, $seed))->samples();
        self::assertFills(5.0 / 1.0, 16.0, static function (int $seed) use ($run): float {
            $samples = $run($seed, LeakFault::WarmAir);

            // Kelvin it cools by, of what is shut in: 201.3 kPa and 293.15 K.
            return ($samples[0][1] - $samples[count($samples) - 1][1]) * 293.15 / 201.325;
        }, 'K it cools', 1.3);
        self::assertFills(0.08 * 45, 0.5 * 45, static function (int $seed) use ($run): float {
            $samples = $run($seed, LeakFault::StillFed);

            return $samples[count($samples) - 1][1] - $samples[0][1];
        }, 'kPa it is fed', 1.4);
        self::assertFills(6.0, 35.0, static function (int $seed) use ($run): float {
            foreach ($run($seed, LeakFault::LettingGo) as [$time, $kpa]) {
                if ($kpa < 50.0) {
                    return $time;
                }
            }

            return 0.0;
        }, 'when it lets go', 1.1);
        $every = array_unique(array_map(static function (int $seed) use ($run): float {
            $samples = $run($seed, LeakFault::None);

            return round(1 / ($samples[1][0] - $samples[0][0]), 0);
        }, range(1, 60)));
        sort($every);
        self::assertSame([1.0, 2.0, 5.0, 10.0], $every);
        self::assertEqualsWithDelta(45.0, $run(3, LeakFault::None)[count($run(3, LeakFault::None)) - 1][0], 1.0);
    }

    public function testBoost(): void
    {
        $run = static fn (int $seed, BoostFault $fault = BoostFault::None): array => (new BoostModel(100.0, $fault, $seed))->samples();
        self::assertFills(1800.0, 2600.0, static fn (int $seed): float => $run($seed)[0][1], 'rpm it begins at');
        self::assertFills(5.0, 9.0, static fn (int $seed): float => $run($seed)[count($run($seed)) - 1][0], 'how long it lasts', 0.06);
        self::assertFills(5800.0, 7400.0, static fn (int $seed): float => $run($seed)[count($run($seed)) - 1][1], 'rpm it ends at', 60.0);
        self::assertFills(
            60.0, 86.0, static fn (int $seed): float => self::most($run($seed, BoostFault::Short)), 'short of its target', 2.0,
        );
        self::assertFills(45.0, 85.0, static fn (int $seed): float => self::most($run($seed, BoostFault::Leak)), 'with a leak', 2.0);
        self::assertFills(98.0, 102.0, static function (int $seed) use ($run): float {
            $late = array_slice(array_column($run($seed), 2), -40);

            return array_sum($late) / count($late);
        }, 'held', 2.0);
        self::assertSame([100.0], array_values(array_unique(array_column($run(5), 3))));
    }

    public function testPresses(): void
    {
        $run = static fn (int $seed, PressFault $fault): array => (new PressModel(60.0, 22.0, $fault, $seed))->samples();
        self::assertFills(
            22.0 - 0.25 + 0.16, 22.0 + 0.25 + 0.16, static fn (int $seed): float => self::end($run($seed, PressFault::None)),
            'where it sits', 0.01,
        );
        self::assertFills(
            0.6 * 22.0, 0.93 * 22.0, static fn (int $seed): float => self::end($run($seed, PressFault::Short)), 'where it stops short',
            0.4,
        );
        self::assertFills(
            0.62 * 60, 1.08 * 60, static fn (int $seed): float => self::before($run($seed, PressFault::None)), 'torque near its end', 3.5,
        );
        self::assertFills(
            0.08 * 0.62 * 60, 0.24 * 1.08 * 60, static fn (int $seed): float => self::before($run($seed, PressFault::Loose)),
            'of a loose one', 2.2,
        );
        self::assertFills(2.8, 4.5, static fn (int $seed): float => self::hard($run($seed, PressFault::None)), 'how hard it sits');
    }

    public function testStarters(): void
    {
        $run = static fn (int $seed, CrankFault $fault = CrankFault::None): array => (new CrankModel($fault, 4, $seed))->samples();
        self::assertFills(12.4, 12.75, static fn (int $seed): float => self::middle($run($seed), 1, 0.0, 0.28), 'V at rest', 0.012);
        // What the legs lose by the amperes: those of the earth are the same as of the feed, so that their share is by their ohms.
        self::assertFills(0.0006 / 0.0005, 0.0014 / 0.0002, static fn (int $seed): float => self::legs($run($seed)), 'feed to earth', 0.9);
        self::assertFills(
            0.0055 / 0.0005, 0.014 / 0.0002, static fn (int $seed): float => self::legs($run($seed, CrankFault::Feed)),
            'a bad feed to earth', 8.0,
        );
        self::assertFills(
            0.0006 / 0.012, 0.0014 / 0.0035, static fn (int $seed): float => self::legs($run($seed, CrankFault::Earth)),
            'feed to a bad earth', 0.06,
        );
        $ends = array_map(static fn (int $seed): float => $run($seed)[count($run($seed)) - 1][0], range(1, 20));
        self::assertEqualsWithDelta(3.5, max($ends), 0.01);
        $rates = array_unique(array_map(
            static fn (int $seed): int => (int) round(1 / ($run($seed)[1][0] - $run($seed)[0][0])), range(1, 40),
        ));
        sort($rates);
        self::assertSame([50, 100, 200], $rates);
    }

    /** @return array{float, float, float} kPa, kPa, s */
    private static function hold(int $seed, ActuatorFault $fault = ActuatorFault::None): array
    {
        return (new ActuatorModel($fault, $seed))->test()['hold'];
    }

    /** @param array{float, float, float} $held */
    private static function half(array $held): float
    {
        return $held[2] * log(0.5) / log($held[1] / $held[0]);
    }

    /** @param non-empty-list<array{float, float}> $samples */
    private static function end(array $samples): float
    {
        return $samples[count($samples) - 1][0];
    }

    /** @param list<array{float, float, float, float}> $samples */
    private static function most(array $samples): float
    {
        $kpa = array_column($samples, 2);
        rsort($kpa);

        return $kpa[(int) (0.1 * count($kpa))];
    }

    /** @param list<array{float, float}> $samples */
    private static function before(array $samples): float
    {
        $late = array_slice(array_column(array_slice($samples, 0, -4), 1), -12);
        sort($late);

        return $late[6];
    }

    /** @param list<array{float, float}> $samples */
    private static function hard(array $samples): float
    {
        return $samples[count($samples) - 1][1] / $samples[count($samples) - 5][1];
    }

    /** @param list<array{float, float, float, float}> $samples */
    private static function middle(array $samples, int $column, float $from, float $to): float
    {
        $values = array_column(array_filter($samples, static fn (array $one): bool => $one[0] >= $from && $one[0] < $to), $column);

        return array_sum($values) / count($values);
    }

    /** @param list<array{float, float, float, float}> $samples */
    private static function legs(array $samples): float
    {
        $feed = self::middle($samples, 1, 1.0, 3.0) - self::middle($samples, 2, 1.0, 3.0) - self::middle($samples, 3, 1.0, 3.0);

        return $feed / self::middle($samples, 3, 1.0, 3.0);
    }
}
