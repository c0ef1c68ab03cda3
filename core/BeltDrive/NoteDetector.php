<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * The note of a plucked belt in a recording. What sounds all the time, as a hum at mains frequency does, stands in the quiet part
 * too and is taken off the spectrum; of what is left the shortest shift at which it is like itself is the period. Hz.
 */
final readonly class NoteDetector
{
    public const LOWEST = 20.0;
    public const HIGHEST = 400.0;
    /** Of likeness at the period: under it nothing is said. */
    public const SURE = 0.65;
    /** A second that is enough for four periods of the lowest note, four times over. */
    private const RATE = 4000;
    private const WINDOW = 2048;
    private const PADDED = 4096;
    /** Seconds that the stroke of the finger itself lasts. */
    private const STROKE = 0.02;
    private const OVER = 2.0;
    private const ALIKE = 0.85;

    /** @param float $likeness 0 to 1: how much it is like itself one period later */
    private function __construct(public float $note, public float $likeness, public float $at)
    {
    }

    /** @throws NoSound */
    public static function to(Recording $recording): self
    {
        $samples = self::slowed($recording);
        count($samples) >= self::WINDOW || throw NoSound::empty();
        $onset = self::onset($samples);
        $from = min(count($samples) - self::WINDOW, $onset + (int) (self::STROKE * self::RATE));
        $sounding = self::windowed(array_slice($samples, $from, self::WINDOW));
        $powers = self::cleaned(Spectrum::of($sounding)->power(), self::quiet($samples, $onset, $from));
        [$period, $likeness] = self::period(Spectrum::selfLikeness($powers));

        return new self(self::RATE / $period, $likeness, $onset / self::RATE);
    }

    public function isSure(): bool
    {
        return $this->likeness >= self::SURE;
    }

    /**
     * To four thousand a second, each the mean of what it stands for, without what is constant.
     *
     * @return list<float>
     */
    private static function slowed(Recording $recording): array
    {
        $step = $recording->rate / self::RATE;
        $count = (int) floor(count($recording->samples) / $step);
        $slow = [];
        for ($i = 0; $i < $count; ++$i) {
            [$from, $to] = [(int) floor($i * $step), max((int) floor($i * $step) + 1, (int) floor(($i + 1) * $step))];
            $slow[] = array_sum(array_slice($recording->samples, $from, $to - $from)) / ($to - $from);
        }
        $mean = [] === $slow ? 0.0 : array_sum($slow) / count($slow);

        return array_map(static fn (float $one): float => $one - $mean, $slow);
    }

    /**
     * Where it is plucked: where the energy of the next twentieth of a second is most above that of the last.
     *
     * @param list<float> $samples
     */
    private static function onset(array $samples): int
    {
        $short = intdiv(self::RATE, 20);
        $energy = [0.0];
        foreach ($samples as $i => $sample) {
            $energy[] = $energy[$i] + $sample * $sample;
        }
        [$best, $most] = [0, -\INF];
        for ($i = 0, $end = count($samples) - $short; $i < $end; $i += 20) {
            $before = $energy[$i] - $energy[max(0, $i - $short)];
            $rise = $energy[$i + $short] - $energy[$i] - $before;
            [$best, $most] = $rise > $most ? [$i, $rise] : [$best, $most];
        }

        return $best;
    }

    /**
     * The spectrum of what sounds when nothing was plucked: before it, or long after it.
     *
     * @param list<float> $samples
     *
     * @return list<float> powers; empty where the recording has no quiet part
     */
    private static function quiet(array $samples, int $onset, int $from): array
    {
        $before = $onset - (int) (0.01 * self::RATE);
        $after = count($samples) - ($from + self::WINDOW);
        if ($before >= intdiv(self::WINDOW, 2)) {
            $part = array_slice($samples, max(0, $before - self::WINDOW), min(self::WINDOW, $before));
        } elseif ($after >= intdiv(self::WINDOW, 2)) {
            $part = array_slice($samples, -min(self::WINDOW, $after));
        } else {
            return [];
        }
        $share = self::WINDOW / count($part);

        return array_map(static fn (float $one): float => $share * $one, Spectrum::of(self::windowed($part))->power());
    }

    /**
     * @param list<float> $samples
     *
     * @return list<float> faded in and out (Hann), and padded
     */
    private static function windowed(array $samples): array
    {
        $count = count($samples);
        foreach ($samples as $i => $sample) {
            $samples[$i] = $sample * (0.5 - 0.5 * cos(2 * \M_PI * ($i + 0.5) / $count));
        }

        return array_pad(array_values($samples), self::PADDED, 0.0);
    }

    /**
     * @param list<float> $powers
     * @param list<float> $quiet
     *
     * @return list<float> what is left over the quiet, between half the lowest note and a few times the highest
     */
    private static function cleaned(array $powers, array $quiet): array
    {
        $each = self::RATE / self::PADDED;
        foreach ($powers as $i => $power) {
            $hz = min($i, self::PADDED - $i) * $each;
            // Of a hum the peak is as wide as the fading makes it: the quiet is taken with its neighbours.
            $still = [] === $quiet ? 0.0 : max(
                $quiet[$i], $quiet[max(0, $i - 1)], $quiet[min(self::PADDED - 1, $i + 1)], $quiet[max(0, $i - 2)],
                $quiet[min(self::PADDED - 1, $i + 2)],
            );
            $left = max(0.0, $power - self::OVER * $still);
            $powers[$i] = $hz >= self::LOWEST / 2 && $hz <= 3 * self::HIGHEST ? $left : 0.0;
        }

        return array_values($powers);
    }

    /**
     * @param list<float> $likeness by the shift
     *
     * @return array{float, float} period in samples, and the likeness there
     */
    private static function period(array $likeness): array
    {
        $whole = max(1e-30, $likeness[0]);
        [$least, $most] = [(int) floor(self::RATE / self::HIGHEST), (int) ceil(self::RATE / self::LOWEST)];
        $fade = self::fade();
        $at = static fn (int $i): float => $likeness[$i] / $whole / $fade[$i];
        $peaks = [];
        for ($i = $least; $i <= $most; ++$i) {
            if ($at($i) > $at($i - 1) && $at($i) >= $at($i + 1)) {
                $peaks[$i] = $at($i);
            }
        }
        $high = [] === $peaks ? 0.0 : max($peaks);
        foreach ($peaks as $i => $peak) {
            if ($peak >= self::ALIKE * $high) {
                [$a, $b, $c] = [$at($i - 1), $peak, $at($i + 1)];
                $bend = $a - 2 * $b + $c;

                return [$i + (0.0 === $bend ? 0.0 : 0.5 * ($a - $c) / $bend), max(0.0, min(1.0, $peak))];
            }
        }

        return [(float) $most, 0.0];
    }

    /** @return list<float> how far the fading alone makes something less like itself, by the shift */
    private static function fade(): array
    {
        $own = Spectrum::selfLikeness(Spectrum::of(self::windowed(array_fill(0, self::WINDOW, 1.0)))->power());

        return array_map(static fn (float $one): float => max(0.05, $one / $own[0]), $own);
    }
}
