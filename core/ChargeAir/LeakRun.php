<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;

/**
 * The gauge of a charge path that was shut under pressure, read many times: does it stand, and if not, which hole lets so much out.
 * ∫ dp/ψ(p) of a hole grows evenly with time, so its slope is the hole. s and kPa over the air outside. Limits are working values.
 */
final readonly class LeakRun
{
    public const LEAST = 8;
    /** s it has to be watched. */
    public const LASTS = 15.0;
    /** kPa it may move and still stand. */
    private const STANDS = 1.0;
    /** Of where it began, lost within SUDDEN seconds: a hose let go. */
    private const GONE = 0.25;
    private const SUDDEN = 1.5;
    /** Of what the first third lost, that the last third still loses where only the air cooled. */
    private const COOLED = 0.25;
    private const ENDS = 0.12;
    private const NODES = 40;

    /**
     * @param float $from kPa at the first, the middle of what was read in the first eighth; “to” likewise in the last
     * @param float $seconds between first and last
     * @param ?Leak $leak null where it stands, rises, or is gone
     */
    private function __construct(
        public LeakFinding $finding, public float $from, public float $to, public float $seconds, public ?Leak $leak,
    ) {
    }

    /**
     * @param non-empty-list<array{float, float}> $samples by time
     * @param Pressure $air outside, absolute
     */
    public static function of(array $samples, Volume $volume, Temperature $temperature, Pressure $air): self
    {
        $last = $samples[count($samples) - 1];
        $seconds = $last[0] - $samples[0][0];
        [$from, $to] = [self::around($samples, 0.0, self::ENDS), self::around($samples, 1 - self::ENDS, 1.0)];
        if (self::isGone($samples, $from)) {
            return new self(LeakFinding::LetsGo, $from, $to, $seconds, null);
        }
        [$third, $twothirds] = [self::around($samples, 0.28, 0.38), self::around($samples, 0.62, 0.72)];
        [$early, $late] = [$from - $third, $twothirds - $to];
        $finding = match (true) {
            $to > $from + self::STANDS => LeakFinding::Rises,
            abs($from - $to) < self::STANDS => LeakFinding::Tight,
            $to > 0.6 * $from && $late < max(self::STANDS / 4, self::COOLED * $early) => LeakFinding::CoolsDown,
            default => LeakFinding::Leaks,
        };
        $hole = LeakFinding::Leaks !== $finding ? null : self::hole($samples, $from, $volume, $temperature, $air);

        return new self(null === $hole && LeakFinding::Leaks === $finding ? LeakFinding::LetsGo : $finding, $from, $to, $seconds, $hole);
    }

    /** s after the first reading at which “from” was read off. */
    public function begins(): float
    {
        return self::ENDS / 2 * $this->seconds;
    }

    /** s between the middles of what “from” and “to” were read off. */
    public function apart(): float
    {
        return (1 - self::ENDS) * $this->seconds;
    }

    /**
     * The middle of what was read in a part of the time, taken to the middle of that part.
     *
     * @param non-empty-list<array{float, float}> $samples
     */
    private static function around(array $samples, float $from, float $to): float
    {
        [$first, $last] = [$samples[0][0], $samples[count($samples) - 1][0]];
        $at = static fn (float $share): float => $first + $share * ($last - $first);
        $inside = array_column(array_filter(
            $samples, static fn (array $one): bool => $one[0] >= $at($from) - 1e-9 && $one[0] <= $at($to) + 1e-9,
        ), 1);
        $inside = [] === $inside ? [0.0 === $from ? $samples[0][1] : $samples[count($samples) - 1][1]] : $inside;

        return array_sum($inside) / count($inside);
    }

    /** @param non-empty-list<array{float, float}> $samples */
    private static function isGone(array $samples, float $from): bool
    {
        $n = count($samples);
        $low = 0;
        for ($i = 1; $i < $n; ++$i) {
            while ($samples[$i][0] - $samples[$low][0] > self::SUDDEN && $low < $i - 1) {
                ++$low;
            }
            if ($samples[$low][1] - $samples[$i][1] > self::GONE * $from && $samples[$i][0] - $samples[$low][0] <= 2 * self::SUDDEN) {
                return true;
            }
        }

        return false;
    }

    /** @param non-empty-list<array{float, float}> $samples */
    private static function hole(array $samples, float $from, Volume $volume, Temperature $temperature, Pressure $air): ?Leak
    {
        // Near its end the gauge says little of the hole.
        [$low, $high] = [0.15 * $from, 1.05 * $from];
        $used = array_filter($samples, static fn (array $one): bool => $one[1] > $low && $one[1] < $high);
        $grown = self::grown($low, $high, $volume, $temperature, $air);
        $points = array_map(static function (array $one) use ($samples, $grown, $low, $high): array {
            $place = (1 - ($one[1] - $low) / ($high - $low)) * self::NODES;
            $i = min(self::NODES - 1, (int) $place);

            return [$one[0] - $samples[0][0], $grown[$i] + ($place - $i) * ($grown[$i + 1] - $grown[$i])];
        }, array_values($used));
        $slope = self::slope($points);
        if ($slope <= 0.0) {
            return null;
        }
        $leak = Leak::of($volume, Pressure::kilopascals($from), Pressure::kilopascals($from / 2), 1.0, $temperature, $air);

        // So long would half of it take.
        return Leak::of($volume, Pressure::kilopascals($from), Pressure::kilopascals($from / 2), $leak->area / $slope, $temperature, $air);
    }

    /**
     * mm² times s a hole would need to let it down from the higher pressure to each of some in between, the highest first.
     *
     * @return list<float>
     */
    private static function grown(float $low, float $high, Volume $volume, Temperature $temperature, Pressure $air): array
    {
        $at = static fn (int $i): Pressure => Pressure::kilopascals($high - ($high - $low) * $i / self::NODES);
        $grown = [0.0];
        for ($i = 1; $i <= self::NODES; ++$i) {
            $grown[] = $grown[$i - 1] + Leak::of($volume, $at($i - 1), $at($i), 1.0, $temperature, $air)->area;
        }

        return $grown;
    }

    /** @param list<array{float, float}> $points */
    private static function slope(array $points): float
    {
        $n = count($points);
        if ($n < 4) {
            return 0.0;
        }
        [$x, $y] = [array_sum(array_column($points, 0)) / $n, array_sum(array_column($points, 1)) / $n];
        $above = $below = 0.0;
        foreach ($points as [$px, $py]) {
            $above += ($px - $x) * ($py - $y);
            $below += ($px - $x) ** 2;
        }

        return $below < 1e-12 ? 0.0 : $above / $below;
    }
}
