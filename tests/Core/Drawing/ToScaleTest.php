<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Drawing;

use NimbleKnuckle\Core\BeltDrive\PulleyDrawing;
use NimbleKnuckle\Core\ChargeAir\BoxDrawing;
use NimbleKnuckle\Core\ChargeAir\ChargePath;
use NimbleKnuckle\Core\ChargeAir\ChargeSection;
use NimbleKnuckle\Core\ChargeAir\Coupler;
use NimbleKnuckle\Core\ChargeAir\CouplerMatch;
use NimbleKnuckle\Core\ChargeAir\PathDrawing;
use NimbleKnuckle\Core\ChargeAir\PipeJoint;
use NimbleKnuckle\Core\Clutch\DiscSpring;
use NimbleKnuckle\Core\Clutch\SpringStack;
use NimbleKnuckle\Core\Clutch\StackDrawing;
use NimbleKnuckle\Core\Fluids\DialDrawing;
use NimbleKnuckle\Core\Lifting\EngineMount;
use NimbleKnuckle\Core\Lifting\MountDrawing;
use NimbleKnuckle\Core\Lifting\MountShare;
use NimbleKnuckle\Core\Lifting\TiltDrawing;
use NimbleKnuckle\Core\Lifting\TiltPoint;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Sealing\BoltSpacing;
use NimbleKnuckle\Core\Sealing\SpacingDrawing;
use PHPUnit\Framework\TestCase;

/** Figures measured with a rule: what is twice as far is drawn twice as far, and nothing lies outside its frame. */
final class ToScaleTest extends TestCase
{
    /** @return non-empty-list<float> the numbers of a path as they stand */
    private static function numbers(string $path): array
    {
        preg_match_all('~-?\d+(?:\.\d+)?~', $path, $m);

        return array_map(floatval(...), $m[0]) ?: [0.0];
    }

    public function testPulleysStandSideBySide(): void
    {
        $mm = Length::millimetres(...);
        $drawn = PulleyDrawing::of([$mm(152), $mm(140)], [$mm(62), $mm(70)]);
        [$crank, $driven] = $drawn->pulleys;
        self::assertSame([76.0, 70.0, 31.0, 35.0], [$crank['before'], $crank['after'], $driven['before'], $driven['after']]);
        // A gap before, between and after, past the larger of each.
        self::assertSame([24.0 + 76.0, 24.0 + 152.0 + 24.0 + 35.0], [$crank['x'], $driven['x']]);
        self::assertSame([0.0, 24.0 + 152.0 + 24.0 + 70.0 + 24.0], [$drawn->frame->left, $drawn->frame->width]);
        self::assertSame([-76.0 - 24.0, 152.0 + 72.0, 1.52], [$drawn->frame->top, $drawn->frame->height, $drawn->unit]);
        self::assertSame([0.0, 0.0], [$crank['y'], $driven['y']]);
    }

    /** Four discs, two and two: the stack is as high as it is free, each disc as thick as it is, cone against cone. */
    public function testAStackLiesDiscByDisc(): void
    {
        $spring = new DiscSpring(50.0, 25.4, 3.0, 4.1);
        $stack = SpringStack::of([2, 1]);
        $drawn = StackDrawing::of($stack, $spring);
        $up = 250.0 / (4.1 + 3.0 + 4.1);
        $across = 250.0 / (4.1 + 3.0 + 4.1);
        $across = min($across, 300.0 / 50.0);
        self::assertSame([310.0, 240.0], [$drawn->foot, $drawn->middle]);
        self::assertEqualsWithDelta(310.0 - 250.0, $drawn->top, 1e-9);
        self::assertSame([0, 0, 0, 0, 1, 1], array_column($drawn->discs, 'pack'));
        $foot = [0 => 0.0, 1 => 3.0, 2 => 3.0 + 4.1];
        foreach ($drawn->discs as $n => ['d' => $d]) {
            [$x1, $y1, $x2, $y2, $thick, $x3, $y3] = self::numbers($d);
            $side = 0 === $n % 2 ? -1 : 1;
            self::assertEqualsWithDelta([240 + $side * 25.0 * $across, 240 + $side * 12.7 * $across], [$x1, $x2], 0.06);
            $isWideDown = $n < 4;
            $base = 310.0 - $up * $foot[intdiv($n, 2)];
            self::assertEqualsWithDelta(
                [$base - ($isWideDown ? 0.0 : 1.1 * $up), $base - ($isWideDown ? 1.1 * $up : 0.0)], [$y1, $y2], 0.06,
            );
            self::assertEqualsWithDelta([-3.0 * $up, $x1, $y1 - 3.0 * $up], [$thick, $x3, $y3], 0.11);
        }
        self::assertSame(sprintf('3 discs, %s', $stack->said()), $drawn->said);
        // A flat wide one is as wide as there is room.
        $flat = StackDrawing::of(SpringStack::of([1]), new DiscSpring(400.0, 200.0, 5.0, 9.0))->discs[1]['d'];
        self::assertEqualsWithDelta(240.0 + 150.0, self::numbers($flat)[0] ?? 0.0, 0.06);
    }

