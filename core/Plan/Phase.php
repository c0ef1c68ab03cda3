<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan;

/** The seven phases every fit goes through, in this order. */
enum Phase: string
{
    case Decide = 'decide';
    case MakeSafe = 'make-safe';
    case Strip = 'strip';
    case Measure = 'measure';
    case Fit = 'fit';
    case Rebuild = 'rebuild';
    case Prove = 'prove';

    public function label(): string
    {
        return match ($this) {
            self::Decide => 'Decide',
            self::MakeSafe => 'Make safe',
            self::Strip => 'Strip',
            self::Measure => 'Measure',
            self::Fit => 'Fit',
            self::Rebuild => 'Rebuild, fill',
            self::Prove => 'Prove',
        };
    }

    public function number(): int
    {
        return match ($this) {
            self::Decide => 1,
            self::MakeSafe => 2,
            self::Strip => 3,
            self::Measure => 4,
            self::Fit => 5,
            self::Rebuild => 6,
            self::Prove => 7,
        };
    }
}
