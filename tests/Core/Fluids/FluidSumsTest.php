<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Fluids\Door\ClampSize;
use NimbleKnuckle\Core\Fluids\Door\CoolantLevel;
use NimbleKnuckle\Core\Fluids\Door\CoolantProtect;
use NimbleKnuckle\Core\Fluids\Door\OilFill;
use NimbleKnuckle\Core\Fluids\Door\ThermostatTest;
use NimbleKnuckle\Core\Fluids\Door\VacuumFill;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\WaterVapour;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Air::class)]
#[CoversClass(WaterVapour::class)]
#[CoversClass(Glycol::class)]
#[CoversClass(CoolantProtect::class)]
#[CoversClass(VacuumFill::class)]
#[CoversClass(CoolantLevel::class)]
#[CoversClass(OilFill::class)]
#[CoversClass(ThermostatTest::class)]
#[CoversClass(ClampSize::class)]
final class FluidSumsTest extends TestCase
{
    public function testThePublishedProtection(): void
    {
        $sea = $this->work('coolant-protect', ['base' => 'eg', 'percent' => 45, 'cap' => 110]);
        self::assertEqualsWithDelta(-30.65, $sea->number('freeze'), 0.01);
        self::assertEqualsWithDelta(130.2, $sea->number('boil_capped'), 0.05);
        $high = $this->work('coolant-protect', ['base' => 'eg', 'percent' => 45, 'cap' => 110, 'altitude' => 1200]);
        self::assertEqualsWithDelta(127.9, $high->number('boil_capped'), 0.05);
        self::assertLessThan($sea->number('boil_open'), $high->number('boil_open'));
    }

    public function testEveryRowOfTheTableComesBack(): void
    {
        foreach (Glycol::cases() as $base) {
            foreach ($base->rows() as [$percent, $freezing, $boiling]) {
                $result = $this->work('coolant-protect', ['base' => $base->value, 'percent' => $percent]);
                self::assertEqualsWithDelta($freezing, $result->number('freeze'), 1e-9);
                self::assertEqualsWithDelta($boiling, $result->number('boil_open'), 0.02, $base->value.' '.$percent);
                self::assertSame($result->number('boil_open'), $result->number('boil_capped'));
            }
        }
    }

    public function testPastTheTableIsAnErrorThatSaysWhy(): void
    {
        foreach (['eg' => 58, 'pg' => 61] as $base => $percent) {
            try {
                $this->work('coolant-protect', ['base' => $base, 'percent' => $percent]);
                self::fail('More than the table was taken.');
            } catch (InvalidInput $e) {
                self::assertSame('percent', $e->field);
                self::assertStringContainsString('protects less', $e->getMessage());
            }
        }
    }

    /** More pressure boils hotter, more glycol freezes colder, and the vapour curve turns back on itself. */
    public function testProtectionIsMonotone(): void
    {
        mt_srand(5);
        for ($i = 0; $i < 400; ++$i) {
            $percent = mt_rand(0, 570) / 10;
            $cap = mt_rand(0, 150);
            $altitude = mt_rand(0, 4000);
            $of = fn (float $p, float $c, float $h): SumResult => $this->work(
                'coolant-protect', ['base' => 'eg', 'percent' => $p, 'cap' => $c, 'altitude' => $h],
            );
            $here = $of($percent, $cap, $altitude);
            self::assertGreaterThanOrEqual($here->number('boil_capped'), $of($percent, $cap + 10, $altitude)->number('boil_capped') + 1e-9);
            self::assertLessThanOrEqual($here->number('boil_capped'), $of($percent, $cap, $altitude + 100)->number('boil_capped'));
            self::assertLessThan($here->number('freeze'), $of($percent + 0.5, $cap, $altitude)->number('freeze'));
            $strength = Glycol::Ethylene->strengthFor($here->number('freeze'));
            self::assertNotNull($strength);
            self::assertEqualsWithDelta($percent, $strength, 1e-6);
        }
        for ($t = -20.0; $t <= 180.0; $t += 0.7) {
            self::assertEqualsWithDelta(
                $t, WaterVapour::temperature(WaterVapour::pressure(Temperature::celsius($t)))->celsius, abs($t - 100) < 1 ? 0.2 : 1e-9,
            );
        }
        self::assertNull(Glycol::Ethylene->strengthFor(-60.0));
    }

