<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Expand\PartingWords;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\Body;
use NimbleKnuckle\Core\Vehicle\Corner;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\ItemWords;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\Protects;
use NimbleKnuckle\Core\Vehicle\ReachWords;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** What a vehicle sheet of the second format can say, and what it refuses. */
#[CoversClass(Item::class)]
#[CoversClass(Joint::class)]
#[CoversClass(ItemWords::class)]
#[CoversClass(ReachWords::class)]
#[CoversClass(PartingWords::class)]
final class VehicleTwoTest extends TestCase
{
    private const NAMES = ['pan' => 'under-pan', 'cover' => 'engine cover'];

    /** @return iterable<string, array{array<string, mixed>, Position}> */
    public static function places(): iterable
    {
        yield 'from above it stands on the floor as ever' => [['place' => 'above'], Position::Ground];
        yield 'from below it is up' => [['place' => 'below'], Position::Raised];
        yield 'through the arch a wheel is off' => [['place' => 'arch'], Position::WheelOff];
        yield 'at the bench it does not matter' => [['place' => 'bench'], Position::Any];
        yield 'a wheel comes off on stands' => [['place' => 'arch', 'wheel' => 'fl'], Position::Raised];
        yield 'from below, but only level' => [['place' => 'below', 'stance' => 'floor'], Position::Ground];
        yield 'from above, but only on a lift' => [['place' => 'above', 'stance' => 'lift'], Position::Raised];
        yield 'through the arch on a lift' => [['place' => 'arch', 'stance' => 'lift'], Position::WheelOff];
    }

    /** @param array<string, mixed> $access */
    #[DataProvider('places')]
    public function testPlaceAndStanceTellWhereItStands(array $access, Position $position): void
    {
        self::assertSame($position, Item::read(Node::of(['id' => 'a', 'name' => 'A'] + $access))->access->position);
    }

    public function testAnItemSaysWhatPartsAndWhatItTies(): void
    {
        $item = Item::read(Node::of([
            'id' => 'a', 'name' => 'A', 'place' => 'arch', 'wheel' => 'rr', 'mass' => 21.5, 'protects' => 'structure',
            'opens' => ['oil', 'fuel'],
            'between' => ['engine', 'body'], 'tie' => 'flexible', 'slack' => 30, 'measures' => [['name' => 'height', 'figure' => '48 mm']],
            'ends' => [['name' => 'coil plugs', 'kind' => 'plug', 'count' => 4, 'guards' => 'start'], ['name' => 'clip', 'kind' => 'clip']],
            'acts' => [['act' => 'turn', 'place' => 'below', 'tool' => '19 mm socket', 'note' => 'clockwise']],
        ]));
        self::assertTrue($item->isWheel());
        self::assertSame([Corner::RearRight, 21.5, Protects::Structure], [
            $item->access->wheel, $item->dangers->mass, $item->parting->protects,
        ]);
        self::assertTrue([] !== $item->parting->between->bodies && !$item->parting->between->isRigid);
        self::assertTrue($item->parting->between->holds(Body::Engine) && !$item->parting->between->holds(Body::Gearbox));
        self::assertSame(30.0, $item->parting->between->slack);
        self::assertSame([true, false], array_map(static fn ($end): bool => $end->guardsTheStart(), $item->parting->ends));
        self::assertSame([4, 1], array_map(static fn ($end): int => $end->count, $item->parting->ends));
        self::assertSame(['oil', 'fuel'], $item->parting->opens);
        self::assertSame('clockwise', $item->access->acts[0]->note);
    }