    public function testAnEngineTurnsAboutItsMount(): void
    {
        $drawn = TiltDrawing::of([0.0, 0.0], [200.0, 0.0], \M_PI / 6, [new TiltPoint('fan', 100.0, 50.0, 20.0, 90.0)]);
        self::assertSame([[0.0, -0.0], [[200.0, -0.0], 2]], [$drawn->pivot, [$drawn->lifted[0], count($drawn->lifted)]]);
        self::assertEqualsWithDelta([200 * cos(\M_PI / 6), -100.0], $drawn->lifted[1], 1e-9);
        [$fan] = $drawn->points;
        self::assertSame(['fan', [100.0, -50.0]], [$fan['name'], $fan['from']]);
        [$x, $y] = [100 * cos(\M_PI / 6) - 25.0, 50.0 + 50 * cos(\M_PI / 6)];
        self::assertEqualsWithDelta([$x, -$y], $fan['to'], 1e-9);
        // 200 mm from side to side; the wall lies across the way, 20 mm off, sixteen hundredths long.
        self::assertEqualsWithDelta(2.0, $drawn->unit, 1e-9);
        self::assertEqualsWithDelta([100 - 16.0, -70.0, 100 + 16.0, -70.0], $fan['wall'], 1e-9);
        $frame = $drawn->frame;
        self::assertEqualsWithDelta(
            [-28.0, -100.0 - 32.0, 200.0 + 68.0, 100.0 + 64.0], [$frame->left, $frame->top, $frame->width, $frame->height], 1e-9,
        );
        $aside = TiltDrawing::of([0.0, 0.0], [200.0, 0.0], 0.0, [new TiltPoint('pipe', 100.0, 50.0, 20.0, 0.0)])->points[0]['wall'];
        self::assertEqualsWithDelta([120.0, -50.0 - 16.0, 120.0, -50.0 + 16.0], $aside, 1e-9);
        self::assertEqualsWithDelta(0.01, TiltDrawing::of([0.0, 0.0], [0.1, 0.0], 0.0, [])->unit, 1e-12, 'a point has no size');
    }

    public function testForcesOfMountsAreArrowsAsLongAsTheyAre(): void
    {
        $mounts = [new EngineMount('left', -300.0, 0.0, 100.0, 400.0, true), new EngineMount('right', 300.0, 100.0, 100.0, 200.0, true)];
        $share = MountShare::of($mounts, Torque::newtonMetres(300.0));
        $drawn = MountDrawing::of($mounts, $share);
        self::assertEqualsWithDelta(6.0, $drawn->unit, 1e-9);
        self::assertSame([$share->centre[0], -$share->centre[1]], $drawn->centre);
        $frame = $drawn->frame;
        self::assertEqualsWithDelta(
            [-300 - 216.0, -100 - 204.0, 600 + 432.0, 100 + 408.0], [$frame->left, $frame->top, $frame->width, $frame->height], 1e-9,
        );
        $lengths = [];
        foreach ($drawn->mounts as $i => $one) {
            self::assertSame([$mounts[$i]->name, $mounts[$i]->x, -$mounts[$i]->y], [$one['name'], $one['x'], $one['y']]);
            self::assertEqualsWithDelta(100 * $share->shares[$i], $one['share'], 1e-9);
            [$dx, $dy] = [$one['toX'] - $one['x'], $one['toY'] - $one['y']];
            self::assertEqualsWithDelta(
                atan2(-$share->forces[$i][1], $share->forces[$i][0]), atan2($dy, $dx), 1e-9, 'the way it pulls, y down',
            );
            $lengths[] = hypot($dx, $dy) / hypot(...$share->forces[$i]);
        }
        self::assertEqualsWithDelta($lengths[0], $lengths[1], 1e-9);
        self::assertEqualsWithDelta(26 * 6.0, max([0.0, ...array_map(
            static fn (array $one): float => hypot($one['toX'] - $one['x'], $one['toY'] - $one['y']), $drawn->mounts,
        )]), 1e-9);
    }

