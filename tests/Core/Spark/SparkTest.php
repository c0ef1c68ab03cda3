<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Spark;

use NimbleKnuckle\Core\Spark\Door\PlugGap;
use NimbleKnuckle\Core\Spark\Door\PlugSetSum;
use NimbleKnuckle\Core\Spark\PlugGapDrawing;
use NimbleKnuckle\Core\Spark\PlugLook;
use NimbleKnuckle\Core\Spark\PlugSet;
use NimbleKnuckle\Core\Spark\SetDrawing;
use NimbleKnuckle\Core\Spark\SparkGap;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(SparkGap::class)]
#[CoversClass(PlugGap::class)]
#[CoversClass(PlugSet::class)]
#[CoversClass(PlugSetSum::class)]
#[CoversClass(PlugLook::class)]
#[CoversClass(PlugGapDrawing::class)]
#[CoversClass(SetDrawing::class)]
final class SparkTest extends TestCase
{
    private const GIVEN = ['boost' => 100, 'ratio' => 9.5, 'advance' => 18, 'charge_temperature' => 50, 'range' => '0.8 mm'];

    public function testTheWorkedRows(): void
    {
        self::assertEqualsWithDelta(4.35, SparkGap::open(101.325, 20.0)->demand(1.0), 0.006);
        self::assertEqualsWithDelta(32.5, self::gap([])->number('demand_low'), 0.05);
    }

    /** At top centre the whole ratio stands in it; the volume before that by the piston's own travel, summed up in small turns. */
    public function testThePressureIsThatOfThePistonThere(): void
    {
        $top = SparkGap::at(0.0, 10.0, 0.0, 20.0);
        self::assertEqualsWithDelta(101.325 * 10 ** 1.32, $top->pressure, 1e-6);
        self::assertEqualsWithDelta(293.15 * 10 ** 0.32 - 273.15, $top->celsius, 1e-6);
        foreach ([5, 18, 35, 60] as $advance) {
            // The piston's speed over a turn of the crank, in radii: sin a + sin a cos a/√(R² − sin² a).
            $fallen = 0.0;
            for ($i = 0; $i < 20_000; ++$i) {
                $a = deg2rad($advance) * ($i + 0.5) / 20_000;
                $fallen += (sin($a) + sin($a) * cos($a) / sqrt(3.5 ** 2 - sin($a) ** 2)) * deg2rad($advance) / 20_000;
            }
            $volume = 1 / 9.5 + (1 - 1 / 9.5) * $fallen / 2;
            self::assertEqualsWithDelta(201.325 * $volume ** -1.32, SparkGap::at(100.0, 9.5, (float) $advance, 50.0)->pressure, 0.01);
        }
    }

    public function testMoreOfAnythingThatPressesAsksForMore(): void
    {
        $base = self::gap([])->number('demand_low');
        foreach (['boost' => 120, 'ratio' => 10, 'advance' => 15, 'range' => '0.85 mm'] as $field => $more) {
            self::assertGreaterThan($base, self::gap([$field => $more])->number('demand_low'), $field);
        }
        self::assertLessThan($base, self::gap(['charge_temperature' => 70])->number('demand_low'), 'hot air is thinner');
    }

