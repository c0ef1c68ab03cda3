<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

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
     * @param Volume $whole missing by the capacity
     * @param ?Volume $out missing by the can; null where nothing was measured
     */
    private function __construct(
        public ?Volume $drained, public Volume $filterTakes, public Volume $whole, public ?Volume $out,
    ) {
    }

    public static function of(Volume $capacity, Volume $filter, bool $isFilterNew, Volume $housing, ?Volume $drained): self
    {
        $none = Volume::litres(0.0);
        $takes = $isFilterNew ? $filter : $none;
        $whole = $capacity->minus($isFilterNew ? $none : $filter)->plus($housing);

        return new self($drained, $takes, $whole, $drained?->plus($takes)->plus($housing));
    }

    public function missing(): Volume
    {
        return null === $this->out ? $this->whole : $this->whole->orLess($this->out);
    }

    public function first(): Volume
    {
        return $this->missing()->times(self::FIRST);
    }

    public function then(): Volume
    {
        return $this->missing()->times(1 - self::FIRST);
    }

    /** Whether more came out than it takes. */
    public function isMoreOut(): bool
    {
        return null !== $this->drained
            && $this->drained->plus($this->filterTakes)->litres > self::MORE_THAN_ALL * $this->whole->litres;
    }
}