    public function testBoltsStandWhereTheyStand(): void
    {
        $points = [[0.0, 0.0], [100.0, 0.0], [100.0, 40.0]];
        $pitches = BoltSpacing::round($points);
        $spacing = BoltSpacing::rigid($pitches, Length::millimetres(8.0), Length::millimetres(10.0), 2.0);
        foreach ([false, true] as $isExempt) {
            $drawn = SpacingDrawing::of($points, $spacing, Length::millimetres(8.0), $isExempt);
            self::assertSame([$points, 8.0], [$drawn->points, $drawn->bolt]);
            foreach ($drawn->stretches as $i => [$x, $y, $toX, $toY, $isWide]) {
                self::assertSame([$points[$i], $points[($i + 1) % 3]], [[$x, $y], [$toX, $toY]]);
                self::assertSame(!$isExempt && hypot($toX - $x, $toY - $y) > $spacing->most->millimetres, $isWide);
            }
            self::assertSame(
                [-20.0, -20.0, 140.0, 80.0], [$drawn->left, $drawn->top, $drawn->width, $drawn->height], 'two and a half bolts',
            );
        }
        $far = SpacingDrawing::of(
            [[0.0, 0.0], [500.0, 10.0]], BoltSpacing::pressed([Length::millimetres(500.0)]), Length::millimetres(8.0), true,
        );
        self::assertSame([-30.0, 560.0], [$far->left, $far->width], 'or six hundredths of it');
    }

    public function testHosesAndPipesShareOneScale(): void
    {
        $joints = [new PipeJoint('in', 51.0, 63.0, true, 0.0), new PipeJoint('out', 63.0, 63.0, false, 45.0)];
        $couplers = [new Coupler('reducer', 63.0, 51.0, 0.0, 5.0), new Coupler('elbow', 63.0, 63.0, 45.0, 4.0)];
        $drawn = BoxDrawing::of($joints, $couplers, CouplerMatch::of($joints, $couplers));
        self::assertSame(268.0, $drawn->height);
        [$in, $out] = $drawn->rows;
        $scale = 78.0 / 63.0;
        self::assertEqualsWithDelta(
            [51 * $scale, 78.0, 61 * $scale, 73 * $scale], [$in['left'], $in['right'], $in['hoseLeft'], $in['hoseRight']], 1e-9,
        );
        self::assertSame(
            ['in', 51.0, 63.0, 'reducer', true, 0.0, true],
            [$in['name'], $in['a'], $in['b'], $in['hose'], $in['turned'], $in['angle'], $in['bead']],
        );
        self::assertEqualsWithDelta([71 * $scale, 71 * $scale], [$out['hoseLeft'], $out['hoseRight']], 1e-9);
        self::assertSame(['elbow', false, false], [$out['hose'], $out['turned'], $out['bead']]);
        self::assertEqualsWithDelta([72.8, 202.8], [$in['y'], $out['y']], 1e-9);
        $none = BoxDrawing::of($joints, [], CouplerMatch::of($joints, []))->rows[0];
        self::assertSame(
            ['', 0.0, 0.0, 'missing', false], [$none['hose'], $none['hoseLeft'], $none['hoseRight'], $none['end'], $none['turned']],
        );
    }

