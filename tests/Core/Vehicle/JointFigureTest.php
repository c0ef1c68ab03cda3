<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Bench\Joint\StageKind;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\JointFigure;
use NimbleKnuckle\Core\Vehicle\Shorthand;
use NimbleKnuckle\Core\Vehicle\WrenchBand;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(JointFigure::class)]
#[CoversClass(WrenchBand::class)]
#[CoversClass(Joint::class)]
#[CoversClass(WrenchAdvice::class)]
final class JointFigureTest extends TestCase
{
    public function testAFigureHoldsWhatWasWrittenAndWhereItStands(): void
    {
        $joint = self::joint(
            [
                'figure' => '18-22 Nm', 'ceiling' => '24 Nm', 'end' => 'low', 'because' => 'soft thread', 'origin' => 'printed',
                'dated' => '2026-03-01',
            ],
        );
        self::assertSame('18-22 Nm', $joint->stated());
        self::assertSame([18.0, 22.0], [$joint->spec->low(), $joint->spec->high()]);
        self::assertSame("at the low end: soft thread; never past 24.0\u{202F}N·m", $joint->spec->inWords());
        self::assertSame(['printed on the part', '2026-03-01'], [$joint->origin()->label(), $joint->spec->dated]);
        self::assertSame(18.0, $joint->torqueAt(100.0));
        self::assertSame(10.8, round($joint->torqueAt(60.0), 9));
        self::assertSame('', self::joint(['figure' => '25 Nm'])->spec->inWords());
        self::assertSame(Origin::Workshop, self::joint(['figure' => 25, 'origin' => 'workshop'])->figure()->origin);
    }

    /** The whole of a wrench's band lies inside: 4 % of 18.75 reaches down to 18, 4 % of 21.15 up to 22. */
    #[DataProvider('ends')]
    public function testTheBandStaysInsideAtTheEndThatWasChosen(string $end, float $error, float $aim, bool $fits): void
    {
        $band = self::joint(['figure' => '18 to 22 Nm', 'end' => $end])->spec->within($error);
        self::assertEqualsWithDelta($aim, $band->aim, 1e-9);
        self::assertSame($fits, $band->fits);
        self::assertEqualsWithDelta([$aim * (1 - $error / 100), $aim * (1 + $error / 100)], [$band->low, $band->high], 1e-9);
    }

    /** @return iterable<string, array{string, float, float, bool}> */
    public static function ends(): iterable
    {
        yield 'low, a perfect wrench' => ['low', 0.0, 18.0, true];
        yield 'low' => ['low', 4.0, 18 / 0.96, true];
        yield 'high' => ['high', 4.0, 22 / 1.04, true];
        yield 'middle' => ['middle', 4.0, 20.0, true];
        yield 'middle, just fine enough' => ['middle', 9.9, 20.0, true];
        yield 'too coarse' => ['low', 11.0, 20.0, false];
    }

    public function testACeilingIsNeverPassed(): void
    {
        $range = self::joint(['figure' => '18 to 22 Nm', 'ceiling' => '21 Nm', 'end' => 'high'])->spec;
        self::assertEqualsWithDelta(21 / 1.04, $range->within(4.0)->aim, 1e-9);
        self::assertSame(21.0, $range->high());
        $one = self::joint(['figure' => '20 Nm', 'ceiling' => '20.5 Nm'])->spec;
        self::assertSame([20.0, false], [$one->within(4.0)->aim, $one->within(4.0)->fits]);
        self::assertTrue($one->within(2.0)->fits);
        self::assertTrue(self::joint(['figure' => '20 Nm'])->spec->within(10.0)->fits, 'without range or ceiling nothing is passed');
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/past the ceiling/');
        self::joint(['figure' => '25 Nm', 'ceiling' => '20 Nm']);
    }

    public function testTheFinerWrenchIsTakenAndWhereNoneIsFineEnoughItIsSaid(): void
    {
        $wrench = static fn (string $name, float $error, int $late = 0): Wrench => new Wrench(
            $name, '3/8 in', 5.0, 60.0, $error, 300.0, $late,
        );
        $joint = self::joint(['figure' => '19.5 to 20.5 Nm']);
        $advice = WrenchAdvice::for(new Kit([$wrench('coarse', 4.0), $wrench('fine', 2.0, 30)], []), $joint, $joint->torqueAt(100.0));
        self::assertSame('fine', $advice->wrench?->name, 'out of date, and the only one that stays inside');
        self::assertFalse($advice->isTooCoarse());
        $advice = WrenchAdvice::for(new Kit([$wrench('coarse', 4.0)], []), $joint, $joint->torqueAt(100.0));
        self::assertTrue($advice->isTooCoarse());
        self::assertEqualsWithDelta([19.2, 20.8], [$advice->band->low ?? 0.0, $advice->band->high ?? 0.0], 1e-9);
        self::assertNull(
            WrenchAdvice::for(new Kit([$wrench('coarse', 4.0)], []), $joint, $joint->torqueAt(60.0))->band,
            'a pass before the last is no figure',
        );
    }

    public function testATorqueWithAnAngleInOneLineIsBoth(): void
    {
        $joint = self::joint(['figure' => '40 Nm + 90°', 'swing' => 45]);
        self::assertSame([40.0, 90.0, 90.0], [$joint->torqueAt(100.0), $joint->going->angle, $joint->turn()]);
        self::assertSame(90.0, self::joint(['figure' => '40 Nm', 'angle' => 90])->going->angle);
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/90° further, and this says 60°/');
        self::joint(['figure' => '40 Nm + 90°', 'angle' => 60]);
    }

