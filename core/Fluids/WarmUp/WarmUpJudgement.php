<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Temperature;

/**
 * What a warm-up curve says of the cooling circuit. Before the thermostat opens, the slope falls along a straight line with the
 * temperature (one lump of heat losing to the air); the knee is where it falls under half of that line near the rating.
 * Times in s, slopes in K/s.
 */
final readonly class WarmUpJudgement
{
    /** From here up a knee is looked for, and below it a curve that levels off is a thermostat that does not shut. */
    private const NEAR = 8.0;
    private const SHORT_OF = 5.0;
    private const SLOW_SECONDS = 1200.0;
    private const SLOW_SHORT = 15.0;
    private const FULL_AFTER = 12.0;
    private const PAST_FULL = 3.0;
    private const HOT = 108.0;
    private const HOT_AFTER = 20.0;
    /** A shorter curve says nothing of a thermostat that does not shut. */
    private const LEAST_SECONDS = 180.0;

    /** @var non-empty-list<Sign> the finding first */
    public array $signs;
    public float $rate;
    /** @var array{float, float}|null [a, b] of slope = a − b T */
    public ?array $trend;
    /** @var ?int the place of the sample at which it opened */
    public ?int $knee;
    public Jolts $jolts;

    private function __construct(public Curve $curve, public Temperature $opens, public Temperature $full)
    {
        $half = max(20.0, 2.5 * $curve->spacing);
        [$from, $to] = $this->warming();
        $whole = $curve->duration() > 0 ? ($curve->last() - $curve->start()) / $curve->duration() : 0.0;
        $this->rate = $curve->slopeBetween($from, $to) ?? $whole;
        $this->trend = $curve->trend($from, $to, $half);
        $this->knee = null === $this->trend ? null : $this->opening($this->trend, $half);
        $this->jolts = Jolts::of($curve, $opens->celsius, $this->rate);
        $this->signs = $this->judged();
    }

    /** @param ?Temperature $full where it stands fully open; 12 K over where it opens, if nobody knows */
    public static function of(Curve $curve, Temperature $opens, ?Temperature $full = null): self
    {
        return new self($curve, $opens, $full ?? Temperature::celsius($opens->celsius + self::FULL_AFTER));
    }

    /** Where the engine must be stopped, for a thermostat that opens there. */
    public static function limit(Temperature $opens): Temperature
    {
        return Temperature::celsius(self::limitFormula($opens)->value);
    }

    /** °C. */
    public static function limitFormula(Temperature $opens): Formula
    {
        return Formula::of('max(hot, opens + later)', [
            'hot' => Term::fixed(self::HOT), 'opens' => $opens->celsius, 'later' => Term::fixed(self::HOT_AFTER),
        ]);
    }

    public function sign(): Sign
    {
        return $this->signs[0];
    }

    public function isTooHot(): bool
    {
        return in_array(Sign::TooHot, $this->signs, true);
    }

    /** Null while it has not been seen to open. */
    public function openedAt(): ?Temperature
    {
        return null === $this->knee ? null : Temperature::celsius($this->curve->temperatures[$this->knee]);
    }

    /** Seconds from the first sample. */
    public function openedAfter(): float
    {
        return $this->curve->times[$this->knee ?? 0] - $this->curve->times[0];
    }

    /** What it holds once it is open, or runs at where it never shuts; null while neither is seen. */
    public function plateau(): ?Temperature
    {
        $count = $this->curve->count();

        return match (true) {
            null !== $this->knee => Temperature::celsius($this->curve->median($this->knee + (int) floor(0.3 * ($count - $this->knee)))),
            'stuck-open' === $this->sign()->finding() => Temperature::celsius($this->curve->median((int) floor(0.85 * $count))),
            default => null,
        };
    }

    /** Where a curve that levels off does so, by its end or by its trend. */
    public function levelsAt(): Temperature
    {
        return Temperature::celsius($this->isFlat() ? $this->curve->median($this->tail()) : $this->trendLevel());
    }

    /** @return non-empty-list<Sign> */
    private function judged(): array
    {
        $isHot = $this->curve->highest() >= self::limit($this->opens)->celsius;
        $cause = $this->jolts->sign() ?? $this->closed();

        return match (true) {
            null !== $cause => $isHot ? [$cause, Sign::TooHot] : [$cause],
            $isHot => [Sign::TooHot],
            null !== $this->knee => [Sign::Opened],
            default => [$this->open() ?? Sign::NotSeenToOpen],
        };
    }

    /** @return array{int, int} the stretch in which it plainly warms: past the first quarter of the way, up to near the rating */
    private function warming(): array
    {
        $start = $this->curve->start();
        $from = $this->curve->firstAt($start + 0.25 * ($this->opens->celsius - $start)) ?? 0;
        $to = $this->curve->firstAt($this->opens->celsius - self::NEAR) ?? $this->curve->count() - 1;

        return $from < $to ? [$from, $to] : [0, max($to, min(2, $this->curve->count() - 1))];
    }

    /** @param array{float, float} $trend */
    private function opening(array $trend, float $half): ?int
    {
        $curve = $this->curve;
        $near = $curve->firstAt($this->opens->celsius - self::NEAR);
        if (null === $near || $curve->start() > $this->opens->celsius - 2 * self::NEAR) {
            return null;
        }
        for ($i = $near; $i < $curve->count() - 1; ++$i) {
            $expected = $trend[0] - $trend[1] * $curve->temperatures[$i];
            if ($expected < 0.005 || $curve->temperatures[$i] > $this->full->celsius + self::PAST_FULL) {
                return null;
            }
            $slope = $curve->slopeAround($i, $half);
            if (null !== $slope && $slope < 0.5 * $expected && $curve->times[$curve->count() - 1] - $curve->times[$i] > $half / 2) {
                return $i;
            }
        }

        return null;
    }

    private function closed(): ?Sign
    {
        $goesOn = null === $this->knee
            && $this->curve->highest() > $this->full->celsius + self::PAST_FULL
            && $this->curve->start() < $this->full->celsius - 2 * self::NEAR;

        return $goesOn ? Sign::GoesOn : null;
    }

    private function open(): ?Sign
    {
        $curve = $this->curve;
        $isShort = $curve->highest() >= $this->opens->celsius - self::SHORT_OF || $curve->duration() < self::LEAST_SECONDS;
        if (null === $this->trend || $isShort) {
            return null;
        }
        $isSlow = $curve->duration() >= self::SLOW_SECONDS && $curve->highest() < $this->opens->celsius - self::SLOW_SHORT;

        return $this->isFlat() || $this->isSettling() ? Sign::LevelsOff : ($isSlow ? Sign::SlowToWarm : null);
    }

    private function isSettling(): bool
    {
        $start = $this->curve->start();
        $levels = $this->trendLevel();

        return $levels < $this->opens->celsius - self::SHORT_OF && $this->curve->last() > $start + 0.7 * ($levels - $start);
    }

    /** °C at which the slope would come to nothing. */
    private function trendLevel(): float
    {
        return null !== $this->trend && $this->trend[1] > 1e-9 ? $this->trend[0] / $this->trend[1] : \INF;
    }

    private function isFlat(): bool
    {
        $end = $this->curve->slopeBetween($this->tail(), $this->curve->count() - 1);
        $whole = ($this->curve->highest() - $this->curve->start()) / max(1e-9, $this->curve->duration());

        return null !== $end && $end < 0.15 * max($this->rate, $whole);
    }

    /** The place from which the last two minutes count. */
    private function tail(): int
    {
        $last = $this->curve->count() - 1;
        $tail = $last;
        while ($tail > 0 && $this->curve->times[$last] - $this->curve->times[$tail] < max(120.0, 4 * $this->curve->spacing)) {
            --$tail;
        }

        return $tail;
    }
}
