<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Drawing;

use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Fluids\DipstickDrawing;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\HoseDrawing;
use NimbleKnuckle\Core\Fluids\PanDrawing;
use NimbleKnuckle\Core\Fluids\ProtectDrawing;
use NimbleKnuckle\Core\Fluids\TankDrawing;
use NimbleKnuckle\Core\Fluids\WarmUp\CurveDrawing;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** The figures of the fluid sums are drawn from their numbers, to scale. */
#[CoversClass(DipstickDrawing::class)]
#[CoversClass(HoseDrawing::class)]
#[CoversClass(PanDrawing::class)]
#[CoversClass(ProtectDrawing::class)]
#[CoversClass(TankDrawing::class)]
#[CoversClass(CurveDrawing::class)]
final class FluidDrawingsTest extends TestCase
{
    public function testProtectionShowsThreeCurvesUnderACapAndTwoWithout(): void
    {
        $in = ['base' => 'pg', 'percent' => 45, 'cap' => 100];
        $plot = ProtectDrawing::of($this->work('coolant-protect', $in), Glycol::Propylene, 45.0, 100.0, Air::at(0.0));
        self::assertCount(3, $plot->lines);
        self::assertStringContainsString('propylene glycol', $plot->about);
        self::assertStringContainsString('under the cap', $plot->dots[2]['text']);
        $open = ProtectDrawing::of($this->work('coolant-protect', ['cap' => 0] + $in), Glycol::Propylene, 45.0, 0.0, Air::at(0.0));
        self::assertCount(2, $open->lines);
        self::assertGreaterThan($plot->dots[2]['y'], $plot->dots[1]['y'], 'the cap lifts it');
        self::assertGreaterThan($plot->dots[1]['y'], $plot->dots[0]['y'], 'freezing lies below boiling');
    }

    public function testTheTankRisesByItsShareOfTheMarks(): void
    {
        $in = ['volume' => 6.6, 'percent' => 50, 'cold' => 15, 'hot' => 92];
        foreach ([0.4, 0.6, 1.0] as $marks) {
            $result = $this->work('coolant-level', $in + ['marks' => $marks]);
            $tank = TankDrawing::of($result, 15.0, 92.0);
            self::assertSame(TankDrawing::LOWER, $tank->cold);
            self::assertEqualsWithDelta(
                $result->number('expected_mark') / 100, ($tank->hot - $tank->cold) / (TankDrawing::UPPER - TankDrawing::LOWER),
                1e-9,
            );
        }
        self::assertLessThan(
            TankDrawing::HEIGHT, TankDrawing::of($this->work('coolant-level', $in + ['marks' => 0.05]), 15.0, 92.0)->hot,
            'it never leaves the tank',
        );
        self::assertNull(TankDrawing::of($this->work('coolant-level', $in), 15.0, 92.0)->mark);
    }

    public function testThePoursFillTheJugAndTheDipStandsOnTheStick(): void
    {
        $plain = DipstickDrawing::of($this->work('oil-fill', ['capacity' => 5, 'filter' => 'changed']), 5.0, null, null);
        self::assertEqualsWithDelta(90.0, $plain->first, 1e-9);
        self::assertEqualsWithDelta(10.0, $plain->then, 1e-9);
        self::assertSame(0.0, $plain->stick);
        $dipped = DipstickDrawing::of(
            $this->work('oil-fill', ['capacity' => 5, 'filter' => 'changed', 'dip_mm' => 12, 'litre_per_mm' => 0.05, 'target_mm' => 20]),
            5.0, 12.0, 20.0,
        );
        self::assertGreaterThan(20.0, $dipped->stick);
        self::assertEqualsWithDelta(0.4, $dipped->topUp ?? 0.0, 1e-9);
        self::assertNull($dipped->drawOff);
        $over = DipstickDrawing::of(
            $this->work(
                'oil-fill',
                ['capacity' => 5, 'filter' => 'changed', 'housing' => 0.5, 'dip_mm' => 26, 'litre_per_mm' => 0.05, 'target_mm' => 20],
            ),
            5.0, 26.0, 20.0,
        );
        self::assertEqualsWithDelta(0.3, $over->drawOff ?? 0.0, 1e-9);
        self::assertEqualsWithDelta(100.0, $over->first + $over->then, 1e-9, 'the housing makes it more than the capacity');
    }

    public function testTheHoseIsWhatItMeasuresWithTheClampAroundIt(): void
    {
        $hose = HoseDrawing::of($this->work('clamp-size', ['outside' => 40, 'inside' => 32, 'spigot' => 33]), 32.0, 33.0);
        self::assertEqualsWithDelta(sqrt(33 ** 2 + 40 ** 2 - 32 ** 2) / 2, $hose->outer, 1e-9);
        self::assertSame(16.5, $hose->inner);
        self::assertLessThan($hose->outer, $hose->smallest);
        self::assertGreaterThan($hose->outer, $hose->largest);
        self::assertNull(HoseDrawing::of($this->work('clamp-size', ['outside' => 40]), null, null)->spigot);
    }

    public function testThePanTestRunsUpAndDownAgain(): void
    {
        self::assertSame('dash', PanDrawing::of(88.0, 87.0, null, null)->lines[0]['kind'], 'what was not seen is not drawn as seen');
        $whole = PanDrawing::of(88.0, 86.0, 98.0, 82.0);
        self::assertCount(2, $whole->lines);
        self::assertCount(3, $whole->dots);
        self::assertLessThan($whole->dots[0]['x'], $whole->dots[2]['x'], 'it shuts colder than it opened');
    }

    public function testALongCurveIsThinnedButKeepsItsEndAndItsKnee(): void
    {
        $samples = [];
        for ($t = 0; $t <= 1800; ++$t) {
            $samples[] = [(float) $t, min(20 + 0.06 * $t, 89.0)];
        }
        $result = $this->work('warm-up', ['samples' => $samples, 'opens' => 88]);
        $plot = CurveDrawing::of($samples, 88.0, $result);
        $points = explode(' ', $plot->lines[0]['points']);
        self::assertLessThan(300, count($points));
        self::assertCount(2, $plot->levels);
        self::assertSame('opened at 89', $plot->dots[0]['text']);
        $last = explode(',', $points[count($points) - 1]);
        self::assertGreaterThan((float) explode(',', $points[count($points) - 2])[0] - 1e-9, (float) $last[0]);
        self::assertSame([], CurveDrawing::of([], 88.0, null)->dots);
    }

    /** @param array<string, mixed> $in */
    private function work(string $name, array $in): SumResult
    {
        return Doors::book()->run($name, $in);
    }
}
