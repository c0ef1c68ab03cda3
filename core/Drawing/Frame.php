<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Drawing;

/** What a drawing shows, in units of its own scale, y down. */
final readonly class Frame
{
    public function __construct(public float $left, public float $top, public float $width, public float $height)
    {
    }

    /** The least that holds both. */
    public function with(self $other): self
    {
        [$left, $top] = [min($this->left, $other->left), min($this->top, $other->top)];

        return new self(
            $left, $top, max($this->left + $this->width, $other->left + $other->width) - $left,
            max($this->top + $this->height, $other->top + $other->height) - $top,
        );
    }
}
