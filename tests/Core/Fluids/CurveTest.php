<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\WarmUp\Curve;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** What the judge of a warm-up reads off a curve. */
#[CoversClass(Curve::class)]
final class CurveTest extends TestCase
{
    public function testAStraightLineHasOneSlopeWhereverItIsLookedAt(): void
    {
        $curve = $this->curve(static fn (float $t): float => 20 + 0.12 * $t, 600, 5);
        foreach ([5, 40, 100] as $i) {
            self::assertEqualsWithDelta(0.12, $curve->slopeAround($i, 30.0) ?? 0.0, 1e-9);
        }
        self::assertEqualsWithDelta(0.12, $curve->slopeBetween(0, 120) ?? 0.0, 1e-9);
        self::assertNull($curve->slopeBetween(3, 4), 'two samples are no slope');
        self::assertSame(600.0, $curve->duration());
        self::assertSame(5.0, $curve->spacing);
    }

    /** One lump of heat: its slope falls along a straight line that is nought where it levels off. */
    public function testTheTrendOfAnExponentialNamesWhereItLevelsOff(): void
    {
        foreach ([65.0, 90.0, 130.0] as $level) {
            $curve = $this->curve(static fn (float $t): float => $level - ($level - 15) * exp(-$t / 400), 900, 4);
            [$a, $b] = $curve->trend(20, 180, 20.0) ?? [0.0, 1.0];
            self::assertEqualsWithDelta($level, $a / $b, 0.5);
            self::assertEqualsWithDelta(1 / 400, $b, 1e-4);
        }
        self::assertEqualsWithDelta(
            0.0, $this->curve(static fn (float $t): float => 20 + 0.1 * $t, 600, 5)->trend(10, 100, 20.0)[1] ?? 1.0, 1e-9,
            'a straight line never levels off',
        );
    }

    public function testAJumpIsMoreThanTheWarmingItself(): void
    {
        $steady = $this->curve(static fn (float $t): float => 20 + 0.4 * $t, 200, 2);
        self::assertSame([], $steady->jumps(6.0, 20.0, 0.4), 'eight kelvin in twenty seconds, but it always warms like that');
        self::assertNotSame([], $steady->jumps(6.0, 20.0, 0.1));
        $jump = $this->curve(static fn (float $t): float => 40 + ($t >= 100 ? 8 : 0), 200, 5)->jumps(6.0, 20.0, 0.05);
        self::assertCount(1, $jump);
        self::assertSame([40.0, 48.0], [$jump[0]['from'], $jump[0]['to']]);
        self::assertSame(
            [], $this->curve(static fn (float $t): float => 40 + ($t >= 100 ? 8 : 0), 300, 30)->jumps(6.0, 20.0, 0.05),
            'too far apart to say',
        );
    }

    public function testADipIsAFallAndWhatItCameBackTo(): void
    {
        $dips = $this->curve(
            static fn (float $t): float => $t < 100 ? 90.0 : ($t < 120 ? 90 - 0.5 * ($t - 100) : min(90.0, 80 + 0.25 * ($t - 120))),
            300, 2,
        )->dips(3.0);
        self::assertCount(1, $dips);
        self::assertEqualsWithDelta([90.0, 80.0, 85.0], [$dips[0]['from'], $dips[0]['low'], $dips[0]['back']], 0.6);
        self::assertEqualsWithDelta([100.0, 120.0], [$dips[0]['at'], $dips[0]['until']], 2.1);
        $saw = $this->curve(static fn (float $t): float => 60 + (intdiv((int) $t, 10) % 2 ? 4 : 0), 200, 2)->dips(3.0);
        self::assertGreaterThanOrEqual(8, count($saw));
        self::assertSame(
            [], $this->curve(static fn (float $t): float => 60 + (intdiv((int) $t, 10) % 2 ? 1 : 0), 200, 2)->dips(3.0),
            'too small',
        );
        $open = $this->curve(static fn (float $t): float => 90.0 - ($t > 200 ? 20 : 0), 300, 2)->dips(3.0);
        self::assertSame(70.0, $open[0]['back'], 'one that has not come back yet stands there too');
    }

    public function testASingleWildSampleIsNotReachingATemperature(): void
    {
        $curve = Curve::of([[0.0, 20.0], [5.0, 21.0], [10.0, 95.0], [15.0, 22.0], [20.0, 60.0], [25.0, 90.0], [30.0, 91.0]]);
        self::assertSame(5, $curve->firstAt(88.0));
        self::assertNull($curve->firstAt(120.0));
        self::assertSame(95.0, $curve->highest());
        self::assertSame(20.0, $curve->start());
        self::assertSame(90.0, $curve->median(4));
    }

    /** @param \Closure(float): float $of */
    private function curve(\Closure $of, int $seconds, int $every): Curve
    {
        $samples = [];
        for ($t = 0; $t <= $seconds; $t += $every) {
            $samples[] = [(float) $t, $of((float) $t)];
        }

        return Curve::of($samples);
    }
}
