<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Strip;

use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Side;

/** Where the vehicle is and where one stands at it. */
final readonly class WorkPlace
{
    /** What weighs more never gives way to any sum of what weighs less. */
    private const LIFT = 1_000_000;
    public const CHANGE = 1_000;

    public string $key;

    public function __construct(public Position $position, public Side $side)
    {
        $this->key = $position->value.' '.$side->value;
    }

    /** A real lift first, then another position on the stands, then sides walked past. */
    public function costTo(self $to): int
    {
        $isLift = (Position::Ground === $this->position) !== (Position::Ground === $to->position);

        return ($isLift ? self::LIFT : 0) + ($this->position === $to->position ? 0 : self::CHANGE) + $this->side->walk($to->side);
    }
}
