<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Tightening;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Tightening\CardGeometry;
use NimbleKnuckle\Core\Tightening\Layout;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Layout::class)]
#[CoversClass(CardGeometry::class)]
final class LayoutTest extends TestCase
{
    public function testARingCrossesOver(): void
    {
        self::assertSame([1, 3, 2, 4], Layout::ring(4)->order());
        $six = Layout::ring(6)->order();
        self::assertSame([1, 4], array_slice($six, 0, 2));
        foreach ([5, 6, 8, 10, 13] as $n) {
            $order = Layout::ring($n)->order();
            for ($i = 1; $i < $n; ++$i) {
                $gap = abs($order[$i] - $order[$i - 1]) % $n;
                self::assertGreaterThanOrEqual($n < 6 ? 1 : 2, min($gap, $n - $gap), implode(',', $order));
            }
        }
    }

    public function testALineAndAGridWorkOutwardFromTheMiddle(): void
    {
        $order = Layout::line(5)->order();
        self::assertSame(3, $order[0]);
        self::assertEqualsCanonicalizing([2, 4], array_slice($order, 1, 2));
        self::assertEqualsCanonicalizing([1, 5], array_slice($order, 3));
        self::assertContains(Layout::line(4)->order()[0], [2, 3]);
        $grid = Layout::grid(2, 5)->order();
        self::assertEqualsCanonicalizing([3, 8], array_slice($grid, 0, 2));
        self::assertEqualsCanonicalizing([1, 5, 6, 10], array_slice($grid, 6));
    }

    public function testEveryFastenerStandsInTheOrderOnce(): void
    {
        mt_srand(3);
        $layouts = [Layout::ring(1), Layout::ring(2), Layout::ring(11), Layout::line(1), Layout::line(8), Layout::grid(3, 4)];
        for ($i = 0; $i < 30; ++$i) {
            $points = [];
            for ($k = mt_rand(1, 14); $k > 0; --$k) {
                $points[] = [(float) mt_rand(-90, 90), (float) mt_rand(-90, 90)];
            }
            $layouts[] = Layout::points($points);
        }
        foreach ($layouts as $layout) {
            $order = $layout->order();
            self::assertSame($order, $layout->order());
            sort($order);
            self::assertSame(range(1, $layout->count()), $order);
        }
    }

    #[DataProvider('rings')]
    public function testRingsGoByOppositePairs(int $n, string $order): void
    {
        self::assertSame($order, implode(' ', Layout::ring($n)->order()));
    }

    /** @return iterable<string, array{int, string}> */
    public static function rings(): iterable
    {
        foreach ([
            '1', '1 2', '1 2 3', '1 3 2 4', '1 3 5 2 4', '1 4 2 5 3 6', '', '1 5 3 7 2 6 4 8', '', '', '',
            '1 7 4 10 2 8 5 11 3 9 6 12', '', '', '', '1 9 5 13 3 11 7 15 2 10 6 14 4 12 8 16',
        ] as $i => $order) {
            if ('' !== $order) {
                yield ($i + 1).' bolts' => [$i + 1, $order];
            }
        }
    }

    /** In an even ring every second one closes a pair across the middle, whatever the size. */
    public function testEveryEvenRingCrossesOver(): void
    {
        for ($n = 4; $n <= 60; $n += 2) {
            $order = Layout::ring($n)->order();
            for ($i = 0; $i < $n; $i += 2) {
                self::assertSame($n / 2, abs($order[$i] - $order[$i + 1]), sprintf('%d bolts, pair %d', $n, $i / 2 + 1));
            }
        }
    }

    public function testWhatIsWrittenIsRead(): void
    {
        self::assertSame(6, Layout::parse('ring 6')->count());
        self::assertSame(10, Layout::parse('grid 2x5')->count());
        self::assertSame(3, Layout::parse([[0, -58], [-54, 34], [54, 34]])->count());
        foreach (['ring of 6', '6 in a ring', 'circle 6', 'Ring 6'] as $ring) {
            self::assertSame(['ring', 6], [Layout::parse($ring)->shape, Layout::parse($ring)->count()]);
        }
        foreach (['2x5', '2 × 5', '2 by 5', 'grid of 2x5', '2x5 grid'] as $grid) {
            self::assertSame(Layout::parse('grid 2x5')->points, Layout::parse($grid)->points, $grid);
        }
        foreach (['', 'circular 4', 'ring ８', '２x5', 'ring 0', 'ring 999', 'grid 3', null, [[1]], 7] as $bad) {
            try {
                Layout::parse($bad);
                self::fail('It was taken: '.json_encode($bad));
            } catch (InvalidInput $e) {
                self::assertSame('layout', $e->field);
            }
        }
    }

    public function testTheCardKeepsPointsToScaleAndInsideItsFrame(): void
    {
        $card = CardGeometry::of(Layout::parse([[0, -58], [-54, 34], [54, 34]]), 6.0);
        self::assertTrue($card->toScale);
        self::assertSame(10.0, (float) $card->head);
        self::assertSame([[0.0, -58.0], [-54.0, 34.0], [54.0, 34.0]], $card->points);
        self::assertCount(3, $card->hull);
        foreach ([$card, CardGeometry::of(Layout::grid(2, 5), 8.0), CardGeometry::of(Layout::line(1), 0.0)] as $any) {
            foreach ($any->points as [$x, $y]) {
                self::assertGreaterThan($any->frame->left + $any->boss, $x);
                self::assertLessThan($any->frame->left + $any->frame->width - $any->boss, $x);
                self::assertGreaterThan($any->frame->top + $any->boss, $y);
                self::assertLessThan($any->frame->top + $any->frame->height - $any->boss, $y);
            }
        }
    }
}
