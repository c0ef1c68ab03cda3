<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Missing;
use NimbleKnuckle\Core\Procedure\RoleBook;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(RoleBook::class)]
#[CoversClass(Missing::class)]
final class RoleBookTest extends TestCase
{
    #[DataProvider('names')]
    public function testANameSaysWhatItIsNeededAs(string $kind, string $name, string $role): void
    {
        self::assertSame($role, self::book()->suggested($kind, $name));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function names(): iterable
    {
        foreach ([
            ['item', 'Water pump', 'water-pump'], ['item', 'the coolant pump', 'water-pump'], ['item', 'pump pulley', 'pump-pulley'],
            ['item', 'accessory belt', 'serpentine-belt'], ['item', 'crank balancer', 'damper'], ['item', 'starter', 'starter'],
            ['item', 'starter cover', 'starter-cover'], ['item', 'Transmission mount', 'gearbox-mount'],
            ['item', 'LH mount', 'left-mount'], ['item', 'air filter', ''], ['item', 'pump', ''], ['item', '', ''],
            ['joint', 'water pump bolt', 'pump-bolts'], ['joint', 'pump pulley bolts', 'pump-pulley-bolts'],
            ['joint', 'spark plug threads', 'plug-threads'], ['circuit', 'coolant', 'coolant'], ['circuit', 'engine oil', 'oil'],
            ['elephant', 'water pump', ''],
        ] as $row) {
            yield implode(' ', $row) => $row;
        }
    }

    public function testWhatIsMissingIsAllOfIt(): void
    {
        $empty = VehicleSheet::read(Node::of(['format' => VehicleSheet::FORMAT, 'id' => 'x', 'name' => 'X']));
        $missing = RoleBook::missing(Sheets::procedure('water-pump'), $empty);
        self::assertSame(
            [
                'item water pump', 'item pump pulley', 'item serpentine belt', 'joint pump bolts', 'joint pump pulley bolts',
                'circuit coolant',
            ],
            array_map(static fn (Missing $one): string => $one->kind.' '.$one->name(), $missing),
        );
        self::assertSame([], RoleBook::missing(Sheets::procedure('water-pump'), Sheets::vehicle('corrin-drover-27d')));
    }

    /** Every role that is asked for is known by its own name, so that whoever types it as it reads gets it. */
    public function testEveryRoleIsFoundByItsOwnName(): void
    {
        $book = self::book();
        $count = 0;
        foreach (['item', 'joint', 'circuit'] as $kind) {
            foreach ($book->roles($kind) as $role => $titles) {
                self::assertNotSame([], $titles);
                self::assertTrue($book->knows($kind, $role));
                self::assertSame($role, $book->suggested($kind, str_replace('-', ' ', $role)));
                ++$count;
            }
        }
        self::assertGreaterThan(30, $count);
        self::assertFalse($book->knows('item', 'dashboard'));
    }

    private static function book(): RoleBook
    {
        return RoleBook::of(array_map(Sheets::procedure(...), array_values(array_diff(array_map(
            static fn (string $file): string => basename($file, '.yaml'), glob(dirname(__DIR__, 3).'/procedures/*.yaml') ?: [],
        ), ['common']))));
    }
}
