<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** What a reading is held against, in the base unit of its kind; not set where a reading is only written down. */
final readonly class Limits
{
    private function __construct(public bool $isSet, public float $low, public float $high)
    {
    }

    public static function none(): self
    {
        return new self(false, 0.0, 0.0);
    }

    public static function between(float $low, float $high): self
    {
        return new self(true, $low, $high);
    }

    public static function read(Node $node): self
    {
        $limits = $node->floats('limits');
        if ([] !== $limits && (2 !== count($limits) || $limits[0] > $limits[1])) {
            throw $node->refuse('limits', 'two numbers are needed, low then high.');
        }

        return 2 === count($limits) ? self::between(...$limits) : self::none();
    }

    /** What lies inside both; the first where nothing does. */
    public function and(self $other): self
    {
        if (!$this->isSet || !$other->isSet) {
            return $this->isSet ? $this : $other;
        }
        [$low, $high] = [max($this->low, $other->low), min($this->high, $other->high)];

        return $low <= $high ? self::between($low, $high) : $this;
    }

    public function isPast(float $value): bool
    {
        return $this->isSet && ($value < $this->low || $value > $this->high);
    }
}
