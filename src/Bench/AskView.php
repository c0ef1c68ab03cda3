<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Bench\Reading;
use NimbleKnuckle\Core\Plan\Procedure\Ask;

/** A measurement on the bench with its scale: the window it should fall into, and where the reading stands, in percent of the scale. */
final readonly class AskView
{
    private function __construct(public Ask $ask, public ?Reading $reading, public bool $outside, public float $from, public float $to, public ?float $at)
    {
    }

    public static function of(Ask $ask, ?Reading $reading): self
    {
        $span = max(1e-6, $ask->high - $ask->low);
        [$start, $end] = [$ask->low - 0.35 * $span, $ask->high + 0.35 * $span];
        $share = static fn (float $value): float => max(0.0, min(100.0, 100 * ($value - $start) / ($end - $start)));

        return new self($ask, $reading, null !== $reading && $ask->isOutside($reading->value), $share($ask->low), $share($ask->high), null === $reading ? null : $share($reading->value));
    }
}
