<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Starting;

use NimbleKnuckle\Core\Starting\Door\VoltDropSum;
use NimbleKnuckle\Core\Starting\LegDrawing;
use NimbleKnuckle\Core\Starting\VoltDrop;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(VoltDrop::class)]
#[CoversClass(VoltDropSum::class)]
#[CoversClass(LegDrawing::class)]
final class StartingTest extends TestCase
{
    private const GIVEN = ['rest' => 12.6, 'crank' => 10.4, 'stud' => 9.3, 'ground' => 0.35];

    public function testTheWorkedRow(): void
    {
        $result = self::run_([]);
        self::assertEqualsWithDelta(0.75, $result->number('feed'), 1e-9);
        self::assertSame(['feed', 'ground'], array_values(array_map(static fn ($one): string => $one->code, $result->checks)));
        self::assertSame(Level::Watch, $result->verdict);
        self::assertSame(['ground', 'feed'], $result->entries('leg'), 'the earth loses more of what it may');
        $with = self::run_(['current' => 150]);
        self::assertEqualsWithDelta(5.0, $with->number('feed_resistance'), 1e-9, '0.75 V at 150 A is 5 mΩ');
        self::assertEqualsWithDelta(100.0, $with->number('feed_share') + $with->number('ground_share'), 1e-9);
    }

    /** @return iterable<string, array{array<string, mixed>, Level, list<string>}> */
    public static function found(): iterable
    {
        yield 'sound' => [['stud' => 9.8, 'ground' => 0.2], Level::Ok, ['sound']];
        yield 'feed at its limit' => [['stud' => 9.7, 'ground' => 0.2], Level::Ok, ['sound']];
        yield 'feed a little over' => [['stud' => 9.69, 'ground' => 0.2], Level::Watch, ['feed']];
        yield 'feed at twice its limit' => [['stud' => 9.2, 'ground' => 0.2], Level::Watch, ['feed']];
        yield 'feed over twice' => [['stud' => 9.19, 'ground' => 0.2], Level::Stop, ['feed']];
        yield 'earth over twice' => [['stud' => 9.5, 'ground' => 0.41], Level::Stop, ['ground']];
        yield 'a charged battery that gives way' => [
            ['crank' => 9.0, 'stud' => 8.7, 'ground' => 0.1, 'temperature' => 21], Level::Stop, ['battery'],
        ];
        yield 'the same in hard frost is what it keeps' => [
            ['crank' => 9.0, 'stud' => 8.7, 'ground' => 0.1, 'temperature' => -18], Level::Ok, ['sound'],
        ];
        yield 'a flat one is charged first' => [
            ['rest' => 12.3, 'crank' => 9.0, 'stud' => 8.7, 'ground' => 0.1], Level::Watch, ['charge-first'],
        ];
        yield 'fresh off the charger' => [['rest' => 13.0, 'stud' => 9.9, 'ground' => 0.1], Level::Watch, ['surface-charge']];
    }

    /**
     * @param array<string, mixed> $with
     * @param list<string> $codes
     */
    #[DataProvider('found')]
    public function testWhichLegItIs(array $with, Level $level, array $codes): void
    {
        $result = self::run_($with);
        self::assertSame($level, $result->verdict);
        self::assertSame($codes, array_map(static fn ($one): string => $one->code, $result->checks));
    }

    public function testEveryRowOfTheTableAndWhatLiesBetween(): void
    {
        $rows = [[21, 9.6], [16, 9.5], [10, 9.4], [4, 9.3], [-1, 9.1], [-7, 8.9], [-18, 8.5]];
        foreach ($rows as $i => [$at, $volts]) {
            self::assertEqualsWithDelta($volts, VoltDrop::keeps((float) $at), 1e-9);
            $next = $rows[$i + 1] ?? null;
            null === $next || self::assertEqualsWithDelta(($volts + $next[1]) / 2, VoltDrop::keeps(($at + $next[0]) / 2), 1e-9);
        }
        self::assertSame([9.6, 8.5], [VoltDrop::keeps(40.0), VoltDrop::keeps(-35.0)], 'level outside it');
    }

    public function testHowChargedItIs(): void
    {
        foreach ([['flooded', 12.65, 100.0], ['flooded', 12.45, 75.0], ['flooded', 11.0, 0.0], ['agm', 12.8, 100.0], ['AGM', 12.4,
            50.0]] as $row) {
            [$kind, $rest, $charge] = $row;
            $result = self::run_(['kind' => $kind, 'rest' => $rest, 'crank' => 10.0, 'stud' => 9.6, 'ground' => 0.1]);
            self::assertEqualsWithDelta($charge, $result->number('charge'), 1e-6, $kind.' '.$rest);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'more than the battery gives' => [['stud' => 10.2, 'ground' => 0.3], 'stud'];
        yield 'higher than at rest' => [['crank' => 12.7], 'crank'];
        yield 'another battery' => [['kind' => 'lithium'], 'kind'];
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('wrong')]
    public function testWhatCannotBeIsAnErrorThatNamesIt(array $with, string $field): void
    {
        try {
            self::run_($with);
            self::fail('it was taken');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @param array<string, mixed> $with */
    private static function run_(array $with): SumResult
    {
        return Doors::book()->run('volt-drop', $with + self::GIVEN);
    }
}
