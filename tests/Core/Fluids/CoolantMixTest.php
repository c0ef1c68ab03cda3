<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\CanDrawing;
use NimbleKnuckle\Core\Fluids\Door\CoolantMix;
use NimbleKnuckle\Core\Fluids\FillCycles;
use NimbleKnuckle\Core\Fluids\Mix;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(CoolantMix::class)]
#[CoversClass(FillCycles::class)]
#[CoversClass(CanDrawing::class)]
final class CoolantMixTest extends TestCase
{
    public function testThePublishedCase(): void
    {
        $result = $this->mix(6.4, 4.1, 32, 50, 100);
        self::assertEqualsWithDelta(2.464, $result->number('pour'), 1e-9);
        self::assertEqualsWithDelta(1.636, $result->number('water'), 1e-9);
        self::assertEqualsWithDelta(50.0, $result->number('result'), 1e-9);
        self::assertSame(Level::Ok, $result->verdict);
    }

    public function testHalfAndHalfCannotReachIt(): void
    {
        $result = $this->mix(6.4, 4.1, 32, 50, 50);
        self::assertSame(Level::Stop, $result->verdict);
        self::assertEqualsWithDelta(6.4, $result->number('drain_needed'), 1e-9);
        self::assertFalse($result->has('cycles'));
    }

    /** Whatever comes out: nothing is lost, nothing is negative, and the glycol adds up. */
    public function testGlycolAndVolumeAreConserved(): void
    {
        mt_srand(17);
        for ($i = 0; $i < 1500; ++$i) {
            $v = mt_rand(10, 300) / 10;
            $d = $v * mt_rand(0, 1000) / 1000;
            [$c0, $target, $cp] = [mt_rand(0, 60), mt_rand(0, 60), mt_rand(1, 100)];
            $result = $this->mix($v, $d, $c0, $target, $cp);
            [$pour, $water] = [$result->number('pour'), $result->number('water')];
            self::assertGreaterThanOrEqual(-1e-9, $pour);
            self::assertGreaterThanOrEqual(-1e-9, $water);
            self::assertEqualsWithDelta($d, $pour + $water, 1e-9);
            self::assertEqualsWithDelta($v * $result->number('result'), ($v - $d) * $c0 + $pour * $cp, 1e-6);
            if (Level::Stop !== $result->verdict) {
                self::assertEqualsWithDelta($target, $result->number('result'), 1e-6);
            }
        }
    }

    /** The drain named would do it, and the cycles counted are the fewest that do. */
    public function testDrainNeededAndCyclesAreRight(): void
    {
        mt_srand(23);
        $seen = 0;
        for ($i = 0; $i < 1500; ++$i) {
            $v = mt_rand(30, 150) / 10;
            $d = $v * mt_rand(50, 950) / 1000;
            [$c0, $target, $cp] = [mt_rand(0, 60), mt_rand(1, 60), mt_rand(30, 100)];
            $result = $this->mix($v, $d, $c0, $target, $cp);
            if ($result->has('drain_needed') && $result->number('drain_needed') <= $v) {
                self::assertNotSame(
                    Level::Stop, $this->mix($v, min($v, $result->number('drain_needed') + 1e-9), $c0, $target, $cp)->verdict,
                );
            }
            if (!$result->has('cycles')) {
                continue;
            }
            ++$seen;
            $poured = $target > $c0 ? $cp : 0;
            $c = $before = (float) $c0;
            for ($n = 1; $n <= $result->number('cycles'); ++$n) {
                $before = $c;
                $c = (($v - $d) * $c + $d * $poured) / $v;
            }
            self::assertTrue($target > $c0 ? $c >= $target - 1e-6 : $c <= $target + 1e-6);
            self::assertTrue($target > $c0 ? $before < $target + 1e-6 : $before > $target - 1e-6);
        }
        self::assertGreaterThan(50, $seen);
    }

