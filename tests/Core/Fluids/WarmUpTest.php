<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\Door\WarmUp;
use NimbleKnuckle\Core\Fluids\WarmUp\Curve;
use NimbleKnuckle\Core\Fluids\WarmUp\CurveDrawing;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineData;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineModel;
use NimbleKnuckle\Core\Fluids\WarmUp\WarmUpJudgement;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

#[Group('slow')]
#[CoversClass(WarmUp::class)]
#[CoversClass(Curve::class)]
#[CoversClass(CurveDrawing::class)]
#[CoversClass(EngineModel::class)]
#[CoversClass(EngineData::class)]
#[CoversClass(EngineFault::class)]
#[CoversClass(Luck::class)]
final class WarmUpTest extends TestCase
{
    /** A hundred seeded engines of each kind: at least 97 named rightly, and of the sound ones fewer than two called faulty. */
    #[DataProvider('faults')]
    public function testSimulatedEnginesAreNamed(EngineFault $fault): void
    {
        $right = $alarms = 0;
        $seeds = Sample::seeds(100, 'engines '.$fault->value);
        foreach ($seeds as $seed) {
            $data = EngineData::drawn(new Luck(7000 + $seed), $fault);
            $samples = (new EngineModel($data, $fault, $seed))->whole([1.0, 2.0, 5.0, 10.0][$seed % 4]);
            $result = $this->judge($samples, $data->opens);
            $right += $result->checks[0]->code === $fault->finding() ? 1 : 0;
            $alarms += Level::Ok === $result->verdict ? 0 : 1;
        }
        $floor = Sample::floor(0.97, count($seeds));
        self::assertGreaterThanOrEqual($floor, $right, $fault->value);
        EngineFault::None === $fault ? self::assertLessThan(2, $alarms) : self::assertGreaterThanOrEqual($floor, $alarms);
    }

    /** @return iterable<string, array{EngineFault}> */
    public static function faults(): iterable
    {
        foreach (EngineFault::cases() as $fault) {
            yield $fault->value => [$fault];
        }
    }

    /**
     * Every curve drawn by hand, at four spacings, with a little noise.
     *
     * @param \Closure(float): float $curve
     */
    #[DataProvider('curves')]
    public function testPlainCurvesAreNamed(\Closure $curve, int $seconds, string $finding): void
    {
        foreach ([2, 5, 10, 15] as $every) {
            mt_srand($every);
            $samples = [];
            for ($t = 0; $t <= $seconds; $t += $every) {
                $samples[] = [(float) $t, $curve((float) $t) + mt_rand(-30, 30) / 100];
            }
            self::assertSame($finding, $this->judge($samples, 88.0)->checks[0]->code, 'every '.$every.' s');
        }
    }

