<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Lifting;

use NimbleKnuckle\Core\Lifting\Door\MountTired;
use NimbleKnuckle\Core\Lifting\MountWear;
use NimbleKnuckle\Core\Lifting\MountWearDrawing;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Was the mount tired: by how much it sagged, and how much less the engine rocks. */
#[CoversClass(MountWear::class)]
#[CoversClass(MountTired::class)]
#[CoversClass(MountWearDrawing::class)]
final class MountWearTest extends TestCase
{
    /** @param array<string, mixed> $in */
    #[DataProvider('bands')]
    public function testWhereEachVerdictTurns(array $in, string $code, Level $level): void
    {
        $check = self::work($in)->checks[0];
        self::assertSame([$code, $level], [$check->code, $check->level], $check->text);
    }

    /** @return iterable<array{array<string, mixed>, string, Level}> */
    public static function bands(): iterable
    {
        $levels = [[62.0, Level::Ok], [62.01, Level::Watch], [65.0, Level::Watch], [65.01, Level::Stop], [58.0, Level::Ok]];
        foreach ($levels as [$new, $level]) {
            yield 'new '.$new => [['rock_before' => 10, 'rock_after' => 5, 'old' => [60, 70], 'new' => [$new, 70]], 'sag', $level];
        }
        $levels = [[7.0, Level::Ok], [7.01, Level::Watch], [9.0, Level::Watch], [9.01, Level::Stop], [0.0, Level::Ok]];
        foreach ($levels as [$after, $level]) {
            yield 'rocks '.$after => [['rock_before' => 10, 'rock_after' => $after], 'rock', $level];
        }
    }

    public function testTheWorstOfThemCounts(): void
    {
        $result = self::work(['old' => '58; 61; 70', 'new' => '60; 67; 70', 'rock_before' => 34, 'rock_after' => 17]);
        self::assertSame([2.0, 6.0, 0.0], $result->entries('sags'));
        self::assertSame([6.0, 50.0], [$result->number('most'), $result->number('rock')]);
        self::assertSame(Level::Stop, $result->verdict);
        self::assertStringContainsString('6 mm lower than new', $result->checks[0]->text);
        self::assertFalse(self::work(['rock_before' => 34, 'rock_after' => 17])->has('most'), 'what nobody measured is not said');
    }

    /** @param array<string, mixed> $in */
    #[DataProvider('refusals')]
    public function testWhatIsMissingIsNamed(array $in, string $field): void
    {
        try {
            self::work($in);
            self::fail('refused');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<array{array<string, mixed>, string}> */
    public static function refusals(): iterable
    {
        yield [[], 'rock_before'];
        yield [['rock_before' => 30], 'rock_after'];
        $rock = ['rock_before' => 30, 'rock_after' => 12];
        yield [$rock + ['old' => [60]], 'new'];
        yield [$rock + ['old' => [60], 'new' => [60, 61]], 'new'];
        yield [$rock + ['old' => [0], 'new' => [60]], 'old'];
        yield [$rock + ['old' => [60], 'new' => [500]], 'new'];
        yield [['rock_before' => 600, 'rock_after' => 5], 'rock_before'];
    }

    public function testPairsAreDrawnToOneScale(): void
    {
        $mm = Length::millimetres(...);
        $pairs = MountWearDrawing::of(['mount 1' => [$mm(40.0), $mm(50.0)], 'rock' => [$mm(10.0), $mm(5.0)]])->pairs;
        self::assertSame([160.0, 200.0, 40.0, 20.0], [
            $pairs[0]['oldHigh'], $pairs[0]['newHigh'], $pairs[1]['oldHigh'], $pairs[1]['newHigh'],
        ]);
    }

    /** @param array<string, mixed> $in */
    private static function work(array $in): SumResult
    {
        return Doors::book()->run('mount-tired', $in);
    }
}
