<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** All that a person may state in one line: a figure or a range, the same again in another unit, and an angle to turn further. */
final readonly class Stated
{
    /**
     * @param Figure $low the figure itself where it is no range
     * @param ?Figure $middle where a figure with a tolerance was written
     * @param ?Figure $other the same in another unit
     * @param ?Figure $angle turned further after a torque
     */
    public function __construct(
        public Figure $low,
        public Figure $high,
        public ?Figure $middle = null,
        public ?Figure $other = null,
        public ?Figure $angle = null,
    ) {
    }

    public static function one(Figure $figure, ?Figure $other = null, ?Figure $angle = null): self
    {
        return new self($figure, $figure, null, $other, $angle);
    }

    /** So many times as much; the same in another unit goes, an angle further stays as it is. */
    public function times(float $factor, Origin $origin): self
    {
        $low = $this->low->times($factor, $origin);

        return new self(
            $low, $this->isRange() ? $this->high->times($factor, $origin) : $low, $this->middle?->times($factor, $origin), null,
            $this->angle,
        );
    }

    public function isRange(): bool
    {
        return $this->low !== $this->high;
    }

    /** What is said with one figure, in the base unit of its kind: itself, or the middle of the range. */
    public function value(): float
    {
        return $this->middle?->value() ?? ($this->low->value() + $this->high->value()) / 2;
    }

    /** @return non-empty-list<Figure> */
    public function figures(): array
    {
        return null === $this->other ? [$this->low] : [$this->low, $this->other];
    }
}
