<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Photo;

use NimbleKnuckle\Core\Bench\FitEvent;

/** What is drawn on a picture, in pixels of the picture: lines as thick as the picture is large, so that it looks alike at any size. */
final readonly class MarkDrawing
{
    /** @param list<array{float, float}> $head the point of an arrow and its two barbs */
    private function __construct(
        public string $id,
        public MarkKind $kind,
        public float $x,
        public float $y,
        public float $toX,
        public float $toY,
        public float $radius,
        public array $head,
        public string $text,
        public string $by,
    ) {
    }

    /** Thickness of a line on a picture of this size, in its pixels. */
    public static function unit(int $width, int $height): float
    {
        return round(max($width, $height) / 220, 2);
    }

    public static function of(FitEvent $mark, int $width, int $height): self
    {
        [$x, $y] = [$mark->float('x') * $width, $mark->float('y') * $height];
        [$toX, $toY] = [$mark->float('to_x') * $width, $mark->float('to_y') * $height];
        $length = hypot($toX - $x, $toY - $y);
        $kind = MarkKind::from($mark->string('kind'));

        return new self(
            $mark->id, $kind, round($x, 1), round($y, 1), round($toX, 1), round($toY, 1), round($length, 1),
            MarkKind::Arrow === $kind && $length > 0.0
                ? self::head([$toX, $toY], ($toX - $x) / $length, ($toY - $y) / $length, 5.5 * self::unit($width, $height))
                : [],
            $mark->string('text'), $mark->by,
        );
    }

    /**
     * @param array{float, float} $tip
     *
     * @return list<array{float, float}>
     */
    private static function head(array $tip, float $dx, float $dy, float $size): array
    {
        $points = [$tip];
        foreach ([0.55, -0.55] as $side) {
            $points[] = [$tip[0] - $size * ($dx - $side * $dy), $tip[1] - $size * ($dy + $side * $dx)];
        }

        return array_map(static fn (array $p): array => [round($p[0], 1), round($p[1], 1)], $points);
    }
}
