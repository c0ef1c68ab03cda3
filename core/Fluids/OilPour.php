<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * How much oil is missing, what goes in first and what then by the dipstick. The capacity is the maker's, with filter; a
 * filter that stays keeps its own volume. Of the two ways to know what is missing (capacity, or drained plus what the new
 * filter and housing take) the smaller is poured towards: oil goes in easier than out.
 */
final readonly class OilPour
{
    /** Less than this is nothing, L. */
    public const NOTHING = 1e-9;
    /** Of what is missing. */
    private const FIRST = 0.9;
    /** Out of an engine comes no more than it takes, but for what the can reads wrong. */
    private const MORE_THAN_ALL = 1.03;

    /**
     * @param Volume $filterTakes what a new filter takes; nothing where the old one stays
     * @param Formula $whole L missing by the capacity
     * @param ?Formula $out L missing by the can; null where nothing was measured
     */
    private function __construct(
        public ?Volume $drained, public Volume $filterTakes, public Formula $whole, public ?Formula $out,
    ) {
    }

    public static function of(Volume $capacity, Volume $filter, bool $isFilterNew, Volume $housing, ?Volume $drained): self
    {
        $takes = $isFilterNew ? $filter : Volume::litres(0.0);
        $whole = ['capacity' => $capacity->litres, 'filter' => $filter->litres, 'housing' => $housing->litres];

        return new self(
            $drained, $takes, Formula::of($isFilterNew ? 'capacity + housing' : 'capacity − filter + housing', $whole),
            null === $drained ? null : Formula::of('drained + new filter + housing', [
                'drained' => $drained->litres, 'new filter' => $takes->litres, 'housing' => $housing->litres,
            ]),
        );
    }

    public function missing(): Volume
    {
        return Volume::litres(min($this->whole->value, $this->out->value ?? $this->whole->value));
    }

    public function first(): Volume
    {
        return Volume::litres($this->firstFormula()->value);
    }

    /** L. */
    public function firstFormula(): Formula
    {
        return Formula::of('share × missing', ['share' => Term::fixed(self::FIRST), 'missing' => $this->missing()->litres]);
    }

    public function then(): Volume
    {
        return Volume::litres($this->thenFormula()->value);
    }

    /** L. */
    public function thenFormula(): Formula
    {
        return Formula::of('missing − first', ['missing' => $this->missing()->litres, 'first' => $this->first()->litres]);
    }

    /** Whether more came out than it takes. */
    public function isMoreOut(): bool
    {
        return null !== $this->drained
            && $this->drained->plus($this->filterTakes)->litres > self::MORE_THAN_ALL * $this->whole->value;
    }
}
