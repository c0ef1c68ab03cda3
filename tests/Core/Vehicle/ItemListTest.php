<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\ItemLine;
use NimbleKnuckle\Core\Vehicle\ItemList;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A vehicle as fast as it can be said: one item a line. */
#[CoversClass(ItemList::class)]
#[CoversClass(ItemLine::class)]
final class ItemListTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function lines(): iterable
    {
        yield 'a name alone' => ['airbox', ['id' => 'airbox', 'name' => 'airbox', 'place' => 'above']];
        yield 'pieces with their drive' => [
            'airbox, 3x T25 screws, 1 clip',
            ['tray' => [['thing' => 'screws', 'count' => 3, 'tool' => 'T25'], ['thing' => 'clip', 'count' => 1]]],
        ];
        yield 'a drive in millimetres is a socket' => [
            'shield, 4x 10 mm bolts', ['tray' => [['thing' => 'bolts', 'count' => 4, 'tool' => '10 mm socket']]],
        ];
        yield 'a tool after its pieces is no count' => [
            'duct, 2x clamps, 8 mm socket', ['tray' => [['thing' => 'clamps', 'count' => 2, 'tool' => '8 mm socket']]],
        ];
        yield 'where one stands, on which side, and what it is' => [
            'wheel liner, wheel off, left side, cover', ['place' => 'arch', 'side' => 'left', 'kind' => 'cover'],
        ];
        yield 'from below' => ['sump plug, on stands', ['place' => 'below']];
        yield 'a wheel by its name' => ['front left wheel, 1 lock', ['wheel' => 'fl', 'place' => 'arch', 'kind' => 'cover']];
        yield 'only on its wheels' => ['level plug, from below, on its wheels', ['place' => 'below', 'stance' => 'floor']];
        yield 'what is parted on the way' => ['coil pack; ends: 2x coil plugs, guards start / gate line, guards gate / 5 clips',
            ['ends' => [
                ['name' => 'coil plugs', 'count' => 2, 'guards' => 'start', 'kind' => 'plug'],
                ['name' => 'gate line', 'count' => 1, 'guards' => 'gate', 'kind' => 'line'], ['name' => 'clips', 'count' => 5,
                    'kind' => 'clip'],
            ]]];
        yield 'what is done on it where it sits' => [
            'damper; act: turn, from below, right, 19 mm socket, behind engine cover; act: look',
            ['acts' => [[
                'act' => 'turn', 'place' => 'below', 'side' => 'right', 'tool' => '19 mm socket', 'behind' => ['engine-cover'],
            ], ['act' => 'look']]],
        ];
        yield 'what it ties, opens, keeps away and weighs' => [
            'hose; between: engine and radiator, flexible, 30 mm; opens: coolant; protects: heat; weighs: 44 lb; measures: height 48 mm',
            ['between' => ['engine', 'radiator'], 'tie' => 'flexible', 'slack' => 30.0, 'opens' => ['coolant'], 'protects' => 'heat',
                'measures' => [['name' => 'height', 'figure' => '48 mm']]],
        ];
        yield 'what can hurt, both ways' => [
            'belt; caution: ! The arm is sprung | back: Let it down slowly; caution: Gloves | off only',
            ['cautions' => [['text' => 'The arm is sprung', 'acknowledge' => true, 'back' => 'Let it down slowly'],
                ['text' => 'Gloves', 'holds' => 'off']]],
        ];
        yield 'behind what the sheet has, in any case' => ['coil pack; behind: ENGINE  cover', ['behind' => ['engine-cover']]];
        yield 'minutes' => ['fan; off: 3 5 8 min; on: 3/6/9', ['off' => [3.0, 5.0, 8.0], 'on' => [3.0, 6.0, 9.0]]];
        yield 'one number of minutes' => ['fan; off: 10', ['off' => [6.0, 10.0, 18.0]]];
        yield 'a note' => ['fan; note: plug is brittle', ['remove_note' => 'plug is brittle']];
        yield 'digits alone are no id' => ['12', ['id' => 'no-12', 'name' => '12']];
    }

    /** @param array<string, mixed> $expected */
    #[DataProvider('lines')]
    public function testALineIsRead(string $line, array $expected): void
    {
        $read = ItemList::read($line, ['engine-cover' => 'engine cover']);
        self::assertSame([], $read->lines[0]->wrong);
        self::assertTrue($read->isRight());
        self::assertEquals($expected, array_intersect_key($read->items()[0], $expected));
        Item::read(Node::of($read->items()[0]));
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'not known' => ['fan; behind: shroud', 'There is no “shroud”'];
        yield 'on the sheet already' => ['Engine cover', 'is there twice'];
        yield 'twice in the list' => ["fan\nfan, 2 screws", 'is there twice'];
        yield 'no name' => [', 3 screws', 'Begin with a name'];
        yield 'not a count' => ['fan, some screws', 'write a count'];
        yield 'digits of another script' => ['fan, ３ screws', 'digits 0 to 9'];
        yield 'a tool without pieces' => ['fan, T25', 'has nothing to turn'];
        yield 'an unknown word after a semicolon' => ['fan; under: it', 'is not understood'];
        yield 'minutes that fall' => ['fan; off: 8 5 3', 'are no minutes'];
        yield 'an end of no kind' => ['fan; ends: 2x thing', 'whether it is a plug'];
        yield 'an act nobody does' => ['fan; act: sing', 'begin with turn'];
        yield 'a body that is none' => ['fan; between: engine and roof', 'none: say two of'];
        yield 'one body' => ['fan; between: engine', 'two bodies'];
        yield 'an opening that is none' => ['fan; opens: sky', 'is none of intake'];
        yield 'no weight' => ['fan; weighs: a lot', 'weighs'];
        yield 'a measure without a figure' => ['fan; measures: height', 'with its unit'];
        yield 'behind what is not there' => ['fan; act: look, behind shroud', 'There is no “shroud”'];
        yield 'two minutes' => ['fan; off: 8 9', 'are no minutes'];
    }

    #[DataProvider('refused')]
    public function testALineThatIsNotUnderstoodSaysWhatToDo(string $text, string $said): void
    {
        $read = ItemList::read($text, ['engine-cover' => 'engine cover']);
        self::assertFalse($read->isRight());
        $wrong = array_merge(...array_map(static fn (ItemLine $line): array => $line->wrong, $read->lines));
        self::assertStringContainsString($said, implode(' ', $wrong));
    }

    public function testLinesMayNameEachOtherInAnyOrder(): void
    {
        $read = ItemList::read("pump; behind: Belt\n\n  belt; behind: cover\ncover\n", []);
        self::assertSame([['belt'], ['cover'], []], array_map(static fn (array $item): mixed => $item['behind'] ?? [], $read->items()));
        self::assertSame([1, 3, 4], array_map(static fn (ItemLine $line): int => $line->number, $read->lines), 'as the eye counts');
    }

    public function testNothingIsNoList(): void
    {
        self::assertFalse(ItemList::read('', [])->isRight());
        self::assertSame([], ItemList::read(" \n ", [])->lines);
    }
}