    public function testALineWithAJointOfItsOwnTakesNewWashersAndItsFigure(): void
    {
        $tarn = Sheets::vehicle('veldra-tarn-20t', static function (array $d): array {
            $items = is_array($d['items']) ? $d['items'] : [];
            foreach ($items as $i => $item) {
                if (is_array($item) && 'heat-shield' === $item['id']) {
                    $items[$i] = ['ends' => [
                        ['name' => 'feed line', 'kind' => 'line', 'count' => 1, 'guards' => 'oil', 'joint' => 'feed-banjo'],
                    ], 'opens' => ['coolant']] + $item;
                }
            }
            $joints = is_array($d['joints']) ? $d['joints'] : [];

            return ['items' => $items, 'joints' => [...$joints, [
                'id' => 'feed-banjo', 'name' => 'banjo bolt of the feed line', 'item' => 'heat-shield', 'thread' => 'M10',
                'layout' => 'line 1', 'figure' => '18 N·m', 'tool' => '17 mm socket', 'kind' => 'bolt',
            ]]] + $d;
        });
        $sheet = (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure('thermostat-under')], new Choices([]), $tarn, new Kit([], []),
        );
        $off = $sheet->doing(StepKind::Remove, 'heat-shield')[0];
        $on = $sheet->doing(StepKind::Refit, 'heat-shield')[0];
        self::assertStringContainsString('runs into the can; then a cap on each open port', $off->words->text);
        self::assertStringContainsString('on with new washers, to its figure', $on->words->text);
        self::assertContains('sealing washers, feed line', array_column($sheet->lists->parts, 'name'));
        self::assertCount(1, $sheet->doing(StepKind::Tighten, '', 'feed-banjo'));
        self::assertStringContainsString('Feed line', $sheet->step('ends-look-below')->words->text ?? '', 'it guards the start');
    }

    public function testADangerHoldsBothWaysInWordsOfItsOwn(): void
    {
        $item = Item::read(Node::of(['id' => 'a', 'name' => 'A', 'place' => 'above', 'cautions' => [
            'Sharp.', ['text' => 'Sprung.', 'acknowledge' => true, 'back' => 'Let it down slowly.'], ['text' => 'A gush.',
                'holds' => 'off'],
            ['text' => 'It snaps in.', 'holds' => 'on'],
        ]]));
        $one = static fn (Caution $one): array => [$one->text, $one->acknowledge];
        self::assertSame([['Sharp.', false], ['Sprung.', true], ['A gush.', false]], array_map($one, $item->dangers->cautions));
        self::assertSame([['Sharp.', false], ['Let it down slowly.', true], ['It snaps in.', false]], array_map($one,
            $item->dangers->back));
    }

    public function testEachPlaceOfAJointIsARingOfItsOwn(): void
    {
        $joint = Joint::read(Node::of([
            'id' => 'w', 'name' => 'wheel nuts', 'layout' => 'ring 5', 'places' => ['front left', 'front right'], 'kind' => 'nut',
            'heat' => 90, 'key' => 'key of the lock',
        ]));
        $one = Joint::read(Node::of(['id' => 'w', 'name' => 'wheel nuts', 'layout' => 'ring 5']))->pattern->order();
        self::assertSame([10, 5], [$joint->count(), $joint->pattern->each()]);
        self::assertSame([...$one, ...array_map(static fn (int $bolt): int => $bolt + 5, $one)], $joint->pattern->order());
        self::assertSame(['front left', '', 'front right'], [$joint->boltLabel(1), $joint->boltLabel(2), $joint->boltLabel(6)]);
        $xs = array_column($joint->pattern->layout->points, 0);
        foreach ($xs as $i => $x) {
            self::assertSame($i >= 5, $x > 1.0, 'they lie beside each other');
        }
        self::assertSame([90.0, 'key of the lock', 'nut'], [$joint->seat->heat, $joint->tools->key, $joint->called->kind]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function figures(): iterable
    {
        yield 'nothing' => [[], ''];
        yield 'a torque' => [['figure' => '9 N·m / 80 in-lb'], '9 N·m / 80 in-lb'];
        yield 'and an angle of its own' => [['figure' => '130 N·m', 'angle' => 90], '130 N·m + 90°'];
        yield 'and one that stands in it' => [['figure' => '40 N·m + 90°', 'angle' => 90], '40 N·m + 90°'];
        yield 'the other way round' => [['figure' => '46 N·m', 'hand' => 'left'], '46 N·m, left-hand'];
        yield 'with a ceiling' => [['figure' => '5 N·m', 'ceiling' => '6 N·m'], "5 N·m; never past 6.0\u{202f}N·m"];
        yield 'a part of a turn' => [['figure' => 'snug + 1/4 turn'], 'snug + 1/4 turn'];
    }

    /** @param array<string, mixed> $joint */
    #[DataProvider('figures')]
    public function testTheWholeFigureIsOne(array $joint, string $whole): void
    {
        $said = Joint::read(Node::of($joint + ['id' => 'j', 'name' => 'J', 'layout' => 'line 1', 'thread' => 'M8']))->whole();
        self::assertSame($whole, $said);
    }

    public function testOneEndIsNotReachedLikeTheOther(): void
    {
        $joint = Joint::read(Node::of(['id' => 'm', 'name' => 'mount', 'layout' => 'line 1', 'ends' => [
            ['end' => 'upper', 'place' => 'above', 'tool' => '15 mm socket', 'body' => 'weight'],
            ['end' => 'lower', 'place' => 'below', 'tool' => '18 mm socket', 'tool_off' => '18 mm deep socket', 'body' => 'lifted',
                'held' => true],
        ]]));
        [$upper, $lower] = $joint->tools->ends;
        self::assertSame(['above', '15 mm socket', '15 mm socket', 'weight', false], [
            $upper->place->value, $upper->tool, $upper->toolOff, $upper->body, $upper->isHeld,
        ]);
        self::assertSame(['18 mm deep socket', 'lifted', true], [$lower->toolOff, $lower->body, $lower->isHeld]);
    }

    public function testShippedSheetsSayHowEveryWheelIsHeld(): void
    {
        $arches = 0;
        foreach (['demo/vehicles', 'starters'] as $folder) {
            foreach (glob(dirname(__DIR__, 3).'/'.$folder.'/*.yaml') ?: [] as $file) {
                $sheet = VehicleSheet::read(Node::of(Yaml::parseFile($file)));
                foreach ($sheet->items as $item) {
                    $isReached = Position::WheelOff === $item->access->position;
                    $arches += $isReached ? 1 : 0;
                    self::assertTrue(!$isReached || $sheet->knowsTheWheelsBefore($item->id), basename($file).' '.$item->id);
                }
            }
        }
        self::assertGreaterThan(20, $arches);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'a third body' => ['between', ['between' => ['engine', 'body', 'axle']], 'item'];
        yield 'the same body twice' => ['between', ['between' => ['engine', 'engine']], 'item'];
        yield 'slack of what is rigid' => ['slack', ['between' => ['engine', 'body'], 'slack' => 5], 'item'];
        yield 'a tie of no kind' => ['tie', ['between' => ['engine', 'body'], 'tie' => 'loose'], 'item'];
        yield 'no such wheel' => ['wheel', ['wheel' => 'spare'], 'item'];
        yield 'nothing that opens' => ['opens', ['opens' => ['sky']], 'item'];
        yield 'no end of a kind' => ['ends.0.kind', ['ends' => [['name' => 'x', 'kind' => 'rope']]], 'item'];
        yield 'no ends at all' => ['ends.0.count', ['ends' => [['name' => 'x', 'kind' => 'clip', 'count' => 0]]], 'item'];
        yield 'guards nothing known' => ['ends.0.guards', ['ends' => [['name' => 'x', 'kind' => 'clip', 'guards' => 'radio']]], 'item'];
        yield 'an act nobody does' => ['acts.0.act', ['acts' => [['act' => 'sing']]], 'item'];
        yield 'too heavy' => ['mass', ['mass' => 900], 'item'];
        yield 'a danger at no time' => ['cautions.0.holds', ['cautions' => [['text' => 'x', 'holds' => 'never']]], 'item'];
        yield 'the same place twice' => ['places', ['places' => ['left', 'left']], 'joint'];
        yield 'more than can be numbered' => ['places', ['layout' => 'ring 60', 'places' => ['a', 'b', 'c']], 'joint'];
        yield 'no end of that name' => ['ends.0.end', ['ends' => [['end' => 'middle']]], 'joint'];
        yield 'a body as nobody holds it' => ['ends.0.body', ['ends' => [['end' => 'head', 'body' => 'floating']]], 'joint'];
        yield 'a fastener of no kind' => ['kind', ['kind' => 'rivet'], 'joint'];
        yield 'hotter than any' => ['heat', ['heat' => 3000], 'joint'];
    }

    /** @param array<string, mixed> $said */
    #[DataProvider('refused')]
    public function testWhatCannotBeNamesItsField(string $field, array $said, string $what): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/“'.preg_quote($field, '/').'”/');
        'item' === $what
            ? Item::read(Node::of($said + ['id' => 'a', 'name' => 'A', 'place' => 'above']))
            : Joint::read(Node::of($said + ['id' => 'a', 'name' => 'A', 'layout' => 'ring 4']));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function unknown(): iterable
    {
        $item = ['id' => 'a', 'name' => 'A', 'place' => 'above'];
        yield 'an act behind nothing there' => [['items' => [$item + ['acts' => [['act' => 'turn', 'behind' => ['ghost']]]]]]];
        yield 'an end held by no joint' => [['items' => [$item + ['ends' => [['name' => 'x', 'kind' => 'earth', 'joint' => 'ghost']]]]]];
        yield 'an end behind nothing there' => [['joints' => [
            ['id' => 'j', 'name' => 'J', 'layout' => 'line 1', 'ends' => [['end' => 'head', 'behind' => ['ghost']]]],
        ]]];
    }

    /** @param array<string, mixed> $said */
    #[DataProvider('unknown')]
    public function testWhatIsNamedIsOnTheSheet(array $said): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/there is no (item|joint) “ghost”/');
        VehicleSheet::read(Node::of($said + ['format' => VehicleSheet::FORMAT, 'id' => 'v', 'name' => 'V']));
    }

    /** Everything that is written as a line comes back as it was, over what a sheet may hold. */
    public function testALineSaysWhatWasWritten(): void
    {
        mt_srand(28);
        $pick = static fn (array $of): mixed => $of[mt_rand(0, count($of) - 1)];
        $bare = static fn (array $of): array => array_filter($of, static fn (mixed $one): bool => null !== $one && [] !== $one);
        [$words, $reach] = [new ItemWords(self::NAMES), new ReachWords(self::NAMES)];
        for ($i = 0; $i < 500; ++$i) {
            $end = $bare([
                'name' => $pick(['coil plugs', 'gate line', 'lamp', 'earth lead', 'brake servo hose']), 'count' => mt_rand(1, 12),
                'kind' => $pick(['plug', 'clip', 'hose', 'line', 'earth']), 'guards' => $pick([null, 'start', 'gate', 'brake']),
                'joint' => $pick([null, 'earth-nut']), 'tool' => $pick([null, '10 mm socket']),
                'note' => $pick([null, 'white, on the left']),
            ]);
            self::assertEquals($end, ItemWords::end(ItemWords::endLine($end)), ItemWords::endLine($end));
            $at = [
                'place' => $pick([null, 'above', 'below', 'arch', 'bench']), 'side' => $pick([null, 'left', 'inside']),
                'tool' => $pick([null, '19 mm socket']), 'behind' => $pick([[], ['pan'], ['pan', 'cover']]),
            ];
            $act = $bare(['act' => $pick(['turn', 'read', 'look', 'hold']), 'note' => $pick([null, 'clockwise, slowly'])] + $at);
            self::assertEquals($act, $words->act($words->actLine($act)), $words->actLine($act));
            $joint = $bare(['body' => $pick([null, 'lifted', 'weight']), 'held' => $pick([null, true]), 'tool_off' => $pick([null,
                'T30 bit'])] + $at);
            self::assertEquals($joint, $reach->read($reach->parts($joint), 'ends', true), implode(', ', $reach->parts($joint)));
            $tie = $bare(['between' => ['engine', 'body'], 'tie' => 'flexible', 'slack' => $pick([null, 30.0, 2.5])]);
            self::assertEquals($tie, ItemWords::between(ItemWords::betweenLine($tie)));
            $caution = $bare([
                'text' => 'The arm is sprung.', 'acknowledge' => $pick([null, true]), 'back' => $pick([null, 'Slowly.']),
                'holds' => $pick([null, 'off', 'on']),
            ]);
            $again = ItemWords::caution(ItemWords::cautionLine($caution));
            self::assertEquals($caution, is_string($again) ? ['text' => $again] : $again);
        }
    }

    /** @return iterable<string, array{callable(): mixed, string}> */
    public static function unwritten(): iterable
    {
        $words = new ItemWords(self::NAMES);
        yield 'nothing' => [static fn () => ItemWords::end(' , '), 'how many and what'];
        yield 'an end of no kind' => [static fn () => ItemWords::end('2x thing'), 'plug, clip, hose, line or earth'];
        yield 'an act that is none' => [static fn () => $words->act('dance'), 'begin with turn'];
        yield 'two tools' => [static fn () => $words->act('turn, a bar, a hammer'), 'said before'];
        yield 'behind what is not there' => [static fn () => $words->act('look, behind ghost'), 'There is no “ghost”'];
        yield 'no figure' => [static fn () => ItemWords::measure('height'), 'with its unit'];
        yield 'half a tie' => [static fn () => ItemWords::between('engine'), 'two bodies'];
        yield 'a tie that is neither' => [static fn () => ItemWords::between('engine and body, wobbly'), 'neither rigid'];
        yield 'no words' => [static fn () => ItemWords::caution('!'), 'what can hurt'];
        yield 'a bar and no meaning' => [static fn () => ItemWords::caution('Sharp | sometimes'), 'off only'];
    }

    #[DataProvider('unwritten')]
    public function testALineThatIsNotUnderstoodSaysHow(callable $read, string $said): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/'.preg_quote($said, '/').'/');
        $read();
    }
}
