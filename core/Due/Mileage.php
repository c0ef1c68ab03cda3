<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Due;

/**
 * What the clock of a vehicle showed and when, and from there what it shows at another time: on the straight line between two
 * readings; after the last of them as fast as in the year before it. km.
 */
final readonly class Mileage
{
    private const YEAR = 365.0;
    /** Days two readings are apart, at the least, to say how fast it runs. */
    private const APART = 7.0;
    private const DAY = 86400.0;
    /** km a vehicle may have run since it was last read: so many a day, and so many more. A slip of a digit is beyond it. */
    private const A_DAY = 2500.0;
    private const MORE = 1000.0;

    /**
     * @param list<array{\DateTimeImmutable, float}> $readings in their order, never going back
     * @param list<array{\DateTimeImmutable, float}> $odd those that cannot be true beside the others
     * @param ?float $rate km a day; null where that is not known
     * @param ?array{\DateTimeImmutable, float} $held the last, where it can hardly have run so far: it counts once another agrees
     */
    private function __construct(public array $readings, public array $odd, public ?float $rate, public ?array $held)
    {
    }

    /** @param list<array{\DateTimeImmutable, float}> $readings in any order; what most of the others contradict is left aside */
    public static function of(array $readings): self
    {
        usort($readings, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        [$true, $odd] = self::parted($readings);

        $held = self::isTooFar($true) ? array_pop($true) : null;

        return new self($true, $odd, self::rateOf($true), $held);
    }

    public function last(): ?float
    {
        return $this->readings[count($this->readings) - 1][1] ?? null;
    }

    public function lastAt(): ?\DateTimeImmutable
    {
        return $this->readings[count($this->readings) - 1][0] ?? null;
    }

    /** km it shows then; null where there is no reading at all. */
    public function at(\DateTimeImmutable $then): ?float
    {
        $before = null;
        foreach ($this->readings as [$at, $km]) {
            if ($at > $then) {
                return null === $before ? $km - ($this->rate ?? 0.0) * self::days($then, $at) : $before[1]
                    + ($km - $before[1]) * self::days($before[0], $then) / max(1e-9, self::days($before[0], $at));
            }
            $before = [$at, $km];
        }

        return null === $before ? null : $before[1] + ($this->rate ?? 0.0) * self::days($before[0], $then);
    }

    /** When it shows so many km; null where that is not known. It has been read where that day is not after the last reading. */
    public function when(float $km): ?\DateTimeImmutable
    {
        $before = null;
        foreach ($this->readings as [$at, $shown]) {
            if ($shown >= $km) {
                return null === $before ? $at : self::after($before[0],
                    self::days($before[0], $at) * ($km - $before[1]) / max(1e-9, $shown - $before[1]));
            }
            $before = [$at, $shown];
        }

        return null === $before || null === $this->rate || $this->rate <= 0.0 ? null
            : self::after($before[0], ($km - $before[1]) / $this->rate);
    }

    /** @param list<array{\DateTimeImmutable, float}> $readings in the order of time */
    private static function isTooFar(array $readings): bool
    {
        [$before, $last] = [$readings[count($readings) - 2] ?? null, $readings[count($readings) - 1] ?? null];

        return null !== $before && null !== $last && $last[1] - $before[1] > self::MORE + self::A_DAY * self::days($before[0], $last[0]);
    }

    /** @param list<array{\DateTimeImmutable, float}> $readings in the order of time */
    private static function rateOf(array $readings): ?float
    {
        $last = $readings[count($readings) - 1] ?? null;
        if (null === $last) {
            return null;
        }
        $first = null;
        foreach ($readings as $one) {
            $days = self::days($one[0], $last[0]);
            // The oldest of the last year; where there is none in it, the newest before.
            if ($days >= self::APART && (null === $first || self::days($first[0], $last[0]) > self::YEAR)) {
                $first = $one;
            }
        }

        return null === $first ? null : ($last[1] - $first[1]) / self::days($first[0], $last[0]);
    }

    /**
     * The longest row of readings that never goes back; of two as long, the one that ends lower.
     *
     * @param list<array{\DateTimeImmutable, float}> $readings in the order of time
     *
     * @return array{list<array{\DateTimeImmutable, float}>, list<array{\DateTimeImmutable, float}>}
     */
    private static function parted(array $readings): array
    {
        $length = $from = [];
        foreach ($readings as $i => $one) {
            [$length[$i], $from[$i]] = [1, null];
            for ($j = 0; $j < $i; ++$j) {
                if ($readings[$j][1] <= $one[1] && $length[$j] + 1 > $length[$i]) {
                    [$length[$i], $from[$i]] = [$length[$j] + 1, $j];
                }
            }
        }
        $end = null;
        foreach ($length as $i => $many) {
            $end = null === $end || $many > $length[$end] || $many === $length[$end] && $readings[$i][1] < $readings[$end][1] ? $i : $end;
        }
        $kept = [];
        for (; null !== $end; $end = $from[$end]) {
            $kept[$end] = $readings[$end];
        }
        ksort($kept);

        return [array_values($kept), array_values(array_diff_key($readings, $kept))];
    }

    private static function days(\DateTimeImmutable $from, \DateTimeImmutable $to): float
    {
        return ($to->getTimestamp() - $from->getTimestamp()) / self::DAY;
    }

    private static function after(\DateTimeImmutable $at, float $days): \DateTimeImmutable
    {
        // Farther than anybody plans, a day is only far away.
        return $at->modify(sprintf('+%d seconds', (int) round(self::DAY * min(36_500.0, $days))));
    }
}
