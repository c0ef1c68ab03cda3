<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Drawing;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\EstimatedTorque;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\PreloadDrawing;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Bolting\ThreadDrawing;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Tightening\AngleDrawing;
use NimbleKnuckle\Core\Tightening\AngleTightening;
use NimbleKnuckle\Core\Tightening\Layout;
use NimbleKnuckle\Core\Tightening\OrderDrawing;
use NimbleKnuckle\Core\Tightening\RangeDrawing;
use NimbleKnuckle\Core\Tightening\SpringDrawing;
use NimbleKnuckle\Core\Trace\TraceDrawing;
use NimbleKnuckle\Core\Trace\TraceSpec;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The figures of the fastening sums are drawn from their numbers, to scale. */
#[CoversClass(AngleDrawing::class)]
#[CoversClass(OrderDrawing::class)]
#[CoversClass(PreloadDrawing::class)]
#[CoversClass(RangeDrawing::class)]
#[CoversClass(SpringDrawing::class)]
#[CoversClass(ThreadDrawing::class)]
#[CoversClass(TraceDrawing::class)]
final class FastenerDrawingsTest extends TestCase
{
    #[DataProvider('angles')]
    public function testThePullsOfAnAngleFollowOneAnotherAndEndWhereItEnds(float $angle, float $swing, int $pulls): void
    {
        $head = AngleDrawing::of(Angle::degrees($angle), $swing > 0.0 ? Angle::degrees($swing) : null);
        self::assertCount($pulls, $head->pulls);
        $at = 0.0;
        foreach ($head->pulls as $pull) {
            self::assertSame($at, $pull['from']);
            self::assertLessThanOrEqual(($swing ?: $angle) + 1e-9, $pull['to'] - $pull['from']);
            self::assertStringStartsWith('M', $pull['path']);
            $at = $pull['to'];
        }
        self::assertSame($angle, $at);
        self::assertSame(AngleDrawing::at($angle, 100.0), [$head->endX, $head->endY]);
        self::assertEqualsWithDelta(100.0, hypot($head->endX, $head->endY), 0.01);
    }

    /** @return iterable<string, array{float, float, int}> */
    public static function angles(): iterable
    {
        yield 'a quarter in one' => [90.0, 0.0, 1];
        yield 'a quarter by thirds' => [90.0, 30.0, 3];
        yield 'a rest at the end' => [75.0, 30.0, 3];
        yield 'more than a turn' => [450.0, 90.0, 5];
    }

    public function testAQuarterTurnPointsToTheRight(): void
    {
        self::assertSame([100.0, -0.0], AngleDrawing::at(90.0, 100.0));
        self::assertSame([0.0, -100.0], AngleDrawing::at(0.0, 100.0));
        self::assertSame([-100.0, 0.0], AngleDrawing::at(270.0, 100.0));
    }

    public function testAThreadIsCutToScaleWithItsOwnPitch(): void
    {
        foreach (['M6', 'M8', 'M10x1.25', '5/16-18'] as $name) {
            $thread = Thread::parse($name);
            $drawing = ThreadDrawing::of($thread, 2 * $thread->diameter, 3 * $thread->diameter);
            preg_match_all('~(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)~', $drawing->boltPath, $m);
            $widths = array_map(floatval(...), $m[1]);
            self::assertNotSame([], $widths);
            self::assertEqualsWithDelta($thread->diameter / 2, max([0.0, ...$widths]), 0.02 * $thread->diameter, $name);
            self::assertEqualsWithDelta(-$thread->diameter / 2, min([0.0, ...$widths]), 0.02 * $thread->diameter);
            self::assertEqualsWithDelta(2 * $thread->diameter, max([0.0, ...array_map(floatval(...), $m[2])]), $thread->pitch);
            self::assertGreaterThan(3 * $thread->diameter, $drawing->depth);
        }
    }

    public function testPreloadOverFrictionFallsAndTheTypicalOneIsMarked(): void
    {
        $raw = ['thread' => 'M8', 'grade' => '8.8', 'friction' => 'oiled'];
        $sum = Doors::book()->named('torque-estimate');
        $result = $sum->compute(Inputs::of($raw, $sum->about()->fields()));
        $plot = PreloadDrawing::of(EstimatedTorque::usual(Bolt::named('M8', '8.8', 'oiled')));
        $ys = array_map(static fn (string $p): float => (float) explode(',', $p)[1], explode(' ', $plot->lines[1]['points']));
        $sorted = $ys;
        sort($sorted);
        self::assertSame($sorted, $ys, 'less preload, further down');
        self::assertStringContainsString(sprintf('%.1f kN', $result->number('preload') / 1000), $plot->dots[0]['text']);
        self::assertStringContainsString('typical friction', $plot->about);
    }

