<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Cost;

use NimbleKnuckle\Core\Cost\Cost;
use NimbleKnuckle\Core\Cost\PartUsed;
use NimbleKnuckle\Core\Sheet\Timing;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Cost::class)]
#[CoversClass(PartUsed::class)]
final class CostTest extends TestCase
{
    public function testARangeBeforeAndAFigureAfter(): void
    {
        $cost = Cost::of(self::timing(1), 60.0, ['Ada' => 90.0, 'Hale' => 30.0], [
            new PartUsed('pump', 'P-1', 1.0, 1.0, 80.0), new PartUsed('coolant', '', 5.0, 4.5, 6.0, true),
            new PartUsed('gasket', '', 1.0, null, 3.5), new PartUsed('clip', '', 2.0, 2.0, null),
        ]);
        self::assertSame([1.0, 2.0, 3.0], $cost->plannedHours);
        self::assertSame([60.0 + 113.5, 180.0 + 113.5], $cost->before());
        self::assertSame(120.0, $cost->labour(), 'two hours of hands at 60');
        self::assertSame(120.0 + 80.0 + 27.0 + 3.5, $cost->after(), 'what nobody has said is taken as planned');
        self::assertSame(1, $cost->unpriced());
    }

    public function testTwoPeopleCostTwoAndAWaitCostsNobody(): void
    {
        $cost = Cost::of(self::timing(2), 60.0, [], []);
        // 100 min of the one, 50 of the other; the drain of 40 runs by itself. The likely whole is 120.
        self::assertSame([150 / 120, 2.5, 150 / 120 * 3], array_map(static fn (float $h): float => round($h, 6), $cost->plannedHours));
    }

    public function testWithoutARateThereIsNoLabour(): void
    {
        $cost = Cost::of(self::timing(1), null, ['Ada' => 90.0], [new PartUsed('pump', '', 1.0, 0.0, 80.0)]);
        self::assertSame([0.0, 0.0, [80.0, 80.0], 0.0], [$cost->rate, $cost->labour(), $cost->before(), $cost->after()]);
    }

    public function testAPartThatWasNotUsedIsNotMissed(): void
    {
        self::assertSame(0, Cost::of(self::timing(1), 1.0, [], [new PartUsed('pump', '', 1.0, 0.0, null)])->unpriced());
    }

    /** @return iterable<array{string, float}> */
    public static function amounts(): iterable
    {
        yield ['2', 2.0];
        yield ['0.5 L', 0.5];
        yield ['1,5 L', 1.5];
        yield [' 3 pieces', 3.0];
        yield ['a little', 1.0];
        yield ['', 1.0];
    }

    #[DataProvider('amounts')]
    public function testAnAmountIsTheNumberItBeginsWith(string $text, float $amount): void
    {
        self::assertSame($amount, PartUsed::amount($text));
    }

    private static function timing(int $people): Timing
    {
        $spans = ['a' => [0.0, 100.0, 1], 'b' => [20.0, 60.0, 0], 'c' => [70.0, 120.0, 2]];

        return new Timing(60.0, 120.0, 180.0, 120.0, 0.0, $spans, $people);
    }
}