    /** @return iterable<string, array{\Closure(float): float, int, string}> */
    public static function curves(): iterable
    {
        yield 'opens and holds' => [static fn (float $t): float => min(20 + 0.15 * $t, 89), 900, 'sound'];
        yield 'opens late and settles' => [
            static fn (float $t): float => $t < 460
                ? 20 + 0.15 * $t
                : ($t < 500 ? 89 + ($t - 460) * 0.08 : max(90, 92.2 - ($t - 500) * 0.05)),
            900, 'sound',
        ];
        yield 'a dip of cold water at the opening' => [
            static fn (float $t): float => $t < 460
                ? 20 + 0.15 * $t
                : ($t < 490 ? 89 - ($t - 460) * 0.12 : min(92, 85.4 + ($t - 490) * 0.05)),
            900, 'sound',
        ];
        yield 'levels off far below' => [static fn (float $t): float => 65 - 45 * exp(-$t / 250), 1200, 'stuck-open'];
        yield 'flat at seventy' => [static fn (float $t): float => min(70, 20 + 0.12 * $t), 1200, 'stuck-open'];
        yield 'hardly warms at all' => [static fn (float $t): float => 20 + 0.035 * $t, 1300, 'stuck-open'];
        yield 'straight through' => [static fn (float $t): float => min(106, 20 + 0.15 * $t), 600, 'stuck-closed'];
        yield 'opens, then climbs' => [
            static fn (float $t): float => $t < 460 ? 20 + 0.15 * $t : 89 + ($t - 460) * 0.06, 900, 'overheating',
        ];
        yield 'only half way' => [static fn (float $t): float => 20 + 0.15 * $t, 300, 'not-yet'];
        yield 'a jump in the middle' => [
            static fn (float $t): float => min(20 + 0.15 * $t, 90) + ($t > 300 && $t < 330 ? 9 : 0), 900, 'air-trapped',
        ];
        yield 'one fall when hot, and back' => [
            static fn (float $t): float => min(20 + 0.15 * $t, 90) - ($t > 600 && $t <= 632 ? 9 : 0), 900, 'sound',
        ];
        yield 'three falls when hot, a minute apart' => [
            static fn (float $t): float => min(20 + 0.15 * $t, 90) - ($t > 600 && $t < 780 && fmod($t, 60) <= 31 ? 9 : 0), 900,
            'air-trapped',
        ];
        yield 'up when hot, and back' => [
            static fn (float $t): float => min(20 + 0.15 * $t, 90) + ($t > 600 && $t <= 632 ? 9 : 0), 900, 'air-trapped',
        ];
        yield 'down when hot, and never back' => [
            static fn (float $t): float => min(20 + 0.15 * $t, 90) - ($t > 560 ? 25 : 0), 900, 'air-trapped',
        ];
    }

