<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\ClampKind;
use PHPUnit\Framework\TestCase;

/** The sizes clamps are made in, as a drawer of them is labelled. */
final class ClampKindTest extends TestCase
{
    /** DIN 3017-1, from the smallest. */
    private const WORM = '8-12 10-16 12-20 16-25 20-32 25-40 30-45 32-50 40-60 50-70 60-80 70-90 80-100 90-110 100-120 110-130';

    public function testWormDrives(): void
    {
        $sizes = ClampKind::Worm->sizes();
        self::assertSame(self::WORM, implode(' ', array_map(static fn (array $one): string => $one[0].'-'.$one[1], $sizes)));
        foreach ($sizes as [, $largest, $band, $torque]) {
            self::assertSame($largest < 50.0 ? 9.0 : 12.0, $band, 'a narrow band up to 45 mm');
            self::assertSame(match (true) {
                $largest <= 12.0 => 1.5,
                $largest <= 16.0 => 2.0,
                $largest <= 20.0 => 2.5,
                $largest <= 45.0 => 3.0,
                $largest <= 60.0 => 4.0,
                default => 5.0,
            }, $torque);
        }
    }

    /** One begins where the one before ends, and its bolt is taken the tighter the wider its band. */
    public function testBoltClampsLeaveNoGap(): void
    {
        $sizes = ClampKind::TBolt->sizes();
        self::assertSame([17.0, 130.0], [$sizes[0][0], $sizes[count($sizes) - 1][1]]);
        $ends = '19 21 23 26 29 32 36 40 44 48 52 56 60 64 68 74 80 86 92 98 104 113 122 130';
        self::assertSame($ends, implode(' ', array_column($sizes, 1)));
        foreach ($sizes as $i => [$least, $largest, $band, $torque]) {
            0 === $i || self::assertSame($sizes[$i - 1][1], $least);
            self::assertSame([$largest <= 29.0 ? 18.0 : ($largest <= 44.0 ? 20.0 : ($largest <= 64.0 ? 22.0 : 24.0))], [$band]);
            self::assertSame([18 => 3.0, 20 => 5.0, 22 => 5.0, 24 => 8.0][(int) $band], $torque);
        }
    }

    public function testASpringBandGripsALittleUnderItsSizeToALittleOver(): void
    {
        $sizes = ClampKind::Spring->sizes();
        self::assertCount(73, $sizes);
        foreach ($sizes as $i => [$least, $largest, $band, $torque]) {
            self::assertEqualsWithDelta([0.95 * ($i + 8), 1.03 * ($i + 8), 12.0, 0.0], [$least, $largest, $band, $torque], 1e-9);
        }
        self::assertSame([true, false, true], array_map(static fn (ClampKind $kind): bool => $kind->hasScrew(), [
            ClampKind::Worm, ClampKind::Spring, ClampKind::TBolt,
        ]));
    }
}
