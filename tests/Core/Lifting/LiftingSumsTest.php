<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Lifting;

use NimbleKnuckle\Core\Lifting\Beam;
use NimbleKnuckle\Core\Lifting\EngineMount;
use NimbleKnuckle\Core\Lifting\Hardness;
use NimbleKnuckle\Core\Lifting\Leg;
use NimbleKnuckle\Core\Lifting\MountDrawing;
use NimbleKnuckle\Core\Lifting\MountShare;
use NimbleKnuckle\Core\Lifting\Sling;
use NimbleKnuckle\Core\Lifting\SlingDrawing;
use NimbleKnuckle\Core\Lifting\StopGapDrawing;
use NimbleKnuckle\Core\Lifting\Tilt;
use NimbleKnuckle\Core\Lifting\TiltDrawing;
use NimbleKnuckle\Core\Lifting\TiltPoint;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Mass;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Lifting and mounts: worked values, what must balance, and where each verdict turns. */
#[CoversClass(Beam::class)]
#[CoversClass(Sling::class)]
#[CoversClass(SlingDrawing::class)]
#[CoversClass(Tilt::class)]
#[CoversClass(TiltDrawing::class)]
#[CoversClass(MountShare::class)]
#[CoversClass(MountDrawing::class)]
#[CoversClass(StopGapDrawing::class)]
#[CoversClass(Hardness::class)]
#[CoversClass(Entries::class)]
final class LiftingSumsTest extends TestCase
{
    private const TILT = ['pivot' => '0 0', 'lifted' => '600 50', 'points' => 'fan 650 300 25 180'];
    private const MOUNTS = 'a -300 200 120 180 pu; b 320 180 120 180 pu; c 0 -250 260 60 pu';

    public function testWorkedValues(): void
    {
        $tilt = self::answer('tilt-clearance', ['pivot' => '0 0', 'lifted' => '600 50', 'rise' => 40, 'points' => 'fan 650 300 25 180']);
        self::assertEqualsWithDelta(3.83, $tilt->number('angle'), 0.005);
        self::assertEqualsWithDelta([3.49], $tilt->values['gaps']->entries(), 0.005);
        self::assertEqualsWithDelta(37.4, $tilt->number('limit'), 0.05);
        self::assertSame(['fan'], $tilt->values['which']->entries());
        $legs = self::answer('lift-links', ['mass' => 183.55, 'legs' => '30 250; 30 250']);
        self::assertEqualsWithDelta([1039.24, 1039.24], $legs->values['tension']->entries(), 0.01);
        $share = self::answer('mount-share', ['mounts' => self::MOUNTS, 'torque' => 900, 'engine' => '180 8 4 750']);
        self::assertEqualsWithDelta(0.877, $share->number('angle'), 0.0005);
        self::assertEqualsWithDelta([40.8, 39.5, 19.7], $share->values['share']->entries(), 0.05);
        self::assertEqualsWithDelta(13.64, $share->number('frequency'), 0.005);
        self::assertEqualsWithDelta(0.446, $share->number('transmissibility'), 0.0005);
        $twist = self::answer('extension-twist', ['torque' => 90, 'length' => 500, 'diameter' => 12.7]);
        self::assertEqualsWithDelta(12.62, $twist->number('twist'), 0.005);
        self::assertSame($twist->number('twist'), $twist->number('overstates'));
    }

    /** Unequal legs: what they carry up is the load, and sideways they cancel. */
    public function testTwoLegsBalance(): void
    {
        for ($one = 0; $one <= 60; $one += 5) {
            for ($two = 0; $two <= 60; $two += 5) {
                $legs = [new Leg(Angle::degrees($one), null), new Leg(Angle::degrees($two), null)];
                [$a, $b] = Sling::tensions(Mass::kilograms(200), $legs);
                $up = $a->value * cos(deg2rad($one)) + $b->value * cos(deg2rad($two));
                self::assertEqualsWithDelta(200 * 9.80665, $up, 1e-6, "$one $two");
                self::assertEqualsWithDelta(
                    $a->value * sin(deg2rad($one)), $b->value * sin(deg2rad($two)), 1e-6, "$one $two",
                );
            }
        }
        $three = Sling::tensions(Mass::kilograms(200), array_fill(0, 3, new Leg(Angle::degrees(40), null)));
        self::assertEqualsWithDelta(200 * 9.80665 / (2 * cos(deg2rad(40))), $three[1]->value, 1e-9, 'only two are counted on');
        $single = Sling::tensions(Mass::kilograms(200), [new Leg(Angle::degrees(0), null)]);
        self::assertEqualsWithDelta(200 * 9.80665, $single[0]->value, 1e-9);
    }

