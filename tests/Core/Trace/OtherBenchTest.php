<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Trace;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Door\TraceJudge;
use NimbleKnuckle\Core\Trace\RisingCurve;
use NimbleKnuckle\Core\Trace\Swings;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** The judge before a bench it was not made by. A sample of two thousand. */
#[Group('slow')]
#[CoversClass(TraceJudge::class)]
#[CoversClass(Trace::class)]
#[CoversClass(Swings::class)]
#[CoversClass(RisingCurve::class)]
final class OtherBenchTest extends TestCase
{
    public function testNineteenOfTwentyAreRightWhereTheJointIsKnown(): void
    {
        [$right, $all, $alarms, $seen] = $this->judged(true);
        self::assertGreaterThanOrEqual(Sample::floor(0.95, $all), $right, json_encode($seen, \JSON_THROW_ON_ERROR));
        self::assertLessThan(Sample::isWhole() ? 0.02 : 0.08, $alarms, json_encode($seen['sound'], \JSON_THROW_ON_ERROR));
        foreach (['short', 'over', 'yielding', 'stripping'] as $kind) {
            self::assertArrayNotHasKey('cannot-tell', $seen[$kind]);
        }
    }

    public function testSeventeenOfTwentyAreRightWhereItIsNot(): void
    {
        [$right, $all, $alarms, $seen] = $this->judged(false);
        self::assertGreaterThanOrEqual(Sample::floor(0.85, $all), $right, json_encode($seen, \JSON_THROW_ON_ERROR));
        self::assertLessThan(Sample::isWhole() ? 0.02 : 0.08, $alarms, json_encode($seen['sound'], \JSON_THROW_ON_ERROR));
        foreach (['short', 'over', 'yielding', 'stripping'] as $kind) {
            self::assertArrayNotHasKey('cannot-tell', $seen[$kind]);
        }
    }

    /** A pull in swings is the same pull: however often it was let go, and however the wrench counts its way back. */
    public function testSwingsAreJoinedToOnePull(): void
    {
        $line = static fn (float $a): float => $a < 300 ? 0.5 : 0.5 + 0.4 * ($a - 300);
        foreach ([false, true] as $goesBack) {
            foreach ([15.0, 25.0, 40.0] as $swing) {
                $samples = [];
                $shown = 0.0;
                for ($a = 0.0; $a <= 360.0; $a += 0.5) {
                    $samples[] = [$shown, $line($a)];
                    if ($a > 0 && $a < 359 && 0.0 === fmod($a, $swing)) {
                        array_push($samples, [$shown, 0.4 * $line($a)], [$shown, 0.0]);
                        $shown -= $goesBack ? $swing : 0.0;
                        $samples[] = [$shown, 0.0];
                        for ($w = 0.5; $w <= 2.0; $w += 0.5) {
                            $samples[] = [$shown += 0.5, $line($a) * $w / 2.0];
                        }
                    }
                    $shown += 0.5;
                }
                $result = Doors::book()->run('trace-judge', ['samples' => $samples, 'spec' => 24.5]);
                self::assertSame('sound', $result->checks[0]->code);
                self::assertEqualsWithDelta(0.4, $result->number('slope'), 0.01, sprintf('swings of %d°', $swing));
                self::assertEqualsWithDelta(60.0, $result->number('final_angle') - $result->number('snug_angle'), 3.0);
            }
        }
    }

    public function testTurningBackUnderTorqueIsUndoing(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/undoes the bolt/');
        Doors::book()->run('trace-judge', ['samples' => [[0, 0], [20, 5], [40, 10], [60, 15], [45, 12], [30, 8]], 'spec' => 15]);
    }

    public function testSevenRowsAreEnough(): void
    {
        $result = Doors::book()->run(
            'trace-judge', ['samples' => '0 0,4; 90 0,4; 180 0,5; 184 1,2; 190 3,1; 200 6,2; 210 9,0', 'spec' => '9 N·m'],
        );
        self::assertSame('sound', $result->checks[0]->code);
        self::assertEqualsWithDelta(9.0, $result->number('final_torque'), 0.3);
    }

    public function testARisingCurvePoolsWhatFalls(): void
    {
        $curve = RisingCurve::of([0.0, 1.0, 2.0, 3.0, 4.0], [0.0, 2.0, 1.0, 3.0, 4.0]);
        self::assertEqualsWithDelta(2.5, $curve->angleAt(2.25), 1e-9, 'between the pool of 1.5 that ends at 2° and 3 at 3°');
        self::assertEqualsWithDelta(1.0, $curve->angleAt(1.5), 1e-9);
        self::assertSame(0.0, $curve->angleAt(-1.0));
        self::assertSame(4.0, $curve->angleAt(9.0));
    }

    /**
     * @return array{int, int, float, array<string, array<string, int>>} right, of how many, share of false alarms, kind
     *                                                                   => code => count
     */
    private function judged(bool $known): array
    {
        $right = $all = 0;
        $seen = array_fill_keys(OtherBench::KINDS, []);
        foreach (OtherBench::KINDS as $i => $kind) {
            // A soft joint is told by its slope alone: without the joint nobody can.
            foreach ($known || 'soft' !== $kind ? Sample::seeds(250, 'benches '.$kind, 18) : [] as $seed) {
                $bench = new OtherBench(1000 * $i + $seed - 1);
                $samples = $bench->pull($kind);
                $inputs = ['samples' => $samples, 'spec' => ['torque' => $bench->target]] + ($known ? ['joint' => $bench->joint] : []);
                $code = Doors::book()->run('trace-judge', $inputs)->checks[0]->code;
                $seen[$kind][$code] = ($seen[$kind][$code] ?? 0) + 1;
                $told = $code === $kind || 'soft' === $kind && 'cross-threaded' === $code;
                $right += $told || 'cannot-tell' === $code && in_array($kind, ['bottomed', 'cross-threaded'], true) ? 1 : 0;
                ++$all;
            }
        }
        $sound = array_sum($seen['sound']);

        return [$right, $all, ($sound - ($seen['sound']['sound'] ?? 0) - ($seen['sound']['cannot-tell'] ?? 0)) / max(1, $sound), $seen];
    }
}
