<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Quantity\Length;

/** Something that grows with heat towards or away from what it must not touch. */
final readonly class GapPart
{
    /**
     * @param bool $moves on the engine's side: growing closes the gap; on the frame's it opens it
     * @param float $expansion 1e-6/K
     * @param float $rise K
     */
    public function __construct(public bool $moves, public Length $length, public float $expansion, public float $rise)
    {
    }

    public function growth(): Length
    {
        return Length::millimetres($this->expansion * 1e-6 * $this->length->millimetres * $this->rise);
    }
}
