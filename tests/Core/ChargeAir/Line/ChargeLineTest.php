<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\ChargeAir\Line;

use NimbleKnuckle\Core\ChargeAir\Line\BoxClamp;
use NimbleKnuckle\Core\ChargeAir\Line\Breath;
use NimbleKnuckle\Core\ChargeAir\Line\ChargeLine;
use NimbleKnuckle\Core\ChargeAir\Line\Clamp;
use NimbleKnuckle\Core\ChargeAir\Line\EndHold;
use NimbleKnuckle\Core\ChargeAir\Line\Join;
use NimbleKnuckle\Core\ChargeAir\Line\LineDrawing;
use NimbleKnuckle\Core\ChargeAir\Line\Part;
use NimbleKnuckle\Core\ChargeAir\Wetting;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(ChargeLine::class)]
#[CoversClass(Part::class)]
#[CoversClass(Join::class)]
#[CoversClass(Clamp::class)]
#[CoversClass(BoxClamp::class)]
#[CoversClass(Breath::class)]
#[CoversClass(EndHold::class)]
#[CoversClass(LineDrawing::class)]
final class ChargeLineTest extends TestCase
{
    private const CLAMP = ['kind' => 't-bolt', 'from' => 68, 'to' => 78, 'torque' => 5, 'screw' => 6];

    /** The worked row of the blow-off sum, T-bolt 5 N·m oily without a bead, at the end of a line: 475.0 N against 2,618 N. */
    public function testAnEndHoldsWhatTheSumOfItSays(): void
    {
        $line = self::line([], ['bead' => 'none']);
        $end = $line->weakest(150.0, Wetting::Oily) ?? self::fail('no end');
        self::assertEqualsWithDelta(475.0, $end->hold->push->value, 0.05);
        self::assertEqualsWithDelta(2618.0, $end->hold->hold->value, 0.5);
        self::assertSame([1, 1, 'hose', false], [$end->join, $end->side, $end->name, $end->hasBead]);
        // The end before the hose has a bead: it holds more, dry or not.
        foreach (Wetting::cases() as $wetting) {
            [$before, $after] = $line->holds(150.0, $wetting);
            self::assertGreaterThan($after->hold->margin, $before->hold->margin, $wetting->value);
        }
    }

    public function testBoostStandsBehindWhatMakesItAndNowhereElse(): void
    {
        $line = self::line();
        self::assertSame([true, true], [$line->isCharged(0), $line->isCharged(1)]);
        $intake = ChargeLine::read(Node::of(['parts' => [
            ['name' => 'airbox', 'kind' => 'filter', 'out' => 76], ['name' => 'turbo', 'kind' => 'compressor', 'in' => 63],
            ['name' => 'pipe', 'in' => 50],
        ]]));
        self::assertSame([false, true], [$intake->isCharged(0), $intake->isCharged(1)]);
        self::assertSame(['cold pipe'], array_map(static fn ($one): string => $one->name, $line->sections()));
        self::assertEqualsWithDelta(\M_PI / 4 * 60.5 ** 2 * 700 / 1e6, $line->volume(), 1e-9);
        $bare = ChargeLine::read(Node::of(['parts' => [['name' => 'a', 'out' => 57], ['name' => 'b', 'in' => 57]]]));
        self::assertTrue($bare->isCharged(0), 'where no part makes boost, it may stand anywhere');
        self::assertSame([], $bare->holds(100.0, Wetting::Dry), 'nobody said how tight its clamps are');
        self::assertNull($bare->weakest(100.0, Wetting::Dry));
    }

    /** Nothing holds better wet, with more boost, without its bead, or with a looser clamp: over generated joints. */
    public function testEveryWorseThingHoldsLess(): void
    {
        mt_srand(1501);
        for ($run = 0; $run < 200; ++$run) {
            $torque = mt_rand(15, 80) / 10;
            $boost = (float) mt_rand(20, 300);
            $margin = static fn (float $torque, string $bead, float $boost, Wetting $wetting): float => self::line(
                ['clamp' => ['torque' => $torque] + self::CLAMP], ['bead' => $bead, 'in' => 63.5],
            )->weakest($boost, $wetting)->hold->margin ?? 0.0;
            $dry = $margin($torque, 'both', $boost, Wetting::Dry);
            self::assertGreaterThan($margin($torque, 'both', $boost, Wetting::Damp), $dry);
            self::assertGreaterThan($margin($torque, 'both', $boost + 1, Wetting::Dry), $dry);
            self::assertGreaterThan($margin($torque, 'none', $boost, Wetting::Dry), $dry);
            self::assertGreaterThan($margin($torque - 0.1, 'both', $boost, Wetting::Dry), $dry);
        }
    }

    public function testWhatStaysOrIsBoltedNeedsNoHoseOfTheBox(): void
    {
        self::assertSame([0, 1], array_keys(self::line()->open()));
        self::assertSame([0], array_keys(self::line(['stays' => true])->open()));
        self::assertSame([0, 1], array_keys(self::line(['stays' => true])->ends()));
        self::assertSame([0], array_keys(self::line(['bolted' => true])->ends()));
        self::assertSame([], self::line(['bolted' => true])->holds(100.0, Wetting::Dry), 'a flange is not pushed off a pipe');
        self::assertFalse(self::line([], ['bead' => 'none'])->ends()[1]->hasBead, 'both ends have one, or the joint has none');
    }