    /** Whoever drains and pours as told, cycle by cycle, ends at the target with little of the old left. */
    public function testTheAdviceFollowedEndsAtTheTarget(): void
    {
        mt_srand(41);
        $followed = 0;
        for ($i = 0; $i < 800; ++$i) {
            $v = mt_rand(30, 150) / 10;
            $d = $v * mt_rand(60, 950) / 1000;
            [$c0, $target, $cp] = [mt_rand(0, 60), mt_rand(10, 60), mt_rand(30, 100)];
            $incompatible = 0 === $i % 2;
            $result = Doors::book()->run(
                'coolant-mix',
                [
                    'capacity' => $v, 'drained' => $d, 'present' => $c0, 'target' => $target, 'product' => $cp,
                    'incompatible' => $incompatible,
                ],
            );
            if (!$result->has('pours') || $cp < $target || $cp === $target && $c0 < $target) {
                continue;
            }
            ++$followed;
            [$glycol, $old] = [$v * $c0 / 100, $v];
            foreach ($result->entries('pours') as $n => $pour) {
                $water = $result->entries('waters')[$n];
                self::assertEqualsWithDelta($d, (float) $pour + (float) $water, 1e-9, 'what goes in is what came out');
                self::assertGreaterThanOrEqual(-1e-12, min((float) $pour, (float) $water));
                $glycol = $glycol * (1 - $d / $v) + (float) $pour * $cp / 100;
                $old *= 1 - $d / $v;
            }
            self::assertEqualsWithDelta($target, 100 * $glycol / $v, 1e-6);
            $incompatible && self::assertLessThan(0.05 * $v, $old);
            self::assertSame((float) count($result->entries('pours')), $result->number('cycles'));
        }
        self::assertGreaterThan(300, $followed);
    }

    public function testPremixNoStrongerThanWantedNeverGetsThereAndSaysSo(): void
    {
        $result = Doors::book()->run(
            'coolant-mix',
            ['capacity' => 6.4, 'drained' => 4.1, 'present' => 20, 'target' => 50, 'product' => 50, 'incompatible' => true],
        );
        self::assertSame(Level::Stop, $result->verdict);
        self::assertStringContainsString(', not 50', $result->checks[0]->text);
        self::assertLessThan(10, count($result->entries('pours')));
    }

    public function testFamiliesThatMustNotMixAreWashedOut(): void
    {
        $result = Doors::book()->run(
            'coolant-mix',
            ['capacity' => 6.4, 'drained' => 4.1, 'present' => 32, 'target' => 50, 'product' => 100, 'incompatible' => true],
        );
        $left = 1 - 4.1 / 6.4;
        self::assertEqualsWithDelta([$left * 100, $left ** 2 * 100, $left ** 3 * 100], $result->values['old_share']->value, 1e-9);
        self::assertSame(3.0, $result->number('cycles'));
        self::assertEqualsWithDelta([2.464, 2.05, 2.05], $result->entries('pours'), 1e-9);
        self::assertStringContainsString(
            'first 2.46 L coolant and 1.64 L water, then twice 2.05 L coolant and 2.05 L water', $result->checks[0]->text,
        );
        self::assertSame(Level::Watch, $result->verdict);
    }

    /** @param array<string, mixed> $changed */
    #[DataProvider('bad')]
    public function testBadInputNamesItsField(string $field, array $changed): void
    {
        try {
            Doors::book()->run(
                'coolant-mix', $changed + ['capacity' => 6.4, 'drained' => 4.1, 'present' => 32, 'target' => 50, 'product' => 100],
            );
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function bad(): iterable
    {
        yield 'more drained than it holds' => ['drained', ['drained' => 7]];
        yield 'nothing in it' => ['capacity', ['capacity' => 0]];
        yield 'more than all glycol' => ['target', ['target' => 101]];
        yield 'water as the product' => ['product', ['product' => 0]];
        yield 'a list' => ['present', ['present' => [1]]];
        yield 'a length' => ['capacity', ['capacity' => '6 mm']];
        yield 'neither yes nor no' => ['incompatible', ['incompatible' => 'perhaps']];
    }

    public function testTheCanAddsUpToFull(): void
    {
        $can = CanDrawing::of(Mix::of(
            Volume::litres(6.6), Volume::litres(4.1), Share::ofHundred(32), Share::ofHundred(50), Share::ofHundred(100),
        ));
        self::assertEqualsWithDelta(100.0, $can->left + $can->water + $can->pour, 1e-9);
    }

    private function mix(float $v, float $d, float $c0, float $target, float $cp): SumResult
    {
        return Doors::book()->run(
            'coolant-mix', ['capacity' => $v, 'drained' => $d, 'present' => $c0, 'target' => $target, 'product' => $cp],
        );
    }
}