    /** The mounts hold just the torque and push the engine nowhere, wherever the origin lies. */
    public function testMountsHoldTheTorqueAndNoMore(): void
    {
        $luck = new \Random\Randomizer(new \Random\Engine\Mt19937(12));
        for ($run = 0; $run < 200; ++$run) {
            $mounts = $moved = [];
            foreach (range(0, $luck->getInt(1, 4)) as $i) {
                [$x, $y, $kx, $ky] = [
                    $luck->getInt(-500, 500) + $i, $luck->getInt(-400, 400), $luck->getInt(20, 600), $luck->getInt(20, 600),
                ];
                $mounts[] = new EngineMount('m', $x, $y, $kx, $ky, 0 === $i % 2);
                $moved[] = new EngineMount('m', $x + 1234, $y - 321, $kx, $ky, 0 === $i % 2);
            }
            $share = MountShare::of($mounts, Torque::newtonMetres(750));
            self::assertEqualsWithDelta(0.0, array_sum(array_column($share->forces, 0)), 1e-6);
            self::assertEqualsWithDelta(0.0, array_sum(array_column($share->forces, 1)), 1e-6);
            $moment = array_sum(array_map(
                static fn (EngineMount $m, array $f): float => $m->x * $f[1] - $m->y * $f[0], $mounts, $share->forces,
            ));
            self::assertEqualsWithDelta(750_000.0, $moment, 1e-3);
            self::assertEqualsWithDelta(1.0, array_sum($share->shares), 1e-12);
            self::assertEqualsWithDelta($share->shares, MountShare::of($moved, Torque::newtonMetres(750))->shares, 1e-9);
            self::assertEqualsWithDelta(
                2 * $share->roll->degrees, MountShare::of($mounts, Torque::newtonMetres(1500))->roll->degrees, 1e-9,
            );
        }
    }

    /** Lifted behind the mount it tips the other way; the mirrored engine has the mirrored gaps. */
    public function testATiltMirrors(): void
    {
        foreach ([[600.0, 50.0], [300.0, -80.0], [450.0, 200.0]] as [$x, $y]) {
            $points = [new TiltPoint('p', 650, 300, 40, 30), new TiltPoint('q', -100, 220, 40, 140)];
            $mirrored = [new TiltPoint('p', -650, 300, 40, 150), new TiltPoint('q', 100, 220, 40, 40)];
            $one = Tilt::of([0.0, 0.0], [$x, $y], 30, $points);
            $other = Tilt::of([0.0, 0.0], [-$x, $y], 30, $mirrored);
            self::assertEqualsWithDelta($one->angle->degrees, -$other->angle->degrees, 1e-9);
            self::assertEqualsWithDelta($one->gaps, $other->gaps, 1e-9);
            self::assertEqualsWithDelta($one->limit, $other->limit, 1e-6);
            $at = Tilt::of([0.0, 0.0], [$x, $y], $one->limit, $points);
            $left = $at->gaps[$one->first] ?? null;
            null === $left || self::assertEqualsWithDelta(5.0, $left, 1e-6, 'at the limit the first gap is 5 mm');
            self::assertEqualsWithDelta($y + 30, Tilt::moved($x, $y, [0.0, 0.0], $one->angle->radians())[1], 1e-9);
        }
    }

