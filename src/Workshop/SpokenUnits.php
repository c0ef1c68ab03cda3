<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Workshop;

use NimbleKnuckle\Core\Quantity\UnitSystem;

/** The units that stand beside the metric ones. */
enum SpokenUnits: string
{
    case AsWritten = 'as-written';
    case Metric = 'metric';
    case Us = 'us';
    case Imperial = 'imperial';

    public function label(): string
    {
        return match ($this) {
            self::AsWritten => 'as written on each vehicle sheet',
            self::Metric => 'metric only',
            self::Us => 'US beside metric',
            self::Imperial => 'imperial beside metric',
        };
    }

    /** What is spoken, where a sheet was written in the given ones. */
    public function over(UnitSystem $written): UnitSystem
    {
        return UnitSystem::tryFrom($this->value) ?? $written;
    }
}