    public function testASpringBandPullsAsItsMakerSaysAndHasNoScrew(): void
    {
        $spring = ['kind' => 'spring', 'tension' => 900, 'torque' => 5];
        self::assertSame(900.0, self::line(['clamp' => $spring])->joins[1]->clamp?->band()?->newtons);
        self::assertNull(self::line(['clamp' => ['kind' => 'spring', 'torque' => 5]])->joins[1]->clamp?->band());
        $clamp = self::line()->joins[1]->clamp ?? self::fail('no clamp');
        self::assertSame([false, true, true, false], array_map($clamp->goesRound(...), [67.9, 68.0, 78.0, 78.1]));
    }

    /** Lengths and diameters stand in one scale, and nothing lies over anything. */
    public function testItIsDrawnToOneScale(): void
    {
        $line = self::line(['hose' => ['a' => 63, 'length' => 120]]);
        $drawing = LineDrawing::of($line, [1 => 'watch']);
        [$turbo, $pipe, $throttle] = $drawing->parts;
        self::assertEqualsWithDelta($pipe['length'] / $line->parts[1]->out, $pipe['width'] / $pipe['out'], 1e-9);
        self::assertEqualsWithDelta((120 - 80) / 700, ($throttle['x'] - $pipe['x'] - $pipe['width']) / $pipe['width'], 1e-9);
        self::assertGreaterThanOrEqual($turbo['x'] + $turbo['width'], $pipe['x']);
        self::assertSame(['', 'watch'], array_column($drawing->joins, 'level'));
        self::assertSame([90.0, 45.0], array_column($pipe['bends'], 'angle'));
        [$join] = array_slice($drawing->joins, 1);
        self::assertEqualsWithDelta(120 / 700, $join['width'] / $pipe['width'], 1e-9);
        self::assertGreaterThan($join['x'], $join['clamps'][0]);
        self::assertLessThan($join['x'] + $join['width'], $join['clamps'][1]);
    }

    /** @param array<string, mixed> $document */
    #[DataProvider('wrong')]
    public function testWhatCannotBeIsRefusedByItsField(string $field, array $document): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('~'.preg_quote($field, '~').'~');
        ChargeLine::read(Node::of($document));
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function wrong(): iterable
    {
        $two = [['name' => 'a', 'out' => 57], ['name' => 'b', 'in' => 57]];
        yield 'one part' => ['parts', ['parts' => [['name' => 'a', 'out' => 57]]]];
        yield 'one name twice' => ['parts', ['parts' => [['name' => 'a', 'out' => 57], ['name' => 'a', 'in' => 57]]]];
        yield 'no width' => ['in', ['parts' => [['name' => 'a'], ['name' => 'b', 'in' => 57]]]];
        yield 'more joints than places' => ['joins', ['parts' => $two, 'joins' => [[], []]]];
        yield 'a bend without a radius' => ['bends', ['parts' => [['bends' => [[90]]] + $two[0], $two[1]]]];
        yield 'a bead somewhere' => ['bead', ['parts' => [['bead' => 'yes'] + $two[0], $two[1]]]];
        yield 'boost' => ['boost', ['boost' => 1001, 'parts' => $two]];
        yield 'a figure over its ceiling' => ['never', ['parts' => $two, 'joins' => [['clamp' => ['torque' => 6, 'never' => 5]]]]];
        yield 'a clamp the wrong way' => ['to', ['parts' => $two, 'joins' => [['clamp' => ['from' => 70, 'to' => 60]]]]];
        yield 'a hose of nothing' => ['a', ['parts' => $two, 'joins' => [['hose' => ['name' => 'x']]]]];
        yield 'a clamp of the box' => ['to', ['parts' => $two, 'box' => ['clamps' => [['name' => 'x', 'from' => 60, 'to' => 60]]]]];
        yield 'litres' => ['litres', ['parts' => $two, 'engine' => ['litres' => 31]]];
    }

    /**
     * A turbo, a pipe of 63.5 mm, a throttle.
     *
     * @param array<string, mixed> $join the hose at the throttle
     * @param array<string, mixed> $throttle
     */
    private static function line(array $join = [], array $throttle = []): ChargeLine
    {
        return ChargeLine::read(Node::of([
            'parts' => [
                ['name' => 'turbo', 'kind' => 'compressor', 'in' => 60, 'out' => 50.8],
                ['name' => 'cold pipe', 'in' => 63.5, 'length' => 700, 'bends' => [[90, 95], [45, 95]]],
                $throttle + ['name' => 'throttle', 'kind' => 'throttle', 'in' => 63.5],
            ],
            'joins' => [['name' => 'outlet'], $join + ['name' => 'hose', 'clamp' => self::CLAMP]],
        ]));
    }
}
