<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Gate;

use NimbleKnuckle\Core\Gate\BoostFinding;
use NimbleKnuckle\Core\Gate\BoostRun;
use NimbleKnuckle\Tests\Core\Ruler;
use PHPUnit\Framework\TestCase;

/** A run of eight seconds at a target of 100 kPa, drawn with a ruler: on either side of each limit. */
final class BoostLimitsTest extends TestCase
{
    /** @param non-empty-list<array{float, float}> $corners s and kPa; throttle open from nought on */
    private static function drawn(array $corners, ?float $limit = null, float $throttle = 100.0): ?BoostRun
    {
        $samples = [[-0.5, 2000.0, 0.0, 20.0]];
        for ($t = 0.0; $t <= 8.0 + 1e-9; $t += 0.05) {
            $samples[] = [$t, 2000 + 500 * $t, Ruler::at($corners, $t), $throttle];
        }

        return BoostRun::of($samples, static fn (float $rpm): float => 100.0, $limit);
    }

    public function testItIsShortWhereItNeverComesWithinEightInAHundred(): void
    {
        foreach ([[91.0, BoostFinding::Short], [92.5, BoostFinding::Sound]] as [$most, $finding]) {
            $run = self::drawn([[0, 0], [2, $most], [8, $most]]);
            self::assertSame($finding, $run?->finding, $most.' kPa');
            self::assertSame(BoostFinding::Short === $finding, null === ($run->reached ?? null) && null === ($run->settled ?? null));
        }
        $run = self::drawn([[0, 0], [2, 100.0], [8, 100.0]]);
        self::assertEqualsWithDelta(2000 + 500 * 1.84, $run?->reached, 30.0, 'it is near at 92 kPa');
        self::assertEqualsWithDelta([100.0, 100.0], [$run?->settled, $run?->peak], 1e-9);
    }

    public function testOverItsLimitComesBeforeAllElse(): void
    {
        self::assertSame(BoostFinding::Sound, self::drawn([[0, 0], [2, 105.0], [8, 105.0]], 105.0)?->finding);
        $over = self::drawn([[0, 0], [2, 105.0], [8, 105.0]], 104.9);
        self::assertSame([BoostFinding::OverLimit, 105.0], [$over?->finding, $over?->peak]);
        self::assertEqualsWithDelta(2.0, $over?->at, 0.06);
    }

    public function testItSpikesWhereItGoesAnEighthOverWithinASecondAndComesBack(): void
    {
        foreach ([[111.5, 1.0, BoostFinding::Sound], [113.5, 1.0, BoostFinding::Spike]] as [$peak, $back, $finding]) {
            $run = self::drawn([[0, 0], [2, 100], [2.4, $peak], [3.0, $peak], [3.5, 102], [8, 102]]);
            self::assertSame($finding, $run?->finding, $peak.' kPa');
        }
        // What comes later than a second after, or does not come back under half of it, is no spike.
        self::assertNotSame(
            BoostFinding::Spike, self::drawn([[0, 0], [2, 100], [3.3, 101], [3.6, 114], [4.2, 114], [4.6, 101], [8, 101]])?->finding,
        );
        self::assertSame(BoostFinding::Spike, self::drawn([[0, 0], [2, 100], [2.4, 114], [3.0, 114], [3.5, 105.5], [8, 105.5]])?->finding);
        self::assertNotSame(
            BoostFinding::Spike, self::drawn([[0, 0], [2, 100], [2.4, 114], [3.0, 114], [3.5, 106.5], [8, 106.5]])?->finding,
        );
    }

    public function testItCreepsWhereItEndsSixOverAndStillRises(): void
    {
        foreach ([[105.5, BoostFinding::Sound], [107.5, BoostFinding::Creep]] as [$end, $finding]) {
            self::assertSame($finding, self::drawn([[0, 0], [2, 100], [8, $end]])?->finding, $end.' kPa');
        }
        // High but level is not creeping.
        self::assertSame(BoostFinding::Sound, self::drawn([[0, 0], [2, 107.5], [8, 107.5]])?->finding);
    }

    public function testItTapersWhereItEndsOverASeventhUnderItsMost(): void
    {
        foreach ([[86.0, BoostFinding::Sound], [83.5, BoostFinding::Tapers]] as [$end, $finding]) {
            self::assertSame($finding, self::drawn([[0, 0], [2, 100], [4, 100], [7, $end], [8, $end]])?->finding, $end.' kPa');
        }
        // By the last four tenths of a second.
        self::assertSame(BoostFinding::Tapers, self::drawn([[0, 0], [2, 100], [7.4, 100], [7.55, 80], [8, 80]])?->finding);
        self::assertSame(BoostFinding::Sound, self::drawn([[0, 0], [2, 100], [7.82, 100], [7.9, 80], [8, 80]])?->finding);
    }

    public function testItHuntsWhereItTurnsThreeTimesByMoreThanALittle(): void
    {
        $waves = static function (float $by, int $times): array {
            // Each held for a while, so that its top is a top.
            $corners = [[0.0, 0.0], [1.6, 100 + $by / 2], [2.0, 100 + $by / 2]];
            for ($i = 1; $i <= $times; ++$i) {
                $level = 100 + $by / 2 * (1 === $i % 2 ? -1 : 1);
                $corners = [...$corners, [1.4 + 1.0 * $i, $level], [2.0 + 1.0 * $i, $level]];
            }

            return [...$corners, [8.0, $corners[count($corners) - 1][1]]];
        };
        self::assertSame(BoostFinding::Hunting, self::drawn($waves(8.5, 3))?->finding);
        self::assertNotSame(BoostFinding::Hunting, self::drawn($waves(8.5, 2))?->finding, 'twice is no hunting');
        self::assertNotSame(BoostFinding::Hunting, self::drawn($waves(7.5, 5))?->finding, 'seven and a half in a hundred is not much');
    }

    public function testOnlyWhereTheThrottleIsOpen(): void
    {
        self::assertNull(self::drawn([[0, 0], [2, 100], [8, 100]], null, 90.0));
        self::assertNotNull(self::drawn([[0, 0], [2, 100], [8, 100]], null, 90.1));
        $four = static fn (int $open): ?BoostRun => BoostRun::of(array_map(
            static fn (int $i): array => [0.1 * $i, 3000.0, 100.0, $i < $open ? 95.0 : 10.0], range(0, 9),
        ), static fn (float $rpm): float => 100.0, null);
        self::assertNull($four(3));
        self::assertSame(BoostFinding::Sound, $four(4)?->finding);
    }

    /** One reading that jumps is none. */
    public function testALoneReadingDoesNotCount(): void
    {
        $samples = array_map(static fn (int $i): array => [0.05 * $i, 3000.0, 40 === $i ? 140.0 : 100.0, 100.0], range(0, 100));
        $run = BoostRun::of($samples, static fn (float $rpm): float => 100.0, 110.0);
        self::assertSame([BoostFinding::Sound, 100.0], [$run?->finding, $run?->peak]);
    }
}
