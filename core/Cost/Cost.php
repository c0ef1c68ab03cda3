<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Cost;

use NimbleKnuckle\Core\Sheet\Timing;

/**
 * What a fit costs: a range before, from the planned time and the parts, and a figure after, from the time at the bench and what was
 * used. In the workshop's own money; hours are those of hands, so two people at once count twice.
 */
final readonly class Cost
{
    /**
     * @param float $rate for an hour
     * @param array{float, float, float} $plannedHours low, likely, high
     * @param array<string, float> $hours person => hours at the bench
     * @param list<PartUsed> $parts
     */
    private function __construct(public float $rate, public array $plannedHours, public array $hours, public array $parts)
    {
    }

    /**
     * @param ?float $rate for an hour; null where the workshop has not said
     * @param array<string, float> $minutes person => minutes at the bench
     * @param list<PartUsed> $parts
     */
    public static function of(Timing $timing, ?float $rate, array $minutes, array $parts): self
    {
        $work = self::handMinutes($timing);
        $scale = $timing->likely > 0.0 ? $work / $timing->likely : 1.0;

        return new self(
            $rate ?? 0.0, [$timing->low * $scale / 60, $work / 60, $timing->high * $scale / 60],
            array_map(static fn (float $spent): float => $spent / 60, $minutes), $parts,
        );
    }

    /** Minutes of hands in the likely plan: what runs by itself costs nobody's time, what two do at once costs two. */
    private static function handMinutes(Timing $timing): float
    {
        $work = 0.0;
        foreach ($timing->spans as [$start, $end, $hands]) {
            $work += 0 === $hands ? 0.0 : $end - $start;
        }

        return $timing->people > 1 && $work > 0.0 ? $work : $timing->likely;
    }

    /** @return array{float, float} the low and the high of what it is likely to cost */
    public function before(): array
    {
        $parts = array_sum(array_map(static fn (PartUsed $part): float => $part->plannedCost(), $this->parts));

        return [$this->plannedHours[0] * $this->rate + $parts, $this->plannedHours[2] * $this->rate + $parts];
    }

    public function after(): float
    {
        return $this->labour() + array_sum(array_map(static fn (PartUsed $part): float => $part->usedCost(), $this->parts));
    }

    public function labour(): float
    {
        return array_sum($this->hours) * $this->rate;
    }

    /** How many parts nobody has given a price: the sums are short of them. */
    public function unpriced(): int
    {
        return count(array_filter($this->parts, static fn (PartUsed $part): bool => null === $part->each && 0.0 !== $part->used));
    }
}
