<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

/** Whether a volume that is read came out of a circuit or went into it. */
enum Flow: string
{
    case None = 'none';
    case Out = 'out';
    case In = 'in';

    /** Sheets written before flows were declared name their fields like this. */
    public static function ofField(string $field): self
    {
        return match ($field) {
            'drained', 'oil_drained' => self::Out,
            'filled', 'oil_filled' => self::In,
            default => self::None,
        };
    }
}
