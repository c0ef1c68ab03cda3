<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * What to pour back after a drain: pour = (V c* − (V − D) c0) / cp, water = D − pour. Shares are of glycol by volume.
 * Source: conservation of glycol; volumes are taken as additive.
 */
final readonly class Mix
{
    /** Past this much glycol more of it protects less. */
    public const TOO_STRONG = 0.6;
    private const ROUNDING = 1e-9;
    /** A smaller drain than this share washes nothing out. */
    private const HARDLY = 0.02;

    /** @param float $exact litres of the product, as the sum asks for them, were it less than nothing or more than fits */
    private function __construct(
        public Volume $capacity, public Volume $drained, public Share $present, public Share $target, public Share $product,
        public float $exact,
    ) {
    }

    /** @param Share $product more than nothing */
    public static function of(Volume $capacity, Volume $drained, Share $present, Share $target, Share $product): self
    {
        $left = $capacity->litres - $drained->litres;

        return new self(
            $capacity, $drained, $present, $target, $product,
            ($capacity->litres * $target->ofOne - $left * $present->ofOne) / $product->ofOne,
        );
    }

    public function isReachable(): bool
    {
        return $this->exact >= -self::ROUNDING && $this->exact <= $this->drained->litres + self::ROUNDING;
    }

    public function pour(): Volume
    {
        return Volume::litres(min(max($this->exact, 0.0), $this->drained->litres));
    }

    public function water(): Volume
    {
        return $this->drained->minus($this->pour());
    }

    /** The strength then. */
    public function result(): Share
    {
        $left = $this->capacity->minus($this->drained)->litres;

        return Share::ofOne(
            ($left * $this->present->ofOne + $this->pour()->litres * $this->product->ofOne) / $this->capacity->litres,
        );
    }

    /** Whether no amount of this product gets there. */
    public function isProductTooWeak(): bool
    {
        return $this->isToBeStronger()
            && ($this->target->ofOne > $this->product->ofOne + self::ROUNDING || $this->target->ofOne <= $this->present->ofOne);
    }

    public function isToBeStronger(): bool
    {
        return $this->result()->ofOne < $this->target->ofOne;
    }

    /** Strength of what the drain must be refilled with where it did not reach: the product, or water. */
    public function refill(): Share
    {
        return $this->isToBeStronger() ? $this->product : Share::ofOne(0.0);
    }

    /** How much must come out at once: D = V (c* − c0) / (cp − c0). */
    public function drainNeeded(): Volume
    {
        $refill = $this->refill()->ofOne - $this->present->ofOne;

        return $this->capacity->times(($this->target->ofOne - $this->present->ofOne) / $refill);
    }

    /** Whether only all of it coming out would do. */
    public function needsAll(): bool
    {
        $refill = $this->refill()->ofOne;
        $wanted = ($this->target->ofOne - $refill) / ($this->present->ofOne - $refill);

        return $this->drained->litres <= 0.0
            || $wanted <= self::ROUNDING && $this->drained->litres < $this->capacity->litres;
    }

    public function isHardlyDrained(): bool
    {
        return $this->drained->litres < self::HARDLY * $this->capacity->litres;
    }
}