    public function testThePublishedVacuum(): void
    {
        $result = $this->work('vacuum-fill', ['altitude' => 1200, 'temperature' => 20, 'volume' => 6.6, 'pulled' => 75]);
        self::assertEqualsWithDelta(85.4, $result->number('limit'), 0.05);
        self::assertEqualsWithDelta(25.2, $result->number('limit') / 3.386388640341, 0.05);
        self::assertEqualsWithDelta(0.9 * $result->number('limit'), $result->number('aim'), 1e-9);
        $air = Air::at(1200)->pressure->kilopascals;
        self::assertEqualsWithDelta(6.6 * ($air - 75) / $air, $result->number('air_left'), 1e-9);
        self::assertSame(Level::Ok, $result->verdict);
    }

    /** @param array<string, mixed> $more */
    #[DataProvider('vacuums')]
    public function testTheVacuumIsJudged(array $more, string $code, Level $level): void
    {
        $result = $this->work('vacuum-fill', $more + ['temperature' => 20, 'volume' => 6, 'pulled' => 88]);
        self::assertTrue($result->hasCheck($code), $code);
        self::assertSame($level, $result->verdict);
    }

    /** @return iterable<string, array{array<string, mixed>, string, Level}> */
    public static function vacuums(): iterable
    {
        yield 'holds' => [['hold_end' => 87.2, 'hold_minutes' => 5], 'holds', Level::Ok];
        yield 'seeps' => [['hold_end' => 86.5, 'hold_minutes' => 5], 'seeps', Level::Watch];
        yield 'seeps, told in a minute' => [['hold_end' => 87.7, 'hold_minutes' => 1], 'seeps', Level::Watch];
        yield 'leaks' => [['hold_end' => 84.9, 'hold_minutes' => 5], 'leaks', Level::Stop];
        yield 'slow over ten minutes' => [['hold_end' => 84.9, 'hold_minutes' => 10], 'seeps', Level::Watch];
        yield 'deeper than can be' => [['altitude' => 1500], 'below-boiling', Level::Stop];
        yield 'warm coolant boils' => [['temperature' => 60], 'below-boiling', Level::Stop];
        yield 'boiling already' => [['temperature' => 110, 'pulled' => 5], 'too-hot', Level::Stop];
    }

    public function testTheLeakInPascalLitres(): void
    {
        $result = $this->work('vacuum-fill', ['temperature' => 20, 'volume' => 6, 'pulled' => 80, 'hold_end' => 78, 'hold_minutes' => 4]);
        self::assertEqualsWithDelta(6 * 2000 / 240, $result->number('leak_rate'), 1e-9);
        foreach ([['hold_end' => 78], ['hold_minutes' => 4], ['hold_end' => 85, 'hold_minutes' => 4]] as $wrong) {
            try {
                $this->work('vacuum-fill', $wrong + ['temperature' => 20, 'volume' => 6, 'pulled' => 80]);
                self::fail('Half a hold was taken.');
            } catch (InvalidInput $e) {
                self::assertContains($e->field, ['hold_end', 'hold_minutes']);
            }
        }
    }

    public function testTheLevelGrowsAndIsJudgedNextMorning(): void
    {
        $result = $this->work('coolant-level', ['volume' => 6.6, 'percent' => 50, 'cold' => 15, 'hot' => 92, 'marks' => 0.5]);
        self::assertEqualsWithDelta(6.6 * 5.8e-4 * 77, $result->number('growth'), 1e-12);
        self::assertEqualsWithDelta(100 * $result->number('growth') / 0.5, $result->number('expected_mark'), 1e-9);
        foreach ([[0.19, Level::Ok], [0.21, Level::Watch], [0.52, Level::Watch], [0.54, Level::Stop]] as [$litres, $level]) {
            self::assertSame(
                $level,
                $this->work(
                    'coolant-level', ['volume' => 6.6, 'percent' => 50, 'cold' => 15, 'hot' => 92, 'topped_up' => $litres],
                )->verdict,
                (string) $litres,
            );
        }
        $same = $this->work('coolant-level', ['volume' => 6.6, 'percent' => 50, 'cold' => 15, 'hot' => 15]);
        self::assertSame(0.0, $same->number('growth'), 'nothing grows that does not get warmer');
        $this->expectException(InvalidInput::class);
        $this->work('coolant-level', ['volume' => 6.6, 'percent' => 50, 'cold' => 92, 'hot' => 15]);
    }

