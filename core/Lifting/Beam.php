<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Mass;
use NimbleKnuckle\Core\Quantity\Stress;

/** A bar on two feet with a weight between them, in mm; its section as a rectangle or a rectangular tube where it is known. */
final readonly class Beam
{
    public function __construct(
        public float $span, public float $at, public ?Mass $rating, private ?float $width = null, private ?float $height = null,
        private ?float $wall = null,
    ) {
    }

    /** The largest bending stress, MPa; null where the section is not known. */
    public function bending(Force $load): ?Formula
    {
        if (null === $this->width || null === $this->height || $this->width <= 0.0 || $this->height <= 0.0) {
            return null;
        }
        [$w, $h] = [$this->width, $this->height];
        $wall = min($this->wall ?? \INF, $w / 2, $h / 2);
        $hollow = ($w - 2 * $wall) * ($h - 2 * $wall) ** 3;
        $modulus = ($w * $h ** 3 - $hollow) / (6 * $h);

        return Formula::of('σ = F a b / (l W)', [
            'F' => $load->newtons, 'a' => $this->at, 'b' => $this->span - $this->at, 'l' => $this->span, 'W' => $modulus,
        ]);
    }
}