    public function testAPartOfATurnFromSnugHasNoTorqueAndTakesTheSealUp(): void
    {
        $joint = self::joint(['figure' => 'snug + 1/4 turn', 'thread' => 'M6', 'swing' => 60]);
        self::assertFalse($joint->hasFigure());
        self::assertTrue($joint->isByTurn());
        self::assertSame(90.0, $joint->turn());
        $ladder = TighteningStages::of($joint);
        self::assertSame(
            [StageKind::Started, StageKind::Snug, StageKind::Angle, StageKind::Angle],
            array_map(static fn ($rung): StageKind => $rung->kind, $ladder->rungs),
        );
        self::assertEqualsWithDelta([60.0, 30.0], [$ladder->rungs[2]->degrees, $ladder->rungs[3]->degrees], 1e-9);
        // 0.25 mm of seal on a pitch of 1 mm is a quarter of a turn more.
        $soft = self::joint(['figure' => 'hand-tight and then 90 degrees', 'thread' => 'M6', 'seal_travel' => 0.25]);
        self::assertEqualsWithDelta(180.0, $soft->turn(), 1e-9);
        self::assertEqualsWithDelta(
            180.0, array_sum(array_map(static fn ($rung): float => $rung->degrees, TighteningStages::of($soft)->rungs)), 1e-9,
        );
    }

    public function testADrySheetIsWorkedOutDry(): void
    {
        self::assertSame('dry zinc', self::joint([])->seat->friction);
        self::assertSame('dry zinc', self::joint(['compound' => 'dry'])->seat->friction);
        self::assertSame('threadlocker wet', self::joint(['compound' => 'medium threadlocker'])->seat->friction);
        self::assertSame(
            'anti-seize', self::joint(['compound' => 'dry', 'friction' => 'anti-seize'])->seat->friction,
            'what the sheet says itself goes before',
        );
    }

    public function testTheHandIsSaidBothWays(): void
    {
        self::assertSame(
            ['clockwise', 'anticlockwise'], [
                self::joint(['hand' => 'left'])->fastener->wayOff(), self::joint(['hand' => 'left'])->fastener->wayOn(),
            ],
        );
        self::assertSame(['anticlockwise', 'clockwise'], [self::joint([])->fastener->wayOff(), self::joint([])->fastener->wayOn()]);
        self::assertSame(
            ['T30', '10 mm socket'],
            [
                self::joint(['tool' => '10 mm socket', 'tool_off' => 'T30'])->tools->off(),
                self::joint(['tool' => '10 mm socket'])->tools->off(),
            ],
        );
    }

    /** @param array<string, mixed> $wrong */
    #[DataProvider('wrong')]
    public function testWhatCannotBeNamesItsPlace(array $wrong, string $hint): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('~'.$hint.'~');
        self::joint($wrong);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'a hand of its own' => [['hand' => 'both'], 'right or left'];
        yield 'no end' => [['figure' => '18-22 Nm', 'end' => 'top'], 'low, middle or high'];
        yield 'a day nobody had' => [['figure' => '9 Nm', 'dated' => '2026-13-01'], '2026-03-01'];
        yield 'a range from high to low' => [['figure' => '22-18 Nm'], 'high to low'];
        yield 'a ceiling in words' => [['figure' => '9 Nm', 'ceiling' => 'much'], 'not a torque'];
        yield 'a turn in millimetres' => [['figure' => 'snug + 3 mm'], 'not a unit of angle'];
    }

    /** @param array<string, mixed> $holds */
    #[DataProvider('lines')]
    public function testTheShorthandSaysAllOfIt(string $line, array $holds): void
    {
        $read = Shorthand::read($line);
        self::assertSame([[], []], [$read->left, $read->wrong], $line);
        foreach ($holds as $key => $value) {
            self::assertSame($value, $read->joint[$key] ?? null, $line.': '.$key);
        }
        Joint::read(Node::of(['id' => 'x', 'name' => 'x'] + $read->joint));
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function lines(): iterable
    {
        yield 'a range and why its low end' => [
            '3x M6x20 18-22 Nm low end for soft thread, max 24 Nm, ring',
            ['figure' => '18-22 Nm', 'end' => 'low', 'because' => 'soft thread', 'ceiling' => '24 Nm'],
        ];
        yield 'a range in words' => ['2x M8 18 to 22 Nm high end', ['figure' => '18 to 22 Nm', 'end' => 'high']];
        yield 'snug and a turn' => ['4x M6 snug + 1/4 turn seal 0.7 mm', ['figure' => 'snug + 1/4 turn', 'seal_travel' => 0.7]];
        yield 'a left-hand thread' => ['1x M12x1.25 60 Nm left-hand thread, 19 mm socket', ['hand' => 'left', 'tool' => '19 mm socket']];
        yield 'two drives' => ['4x M8 22 Nm new, 13 mm socket, off with T40', ['tool' => '13 mm socket', 'tool_off' => 'T40']];
        yield 'a source and a day' => ['1x G1/4 20 Nm printed dated 2026-03-01', ['origin' => 'printed', 'dated' => '2026-03-01']];
    }

    /** @param array<string, mixed> $given */
    private static function joint(array $given): Joint
    {
        return Joint::read(Node::of($given + ['id' => 'j', 'name' => 'bolts', 'layout' => 'line 2', 'thread' => 'M8']));
    }
}
