<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\ChargeAir;

use NimbleKnuckle\Core\ChargeAir\Door\LeakSaid;
use NimbleKnuckle\Core\ChargeAir\LeakDrawing;
use NimbleKnuckle\Core\ChargeAir\LeakFault;
use NimbleKnuckle\Core\ChargeAir\LeakFinding;
use NimbleKnuckle\Core\ChargeAir\LeakModel;
use NimbleKnuckle\Core\ChargeAir\LeakRun;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Sum\Level;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A gauge that is watched: on the simulated path, on another one written by another hand, and on a few drawn by hand. */
#[CoversClass(LeakRun::class)]
#[CoversClass(LeakModel::class)]
#[CoversClass(LeakFault::class)]
#[CoversClass(LeakFinding::class)]
#[CoversClass(LeakSaid::class)]
#[CoversClass(LeakDrawing::class)]
final class LeakRunTest extends TestCase
{
    private const RUNS = 60;

    #[DataProvider('faults')]
    public function testTheSimulatedPathIsJudgedRightAndItsHoleFound(LeakFault $fault): void
    {
        $right = $near = 0;
        for ($seed = 1; $seed <= self::RUNS; ++$seed) {
            [$litres, $from] = [2.0 + $seed % 17, 40.0 + 13 * ($seed % 12)];
            $model = new LeakModel($litres, $from, $fault, $seed);
            $run = self::judged($model->samples(), $litres);
            $right += $run->finding === $fault->finding() ? 1 : 0;
            $near += null !== $run->leak && abs($run->leak->hole / max(1e-9, $model->hole) - 1) < 0.05 ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(0.95 * self::RUNS, $right, $fault->value);
        self::assertGreaterThanOrEqual(LeakFault::Leaking === $fault ? 0.95 * self::RUNS : 0.0, $near);
    }

    /** @return iterable<string, array{LeakFault}> */
    public static function faults(): iterable
    {
        foreach (LeakFault::cases() as $fault) {
            yield $fault->value => [$fault];
        }
    }

    /** A vessel let down by fixed steps of mass, a gauge with a coarse scale, few readings. */
    public function testAnotherHandsVesselIsJudgedRight(): void
    {
        mt_srand(77);
        $right = $runs = $near = 0;
        for ($n = 0; $n < 120; ++$n) {
            [$litres, $from, $hole] = [mt_rand(20, 200) / 10, (float) mt_rand(50, 220), 0 === $n % 2 ? 0.0 : mt_rand(50, 120) / 100];
            $hole *= sqrt($litres / 8);
            [$scale, $every, $lasts] = [[0.1, 0.5, 1.0][mt_rand(0, 2)], [0.25, 1.0, 2.5][mt_rand(0, 2)], mt_rand(25, 70)];
            [$mass, $outside] = [($from + 101.325) * $litres / (0.28705 * 293.15) / 1000, 101.325];
            $samples = [];
            for ($time = $next = 0.0; $time <= $lasts; $time += 0.01) {
                $kpa = $mass * 1000 * 0.28705 * 293.15 / $litres;
                if ($time >= $next - 1e-9) {
                    $samples[] = [$time, round(max(0.0, $kpa - $outside + mt_rand(-100, 100) / 500) / $scale) * $scale];
                    $next += $every;
                }
                $mass -= 0.01 * 0.65 * \M_PI / 4 * ($hole / 1000) ** 2 * self::flux(1000 * $kpa, 1000 * $outside);
            }
            $run = self::judged($samples, $litres);
            $right += $run->finding === ($hole > 0.0 ? LeakFinding::Leaks : LeakFinding::Tight) ? 1 : 0;
            if ($hole > 0.0 && null !== $run->leak) {
                ++$runs;
                $near += abs($run->leak->hole / $hole - 1) < 0.05 ? 1 : 0;
            }
        }
        self::assertGreaterThanOrEqual(117, $right);
        self::assertGreaterThanOrEqual(0.95 * $runs, $near);
        self::assertGreaterThan(50, $runs);
    }

    /** kg/(s m²) by St. Venant and Wantzel, written out. */
    private static function flux(float $inside, float $outside): float
    {
        if ($inside <= $outside) {
            return 0.0;
        }
        $r = max($outside / $inside, (2 / 2.4) ** 3.5);

        return $inside * sqrt(2 * 1.4 / 0.4 / (287.05 * 293.15) * ($r ** (2 / 1.4) - $r ** (2.4 / 1.4)));
    }

    /** @param list<float> $kpa one a second */
    #[DataProvider('drawn')]
    public function testWhatAPersonWouldSayOfIt(LeakFinding $finding, Level $level, array $kpa, float $flow): void
    {
        $samples = array_map(static fn (float $one, int $i): array => [(float) $i, $one], $kpa, array_keys($kpa));
        [] !== $samples || self::fail('nothing was read');
        $run = self::judged($samples, 5.0);
        self::assertSame($finding, $run->finding);
        self::assertSame($level, LeakSaid::of($run, Pressure::kilopascals(110.0), $flow)->level);
        self::assertNotSame([], LeakDrawing::run($samples, $run)->lines);
    }

    /** @return iterable<string, array{LeakFinding, Level, list<float>, float}> */
    public static function drawn(): iterable
    {
        $fall = static fn (float $half): array => array_map(static fn (int $i): float => 100 * 0.5 ** ($i / $half), range(0, 30));
        yield 'it stands' => [LeakFinding::Tight, Level::Ok, array_fill(0, 31, 100.0), 238.0];
        yield 'half a minute takes half of it: little of what it breathes' => [LeakFinding::Leaks, Level::Watch, $fall(30.0), 238.0];
        yield 'the same, and nobody said what it breathes' => [LeakFinding::Leaks, Level::Watch, $fall(30.0), 0.0];
        yield 'two seconds take half of it, of a small engine' => [LeakFinding::Leaks, Level::Stop, $fall(4.0), 15.0];
        yield 'it goes at once' => [
            LeakFinding::LetsGo, Level::Stop, [...array_fill(0, 16, 100.0), 40.0, ...array_fill(0, 14, 0.0)], 238.0,
        ];
        yield 'the supply is not shut' => [
            LeakFinding::Rises, Level::Watch, array_map(static fn (int $i): float => 80 + 0.2 * $i, range(0, 30)), 238.0,
        ];
        yield 'it cools off, then stands' => [
            LeakFinding::CoolsDown, Level::Watch, array_map(static fn (int $i): float => 100 - 6 * (1 - exp(-$i / 4)), range(0, 40)), 238.0,
        ];
    }

    /** @param list<array{float, float}> $samples */
    private static function judged(array $samples, float $litres): LeakRun
    {
        [] !== $samples || self::fail('nothing was read');

        return LeakRun::of($samples, Volume::litres($litres), Temperature::celsius(20.0), Pressure::kilopascals(101.325));
    }
}
