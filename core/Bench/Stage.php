<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

/** How far a fastener is: 0 off, 1 started by hand, 2 snug, 3 after the first pass, and so on; the last pass is final. */
final readonly class Stage
{
    public const OFF = 0;
    public const STARTED = 1;
    public const SNUG = 2;

    public static function final(int $passes): int
    {
        return self::SNUG + $passes;
    }

    public static function label(int $stage, int $passes): string
    {
        return match (true) {
            $stage <= self::OFF => 'off',
            self::STARTED === $stage => 'started',
            self::SNUG === $stage => 'snug',
            $stage >= self::final($passes) => 'final',
            default => 'pass '.($stage - self::SNUG),
        };
    }
}
