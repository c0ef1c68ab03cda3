<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

use NimbleKnuckle\Core\Document\Node;

/** What the engine breathes at its most: litres, rpm, filling in percent, °C of the charge. 0 where nobody said. */
final readonly class Breath
{
    private function __construct(public float $litres, public float $rpm, public float $efficiency, public float $temperature)
    {
    }

    public static function read(Node $node): self
    {
        $number = static function (string $key, float $low, float $high, float $else) use ($node): float {
            $value = $node->float($key, $else);

            return $value >= $low && $value <= $high || $value === $else ? $value : throw $node->refuse(
                $key, sprintf('from %s to %s.', $low, $high),
            );
        };

        return new self(
            $number('litres', 0.05, 30.0, 0.0), $number('rpm', 300.0, 20_000.0, 0.0), $number('efficiency', 20.0, 130.0, 90.0),
            $number('temperature', -30.0, 200.0, 45.0),
        );
    }

    public function isKnown(): bool
    {
        return $this->litres > 0.0 && $this->rpm > 0.0;
    }
}
