<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\WarmUp\Curve;
use NimbleKnuckle\Core\Fluids\WarmUp\Sign;
use NimbleKnuckle\Core\Fluids\WarmUp\WarmUpJudgement;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Tests\Core\Ruler;
use PHPUnit\Framework\TestCase;

/** A circuit that opens at 88 °C, warmed at 0.1 K a second, drawn with a ruler: on either side of each limit. */
final class WarmUpLimitsTest extends TestCase
{
    /** @param non-empty-list<array{float, float}> $corners s and °C, from nought on */
    private static function drawn(array $corners, float $every = 5.0): Curve
    {
        $samples = [];
        for ($t = 0.0; $t <= $corners[count($corners) - 1][0] + 1e-9; $t += $every) {
            $samples[] = [$t, Ruler::at($corners, $t)];
        }

        return Curve::of($samples);
    }

    /** @param non-empty-list<array{float, float}> $corners */
    private static function judged(array $corners, ?float $full = null, float $every = 5.0): WarmUpJudgement
    {
        return WarmUpJudgement::of(
            self::drawn($corners, $every), Temperature::celsius(88.0), null === $full ? null : Temperature::celsius($full),
        );
    }

    public function testItHasOpenedWhereTheSlopeFallsUnderHalf(): void
    {
        $opened = self::judged([[0, 20], [690, 89], [1000, 92]]);
        self::assertSame(Sign::Opened, $opened->sign());
        self::assertEqualsWithDelta(0.1, $opened->rate, 0.002);
        self::assertEqualsWithDelta(89.0, $opened->openedAt()?->celsius, 1.2);
        self::assertEqualsWithDelta(690.0, $opened->openedAfter(), 12.0);
        self::assertEqualsWithDelta(91.0, $opened->plateau()?->celsius, 0.6, 'the middle of what comes once it is well open');
        foreach ([[0.053, false], [0.047, true]] as [$slope, $isOpen]) {
            $judged = self::judged([[0, 20], [690, 89], [820, 89 + 130 * $slope]]);
            self::assertSame($isOpen, null !== $judged->openedAt(), $slope.' K/s after 0.1');
        }
        // Not looked for under 80 °C, nor where the engine was as warm as 72 to begin with.
        self::assertNull(self::judged([[0, 20], [590, 79], [700, 79.5]])->openedAt());
        self::assertNull(self::judged([[0, 73], [160, 89], [400, 90]])->openedAt());
        self::assertNotNull(self::judged([[0, 71], [180, 89], [400, 90]])->openedAt());
    }

    public function testItGoesOnWhereItPassesFullyOpenByThree(): void
    {
        foreach ([[102.5, Sign::NotSeenToOpen], [103.5, Sign::GoesOn]] as [$to, $sign]) {
            self::assertSame($sign, self::judged([[0, 20], [10 * ($to - 20), $to]])->sign(), $to.' °C of 100');
        }
        // Known to be full at 96.
        self::assertSame(Sign::GoesOn, self::judged([[0, 20], [795, 99.5]], 96.0)->sign());
        // One that began hot says nothing of it.
        self::assertNotSame(Sign::GoesOn, self::judged([[0, 85], [190, 104]])->sign());
        self::assertSame(Sign::GoesOn, self::judged([[0, 83], [210, 104]])->sign());
    }

    public function testItIsTooHotFromAHundredAndEightOrTwentyOver(): void
    {
        self::assertSame([108.0, 108.0, 112.0], array_map(
            static fn (float $opens): float => WarmUpJudgement::limit(Temperature::celsius($opens))->celsius, [75.0, 88.0, 92.0],
        ));
        foreach ([[107.5, false], [108.0, true]] as [$to, $isHot]) {
            $judged = self::judged([[0, 20], [10 * ($to - 20), $to]]);
            self::assertSame($isHot, $judged->isTooHot(), $to.' °C');
            self::assertSame($isHot ? [Sign::GoesOn, Sign::TooHot] : [Sign::GoesOn], $judged->signs);
        }
        self::assertSame([Sign::TooHot], self::judged([[0, 20], [690, 89], [1000, 92], [1200, 108.5]])->signs, 'it had opened before');
    }

