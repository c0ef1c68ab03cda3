<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/**
 * Drain and fill, over and over: what to pour each time so that the last one ends at the strength wanted, and with little enough
 * of the old left. Volumes in L, strengths in percent by volume; each fill mixes wholly with what stayed in (run hot in between).
 */
final readonly class FillCycles
{
    private const MOST = 60;
    private const ROUNDING = 1e-9;

    /**
     * @param non-empty-list<float> $pours of the product, L, cycle by cycle
     * @param non-empty-list<float> $waters L
     * @param non-empty-list<float> $strengths after each cycle, percent
     * @param non-empty-list<float> $oldShares after each cycle, percent of the old filling
     */
    private function __construct(
        public array $pours, public array $waters, public array $strengths, public array $oldShares, public bool $reaches,
    ) {
    }

    /** @param float $oldLimit percent of the old that may stay; 100 where it does not matter */
    public static function of(float $capacity, float $drained, float $present, float $target, float $product, float $oldLimit): self
    {
        [$pours, $waters, $strengths, $shares] = [[], [], [], []];
        [$strength, $share] = [$present, 100.0];
        $left = 1 - $drained / $capacity;
        // Filling with what is weaker than wanted never gets there, and with what is just as strong only from above.
        $canReach = $target > 0.0 && $product >= $target - self::ROUNDING && ($product > $target + self::ROUNDING || $present >= $target);
        do {
            $exact = ($capacity * $target - ($capacity - $drained) * $strength) / $product;
            $pour = min(max($exact, 0.0), $drained);
            $strength = (($capacity - $drained) * $strength + $pour * $product) / $capacity;
            $share *= $left;
            $pours[] = $pour;
            $waters[] = $drained - $pour;
            $strengths[] = $strength;
            $shares[] = $share;
            $reaches = abs($strength - $target) < self::ROUNDING * 100;
        } while (($canReach && !$reaches || $share >= $oldLimit) && count($pours) < self::MOST);

        return new self($pours, $waters, $strengths, $shares, $reaches && $share < $oldLimit);
    }

    public function count(): int
    {
        return count($this->pours);
    }
}
