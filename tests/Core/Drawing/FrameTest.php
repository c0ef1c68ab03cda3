<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Drawing;

use NimbleKnuckle\Core\Drawing\Frame;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(Frame::class)]
final class FrameTest extends TestCase
{
    public function testTheLeastThatHoldsBothTouchesEachOfTheirEdges(): void
    {
        $edges = static fn (Frame $one): array => [$one->left, $one->top, $one->left + $one->width, $one->top + $one->height];
        mt_srand(20);
        for ($i = 0; $i < 200; ++$i) {
            [$a, $b] = [self::frame(), self::frame()];
            [$x, $y] = [$edges($a), $edges($b)];
            $wanted = [min($x[0], $y[0]), min($x[1], $y[1]), max($x[2], $y[2]), max($x[3], $y[3])];
            self::assertEqualsWithDelta($wanted, $edges($a->with($b)), 1e-9);
            self::assertEqualsWithDelta($edges($a->with($b)), $edges($b->with($a)), 1e-9);
        }
        self::assertEquals(new Frame(-5.0, 2.0, 25.0, 9.0), (new Frame(-5.0, 2.0, 10.0, 3.0))->with(new Frame(8.0, 4.0, 12.0, 7.0)));
    }

    private static function frame(): Frame
    {
        return new Frame(mt_rand(-90, 90), mt_rand(-90, 90), mt_rand(1, 120), mt_rand(1, 120));
    }
}
