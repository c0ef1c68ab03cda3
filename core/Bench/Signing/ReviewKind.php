<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Signing;

/** What a lead is shown before signing, gravest first. */
enum ReviewKind: string
{
    case Overruled = 'overruled';
    case Against = 'against';
    case Skipped = 'skipped';
    case Waived = 'waived';
    case Mishap = 'mishap';
    case Reused = 'reused';
    case Reading = 'reading';
    case Hold = 'hold';
    case Passes = 'passes';
    case Pieces = 'pieces';
    case Clock = 'clock';
    case Order = 'order';

    public function label(): string
    {
        return match ($this) {
            self::Overruled => 'Closed over something',
            self::Against => 'Done off line, out of order',
            self::Skipped => 'Skipped',
            self::Waived => 'Waived',
            self::Mishap => 'Mishaps',
            self::Reused => 'Used again against the rule',
            self::Reading => 'Readings outside their limits',
            self::Hold => 'Cut short',
            self::Passes => 'Bolts out of order',
            self::Pieces => 'Fell, broke or new',
            self::Clock => 'Timed by a tablet’s clock',
            self::Order => 'Out of line',
        };
    }
}
