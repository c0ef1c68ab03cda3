<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

/** A disc spring of steel: force over deflection after Almen and László (EN 16984). mm and N; E 206 GPa, ν 0.3. */
final readonly class DiscSpring
{
    private const ELASTIC = 206_000.0;
    private const POISSON = 0.3;

    /** Cone height. */
    public float $h0;
    private float $stiff;

    public function __construct(public float $outer, public float $inner, public float $t, public float $l0)
    {
        $this->h0 = $l0 - $t;
        $d = $outer / $inner;
        $k1 = 1 / \M_PI * (($d - 1) / $d) ** 2 / (($d + 1) / ($d - 1) - 2 / log($d));
        $this->stiff = 4 * self::ELASTIC / (1 - self::POISSON ** 2) * $t ** 4 / ($k1 * $outer ** 2);
    }

    /** N of one disc. @param float $s mm it is pressed down */
    public function force(float $s): float
    {
        [$x, $h] = [$s / $this->t, $this->h0 / $this->t];

        return $this->stiff * $x * (($h - $x) * ($h - $x / 2) + 1);
    }

    /** How far it goes down before its force falls: its cone height, or less where it snaps through. */
    public function most(): float
    {
        $h = $this->h0 / $this->t;
        if ($h <= \M_SQRT2) {
            return $this->h0;
        }

        // dF/dx = h² + 1 − 3hx + 1.5x² is nothing.
        return $this->t * (3 * $h - sqrt(9 * $h ** 2 - 6 * ($h ** 2 + 1))) / 3;
    }

    /** How far a force presses it down, on the branch from nothing; at most as far as that goes, then it is rigid. */
    public function pressed(float $force): float
    {
        [$low, $high] = [0.0, $this->most()];
        if ($force >= $this->force($high)) {
            return $high;
        }
        $h = $this->h0 / $this->t;
        $s = min($high, $force * $this->t / ($this->stiff * ($h ** 2 + 1)));
        // Newton’s steps, kept between what is known to be too little and too much.
        for ($i = 0; $i < 60; ++$i) {
            $over = $this->force($s) - $force;
            if (abs($over) <= 1e-12 * $force) {
                break;
            }
            [$low, $high] = $over < 0.0 ? [$s, $high] : [$low, $s];
            $x = $s / $this->t;
            $slope = $this->stiff / $this->t * ($h ** 2 + 1 - 3 * $h * $x + 1.5 * $x ** 2);
            $next = $slope > 0.0 ? $s - $over / $slope : $low;
            $s = $next > $low && $next < $high ? $next : ($low + $high) / 2;
        }

        return $s;
    }
}
