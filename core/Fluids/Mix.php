<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
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
        return new self(
            $capacity, $drained, $present, $target, $product, self::glycol($capacity, $drained, $present, $target, $product)->value,
        );
    }

    /** L of the product. */
    public function pourFormula(): Formula
    {
        return self::glycol($this->capacity, $this->drained, $this->present, $this->target, $this->product);
    }

    private static function glycol(Volume $capacity, Volume $drained, Share $present, Share $target, Share $product): Formula
    {
        return Formula::of('pour = (V c* − (V − D) c0) / cp', [
            'V' => $capacity->litres, 'D' => $drained->litres, 'c*' => $target->percent(), 'c0' => $present->percent(),
            'cp' => $product->percent(),
        ]);
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
        return Volume::litres($this->waterFormula()->value);
    }

    /** L. */
    public function waterFormula(): Formula
    {
        return Formula::of('water = D − pour', ['D' => $this->drained->litres, 'pour' => $this->pour()->litres]);
    }

    /** The strength then. */
    public function result(): Share
    {
        return Share::ofHundred($this->resultFormula()->value);
    }

    /** Percent. */
    public function resultFormula(): Formula
    {
        return Formula::of('c = ((V − D) c0 + pour cp) / V', [
            'V' => $this->capacity->litres, 'D' => $this->drained->litres, 'c0' => $this->present->percent(),
            'pour' => $this->pour()->litres, 'cp' => $this->product->percent(),
        ]);
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

    /** How much must come out at once. */
    public function drainNeeded(): Volume
    {
        return Volume::litres($this->drainFormula()->value);
    }

    /** L; refilled with what the drain must be refilled with. */
    public function drainFormula(): Formula
    {
        return Formula::of('D = V (c* − c0) / (cp − c0)', [
            'V' => $this->capacity->litres, 'c*' => $this->target->percent(), 'c0' => $this->present->percent(),
            'cp' => $this->refill()->percent(),
        ]);
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
