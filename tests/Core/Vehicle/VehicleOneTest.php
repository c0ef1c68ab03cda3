<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Vehicle\VehicleOne;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** Sheets of the first format are read for good: Kept/ holds two as they were written then. */
#[CoversClass(VehicleOne::class)]
final class VehicleOneTest extends TestCase
{
    /** @return iterable<string, array{array<array-key, mixed>}> */
    public static function kept(): iterable
    {
        foreach (glob(__DIR__.'/Kept/vehicle-one*.yaml') ?: [] as $file) {
            yield basename($file) => [(array) Yaml::parseFile($file)];
        }
    }

    /** @param array<array-key, mixed> $document */
    #[DataProvider('kept')]
    public function testEverythingStandsWhereItStood(array $document): void
    {
        $sheet = VehicleSheet::read(Node::of($document));
        self::assertGreaterThan(20, count($sheet->items));
        foreach (Node::of($document)->nodes('items') as $was) {
            $item = $sheet->items[$was->string('id')];
            self::assertSame($was->enum('position', Position::class), $item->access->position, $item->name);
            self::assertSame($was->string('place', 'anywhere'), $item->access->side->value, $item->name);
            self::assertSame($was->strings('behind'), $item->access->behind, $item->name);
            self::assertNull($item->access->wheel, 'what it did not say is not made up');
            self::assertSame([], $item->parting->between->bodies);
            self::assertSame([], $item->parting->ends);
        }
        self::assertSame(count(Node::of($document)->nodes('joints')), count($sheet->joints));
        self::assertEquals($sheet, VehicleSheet::read(Node::of(VehicleOne::asTwo($document))), 'rewritten it says the same');
    }

    /** @param array<array-key, mixed> $document */
    #[DataProvider('kept')]
    public function testOnlyTheTwoWordsChange(array $document): void
    {
        $two = VehicleOne::asTwo($document);
        self::assertSame(VehicleSheet::FORMAT, $two['format']);
        self::assertSame(array_keys($document), array_keys($two));
        foreach (Node::of($two)->nodes('items') as $i => $item) {
            $was = Node::of($document)->nodes('items')[$i];
            $gone = static fn (Node $one): array => array_diff_key($one->raw(), array_flip(['position', 'place', 'side']));
            self::assertSame($gone($was), $gone($item));
            self::assertFalse($item->has('position'));
        }
        self::assertSame($two, VehicleOne::asTwo($two), 'once is enough');
    }

    public function testAWordThatIsNoneIsNamedAsItWasWritten(): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/items\.0\.position.*hovering/');
        VehicleSheet::read(Node::of([
            'format' => VehicleOne::FORMAT, 'id' => 'v', 'name' => 'V', 'items' => [['id' => 'a', 'name' => 'A', 'position' => 'hovering']],
        ]));
    }
}
