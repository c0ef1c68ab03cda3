<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\Consumption;
use NimbleKnuckle\Core\Fluids\DipScale;
use NimbleKnuckle\Core\Fluids\Shelf;
use NimbleKnuckle\Core\Quantity\Length;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Shelf::class)]
#[CoversClass(DipScale::class)]
#[CoversClass(Consumption::class)]
final class ShelfTest extends TestCase
{
    public function testItBuysTheLeastThatIsEnoughAndThenTheFewest(): void
    {
        self::assertSame(['5' => 1], Shelf::buy(4.9, [1.0, 5.0])['counts']);
        self::assertSame(['1.5' => 1, '1' => 1], Shelf::buy(2.464, [1.0, 1.5, 5.0])['counts']);
        self::assertSame('1 × 5 L and 1 × 1 L', Shelf::inWords(Shelf::buy(6.0, [1.0, 5.0])['counts']));
        self::assertSame([], Shelf::buy(0.0, [1.0])['counts']);
        mt_srand(8);
        for ($i = 0; $i < 120; ++$i) {
            $sizes = array_map(static fn (): float => mt_rand(2, 50) / 10, range(1, mt_rand(1, 3)));
            $need = mt_rand(1, 90) / 10;
            $bought = Shelf::buy($need, $sizes);
            $sum = 0.0;
            foreach ($bought['counts'] as $size => $count) {
                $sum += (float) $size * $count;
            }
            self::assertEqualsWithDelta($bought['bought'], $sum, 1e-9);
            self::assertGreaterThanOrEqual($need - 1e-9, $sum);
            self::assertEqualsWithDelta($this->leastEnough($need, $sizes), $sum, 1e-6);
        }
    }

    public function testTheStickIsLearnedFromPoursBetweenTwoDips(): void
    {
        $scale = DipScale::learn(
            [
                ['litres' => 0.42, 'before' => 13.0, 'after' => 20.0], ['litres' => 0.48, 'before' => 11.0, 'after' => 19.0],
                ['litres' => 0.1, 'before' => 5.0, 'after' => 5.5],
            ],
        );
        self::assertSame(2, $scale?->pairs);
        self::assertEqualsWithDelta(0.06, $scale->litrePerMm, 1e-9);
        self::assertEqualsWithDelta(0.3, $scale->between(Length::millimetres(15.0), Length::millimetres(20.0))->litres, 1e-9);
        self::assertNull(DipScale::learn([['litres' => 0.1, 'before' => 5.0, 'after' => 5.5]]));
    }

    public function testWhatWasPouredFirstIsNotUsedUp(): void
    {
        $used = Consumption::of([['km' => 1000.0, 'litres' => 4.8], ['km' => 3500.0, 'litres' => 0.4], ['km' => 6000.0, 'litres' => 0.6]]);
        self::assertEqualsWithDelta(0.2, $used?->perThousand() ?? 0.0, 1e-9);
        self::assertNull(Consumption::of([['km' => 1000.0, 'litres' => 4.8]]));
        self::assertNull(Consumption::of([['km' => 1000.0, 'litres' => 4.8], ['km' => 1020.0, 'litres' => 0.1]]), 'too short to say');
    }

    /** @param list<float> $sizes by trying every number of each */
    private function leastEnough(float $need, array $sizes): float
    {
        $totals = [0.0];
        foreach ($sizes as $size) {
            $more = [];
            foreach ($totals as $total) {
                for ($n = 0; $total + ($n - 1) * $size < $need; ++$n) {
                    $more[] = $total + $n * $size;
                }
            }
            $totals = $more;
        }

        return min(array_filter($totals, static fn (float $t): bool => $t >= $need - 1e-9) ?: [\INF]);
    }
}