    /**
     * Curves no engine of ours made: a straight warming, then cold slugs out of the radiator that come back and grow smaller, or
     * bubbles past the sensor that do neither.
     */
    public function testSlugsAreForgivenAndBubblesAreNot(): void
    {
        mt_srand(77);
        $between = static fn (float $low, float $high): float => $low + ($high - $low) * mt_rand() / mt_getrandmax();
        $right = ['sound' => 0, 'air-trapped' => 0];
        for ($i = 0; $i < 200; ++$i) {
            $isAir = 0 === $i % 2;
            [$rate, $every, $noise] = [$between(0.08, 0.25), [1.0, 2.0, 5.0, 10.0][mt_rand(0, 3)], $between(0.0, 0.4)];
            $opened = (88.0 - 15.0) / $rate;
            $falls = [];
            $at = $opened + ($isAir ? -$between(0.0, 200.0) : $between(0.0, 20.0));
            $depth = $between(5.0, 14.0);
            for ($n = 0, $count = $isAir ? mt_rand(5, 9) : mt_rand(0, 4); $n < $count; ++$n) {
                $falls[] = [$at, $isAir ? $between(7.0, 13.0) : $depth];
                $depth *= $between(0.4, 0.75);
                $at += $isAir ? $between(20.0, 55.0) : $between(80.0, 180.0);
            }
            $samples = [];
            for ($t = 0.0; $t < $opened + 700; $t += $every) {
                $temperature = min(15.0 + $rate * $t, 89.0 + min(3.0, 0.01 * max(0.0, $t - $opened)));
                foreach ($falls as [$from, $deep]) {
                    $since = $t - $from;
                    $temperature -= $since < 0
                        ? 0.0
                        : ($isAir ? ($since < 14 ? $deep : 0.0) : $deep * min(1.0, $since / 8) * exp(-max(0.0, $since - 8) / 25));
                }
                $samples[] = [$t, $temperature + $noise * (mt_rand() - mt_rand()) / mt_getrandmax()];
            }
            $finding = $this->judge($samples, 88.0)->checks[0]->code;
            $right[$isAir ? 'air-trapped' : 'sound'] += $finding === ($isAir ? 'air-trapped' : 'sound') ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(98, $right['sound'], 'a false alarm stops an engine that is well');
        self::assertGreaterThanOrEqual(95, $right['air-trapped']);
    }

    public function testOverheatingStopsWhateverElse(): void
    {
        $samples = [];
        for ($t = 0; $t < 700; $t += 5) {
            $samples[] = [(float) $t, 20 + 0.15 * $t];
        }
        $result = $this->judge($samples, 88.0);
        self::assertSame('stuck-closed', $result->checks[0]->code);
        self::assertTrue($result->hasCheck('overheating'));
        self::assertSame(Level::Stop, $result->verdict);
        self::assertSame(110.0, WarmUpJudgement::limit(Temperature::celsius(90.0))->celsius);
        self::assertSame(108.0, WarmUpJudgement::limit(Temperature::celsius(82.0))->celsius);
    }

    public function testKneePlateauAndRateAreWhereTheyAre(): void
    {
        $samples = [];
        for ($t = 0; $t < 900; $t += 5) {
            $samples[] = [(float) $t, min(20 + 0.15 * $t, 89.0)];
        }
        $result = $this->judge($samples, 88.0);
        self::assertEqualsWithDelta(89.0, $result->number('opened_at'), 1.0);
        self::assertEqualsWithDelta(89.0, $result->number('plateau'), 1e-6);
        self::assertEqualsWithDelta(9.0, $result->number('rate'), 0.1);
        self::assertEqualsWithDelta(460.0, $result->number('opened_after'), 15.0);
        self::assertNotSame([], CurveDrawing::of(
            $samples, Temperature::celsius(88.0), WarmUpJudgement::of(Curve::of($samples), Temperature::celsius(88.0)),
        )->dots);
    }

    /** While nothing has left through radiator, heater and block, the heat stored is the heat put in. */
    public function testTheEnergyAddsUp(): void
    {
        $data = new EngineData(90.0, 20.0);
        $engine = new EngineModel($data, EngineFault::StuckClosed, 3);
        $engine->run(20.0);
        self::assertEqualsWithDelta(20.0 * $data->idle, $engine->stored(), 0.02 * 20.0 * $data->idle);
        $engine->run(2000.0);
        self::assertGreaterThan(100.0, $engine->coolant());
        self::assertSame(0.0, $engine->opening());
    }

    public function testTheSameSeedGivesTheSameCurveHoweverItIsRun(): void
    {
        $data = new EngineData(88.0, 15.0);
        $whole = (new EngineModel($data, EngineFault::TrappedAir, 9))->run(400.0);
        $engine = new EngineModel($data, EngineFault::TrappedAir, 9);
        self::assertSame($whole, [...$engine->run(100.0), ...$engine->run(300.0)]);
        self::assertSame(400.0, $engine->time());
    }

    public function testTheThermostatOpensAndTheFanComesAndGoes(): void
    {
        $engine = new EngineModel(new EngineData(88.0, 20.0), EngineFault::None, 4);
        $runs = [];
        for ($i = 0; $i < 270; ++$i) {
            $engine->run(10.0);
            $runs[] = $engine->fanRuns();
        }
        self::assertContains(true, $runs);
        self::assertContains(false, array_slice($runs, (int) array_search(true, $runs, true)));
        self::assertGreaterThan(0.3, $engine->opening());
    }

    /** @param array<string, mixed> $in */
    #[DataProvider('wrong')]
    public function testCurvesThatCannotBeRead(array $in, string $field): void
    {
        try {
            Doors::book()->run('warm-up', $in + ['opens' => 88, 'samples' => [[0, 20], [1, 20], [2, 20], [3, 20], [4, 20]]]);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'too few' => [['samples' => [[0, 20], [1, 20]]], 'samples'];
        yield 'backwards' => [['samples' => [[0, 20], [1, 20], [1, 20], [3, 20], [4, 20]]], 'samples'];
        yield 'kelvins' => [['samples' => [[0, 293], [1, 293], [2, 294], [3, 294], [4, 295]]], 'samples'];
        yield 'full before it opens' => [['full' => 80], 'full'];
        yield 'an oven' => [['opens' => 180], 'opens'];
    }

    /** @param list<array{float, float}> $samples */
    private function judge(array $samples, float $opens): SumResult
    {
        return Doors::book()->run('warm-up', ['samples' => $samples, 'opens' => $opens]);
    }
}
