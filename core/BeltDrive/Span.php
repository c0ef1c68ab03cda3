<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** A straight piece of the pitch line between two pulleys, by their places in belt order; mm, and its way in radians. */
final readonly class Span
{
    /**
     * @param array{float, float} $start
     * @param array{float, float} $end
     */
    public function __construct(
        public int $from, public int $to, public array $start, public array $end, public float $length, public float $way,
    ) {
    }

    /** How near its line comes to a point, in mm. */
    public function distanceTo(float $x, float $y): float
    {
        [$dx, $dy] = [$this->end[0] - $this->start[0], $this->end[1] - $this->start[1]];
        $square = $dx * $dx + $dy * $dy;
        $t = $square > 0.0 ? max(0.0, min(1.0, (($x - $this->start[0]) * $dx + ($y - $this->start[1]) * $dy) / $square)) : 0.0;

        return hypot($x - $this->start[0] - $t * $dx, $y - $this->start[1] - $t * $dy);
    }

    public function crosses(self $other): bool
    {
        [$a, $b] = [$this->sideOf($other->start), $this->sideOf($other->end)];
        [$c, $d] = [$other->sideOf($this->start), $other->sideOf($this->end)];

        return $a * $b < 0.0 && $c * $d < 0.0;
    }

    /** @param array{float, float} $point */
    private function sideOf(array $point): float
    {
        return ($this->end[0] - $this->start[0]) * ($point[1] - $this->start[1])
            - ($this->end[1] - $this->start[1]) * ($point[0] - $this->start[0]);
    }
}