    public function testAChargePathIsAsLongAndAsWideAsItsParts(): void
    {
        $sections = [
            new ChargeSection('hot', 50.0, 400.0, [[90.0, 75.0]]), new ChargeSection('cooler', 80.0, 600.0),
            new ChargeSection('cold', 60.0, 0.5),
        ];
        $path = ChargePath::of($sections, 0.2, 200.0, 60.0);
        $drawn = PathDrawing::of($sections, $path);
        [$hot, $cooler, $cold] = $drawn->pipes;
        self::assertEqualsWithDelta([75.0, 120.0, 90.0], [$hot['height'], $cooler['height'], $cold['height']], 1e-9);
        foreach ($drawn->pipes as $i => $pipe) {
            self::assertEqualsWithDelta(90.0, $pipe['y'] + $pipe['height'] / 2, 1e-9);
            self::assertEqualsWithDelta($i > 0 ? $drawn->pipes[$i - 1]['x'] + $drawn->pipes[$i - 1]['width'] : 0.0, $pipe['x'], 1e-9);
            self::assertSame(
                [$path->parts[$i]['velocity'], $path->parts[$i]['loss'], $i === $path->worst],
                [$pipe['velocity'], $pipe['loss'], $pipe['isWorst']],
            );
            self::assertSame([$path->parts[$i]['mach'] > 0.4, count($sections[$i]->bends)], [$pipe['isFast'], $pipe['bends']]);
        }
        self::assertEqualsWithDelta(640.0, $cold['x'] + $cold['width'], 1e-9);
        // Past the least that each is drawn, by its length.
        self::assertEqualsWithDelta(400 / 600, ($hot['width'] - 54) / ($cooler['width'] - 54), 1e-9);
        self::assertEqualsWithDelta(1 / 600, ($cold['width'] - 54) / ($cooler['width'] - 54), 1e-9);
        self::assertStringStartsWith(
            sprintf('hot: 50.0 mm, %.0f m/s, %.2f kPa lost; cooler', $hot['velocity'], $hot['loss']), $drawn->said,
        );
    }

    /** Three quarters of a round from a hundred and thirty-five degrees on, clockwise, y down. */
    public function testTheHandOfAGauge(): void
    {
        $dial = DialDrawing::of(60.0, 85.0, 95.0, 62.0);
        self::assertEqualsWithDelta(
            [60.0, 62.0], [self::turned($dial->hand), self::turned($dial->before ?? self::fail('It was held.'))], 0.05,
        );
        self::assertEqualsWithDelta([131.0, 131.0], [self::far($dial->hand), self::far($dial->before)], 0.1);
        self::assertSame([60.0, 85.0, 95.0], [$dial->shown, $dial->aim, $dial->limit]);
        self::assertCount(11, $dial->ticks);
        foreach ($dial->ticks as $i => $tick) {
            self::assertSame((string) (10 * $i), $tick['text']);
            foreach ([['x1', 'y1', 157.0], ['x2', 'y2', 139.0], ['x', 'y', 117.0]] as [$x, $y, $radius]) {
                $at = ['x' => $tick[$x], 'y' => $tick[$y]];
                self::assertEqualsWithDelta([10.0 * $i, $radius], [self::turned($at), self::far($at)], 0.1);
            }
        }
        foreach ([[0.92 * 85, 95.0], [95.0, 100.0]] as $k => [$from, $to]) {
            [$x, $y, $r, $again, , $isLong, , $toX, $toY] = self::numbers($dial->arcs[$k]['path']);
            self::assertSame([161.0, 161.0, 0.0], [$r, $again, $isLong]);
            self::assertEqualsWithDelta(
                [$from, $to], [self::turned(['x' => $x, 'y' => $y]), self::turned(['x' => $toX, 'y' => $toY])], 0.05,
            );
        }
        self::assertSame(['arc-good', 'arc-bad'], array_column($dial->arcs, 'kind'));
        // What is over or under the scale stands at its end; a long band is drawn the long way.
        self::assertSame(DialDrawing::of(100.0, 85.0, 95.0)->hand, DialDrawing::of(130.0, 85.0, 95.0)->hand);
        self::assertSame(DialDrawing::of(0.0, 85.0, 95.0)->hand, DialDrawing::of(-5.0, 85.0, 95.0)->hand);
        self::assertNull(DialDrawing::of(60.0, 85.0, 95.0)->before);
        foreach ([[10.0, 75.0, 0], [10.0, 77.0, 1]] as [$aim, $limit, $isLong]) {
            self::assertSame(
                (float) $isLong, self::numbers(DialDrawing::of(0.0, $aim, $limit)->arcs[0]['path'])[5] ?? null, (string) $limit,
            );
        }
    }

    /**
     * How far along its scale a place lies.
     *
     * @param array{x: float, y: float} $at
     */
    private static function turned(array $at): float
    {
        return fmod(rad2deg(atan2($at['y'] - 200, $at['x'] - 200)) - 135 + 720.0, 360.0) / 270 * 100;
    }

    /** @param array{x: float, y: float} $at */
    private static function far(array $at): float
    {
        return hypot($at['x'] - 200, $at['y'] - 200);
    }
}
