<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Times;

/**
 * What many jobs came to, kept as three numbers: how many, the sum of ln(done/planned), and the sum of its squares: logarithms of
 * a ratio.
 */
final readonly class Tally
{
    public function __construct(public int $n, public float $sum, public float $squares)
    {
    }

    /** @param list<float> $logs ln(done/planned) of each job */
    public static function of(array $logs): self
    {
        return new self(count($logs), array_sum($logs), array_sum(array_map(static fn (float $one): float => $one ** 2, $logs)));
    }

    public function and(self $other): self
    {
        return new self($this->n + $other->n, $this->sum + $other->sum, $this->squares + $other->squares);
    }

    public function mean(): float
    {
        return 0 === $this->n ? 0.0 : $this->sum / $this->n;
    }

    /** The sum of squares about the mean. */
    public function aroundMean(): float
    {
        return 0 === $this->n ? 0.0 : max(0.0, $this->squares - $this->sum ** 2 / $this->n);
    }
}
