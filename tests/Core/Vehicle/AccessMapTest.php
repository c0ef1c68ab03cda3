<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\AccessBox;
use NimbleKnuckle\Core\Vehicle\AccessColumns;
use NimbleKnuckle\Core\Vehicle\AccessMap;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The drawing of what lies in front of what: on any sheet no line crosses a box and no box lies on another. */
#[CoversClass(AccessMap::class)]
#[CoversClass(AccessColumns::class)]
#[CoversClass(AccessBox::class)]
final class AccessMapTest extends TestCase
{
    /** @return iterable<string, array{int, int}> */
    public static function generated(): iterable
    {
        for ($seed = 1; $seed <= 60; ++$seed) {
            yield 'seed '.$seed => [$seed, [3, 8, 15, 25, 40][$seed % 5]];
        }
    }

    #[DataProvider('generated')]
    public function testNoLineCrossesABox(int $seed, int $items): void
    {
        $sheet = self::sheet($seed, $items);
        $links = array_sum(array_map(static fn ($item): int => count($item->access->behind), $sheet->items));
        foreach (['across' => AccessMap::across($sheet), 'down' => AccessMap::down($sheet)] as $way => $map) {
            self::assertCount($items, $map->boxes, $way);
            self::assertCount($links, $map->lines, $way);
            foreach ($map->boxes as $i => $box) {
                self::assertTrue($box->x >= 0 && $box->x + $box->wide <= $map->wide + 0.01, $way.' box inside');
                self::assertTrue($box->y >= -0.01 && $box->y + $box->high <= $map->high + 0.01, $way.' box inside');
                foreach (array_slice($map->boxes, $i + 1) as $other) {
                    self::assertFalse(self::meet($box, $other), $way.': two boxes on one place');
                }
                foreach ($map->lines as $line) {
                    self::assertFalse(self::crosses($line, $box), sprintf('%s: a line crosses %s', $way, $box->item->name));
                }
            }
        }
    }

    public function testALineRunsFromWhatIsInFrontToWhatLiesBehindIt(): void
    {
        $sheet = self::of(['cover' => [], 'duct' => ['cover'], 'pump' => ['duct', 'cover'], 'tray' => []]);
        foreach ([AccessMap::across($sheet), AccessMap::down($sheet)] as $map) {
            $ends = [];
            foreach ($map->lines as $line) {
                $ends[] = self::at($map, $line[0]).' '.self::at($map, $line[count($line) - 1]);
            }
            sort($ends);
            self::assertSame(['cover duct', 'cover pump', 'duct pump'], $ends);
        }
        $across = AccessMap::across($sheet);
        self::assertSame(3 * 190.0 + 2 * 46.0, $across->wide, 'three deep');
    }

    /** Forty items on a telephone: the boxes keep two thirds of the width, each in its row, none before what hides it. */
    public function testFortyItemsStandReadableOnANarrowScreen(): void
    {
        for ($seed = 100; $seed < 130; ++$seed) {
            $sheet = self::sheet($seed, 40);
            $map = AccessMap::down($sheet);
            self::assertSame(360.0, $map->wide);
            $row = [];
            foreach ($map->boxes as $box) {
                self::assertGreaterThanOrEqual(190.0, $box->wide, 'seed '.$seed);
                $row[$box->item->id] = $box->y;
            }
            foreach ($sheet->items as $item) {
                foreach ($item->access->behind as $front) {
                    self::assertLessThan($row[$item->id], $row[$front]);
                }
            }
        }
    }

    public function testNothingAndACircleAreDrawnToo(): void
    {
        self::assertSame([], AccessMap::across(self::of([]))->boxes);
        self::assertSame([], AccessMap::down(self::of([]))->boxes);
        $circle = self::of(['a1' => ['b1'], 'b1' => ['a1'], 'c1' => []]);
        self::assertCount(3, AccessMap::across($circle)->boxes);
        self::assertCount(3, AccessMap::down($circle)->boxes);
    }

    /** @param array{float, float} $point */
    private static function at(AccessMap $map, array $point): string
    {
        foreach ($map->boxes as $box) {
            $isBeside = abs($point[0] - $box->x) < 0.01 || abs($point[0] - $box->x - $box->wide) < 0.01;
            if ($isBeside && $point[1] > $box->y && $point[1] < $box->y + $box->high) {
                return $box->item->id;
            }
        }

        return '?';
    }

    /** Items at random, each behind up to three of those before it, near ones rather than far ones. */
    private static function sheet(int $seed, int $items): VehicleSheet
    {
        $random = new Randomizer(new Mt19937($seed));
        $behind = [];
        for ($i = 0; $i < $items; ++$i) {
            $fronts = [];
            for ($n = 0 === $i ? 0 : $random->getInt(0, 3); $n > 0; --$n) {
                $back = 0 === $random->getInt(0, 3) ? $random->getInt(1, $i) : $random->getInt(1, min($i, 5));
                $fronts['part-'.($i - $back)] = true;
            }
            $behind['part-'.$i] = array_keys($fronts);
        }

        return self::of($behind);
    }

    /** @param array<string, list<string>> $behind */
    private static function of(array $behind): VehicleSheet
    {
        $items = [];
        foreach ($behind as $id => $fronts) {
            $items[] = ['id' => $id, 'name' => $id, 'place' => 'above', 'behind' => $fronts];
        }

        return VehicleSheet::read(Node::of(['format' => VehicleSheet::FORMAT, 'id' => 'x', 'name' => 'X', 'items' => $items]));
    }

    private static function meet(AccessBox $a, AccessBox $b): bool
    {
        return $a->x < $b->x + $b->wide && $b->x < $a->x + $a->wide && $a->y < $b->y + $b->high && $b->y < $a->y + $a->high;
    }

    /**
     * Whether it runs through the inside of a box, its edges not counted. Between columns a line is drawn as a curve, which stays
     * between its ends sideways; there it is held against the whole strip it may bend in.
     *
     * @param non-empty-list<array{float, float}> $line
     */
    private static function crosses(array $line, AccessBox $box): bool
    {
        for ($i = 1; $i < count($line); ++$i) {
            [$from, $to] = [$line[$i - 1], $line[$i]];
            $across = min($from[0], $to[0]) < $box->x + $box->wide - 0.01 && max($from[0], $to[0]) > $box->x + 0.01;
            $down = min($from[1], $to[1]) < $box->y + $box->high - 0.01 && max($from[1], $to[1]) > $box->y + 0.01;
            if ($across && $down) {
                return true;
            }
        }

        return false;
    }
}
