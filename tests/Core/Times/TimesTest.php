<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Times;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Times\Door\TimeLearned;
use NimbleKnuckle\Core\Times\Learned;
use NimbleKnuckle\Core\Times\TimeDrawing;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Learned::class)]
#[CoversClass(TimeLearned::class)]
#[CoversClass(TimeDrawing::class)]
final class TimesTest extends TestCase
{
    public function testTheWorkedRow(): void
    {
        $result = Doors::book()->run('time-learned', ['planned' => '20; 30; 50', 'done' => '40; 45; 38']);
        self::assertEqualsWithDelta(34.3, $result->number('likely'), 0.05);
        self::assertEqualsWithDelta(22.9, $result->number('low'), 0.06);
        self::assertEqualsWithDelta(51.2, $result->number('high'), 0.06);
        self::assertSame(3.0, $result->number('from'));
    }

    public function testNothingMeasuredIsThePlanAndMuchMeasuredIsWhatWasMeasured(): void
    {
        $plan = Learned::of([20.0, 30.0, 45.0], []);
        self::assertEqualsWithDelta(30.0, $plan->likely, 1e-9);
        self::assertEqualsWithDelta(45 / 20, $plan->high / $plan->low, 1e-3, 'its band is as wide as that of the plan');
        mt_srand(3);
        $done = array_map(static fn (): float => exp(log(72) + 0.15 * (array_sum(array_map(
            static fn (): float => mt_rand() / mt_getrandmax(), range(1, 12),
        )) - 6)), range(1, 500));
        $much = Learned::of([20.0, 30.0, 45.0], $done);
        self::assertEqualsWithDelta(72.0, $much->likely, 1.5);
        // That the plan was far off widens it a little still.
        self::assertEqualsWithDelta(exp(2 * 1.2816 * 0.15), $much->high / $much->low, 0.08);
        self::assertTrue(Doors::book()->run('time-learned', ['planned' => [20, 30, 45], 'done' => $done])->hasCheck('off'));
    }

    /** Four in five of what comes next lies within, over many kinds of work, once a few jobs were measured. */
    public function testTheBandHoldsFourInFive(): void
    {
        mt_srand(11);
        $within = $all = 0;
        for ($kind = 0; $kind < 300; ++$kind) {
            $spread = 0.2 + mt_rand(0, 100) / 500;
            $normal = static fn (): float => array_sum(array_map(static fn (): float => mt_rand() / mt_getrandmax(), range(1, 12))) - 6;
            $true = 30 * exp(0.35 * $normal());
            $done = array_map(static fn (): float => $true * exp($spread * $normal()), range(1, 12));
            $learned = Learned::of([30 * exp(-1.2816 * 0.3), 30.0, 30 * exp(1.2816 * 0.3)], $done);
            for ($n = 0; $n < 20; ++$n) {
                $next = $true * exp($spread * $normal());
                $within += $next >= $learned->low && $next <= $learned->high ? 1 : 0;
                ++$all;
            }
        }
        self::assertEqualsWithDelta(0.8, $within / $all, 0.05);
    }

    public function testAPlanThatRunsBackwardsIsRefused(): void
    {
        foreach (['30; 20; 50', '20; 30', '0; 30; 50', '30; 30; 30'] as $planned) {
            try {
                Doors::book()->run('time-learned', ['planned' => $planned]);
                self::fail('it was taken: '.$planned);
            } catch (InvalidInput $e) {
                self::assertSame('planned', $e->field);
            }
        }
        $this->expectExceptionMessage('Job 2 took more than nothing');
        Doors::book()->run('time-learned', ['planned' => '20; 30; 50', 'done' => '30; 0']);
    }
}