    public function testTheLargestGapLeavesTheCoilAQuarterOnceItIsWorn(): void
    {
        $spark = SparkGap::at(100.0, 9.5, 18.0, 50.0);
        foreach ([28.0, 33.0, 38.0, 42.0] as $coil) {
            $gap = $spark->largest(0.4, 1.0, 0.1, $coil) ?? self::fail('none at '.$coil);
            self::assertLessThanOrEqual($coil + 1e-6, 1.25 * $spark->demand($gap + 0.1));
            $gap > 0.999 || self::assertEqualsWithDelta($coil, 1.25 * $spark->demand($gap + 0.1), 1e-6);
        }
        self::assertSame(1.0, $spark->largest(0.4, 1.0, 0.1, 90.0));
        self::assertNull($spark->largest(0.4, 1.0, 0.1, 15.0));
        $none = self::gap(['range' => '0.7-0.8 mm', 'coil' => 20]);
        self::assertSame([Level::Stop, false], [$none->verdict, $none->has('gap')]);
        self::assertTrue(self::gap(['range' => '0.6-0.8 mm', 'coil' => 40])->hasCheck('low-end'));
        self::assertTrue(self::gap(['range' => '0.6-0.8 mm', 'coil' => 60])->hasCheck('high-end'));
        self::assertFalse(self::gap([])->has('gap'), 'without a coil the demand alone');
        self::assertEqualsWithDelta(
            self::gap(['range' => '0.6-0.8 mm', 'coil' => '40 kV'])->number('gap'),
            self::gap(['range' => '0.6-0.8 mm', 'coil' => 40])->number('gap'), 1e-9,
        );
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> */
    public static function sets(): iterable
    {
        yield 'one wide and white' => ['1 0.92 tan; 2 0.94 tan; 3 1.15 white; 4 0.91 tan', ['cylinder 3'], ['odd-gap', 'odd-look']];
        yield 'even' => ['1 0.92 tan; 2 0.94 tan; 3 0.93 tan; 4 0.91 tan', [], ['even']];
        yield 'all black' => ['1 0.9 black-dry; 2 0.91 black-dry; 3 0.9 black-dry', [], ['all-alike']];
        yield 'two alone say nothing of each other' => ['1 0.8 tan; 2 1.3 oil', [], ['even']];
        yield 'a cracked one, though all are' => ['1 0.9 cracked; 2 0.9 cracked; 3 0.9 cracked', [], ['spent']];
        yield 'half and half have no look in common' => ['1 0.9 tan; 2 0.9 tan; 3 0.9 oil; 4 0.9 oil', [], ['even']];
        // Spread at least 0.02 mm: 0.6745 · 0.1/0.02 is 3.37, and 0.11 is 3.71.
        yield 'just not odd' => ['1 0.8; 2 0.8; 3 0.8; 4 0.9', [], ['even']];
        yield 'just odd' => ['1 0.8; 2 0.8; 3 0.8; 4 0.91', ['cylinder 4'], ['odd-gap']];
    }

    /**
     * @param list<string> $odd
     * @param list<string> $codes
     */
    #[DataProvider('sets')]
    public function testTheOddOneIsNamed(string $plugs, array $odd, array $codes): void
    {
        $result = Doors::book()->run('plug-set', ['plugs' => $plugs]);
        self::assertSame($odd, $result->entries('odd'));
        self::assertSame($codes, array_values(array_unique(array_map(static fn ($one): string => $one->code, $result->checks))) === $codes
            ? $codes : array_intersect($codes, array_map(static fn ($one): string => $one->code, $result->checks)));
    }

    public function testWearIsByTheMiddleAndAGapThatCloses(): void
    {
        $run = static fn (float $new): SumResult => Doors::book()->run(
            'plug-set', ['plugs' => '1 0.90; 2 0.92; 3 0.91; 4 1.4', 'new_gap' => $new, 'km' => 60000],
        );
        self::assertEqualsWithDelta((0.915 - 0.795) / 6, $run(0.795)->number('wear'), 1e-9, 'one that is odd does not count');
        self::assertSame(0.0, $run(0.92)->number('wear'), 'a hair under is a gauge that drags');
        $this->expectException(InvalidInput::class);
        $run(1.1);
    }

    public function testEveryLookHasAWordAndAFace(): void
    {
        foreach (PlugLook::cases() as $look) {
            $result = Doors::book()->run('plug-set', ['plugs' => [
                ['cylinder' => 1, 'gap' => 0.8, 'look' => 'even tan'], ['cylinder' => 2, 'gap' => 0.8, 'look' => 'even tan'],
                ['cylinder' => 3, 'gap' => 0.8, 'look' => 'even tan'], ['cylinder' => 4, 'gap' => 0.8, 'look' => $look->value],
            ]]);
            self::assertSame($look->isSpent() ? Level::Stop : (PlugLook::Tan === $look ? Level::Ok : Level::Watch), $result->verdict);
        }
    }

    /** @param array<string, mixed> $with */
    private static function gap(array $with): SumResult
    {
        return Doors::book()->run('plug-gap', $with + self::GIVEN);
    }
}
