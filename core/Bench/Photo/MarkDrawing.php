<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Photo;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\PhotoMarked;

/** What is drawn on a picture, in pixels of the picture: lines as thick as the picture is large, so that it looks alike at any size. */
final readonly class MarkDrawing
{
    public string $id;
    public string $text;
    public string $by;
    public float $x;
    public float $y;
    public float $toX;
    public float $toY;
    public float $radius;
    /** @var list<array{float, float}> the point of an arrow and its two barbs */
    public array $head;

    private function __construct(FitEvent $mark, public MarkKind $kind, float $width, float $height, float $unit)
    {
        $fact = $mark->as(PhotoMarked::class);
        [$this->id, $this->text, $this->by] = [$mark->id, $fact->text, $mark->by];
        [$this->x, $this->y] = [round($fact->x * $width, 1), round($fact->y * $height, 1)];
        [$this->toX, $this->toY] = [round($fact->toX * $width, 1), round($fact->toY * $height, 1)];
        $this->radius = round($length = hypot($this->toX - $this->x, $this->toY - $this->y), 1);
        $this->head = MarkKind::Arrow === $kind && $length > 0.0
            ? self::head([$this->toX, $this->toY], ($this->toX - $this->x) / $length, ($this->toY - $this->y) / $length, 5.5 * $unit)
            : [];
    }

    /** Thickness of a line on a picture of this size, in its pixels. */
    public static function unit(int $width, int $height): float
    {
        return round(max($width, $height) / 220, 2);
    }

    public static function of(FitEvent $mark, int $width, int $height): self
    {
        return new self($mark, MarkKind::from($mark->as(PhotoMarked::class)->kind), $width, $height, self::unit($width, $height));
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
