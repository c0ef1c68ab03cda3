<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Starting;

use NimbleKnuckle\Core\Starting\LegDrawing;
use NimbleKnuckle\Core\Starting\VoltDrop;
use PHPUnit\Framework\TestCase;

/** Two legs as bars on one scale, their limits marked; a leg is watched over its limit, and stops at twice that. */
final class LegDrawingTest extends TestCase
{
    public function testBarsAndMarksShareOneScale(): void
    {
        $drawn = LegDrawing::of(VoltDrop::of(12.6, 10.4, 9.9, 0.1, 20.0, 'flooded'));
        [$feed, $earth] = $drawn->legs;
        self::assertSame(['feed', 'earth'], [$feed['name'], $earth['name']]);
        self::assertEqualsWithDelta([0.4, 0.1, 0.5, 0.2], [$feed['volts'], $earth['volts'], $feed['limit'], $earth['limit']], 1e-9);
        // Twice its limit and a little is the whole of a bar.
        self::assertEqualsWithDelta([80.0, 20.0, 100.0, 40.0], [$feed['bar'], $earth['bar'], $feed['mark'], $earth['mark']], 1e-9);
        self::assertEqualsWithDelta([10.4, 9.9], [$drawn->crank, $drawn->starter], 1e-9);
        $much = LegDrawing::of(VoltDrop::of(12.6, 10.4, 8.2, 0.0, 20.0, 'flooded'))->legs;
        self::assertEqualsWithDelta([220.0, 0.0, 220 * 0.5 / 2.2], [$much[0]['bar'], $much[1]['bar'], $much[0]['mark']], 1e-9);
    }

    public function testALegOverItsLimitIsWatchedAndOverTwiceThatStops(): void
    {
        foreach ([[0.5, 'ok'], [0.51, 'watch'], [1.0, 'watch'], [1.01, 'stop']] as [$feed, $level]) {
            self::assertSame(
                $level, LegDrawing::of(VoltDrop::of(12.6, 10.0, 10.0 - $feed + 1e-9, 0.0, 20.0, 'agm'))->legs[0]['level'], $feed.' V',
            );
        }
        foreach ([[0.19, 'ok'], [0.21, 'watch'], [0.39, 'watch'], [0.41, 'stop']] as [$ground, $level]) {
            self::assertSame($level, LegDrawing::of(VoltDrop::of(12.6, 10.0, 9.5, $ground, 20.0, 'agm'))->legs[1]['level'], $ground.' V');
        }
    }

    /** By the warmth of the battery: rows of common practice, straight between them, level past them. */
    public function testWhatABatteryKeepsByItsWarmth(): void
    {
        foreach ([
            21 => 9.6, 16 => 9.5, 10 => 9.4, 4 => 9.3, -1 => 9.1, -7 => 8.9, -18 => 8.5, 40 => 9.6, -40 => 8.5,
        ] as $celsius => $volts) {
            self::assertEqualsWithDelta($volts, VoltDrop::keeps((float) $celsius), 1e-9, $celsius.' °C');
        }
        self::assertEqualsWithDelta([9.45, 8.7], [VoltDrop::keeps(13.0), VoltDrop::keeps(-12.5)], 1e-9);
        $tired = static fn (float $crank): bool => VoltDrop::of(12.6, $crank, $crank, 0.0, 21.0, 'flooded')->isTired();
        self::assertSame([false, true], [$tired(9.6), $tired(9.59)]);
    }

    /** A fifth of a volt is a quarter of the charge. */
    public function testHowChargedItIsByItsVoltageAtRest(): void
    {
        $charge = static fn (float $rest, string $kind): float => VoltDrop::of($rest, 10.0, 9.5, 0.1, 20.0, $kind)->charge();
        foreach ([
            [12.65, 'flooded', 100.0], [12.45, 'flooded', 75.0], [12.05, 'flooded', 25.0], [11.5, 'flooded', 0.0], [13.2, 'flooded', 100.0],
            [12.8, 'agm', 100.0], [12.6, 'agm', 75.0], [12.45, 'other', 75.0],
        ] as [$rest, $kind, $percent]) {
            self::assertEqualsWithDelta($percent, $charge($rest, $kind), 1e-6, $rest.' V '.$kind);
        }
        $drop = VoltDrop::of(12.6, 10.0, 9.2, 0.2, 20.0, 'flooded');
        self::assertEqualsWithDelta([75.0, 25.0], [$drop->share($drop->feed()), $drop->share($drop->ground)], 1e-6);
        self::assertSame(0.0, VoltDrop::of(12.6, 10.0, 10.0, 0.0, 20.0, 'flooded')->share(0.0));
    }
}
