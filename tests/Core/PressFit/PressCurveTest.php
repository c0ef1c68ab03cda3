<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\PressFit;

use NimbleKnuckle\Core\PressFit\PressCurve;
use NimbleKnuckle\Core\PressFit\PressEnd;
use PHPUnit\Framework\TestCase;

/** A hub of 22 mm that was worked out to need 60 N·m at the nut, on either side of each limit. */
final class PressCurveTest extends TestCase
{
    private const TORQUE = 60.0;
    private const TRAVEL = 22.0;

    /**
     * Grows evenly to so much at the end of the way, a sample each half millimetre, then what is given.
     *
     * @param list<array{float, float}> $then
     *
     * @return non-empty-list<array{float, float}>
     */
    private static function drawn(float $to, array $then = [], float $end = 21.5): array
    {
        $samples = [[0.0, 1.0]];
        for ($way = 0.5; $way <= $end; $way += 0.5) {
            $samples[] = [$way, 1 + ($to - 1) * $way / $end];
        }

        return [...$samples, ...$then];
    }

    /** @param non-empty-list<array{float, float}> $samples */
    private static function judge(array $samples): PressCurve
    {
        return PressCurve::judge($samples, self::TORQUE, self::TRAVEL);
    }

    public function testItSitsWhereItStepsUpToOverTwiceAtTheEndOfItsWay(): void
    {
        foreach ([[119.0, PressEnd::NotSeated], [121.0, PressEnd::Seated]] as [$step, $end]) {
            $curve = self::judge(self::drawn(60.0, [[21.8, 60.0], [22.0, $step]]));
            self::assertSame([$end, 22.0, $step, false], [$curve->end, $curve->at, $curve->most, $curve->isEasy], $step.' N·m');
        }
        // Half a millimetre before and after its way it may sit, no further.
        foreach ([
            [21.49, PressEnd::NotSeated], [21.5, PressEnd::Seated], [22.5, PressEnd::Seated], [22.51, PressEnd::NotSeated],
        ] as [$at, $end]) {
            self::assertSame($end, self::judge(self::drawn(60.0, [[$at - 0.2, 60.0], [$at, 130.0]], 21.0))->end, 'at '.$at);
        }
        // A climb that takes longer than three tenths is no step.
        foreach ([[0.28, PressEnd::Seated], [0.45, PressEnd::NotSeated]] as [$over, $end]) {
            $from = 22.0 - $over;
            self::assertSame($end, self::judge(self::drawn(60.0, [[$from, 60.0], [22.0, 125.0]]))->end, 'over '.$over);
        }
    }

    public function testItPicksUpWhereHalfAsMuchAgainComesBeforeFourFifthsOfItsWay(): void
    {
        foreach ([[17.5, 89.0, false], [17.5, 91.0, true], [17.7, 91.0, false]] as [$at, $torque, $isPicking]) {
            $samples = self::drawn(60.0);
            $samples[] = [$at, $torque];
            usort($samples, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
            $curve = self::judge([...$samples, [22.0, 150.0]]);
            self::assertSame($isPicking, PressEnd::PickingUp === $curve->end, $at.' mm, '.$torque.' N·m');
            $isPicking && self::assertSame([17.5, 150.0], [$curve->at, $curve->most]);
        }
    }

    public function testUnderAThirdOfWhatItShouldTakeItHoldsNothing(): void
    {
        foreach ([[19.9, PressEnd::Free], [20.1, PressEnd::NotSeated]] as [$most, $end]) {
            $curve = self::judge(self::drawn($most));
            self::assertSame(
                [$end, PressEnd::Free === $end ? 0.0 : 21.5, PressEnd::Free === $end], [$curve->end, $curve->at, $curve->isEasy],
            );
        }
        foreach ([[19.5, true], [20.5, false]] as [$before, $isEasy]) {
            $curve = self::judge(self::drawn($before, [[21.7, $before], [22.0, 90.0]]));
            self::assertSame([PressEnd::Seated, $isEasy], [$curve->end, $curve->isEasy], $before.' N·m before it sat');
        }
    }
}