    public function testItLevelsOffShortOfWhereItOpens(): void
    {
        $judged = self::judged([[0, 20], [595, 79.5], [1100, 79.5]]);
        self::assertSame(Sign::LevelsOff, $judged->sign());
        self::assertEqualsWithDelta([79.5, 79.5], [$judged->levelsAt()->celsius, $judged->plateau()?->celsius], 0.1);
        // As one lump of heat that loses to the air nears what it can reach: five under the rating is short of it.
        foreach ([[82.6, Sign::LevelsOff], [83.6, Sign::NotSeenToOpen]] as [$level, $sign]) {
            $nears = array_map(static fn (int $i): array => [5.0 * $i, $level - ($level - 20) * exp(-5.0 * $i / 250)], range(0, 360));
            self::assertSame($sign, WarmUpJudgement::of(Curve::of($nears), Temperature::celsius(88.0))->sign(), $level.' °C');
        }
        // Seven tenths of the way there its trend tells already where it will end.
        foreach ([[1.15, Sign::NotSeenToOpen], [1.3, Sign::LevelsOff]] as [$times, $sign]) {
            $nears = array_map(static fn (int $i): array => [5.0 * $i, 70 - 50 * exp(-5.0 * $i / 400)], range(0, (int) (80 * $times)));
            self::assertSame($sign, WarmUpJudgement::of(Curve::of($nears), Temperature::celsius(88.0))->sign(), $times.' time constants');
        }
        // Under three minutes nothing is said.
        self::assertSame(Sign::NotSeenToOpen, self::judged([[0, 20], [50, 32], [175, 32]])->sign());
        self::assertSame(Sign::LevelsOff, self::judged([[0, 20], [50, 32], [185, 32]])->sign());
    }

    /** Twenty minutes, and still over fifteen short. */
    public function testItWarmsTooSlowly(): void
    {
        foreach ([
            [1195.0, 72.0, Sign::NotSeenToOpen], [1200.0, 72.0, Sign::SlowToWarm], [1200.0, 73.5, Sign::NotSeenToOpen],
        ] as [$seconds, $to, $sign]) {
            self::assertSame($sign, self::judged([[0, 20], [$seconds, $to]])->sign(), $seconds.' s to '.$to);
        }
    }

    /** A jump of over six within twenty seconds before it opens is air; a slower one is not. */
    public function testAJumpIsAir(): void
    {
        foreach ([[7.8, 20.0, true], [5.8, 20.0, false], [7.8, 45.0, false]] as [$by, $within, $isAir]) {
            $judged = self::judged([[0, 20], [400, 60], [400 + $within, 60 + $by], [700, 88]]);
            self::assertSame($isAir, Sign::Jumped === $judged->sign(), $by.' K within '.$within);
            $isAir && self::assertEqualsWithDelta(
                [60.0, 400.0], [$judged->jolts->jump['from'] ?? 0, $judged->jolts->jump['at'] ?? 0], 12.0,
            );
        }
        self::assertTrue(Sign::Jumped === self::judged([[0, 20], [400, 60], [415, 52], [800, 88]])->sign(), 'down as well as up');
    }

    /** Three teeth of three kelvin within 75 s of one another are a saw; two, shallow, slow or settling ones are none. */
    public function testASaw(): void
    {
        self::assertSame(Sign::Saw, self::judged(self::saw([4, 4, 4], 70.0))->sign());
        self::assertSame(3, self::judged(self::saw([4, 4, 4], 70.0))->jolts->teeth);
        self::assertSame(Sign::Opened, self::judged(self::saw([4, 4], 70.0))->sign());
        self::assertSame(Sign::Opened, self::judged(self::saw([2.8, 2.8, 2.8], 70.0))->sign());
        self::assertSame(Sign::Opened, self::judged(self::saw([4, 4, 4], 85.0))->sign());
        self::assertSame(Sign::Opened, self::judged(self::saw([6, 4.6, 3.5], 70.0))->sign());
        self::assertSame(Sign::Saw, self::judged(self::saw([6, 5.2, 4.5], 70.0))->sign());
    }

    public function testWhatIsNoCurveIsSaid(): void
    {
        foreach ([
            [
                [[0, 20], [5, 21], [10, 22], [15, 23]], 'at least 5',
            ], [[[0, 20], [5, 21], [5, 22], [15, 23], [20, 24]], 'Sample 3 is not later'],
            [
                [[0, 20], [5, 200], [10, 22], [15, 23], [20, 24]], 'Sample 2: 200 °C',
            ], [[[0, -60], [5, 2], [10, 3], [15, 4], [20, 5]], 'Sample 1'],
        ] as [$samples, $said]) {
            try {
                Curve::of(array_values(array_map(static fn (array $one): array => [(float) $one[0], (float) $one[1]], $samples)));
                self::fail($said);
            } catch (\DomainException|\InvalidArgumentException|\RuntimeException $e) {
                self::assertStringContainsString($said, $e->getMessage());
            }
        }
    }

    /**
     * @param list<float|int> $depths
     *
     * @return non-empty-list<array{float, float}>
     */
    private static function saw(array $depths, float $apart): array
    {
        $corners = [[0.0, 20.0], [690.0, 89.0], [900.0, 91.0]];
        foreach ($depths as $i => $depth) {
            $at = 900.0 + $apart * $i;
            $corners = [...$corners, [$at + 0.5 * $apart, 91.0 - $depth], [$at + $apart, 91.0]];
        }

        return [...$corners, [900.0 + $apart * count($depths) + 300.0, 91.5]];
    }
}
