<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Drawing;

use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Fluids\ClampKind;
use NimbleKnuckle\Core\Fluids\DipScale;
use NimbleKnuckle\Core\Fluids\DipstickDrawing;
use NimbleKnuckle\Core\Fluids\FittedHose;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\Growth;
use NimbleKnuckle\Core\Fluids\HoseClamp;
use NimbleKnuckle\Core\Fluids\HoseDrawing;
use NimbleKnuckle\Core\Fluids\OilPour;
use NimbleKnuckle\Core\Fluids\PanDrawing;
use NimbleKnuckle\Core\Fluids\PanTest;
use NimbleKnuckle\Core\Fluids\ProtectDrawing;
use NimbleKnuckle\Core\Fluids\Protection;
use NimbleKnuckle\Core\Fluids\TankDrawing;
use NimbleKnuckle\Core\Fluids\WarmUp\Curve;
use NimbleKnuckle\Core\Fluids\WarmUp\CurveDrawing;
use NimbleKnuckle\Core\Fluids\WarmUp\WarmUpJudgement;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;
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
        $under = static fn (float $cap): Protection => Protection::of(
            Glycol::Propylene, Share::ofHundred(45), Pressure::kilopascals($cap), Air::at(0.0),
        );
        $plot = ProtectDrawing::of($under(100.0));
        self::assertCount(3, $plot->lines);
        self::assertStringContainsString('propylene glycol', $plot->about);
        self::assertStringContainsString('under the cap', $plot->dots[2]['text']);
        $open = ProtectDrawing::of($under(0.0));
        self::assertCount(2, $open->lines);
        self::assertGreaterThan($plot->dots[2]['y'], $plot->dots[1]['y'], 'the cap lifts it');
        self::assertGreaterThan($plot->dots[1]['y'], $plot->dots[0]['y'], 'freezing lies below boiling');
    }

    public function testTheTankRisesByItsShareOfTheMarks(): void
    {
        [$cold, $hot] = [Temperature::celsius(15.0), Temperature::celsius(92.0)];
        $growth = Growth::of(Volume::litres(6.6), Share::ofHundred(50), $cold, $hot);
        foreach ([0.4, 0.6, 1.0] as $marks) {
            $tank = TankDrawing::of($growth, Volume::litres($marks), $cold, $hot);
            self::assertSame(TankDrawing::LOWER, $tank->cold);
            self::assertEqualsWithDelta(
                $growth->growth->litres / $marks, ($tank->hot - $tank->cold) / (TankDrawing::UPPER - TankDrawing::LOWER),
                1e-9,
            );
        }
        self::assertLessThan(
            TankDrawing::HEIGHT, TankDrawing::of($growth, Volume::litres(0.05), $cold, $hot)->hot,
            'it never leaves the tank',
        );
        self::assertNull(TankDrawing::of($growth, null, $cold, $hot)->mark);
    }

    public function testThePoursFillTheJugAndTheDipStandsOnTheStick(): void
    {
        $litres = Volume::litres(...);
        $plain = DipstickDrawing::of(OilPour::of($litres(5.0), $litres(0.0), true, $litres(0.0), null), $litres(5.0), null, null, null);
        self::assertEqualsWithDelta(90.0, $plain->first->percent, 1e-9);
        self::assertEqualsWithDelta(10.0, $plain->then->percent, 1e-9);
        self::assertSame(0.0, $plain->stick);
        [$dip, $target] = [Length::millimetres(12.0), Length::millimetres(20.0)];
        $add = DipScale::told(0.05)->between($dip, $target);
        $dipped = DipstickDrawing::of(
            OilPour::of($litres(5.0), $litres(0.0), true, $litres(0.0), null), $litres(5.0), $dip, $target, $add,
        );
        self::assertGreaterThan(20.0, $dipped->stick);
        self::assertEqualsWithDelta(0.4, $dipped->topUp ?? 0.0, 1e-9);
        self::assertNull($dipped->drawOff);
        $high = Length::millimetres(26.0);
        $over = DipstickDrawing::of(
            OilPour::of($litres(5.0), $litres(0.0), true, $litres(0.5), null), $litres(5.0), $high, $target,
            DipScale::told(0.05)->between($high, $target),
        );
        self::assertEqualsWithDelta(0.3, $over->drawOff ?? 0.0, 1e-9);
        self::assertEqualsWithDelta(
            100.0, $over->first->percent + $over->then->percent, 1e-9, 'the housing makes it more than the capacity',
        );
    }

    public function testTheHoseIsWhatItMeasuresWithTheClampAroundIt(): void
    {
        $mm = Length::millimetres(...);
        $across = FittedHose::on($mm(33.0), $mm(32.0), $mm(40.0))->across;
        $clamp = HoseClamp::nearest(ClampKind::Worm, $across);
        self::assertNotNull($clamp);
        $hose = HoseDrawing::of($clamp, $across, $mm(32.0), $mm(33.0));
        self::assertEqualsWithDelta(sqrt(33 ** 2 + 40 ** 2 - 32 ** 2) / 2, $hose->outer, 1e-9);
        self::assertSame(16.5, $hose->inner);
        self::assertLessThan($hose->outer, $hose->smallest);
        self::assertGreaterThan($hose->outer, $hose->largest);
        self::assertNull(HoseDrawing::of($clamp, $mm(40.0), null, null)->spigot);
    }

    public function testThePanTestRunsUpAndDownAgain(): void
    {
        self::assertSame(
            'dash', PanDrawing::of(new PanTest(Temperature::celsius(88.0), Temperature::celsius(87.0), null, null))->lines[0]['kind'],
            'what was not seen is not drawn as seen',
        );
        $whole = PanDrawing::of(new PanTest(...array_map(Temperature::celsius(...), [88.0, 86.0, 98.0, 82.0])));
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
        $opens = Temperature::celsius(88.0);
        $plot = CurveDrawing::of($samples, $opens, WarmUpJudgement::of(Curve::of($samples), $opens));
        $points = explode(' ', $plot->lines[0]['points']);
        self::assertLessThan(300, count($points));
        self::assertCount(2, $plot->levels);
        self::assertSame('opened at 89', $plot->dots[0]['text']);
        $last = explode(',', $points[count($points) - 1]);
        self::assertGreaterThan((float) explode(',', $points[count($points) - 2])[0] - 1e-9, (float) $last[0]);
        self::assertSame([], CurveDrawing::of([], $opens, null)->dots);
    }
}
