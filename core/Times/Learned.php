<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Times;

/**
 * How long something takes here: the plan as four jobs' worth of belief, and what was measured, both lognormal. Normal and inverse
 * gamma belief, updated with each job; the band holds four in five. Before the first job it is the plan, as it was made. In minutes.
 * Source: Gelman and others, Bayesian Data Analysis, 3.3.
 */
final readonly class Learned
{
    private const WEIGHT = 4.0;
    /** Between the 10th and the 90th of a hundred, in deviations: 2 · 1.2816. */
    private const BAND = 2.563;
    private const TENTH = 1.2816;

    /** @param float $off what it takes here over what was planned; 1 as planned */
    private function __construct(public float $likely, public float $low, public float $high, public float $off, public int $from)
    {
    }

    /**
     * @param array{float, float, float} $planned low, likely, high; all over nothing
     * @param list<float> $done
     */
    public static function of(array $planned, array $done): self
    {
        return self::by($planned, Tally::of(array_map(static fn (float $one): float => log($one / $planned[1]), $done)));
    }

    /**
     * @param array{float, float, float} $planned low, likely, high; all over nothing
     * @param Tally $tally how much more than planned it took, each time
     */
    public static function by(array $planned, Tally $tally): self
    {
        [$low, $likely, $high] = $planned;
        $n = $tally->n;
        if (0 === $n) {
            return new self($likely, $low, $high, 1.0, 0);
        }
        [$mean, $spread] = [log($likely), log($high / $low) / self::BAND];
        $here = $mean + $tally->mean();
        $squares = $tally->aroundMean();
        $new = (self::WEIGHT * $mean + $n * $here) / (self::WEIGHT + $n);
        $variance = (self::WEIGHT * $spread ** 2 + $squares + self::WEIGHT * $n / (self::WEIGHT + $n) * ($here - $mean) ** 2)
            / (self::WEIGHT + $n);
        $half = self::TENTH * sqrt($variance);

        return new self(exp($new), exp($new - $half), exp($new + $half), exp($new) / $likely, $n);
    }
}