    public function testOilByCapacityByCanAndByStick(): void
    {
        $by = $this->work('oil-fill', ['capacity' => 4.9, 'filter' => 'changed']);
        self::assertEqualsWithDelta(4.41, $by->number('first_pour'), 1e-9);
        self::assertEqualsWithDelta(0.49, $by->number('then'), 1e-9);
        self::assertEqualsWithDelta(
            0.9 * 4.6, $this->work('oil-fill', ['capacity' => 4.9, 'filter' => 'kept, 0.3 L'])->number('first_pour'), 1e-9,
        );
        self::assertEqualsWithDelta(
            0.9 * 4.6,
            $this->work('oil-fill', ['capacity' => 4.9, 'filter' => ['changed' => false, 'volume' => 0.3]])->number('first_pour'),
            1e-9,
        );
        self::assertEqualsWithDelta(
            0.9 * 4.5, $this->work('oil-fill', ['capacity' => 4.9, 'drained' => 4.2, 'filter' => 0.3])->number('first_pour'), 1e-9,
        );
        self::assertEqualsWithDelta(
            0.9 * 5.1,
            $this->work('oil-fill', ['capacity' => 4.9, 'drained' => 8, 'filter' => true, 'housing' => 0.2])->number('first_pour'),
            1e-9, 'never more than it takes',
        );
        self::assertTrue(
            $this->work('oil-fill', ['capacity' => 4.9, 'drained' => 5.2, 'filter' => 'changed'])->hasCheck('more-out'),
            'more out than it holds is a question',
        );
        self::assertFalse($this->work('oil-fill', ['capacity' => 4.9, 'drained' => 4.9, 'filter' => 'changed'])->hasCheck('more-out'));
        $low = $this->work(
            'oil-fill', ['capacity' => 4.9, 'filter' => 'changed', 'dip_mm' => 12, 'litre_per_mm' => 0.06, 'target_mm' => 20],
        );
        self::assertEqualsWithDelta(0.48, $low->number('top_up'), 1e-9);
        $high = $this->work(
            'oil-fill', ['capacity' => 4.9, 'filter' => 'changed', 'dip_mm' => 25, 'litre_per_mm' => 0.06, 'target_mm' => 20],
        );
        self::assertSame(Level::Stop, $high->verdict);
        self::assertEqualsWithDelta(0.3, $high->number('draw_off'), 1e-9);
        self::assertStringContainsString('draw off 0.3 L', $high->headline());
    }