    /** @param array<string, mixed> $inputs */
    #[DataProvider('verdicts')]
    public function testVerdictsTurnWhereTheyShould(string $sum, array $inputs, string $verdict): void
    {
        self::assertSame($verdict, self::answer($sum, $inputs)->verdict->value);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function verdicts(): iterable
    {
        yield 'one and a half' => ['lift-links', ['mass' => 200, 'parts' => 'hook 300'], 'ok'];
        yield 'just under' => ['lift-links', ['mass' => 200, 'parts' => 'hook 299.9'], 'watch'];
        yield 'just one' => ['lift-links', ['mass' => 200, 'parts' => 'hook 200'], 'watch'];
        yield 'under one' => ['lift-links', ['mass' => 200, 'parts' => 'hook 199.9'], 'stop'];
        yield 'no rating' => ['lift-links', ['mass' => 5, 'parts' => 'hook 500; ring'], 'stop'];
        yield 'a rating of nothing' => ['lift-links', ['mass' => 5, 'parts' => [['name' => 'ring', 'rating' => 0]]], 'stop'];
        yield 'sixty degrees' => ['lift-links', ['mass' => 20, 'legs' => '60 500; 60 500'], 'ok'];
        yield 'past sixty' => ['lift-links', ['mass' => 20, 'legs' => '60.1 500; 60 500'], 'stop'];
        yield 'a bar without rating, whatever its section' => [
            'lift-links',
            ['mass' => 20, 'bar' => ['span' => 1500, 'at' => 700, 'section' => ['width' => 60, 'height' => 90, 'wall' => 6]]], 'stop',
        ];
        yield 'five left' => ['clearance', ['cold' => 10, 'least' => 10], 'ok'];
        yield 'under the least' => ['clearance', ['cold' => 9.99, 'least' => 10], 'watch'];
        yield 'touching' => ['clearance', ['cold' => 1, 'roll' => '1° 100'], 'stop'];
        yield 'far' => ['tilt-clearance', ['rise' => 37] + self::TILT, 'ok'];
        yield 'near' => ['tilt-clearance', ['rise' => 38] + self::TILT, 'watch'];
        yield 'hits' => ['tilt-clearance', ['rise' => 60] + self::TILT, 'stop'];
        yield 'shakes through' => ['mount-share', ['mounts' => self::MOUNTS, 'torque' => 900, 'engine' => '180 8 4 400'], 'watch'];
        yield 'held off' => ['mount-share', ['mounts' => self::MOUNTS, 'torque' => 900, 'engine' => '180 8 4 800'], 'ok'];
    }

    /** @param array<string, mixed> $inputs */
    #[DataProvider('refused')]
    public function testWhatCannotBeIsRefusedAtItsField(string $sum, array $inputs, string $field, string $said): void
    {
        try {
            self::answer($sum, $inputs);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertStringContainsString($said, $e->getMessage());
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function refused(): iterable
    {
        $tilt = ['pivot' => '0 0', 'lifted' => '600 50', 'rise' => 40, 'points' => 'fan 650 300 25 180'];
        yield 'straight above' => ['tilt-clearance', ['lifted' => '0 300'] + $tilt, 'lifted', 'in front of or behind'];
        yield 'out of reach' => ['tilt-clearance', ['rise' => 600] + $tilt, 'rise', 'can rise'];
        yield 'a point without gap' => ['tilt-clearance', ['points' => 'fan 650 300'] + $tilt, 'points', 'Entry 1 has no “gap”'];
        yield 'letters' => [
            'tilt-clearance', ['points' => [['x' => 'far', 'y' => 1, 'gap' => 2, 'direction' => 3]]] + $tilt, 'points', '“x”',
        ];
        yield 'nothing hangs' => ['lift-links', ['mass' => 20], 'parts', 'what it hangs on'];
        yield 'one slanting leg' => ['lift-links', ['mass' => 20, 'legs' => '30 500'], 'legs', 'hangs upright'];
        yield 'beside the bar' => ['lift-links', ['mass' => 20, 'bar' => '1000 1200 500'], 'bar', 'between its feet'];
        yield 'no side' => ['clearance', ['cold' => 5, 'parts' => '450 23 70'], 'parts', 'moving or frame'];
        yield 'another side' => [
            'clearance', ['cold' => 5, 'parts' => [['side' => 'left', 'length' => 1, 'α' => 1, 'rise' => 1]]], 'parts', 'moving or frame',
        ];
        yield 'a bore too wide' => [
            'extension-twist', ['torque' => 9, 'length' => 50, 'diameter' => 10, 'inner' => 10], 'inner', 'smaller than the extension',
        ];
        yield 'snug past the torque' => [
            'extension-twist', ['torque' => 9, 'snug' => 10, 'length' => 50, 'diameter' => 10], 'snug', 'below',
        ];
        yield 'one mount' => ['mount-share', ['mounts' => 'a 100 100 120 180', 'torque' => 900], 'mounts', 'hold no torque'];
        yield 'no weight' => [
            'mount-share', ['mounts' => self::MOUNTS, 'torque' => 900, 'engine' => '0 8 4 800'], 'engine', 'weighs something',
        ];
    }

    public function testAnEngineIsKnownByItsMassOrItsInertia(): void
    {
        $of = static fn (mixed $engine): float => self::answer(
            'mount-share', ['mounts' => self::MOUNTS, 'torque' => 900, 'engine' => $engine],
        )->number('frequency');
        self::assertEqualsWithDelta($of(['mass' => 200]), $of(['inertia' => 8]), 1e-12, 'mass times 0.2 m squared');
        self::assertSame($of(['mass' => 200, 'inertia' => 8]), $of('200 kg 8 4 750'));
        $kinds = static fn (string $kind): float => self::answer('mount-share', [
            'mounts' => str_replace('pu', $kind, self::MOUNTS), 'torque' => 900, 'engine' => '180 8 4 750',
        ])->number('transmissibility');
        self::assertSame($kinds('pu'), $kinds('polyurethane'));
        self::assertLessThan($kinds('pu'), $kinds('rubber'), 'above its own frequency the less damped lets less through');
    }

    public function testABarBends(): void
    {
        $load = Mass::kilograms(183.55)->weight();
        $bent = static fn (float $at, ?float $w, ?float $h, ?float $wall = null): ?float => (new Beam(
            1500, $at, null, $w, $h, $wall,
        ))->bending($load)?->value;
        self::assertEqualsWithDelta(70.988, $bent(600, 40, 60, 3), 0.001, 'a tube 40 by 60 by 3');
        self::assertEqualsWithDelta(648_003.819 / 24_000, $bent(600, 40, 60), 1e-6, 'solid: W = w h² / 6');
        self::assertSame($bent(600, 40, 60, 3), $bent(900, 40, 60, 3), 'from either foot');
        self::assertSame([0.0, 0.0], [$bent(0, 40, 60, 3), $bent(1500, 40, 60, 3)]);
        self::assertSame($bent(600, 40, 60), $bent(600, 40, 60, 25), 'a wall of half the width is solid');
        foreach ([[null, 60.0], [40.0, null], [0.0, 60.0], [40.0, 0.0]] as [$w, $h]) {
            self::assertNull($bent(600, $w, $h), 'its section is not known');
        }
    }

    public function testHardnessByBothRelations(): void
    {
        self::assertEqualsWithDelta(0.8427007929, Hardness::erf(1.0), 1e-10);
        self::assertEqualsWithDelta(0.9953222650, Hardness::erf(2.0), 1e-10);
        self::assertEqualsWithDelta(0.0, Hardness::erf(0.0), 1e-12);
        foreach ([30.0, 50.0, 70.0, 85.0] as $shore) {
            $root = sqrt(1e6 * Hardness::modulusByErf($shore));
            self::assertEqualsWithDelta($shore, 100 * Hardness::erf(3.186e-4 * $root), 1e-6);
        }
        $in = ['mounts' => self::MOUNTS, 'torque' => 900, 'hardness' => 55];
        self::assertArrayNotHasKey('ratio_other', self::answer('mount-share', ['hardness_new' => 80] + $in)->values);
        self::assertArrayHasKey('ratio_other', self::answer('mount-share', ['hardness_new' => 81] + $in)->values, 'past 80 it is a range');
    }

    public function testDrawingsAreToScale(): void
    {
        $tilt = TiltDrawing::of([0.0, 0.0], [600.0, 50.0], deg2rad(4), [new TiltPoint('fan', 650, 300, 25, 180)]);
        self::assertSame([650.0, -300.0], $tilt->points[0]['from']);
        $wall = $tilt->points[0]['wall'];
        self::assertEqualsWithDelta(625.0, ($wall[0] + $wall[2]) / 2, 1e-9, 'the obstacle stands its gap away');
        self::assertEqualsWithDelta(-300.0, ($wall[1] + $wall[3]) / 2, 1e-9);
        $sling = SlingDrawing::of([new Leg(Angle::degrees(30), null), new Leg(Angle::degrees(50), null)], null);
        foreach ([30.0, 50.0] as $i => $angle) {
            $leg = $sling->legs[$i];
            self::assertEqualsWithDelta($angle, rad2deg(atan2(abs($leg['x'] - $sling->hookX), $leg['y'] - $sling->hookY)), 1e-9);
        }
        $gap = StopGapDrawing::of(['cold' => 12.0, 'hot' => 6.0, 'rocking' => -2.0], 3.0);
        self::assertSame([2.0, 0.0, 4.0], [
            $gap->bars[0]['width'] / $gap->bars[1]['width'], $gap->bars[2]['width'], $gap->bars[0]['width'] / $gap->least,
        ]);
        $mounts = [new EngineMount('a', -300, 200, 120, 180, true), new EngineMount('b', 320, 180, 120, 180, true)];
        $drawn = MountDrawing::of($mounts, MountShare::of($mounts, Torque::newtonMetres(500)));
        self::assertSame([-300.0, -200.0], [$drawn->mounts[0]['x'], $drawn->mounts[0]['y']]);
    }

    /** @param array<string, mixed> $inputs */
    private static function answer(string $sum, array $inputs): SumResult
    {
        return Doors::book()->run($sum, $inputs);
    }

    /** Beside a leg that stands upright the other one has nothing to hold: that is said, and nothing is divided by it. */
    public function testBesideAnUprightLegTheOtherHangsSlack(): void
    {
        $result = Doors::book()->run('lift-links', ['mass' => '200', 'legs' => '0° 250; 30° 250']);
        self::assertEqualsWithDelta([200 * 9.80665, 0.0], $result->entries('tension'), 1e-6);
        self::assertEqualsWithDelta([1.25, 1.25], $result->entries('margin'), 1e-9);
        self::assertSame(['watch margin', 'watch slack'], array_map(
            static fn (Check $one): string => $one->level->value.' '.$one->code, $result->checks,
        ));
        $both = Doors::book()->run('lift-links', ['mass' => '200', 'legs' => '0° 250; 0° 250']);
        self::assertEqualsWithDelta([2.5, 2.5], $both->entries('margin'), 1e-9, 'both upright share it');
    }
}
