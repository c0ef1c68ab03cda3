<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Event;

/** What not everybody may do on a bench, each with the least that may. The law and the pages ask here, by these names. */
enum BenchRight: string
{
    case Record = 'bench-record';
    case WaiveDanger = 'bench-waive-danger';
    case StopFits = 'bench-stop';
    /** Over what others rely on: a reading outside its limits, a guard, a worn part put back, loose ends of a fit that is cancelled. */
    case Overrule = 'bench-overrule';
    case SignOff = 'bench-sign-off';

    public function least(): Authority
    {
        return match ($this) {
            self::Record => Authority::Helper,
            self::WaiveDanger, self::StopFits => Authority::Mechanic,
            self::Overrule, self::SignOff => Authority::Lead,
        };
    }
}