    /** @param array<string, mixed> $wrong */
    #[DataProvider('wrongOil')]
    public function testWrongOilInputsNameTheField(array $wrong, string $field): void
    {
        try {
            $this->work('oil-fill', $wrong + ['capacity' => 4.9, 'filter' => 'changed']);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrongOil(): iterable
    {
        yield 'a dip without a scale' => [['dip_mm' => 5], 'litre_per_mm'];
        yield 'a dip without a mark' => [['dip_mm' => 5, 'litre_per_mm' => 0.05], 'target_mm'];
        yield 'a filter in kilograms' => [['filter' => 'changed, 3 kg'], 'filter'];
        yield 'a filter as large as the engine' => [['filter' => '5 L'], 'filter'];
        yield 'no capacity' => [['capacity' => 0], 'capacity'];
    }

    /** @param array<string, mixed> $in */
    #[DataProvider('pans')]
    public function testThermostatsInAPan(array $in, string $code, Level $level): void
    {
        $result = $this->work('thermostat-test', $in + ['opens' => 88, 'opened' => 87]);
        self::assertTrue($result->hasCheck($code), $code);
        self::assertSame($level, $result->verdict);
    }

    /** @return iterable<string, array{array<string, mixed>, string, Level}> */
    public static function pans(): iterable
    {
        yield 'good' => [['full_open' => 98, 'closed' => 83], 'on-stamp', Level::Ok];
        yield 'a little off' => [['opened' => 83.5], 'off-stamp', Level::Watch];
        yield 'far off' => [['opened' => 76], 'off-stamp', Level::Stop];
        yield 'slow wax' => [['full_open' => 107], 'slow', Level::Watch];
        yield 'hardly shuts' => [['closed' => 60], 'stays-open', Level::Stop];
        yield 'shuts late' => [['closed' => 76], 'lags', Level::Watch];
        yield 'opens all at once' => [['full_open' => 90], 'quick', Level::Watch];
        yield 'hotter than water' => [['full_open' => 102], 'past-boiling', Level::Watch];
        yield 'at the edge of slow' => [['full_open' => 105], 'full', Level::Watch];
        yield 'too little lift' => [['lift' => 5, 'lift_wanted' => 8], 'lift', Level::Stop];
    }

    public function testAThermostatShutsBelowWhereItOpened(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/shuts again below/');
        $this->work('thermostat-test', ['opens' => 88, 'opened' => 87, 'closed' => 92]);
    }

    public function testEachKindOfClampHasItsOwnRanges(): void
    {
        $of = fn (string $kind, float $od): SumResult => $this->work('clamp-size', ['outside' => $od, 'kind' => $kind]);
        self::assertSame([60.0, 64.0, 22.0, 5.0], array_map($of('tbolt', 63.5)->number(...), ['smallest', 'largest', 'band', 'torque']));
        self::assertSame([60.0, 80.0, 12.0, 5.0], array_map($of('worm', 68.0)->number(...), ['smallest', 'largest', 'band', 'torque']));
        self::assertEqualsWithDelta([38.95, 42.23], array_map($of('spring', 40.6)->number(...), ['smallest', 'largest']), 1e-9);
        self::assertFalse($of('spring', 40.6)->has('torque'), 'a spring band has no screw');
        for ($od = 17.0; $od <= 130.0; $od += 0.25) {
            $clamp = $of('tbolt', $od);
            self::assertLessThanOrEqual(9.0, $clamp->number('largest') - $clamp->number('smallest'));
            self::assertTrue($od >= $clamp->number('smallest') && $od <= $clamp->number('largest'));
        }
        foreach ([['kind' => 'tbolt', 'outside' => 12], ['kind' => 'spring', 'outside' => 100], ['outside' => 30, 'inside' => 32], [
            'outside' => 30, 'inside' => 29.5, 'spigot' => 30,
        ]] as $bad) {
            try {
                $this->work('clamp-size', $bad);
                self::fail(json_encode($bad, \JSON_THROW_ON_ERROR));
            } catch (InvalidInput $e) {
                self::assertSame(isset($bad['inside']) ? 'inside' : 'outside', $e->field);
            }
        }
    }

    public function testAClampFitsTheHoseAsItWillBe(): void
    {
        $result = $this->work('clamp-size', ['outside' => 40, 'inside' => 32, 'spigot' => 33, 'behind_bead' => 20]);
        self::assertEqualsWithDelta(sqrt(33 ** 2 + 40 ** 2 - 32 ** 2), $result->number('fitted'), 1e-9);
        self::assertSame(Level::Ok, $result->verdict);
        self::assertSame(Level::Stop, $this->work('clamp-size', ['outside' => 40, 'inside' => 34, 'spigot' => 33])->verdict);
        self::assertSame(Level::Stop, $this->work('clamp-size', ['outside' => 40, 'inside' => 28, 'spigot' => 33])->verdict);
        self::assertSame(Level::Stop, $this->work('clamp-size', ['outside' => 40, 'behind_bead' => 12])->verdict);
        self::assertSame(Level::Watch, $this->work('clamp-size', ['outside' => 40, 'soft' => true])->verdict);
        for ($od = 8.0; $od <= 130.0; $od += 0.5) {
            $clamp = $this->work('clamp-size', ['outside' => $od]);
            self::assertGreaterThanOrEqual($clamp->number('smallest'), $od);
            self::assertLessThanOrEqual($clamp->number('largest'), $od);
        }
        $this->expectException(InvalidInput::class);
        $this->work('clamp-size', ['outside' => 140]);
    }

    /** @param array<string, mixed> $in */
    private function work(string $name, array $in): SumResult
    {
        return Doors::book()->run($name, $in);
    }
}