    public function testTwoSpringsShareTheForceByTheirStiffness(): void
    {
        $raw = [
            'thread' => 'M10', 'grade' => '10.9', 'snug' => 30, 'angle' => 60, 'shank' => 20, 'threaded' => 12,
            'member' => 'aluminium', 'friction' => 'oiled',
        ];
        $result = Doors::book()->run('angle-tighten', $raw);
        $springs = Springs::of(Thread::parse('M10'), Length::millimetres(20.0), Length::millimetres(12.0), Member::Aluminium);
        $drawing = SpringDrawing::of(
            AngleTightening::of(Bolt::named('M10', '10.9', 'oiled'), $springs, Torque::newtonMetres(30.0), Angle::degrees(60.0)),
            Angle::degrees(30.0),
        );
        self::assertCount(2, $drawing->head->pulls);
        $stretch = 1e5 * $result->number('preload') / 1000 / $springs->bolt();
        self::assertStringContainsString(sprintf('stretched by %.1f', $stretch), $drawing->triangle->about);
        self::assertEqualsWithDelta($result->number('stretch'), $result->number('preload') / $springs->bolt(), 1e-9);
        self::assertCount(2, $drawing->triangle->lines);
        self::assertStringContainsString('yield', $drawing->byAngle->about);
    }

    public function testRangesStandOnOneScaleAndFarApartFiguresStillFit(): void
    {
        $drawing = RangeDrawing::of(
            [
                ['name' => 'small', 'min' => 2.0, 'max' => 20.0, 'usable' => 4.0, 'late' => false],
                ['name' => 'large', 'min' => 40.0, 'max' => 210.0, 'usable' => 42.0, 'late' => true],
            ],
            [9.0, 85.0, 300.0],
        );
        foreach ($drawing->bars as $bar) {
            self::assertLessThan($bar['to'], $bar['usable']);
            self::assertLessThanOrEqual($bar['usable'], $bar['from']);
            self::assertGreaterThanOrEqual(0.0, $bar['from']);
            self::assertLessThanOrEqual(100.0, $bar['to']);
        }
        $wanted = array_values(array_filter($drawing->ticks, static fn (array $t): bool => $t['wanted']));
        self::assertSame(['9', '85', '300'], array_column($wanted, 'text'));
        self::assertGreaterThan($drawing->bars[0]['usable'], $wanted[0]['at']);
        self::assertLessThan($drawing->bars[0]['to'], $wanted[0]['at'], '9 lies in the small one');
        self::assertGreaterThan($drawing->bars[1]['to'], $wanted[2]['at'], '300 lies past the large one');
    }

    public function testTheOrderIsDrawnThroughEveryPlaceOnce(): void
    {
        foreach (['ring 5', 'line 4', 'grid 2x3'] as $text) {
            $layout = Layout::parse($text);
            $order = $layout->order();
            $drawing = OrderDrawing::of($layout, $order);
            self::assertSame(range(1, $layout->count()), array_map(static fn (int $bolt): int => $drawing->placeOf[$bolt], $order));
            self::assertCount($layout->count(), explode(' ', $drawing->way));
        }
    }

    public function testATraceShowsTheFigureWithItsBandAndNotTheWholeRunDown(): void
    {
        $samples = [];
        for ($deg = 0; $deg <= 1000; $deg += 2) {
            $samples[] = [(float) $deg, $deg < 980 ? 0.4 : 0.4 + 0.43 * ($deg - 980)];
        }
        $plot = TraceDrawing::of($samples, TraceSpec::torque(9.0));
        self::assertCount(1, $plot->areas);
        self::assertStringContainsString('figure 9 N·m', $plot->levels[0]['text']);
        self::assertGreaterThan(900.0, $plot->xTicks()[0]['value'], 'turns without torque say nothing');
        $byAngle = TraceDrawing::of($samples, TraceSpec::angle(4.0, 10.0, 0.0));
        self::assertSame([], $byAngle->areas);
        self::assertStringContainsString('snug', $byAngle->levels[0]['text']);
        self::assertSame([], TraceDrawing::of([], TraceSpec::torque(9.0))->lines, 'nothing sent, nothing drawn');
    }
}
