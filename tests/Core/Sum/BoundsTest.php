<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Bounds;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A field says its own bounds, and every way to read it keeps them. */
#[CoversClass(Bounds::class)]
#[CoversClass(About::class)]
final class BoundsTest extends TestCase
{
    /** @return iterable<string, array{string, Field, Bounds}> */
    public static function bounded(): iterable
    {
        foreach (Doors::book()->all() as $name => $sum) {
            foreach ($sum->about()->fields() as $field) {
                if (null !== $field->ranges->physical) {
                    yield $name.' '.$field->name => [$name, $field, $field->ranges->physical];
                }
            }
        }
    }

    #[DataProvider('bounded')]
    public function testWhatLiesPastABoundIsRefusedByTheField(string $sum, Field $field, Bounds $bounds): void
    {
        self::assertLessThan($bounds->high, $bounds->low);
        $in = Inputs::of([$field->name => $field->example], [$field]);
        self::assertTrue($bounds->hold($in->number($field->name, $field->kind ?? Kind::Number)), 'its own example');
        $unit = $field->kind?->baseUnit()->symbol() ?? '';
        foreach ([$bounds->low - 0.01 * abs($bounds->high - $bounds->low), 1.01 * $bounds->high] as $past) {
            try {
                Doors::book()->run($sum, [$field->name => $past.' '.$unit] + Doors::book()->named($sum)->about()->example());
                self::fail(sprintf('%s took %s %s for “%s”.', $sum, $past, $unit, $field->name));
            } catch (InvalidInput $e) {
                self::assertSame($field->name, $e->field, $e->getMessage());
            }
        }
    }

    public function testTheExampleIsWhatIsNeededAndWhatIsShownBesides(): void
    {
        $fields = [
            Field::quantity('a', 'A', Kind::Length, '1 mm'), Field::quantity('b', 'B', Kind::Length, '2 mm')->optional(),
            Field::quantity('c', 'C', Kind::Length, '3 mm')->optional(), Field::quantity('d', 'D', Kind::Length, '4 mm'),
        ];
        self::assertSame(['a' => '1 mm', 'd' => '4 mm'], (new About('x', 'X', 'G', static fn (): array => $fields))->example());
        self::assertSame(
            ['a' => '1 mm', 'b' => '2 mm', 'd' => '5 mm'],
            (new About('x', 'X', 'G', static fn (): array => $fields, ['b', 'd' => '5 mm']))->example(),
        );
    }

    public function testABoundKeepsTheOtherAndTheNeed(): void
    {
        $field = Field::quantity('a', 'A', Kind::Length, '1 mm')->optional()->within(0.0, 9.0)->usually(1.0, 2.0);
        self::assertFalse($field->required);
        self::assertEquals([new Bounds(0.0, 9.0), new Bounds(1.0, 2.0)], [$field->ranges->physical, $field->ranges->typical]);
    }
}
