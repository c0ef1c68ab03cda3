<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\PressFit;

use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\PressFit\Door\PressSaid;
use NimbleKnuckle\Core\PressFit\PressCurve;
use NimbleKnuckle\Core\PressFit\PressEnd;
use NimbleKnuckle\Core\PressFit\PressFault;
use NimbleKnuckle\Core\PressFit\PressModel;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** The simulated press against the judge; and curves that are none of its own, coarser, noisier and of other shapes. */
#[CoversClass(PressCurve::class)]
#[CoversClass(PressFault::class)]
#[CoversClass(PressModel::class)]
#[CoversClass(PressSaid::class)]
final class PressModelTest extends TestCase
{
    public function testEachFaultOfTheSimulatedPressIsSeen(): void
    {
        $luck = new Luck(4711);
        $seeds = Sample::seeds(120, 'presses');
        for ($seed = 1; $seed <= 120; ++$seed) {
            [$torque, $travel] = [$luck->between(6.0, 350.0), $luck->between(8.0, 70.0)];
            if (!in_array($seed, $seeds, true)) {
                continue;
            }
            foreach (PressFault::cases() as $fault) {
                $samples = (new PressModel($torque, $travel, $fault, $seed))->samples();
                $judged = PressCurve::judge($samples, $torque, $travel);
                self::assertSame($fault->end(), $judged->end, sprintf('%s %d', $fault->value, $seed));
                self::assertSame(PressFault::Loose === $fault, $judged->isEasy, sprintf('%s %d', $fault->value, $seed));
                self::assertSame(
                    PressFault::None === $fault ? Level::Ok : Level::Stop, PressSaid::of($judged)[0]->level, $fault->value,
                );
                for ($i = 1, $n = count($samples); $i < $n; ++$i) {
                    self::assertGreaterThanOrEqual($samples[$i - 1][0], $samples[$i][0], 'by the way');
                }
            }
        }
        self::assertEquals(
            (new PressModel(60.0, 28.0, PressFault::None, 5))->samples(), (new PressModel(60.0, 28.0, PressFault::None, 5))->samples(),
        );
    }

    /** A hand writes every millimetre down, off by a few newton metres, with another rise: it sits where the last pull is far harder. */
    public function testACurveReadOffByHandIsJudgedToo(): void
    {
        $luck = new Luck(99);
        for ($i = 0; $i < 200; ++$i) {
            [$torque, $travel] = [$luck->between(20.0, 200.0), round($luck->between(12.0, 40.0))];
            $samples = [[0.0, 0.4 * $torque]];
            for ($way = 1.0; $way < $travel; $way += 1.0) {
                $samples[] = [$way, $torque * (0.4 + 0.5 * sqrt($way / $travel)) * (1 + 0.08 * $luck->normal())];
            }
            self::assertNotSame(PressEnd::Seated, PressCurve::judge($samples, $torque, $travel)->end, 'nothing jumped yet');
            $last = $samples[count($samples) - 1][1];
            $sits = [...$samples, [$travel - 0.1, $last], [$travel, 2.6 * $last]];
            self::assertSame(PressEnd::Seated, PressCurve::judge($sits, $torque, $travel)->end);
            $half = array_slice($samples, 0, intdiv(count($samples), 2));
            $early = [...$half, [0.5 * $travel, 0.6 * $torque], [0.5 * $travel + 0.1, 1.45 * $torque]];
            self::assertSame(PressEnd::NotSeated, PressCurve::judge($early, $torque, $travel)->end, 'a jump halfway is no seat');
        }
    }

    public function testAJumpBetweenTwoSamplesThatLieFurtherApart(): void
    {
        // From 60 to 200 over 0.4 mm: 0.3 mm before its end it had 95.
        self::assertSame(PressEnd::Seated, PressCurve::judge([[0.0, 50.0], [27.7, 60.0], [28.1, 200.0]], 66.0, 28.0)->end);
        // Over a whole millimetre it grows, it does not jump.
        self::assertSame(PressEnd::NotSeated, PressCurve::judge([[0.0, 50.0], [27.2, 60.0], [28.2, 200.0]], 66.0, 28.0)->end);
        // Two samples at one place: the second is the jump.
        self::assertSame(PressEnd::Seated, PressCurve::judge([[0.0, 50.0], [28.0, 60.0], [28.0, 130.0]], 66.0, 28.0)->end);
    }

    public function testOneThatSitsAndWentOnFarTooEasilyHoldsNothing(): void
    {
        $judged = PressCurve::judge([[0.0, 5.0], [14.0, 12.0], [27.9, 14.0], [28.1, 60.0]], 66.0, 28.0);
        self::assertSame([PressEnd::Seated, true], [$judged->end, $judged->isEasy]);
        self::assertSame(['free', 'seated'], array_column(PressSaid::of($judged), 'code'));
        $hard = PressCurve::judge([[0.0, 5.0], [14.0, 22.1], [27.9, 22.1], [28.1, 60.0]], 66.0, 28.0);
        self::assertSame([PressEnd::Seated, false], [$hard->end, $hard->isEasy], 'a third of it is enough');
    }
}
