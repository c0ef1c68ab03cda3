<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

/**
 * A bolt in its hole, cut along the axis and to scale, in mm: the hole's material to the left and right, the engaged threads
 * between, a whole diameter of bolt above. The axis is x = 0, the face of the part y = 0, y down.
 */
final readonly class ThreadDrawing
{
    private function __construct(
        public string $boltPath,
        public string $holePath,
        public Thread $thread,
        public float $engaged,
        public float $needed,
        public float $block,
        public float $depth,
        public float $above,
    ) {
    }

    /** @param float $needed mm of engagement wanted; 0 where nobody asked */
    public static function of(Thread $thread, float $engaged, float $needed = 0.0): self
    {
        $d = $thread->diameter;
        $depth = max($engaged, $needed) + 0.8 * $d;
        $above = ceil(0.9 * $d / $thread->pitch) * $thread->pitch;
        $block = 1.7 * $d;

        return new self(
            self::profile($thread, -$above, $engaged, true),
            self::profile($thread, 0.0, max($engaged, $needed) + 0.4 * $d, false),
            $thread, $engaged, $needed, $block, $depth, $above,
        );
    }

    /**
     * Both flanks of the 60° profile, down the right side and up the left: crest, flank, root, flank, one pitch a tooth.
     *
     * @return string points of an SVG polygon
     */
    private static function profile(Thread $thread, float $from, float $to, bool $bolt): string
    {
        [$outer, $inner, $pitch] = [
            $thread->diameter / 2, ($bolt ? $thread->rootDiameter() : $thread->minorDiameter()) / 2, $thread->pitch,
        ];
        $right = [[$inner, $from]];
        for ($y = $from; $y < $to - 1e-9; $y += $pitch) {
            foreach ([[0.06, $inner], [0.44, $outer], [0.56, $outer], [0.94, $inner]] as [$share, $x]) {
                $right[] = [$x, min($to, $y + $share * $pitch)];
            }
        }
        $right[] = [$inner, $to];
        $left = array_map(static fn (array $p): array => [-$p[0], $p[1]], array_reverse($right));

        return implode(' ', array_map(static fn (array $p): string => sprintf('%.3F,%.3F', $p[0], $p[1]), [...$right, ...$left]));
    }
}
