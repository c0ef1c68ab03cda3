<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo;

/**
 * What a lens bends, by one number: a point lies (1 + k ρ²) times as far from the middle of the picture as it is seen, ρ being 1 in its
 * corner. Pixels in, pixels out. Source: one radial term of Brown’s model, written from what is seen to what is straight.
 */
final readonly class Lens
{
    /** What k is about in pictures of phones, which straighten most of it themselves: a working value. */
    public const USUAL = 0.03;
    /** What it hardly ever goes beyond: the doubt where the marks do not tell it. */
    public const MOST = 0.06;

    private float $x;
    private float $y;
    private float $half;

    /** @param array{float, float} $size of the picture, px */
    public function __construct(private array $size, public float $k = 0.0)
    {
        [$this->x, $this->y] = [$size[0] / 2, $size[1] / 2];
        $this->half = hypot($this->x, $this->y);
    }

    public function bending(float $k): self
    {
        return new self($this->size, $k);
    }

    /** @return array{float, float} */
    public function straight(float $x, float $y): array
    {
        [$dx, $dy] = [$x - $this->x, $y - $this->y];
        $by = 1 + $this->k * ($dx * $dx + $dy * $dy) / ($this->half * $this->half);

        return [$this->x + $by * $dx, $this->y + $by * $dy];
    }
}
