<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/** The kinds of hose clamp, and what each is made in. Worm drives after DIN 3017-1, the others working values. */
enum ClampKind: string
{
    case Worm = 'worm';
    case Spring = 'spring';
    case TBolt = 'tbolt';

    /** smallest, largest, band, working torque N·m */
    private const WORM = [
        [8.0, 12.0, 9.0, 1.5], [10.0, 16.0, 9.0, 2.0], [12.0, 20.0, 9.0, 2.5], [16.0, 25.0, 9.0, 3.0], [20.0, 32.0, 9.0, 3.0],
        [25.0, 40.0, 9.0, 3.0],
        [30.0, 45.0, 9.0, 3.0], [32.0, 50.0, 12.0, 4.0], [40.0, 60.0, 12.0, 4.0], [50.0, 70.0, 12.0, 5.0], [60.0, 80.0, 12.0, 5.0],
        [70.0, 90.0, 12.0, 5.0],
        [80.0, 100.0, 12.0, 5.0], [90.0, 110.0, 12.0, 5.0], [100.0, 120.0, 12.0, 5.0], [110.0, 130.0, 12.0, 5.0],
    ];
    /** The same for T-bolt clamps: narrow ranges, wide bands; working values after DIN 3017-3 practice. */
    private const T_BOLT = [
        [17.0, 19.0, 18.0, 3.0], [19.0, 21.0, 18.0, 3.0], [21.0, 23.0, 18.0, 3.0], [23.0, 26.0, 18.0, 3.0], [26.0, 29.0, 18.0, 3.0],
        [29.0, 32.0, 20.0, 5.0],
        [32.0, 36.0, 20.0, 5.0], [36.0, 40.0, 20.0, 5.0], [40.0, 44.0, 20.0, 5.0], [44.0, 48.0, 22.0, 5.0], [48.0, 52.0, 22.0, 5.0],
        [52.0, 56.0, 22.0, 5.0],
        [56.0, 60.0, 22.0, 5.0], [60.0, 64.0, 22.0, 5.0], [64.0, 68.0, 24.0, 8.0], [68.0, 74.0, 24.0, 8.0], [74.0, 80.0, 24.0, 8.0],
        [80.0, 86.0, 24.0, 8.0],
        [86.0, 92.0, 24.0, 8.0], [92.0, 98.0, 24.0, 8.0], [98.0, 104.0, 24.0, 8.0], [104.0, 113.0, 24.0, 8.0],
        [113.0, 122.0, 24.0, 8.0], [122.0, 130.0, 24.0, 8.0],
    ];
    /** A spring band grips from a little under its size to a little over, shares of it: working values. */
    private const SPRING_GRIPS = [0.95, 1.03];
    private const SPRING_BAND = 12.0;
    /** Sizes a spring band is made in, mm. */
    private const SPRING_SIZES = [8, 80];

    /** @return list<array{float, float, float, float}> smallest, largest, band in mm, torque of the screw in N·m */
    public function sizes(): array
    {
        if (self::Spring !== $this) {
            return self::TBolt === $this ? self::T_BOLT : self::WORM;
        }
        [$low, $high] = self::SPRING_GRIPS;
        $sizes = [];
        for ($size = self::SPRING_SIZES[0]; $size <= self::SPRING_SIZES[1]; ++$size) {
            $sizes[] = [$low * $size, $high * $size, self::SPRING_BAND, 0.0];
        }

        return $sizes;
    }

    public function hasScrew(): bool
    {
        return self::Spring !== $this;
    }
}
