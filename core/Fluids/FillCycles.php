<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * Drain and fill, over and over: what to pour each time so that the last one ends at the strength wanted, and with little enough
 * of the old left. Each fill mixes wholly with what stayed in (run hot in between).
 */
final readonly class FillCycles
{
    /** Percent of the old that may stay where two families must not mix. */
    public const OLD_LIMIT = 5.0;
    private const MOST = 60;
    private const ROUNDING = 1e-9;

    /**
     * @param non-empty-list<Volume> $pours of the product, cycle by cycle
     * @param non-empty-list<Volume> $waters
     * @param non-empty-list<Share> $strengths after each cycle
     * @param non-empty-list<Share> $oldShares after each cycle, of the old filling
     */
    private function __construct(
        public array $pours, public array $waters, public array $strengths, public array $oldShares, public bool $reaches,
    ) {
    }

    /** Until the strength is there. */
    public static function toReach(Mix $mix): self
    {
        return self::until($mix, 1.01);
    }

    /** Until the strength is there and little of the old is left. */
    public static function toWashOut(Mix $mix): self
    {
        return self::until($mix, self::OLD_LIMIT / 100);
    }

    /** @param float $oldLimit share of the old that may stay */
    private static function until(Mix $mix, float $oldLimit): self
    {
        $all = [[], [], [], []];
        $strength = $mix->present;
        do {
            $fill = Mix::of($mix->capacity, $mix->drained, $strength, $mix->target, $mix->product);
            $strength = $fill->result();
            $share = self::oldFormula($mix, count($all[0]) + 1)->value;
            foreach ([$fill->pour(), $fill->water(), $strength, Share::ofOne($share)] as $i => $one) {
                $all[$i][] = $one;
            }
            $reaches = abs($strength->ofOne - $mix->target->ofOne) < self::ROUNDING;
        } while ((self::canReach($mix) && !$reaches || $share >= $oldLimit) && count($all[0]) < self::MOST);
        /** @var array{non-empty-list<Volume>, non-empty-list<Volume>, non-empty-list<Share>, non-empty-list<Share>} $all */
        [$pours, $waters, $strengths, $shares] = $all;

        return new self($pours, $waters, $strengths, $shares, $reaches && $share < $oldLimit);
    }

    /** What is left of the old filling after so many cycles, of one. */
    public static function oldFormula(Mix $mix, int $cycles): Formula
    {
        return Formula::of('r = (1 − D/V)^n', ['D' => $mix->drained->litres, 'V' => $mix->capacity->litres, 'n' => (float) $cycles]);
    }

    /** Filling with what is weaker than wanted never gets there, and with what is just as strong only from above. */
    private static function canReach(Mix $mix): bool
    {
        $over = $mix->product->ofOne - $mix->target->ofOne;

        return $mix->target->ofOne > 0.0
            && $over >= -self::ROUNDING
            && ($over > self::ROUNDING || $mix->present->ofOne >= $mix->target->ofOne);
    }

    public function count(): int
    {
        return count($this->pours);
    }

    public function strength(): Share
    {
        return $this->strengths[$this->count() - 1];
    }

    public function oldShare(): Share
    {
        return $this->oldShares[$this->count() - 1];
    }
}
