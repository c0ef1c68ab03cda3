<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Trace;

use NimbleKnuckle\Core\Trace\Exercise;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\SimulatedPuller;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Trace\TraceSpec;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Exercise::class)]
final class ExerciseTest extends TestCase
{
    public function testTheSameSeedIsTheSameJointAndHalfAreSound(): void
    {
        $sound = 0;
        for ($seed = 1; $seed <= 400; ++$seed) {
            $exercise = Exercise::drawn($seed);
            self::assertEquals($exercise, Exercise::drawn($seed));
            self::assertGreaterThan(2.0, $exercise->target);
            self::assertStringNotContainsString($exercise->fault->label(), $exercise->inWords());
            $sound += Fault::None === $exercise->fault ? 1 : 0;
        }
        self::assertEqualsWithDelta(200, $sound, 40);
    }

    public function testASteadyHandThatCallsRightGetsNearlyAllAndAWrongCallLosesForty(): void
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            $exercise = Exercise::drawn($seed);
            if (Fault::None !== $exercise->fault) {
                continue;
            }
            $samples = (new SimulatedPuller($exercise->model(), $seed))->tighten();
            [$right, $reasons] = $exercise->score($samples, Fault::None);
            [$wrong] = $exercise->score($samples, Fault::Bottomed);
            self::assertGreaterThanOrEqual(90, $right, implode(' ', $reasons));
            self::assertSame(40, $right - $wrong);
            self::assertCount(3, $reasons);
        }
    }

    public function testGoingOnAfterTheFaultShowsCostsPoints(): void
    {
        $seen = 0;
        for ($seed = 1; $seed <= 120; ++$seed) {
            $exercise = Exercise::drawn($seed);
            if (Fault::CrossThreaded !== $exercise->fault && Fault::Bottomed !== $exercise->fault) {
                continue;
            }
            ++$seen;
            $all = (new SimulatedPuller($exercise->model(), $seed))->tighten();
            $peak = max([0.0, ...array_column($all, 1)]);
            $early = array_values(array_filter($all, static fn (array $s): bool => $s[1] < 0.5 * $peak));
            self::assertGreaterThan(
                $exercise->score($all, $exercise->fault)[0], $exercise->score($early, $exercise->fault)[0], (string) $seed,
            );
            self::assertSame(
                $exercise->fault->finding(),
                Judgement::of(Trace::of($all), TraceSpec::torque($exercise->target), $exercise->expected())->symptom->finding(),
            );
        }
        self::assertGreaterThan(10, $seen);
    }

    public function testNothingPulledIsNothingWon(): void
    {
        self::assertLessThanOrEqual(40, Exercise::drawn(3)->score([], Exercise::drawn(3)->fault)[0]);
    }
}
