<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** The discrete Fourier transform of real samples, radix two, and back (Cooley and Tukey). */
final readonly class Spectrum
{
    /**
     * @param list<float> $real
     * @param list<float> $imaginary
     */
    private function __construct(private array $real, private array $imaginary)
    {
    }

    /** @param list<float> $samples as many as a power of two */
    public static function of(array $samples): self
    {
        return self::transformed($samples, array_fill(0, count($samples), 0.0));
    }

    /** @return list<float> power at each frequency, from 0 */
    public function power(): array
    {
        return array_map(static fn (float $re, float $im): float => $re * $re + $im * $im, $this->real, $this->imaginary);
    }

    /**
     * What samples with these powers have in common with themselves, shifted: the transform of the powers.
     *
     * @param list<float> $powers
     *
     * @return list<float> by the shift
     */
    public static function selfLikeness(array $powers): array
    {
        return self::of($powers)->real;
    }

    /**
     * @param list<float> $re
     * @param list<float> $im
     */
    private static function transformed(array $re, array $im): self
    {
        $count = count($re);
        for ($i = 1, $j = 0; $i < $count; ++$i) {
            for ($bit = $count >> 1; $j & $bit; $bit >>= 1) {
                $j ^= $bit;
            }
            $j ^= $bit;
            if ($i < $j) {
                [$re[$i], $re[$j], $im[$i], $im[$j]] = [$re[$j], $re[$i], $im[$j], $im[$i]];
            }
        }
        for ($size = 2; $size <= $count; $size <<= 1) {
            $half = $size >> 1;
            $angle = -2 * \M_PI / $size;
            for ($k = 0; $k < $half; ++$k) {
                [$c, $s] = [cos($angle * $k), sin($angle * $k)];
                for ($i = $k; $i < $count; $i += $size) {
                    $j = $i + $half;
                    $x = $re[$j] * $c - $im[$j] * $s;
                    $y = $re[$j] * $s + $im[$j] * $c;
                    [$re[$j], $im[$j]] = [$re[$i] - $x, $im[$i] - $y];
                    [$re[$i], $im[$i]] = [$re[$i] + $x, $im[$i] + $y];
                }
            }
        }

        return new self(array_values($re), array_values($im));
    }
}
