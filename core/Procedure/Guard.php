<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

/** What a safety reading stands before: nothing of the kind is done while the reading is missing or outside its limits. */
enum Guard: string
{
    case Opening = 'opening';
    case Start = 'start';
    case Under = 'under';
    case SignOff = 'sign-off';

    public function label(): string
    {
        return match ($this) {
            self::Opening => 'opening it',
            self::Start => 'starting the engine',
            self::Under => 'going under the vehicle',
            self::SignOff => 'signing off',
        };
    }

    public static function remedy(): string
    {
        return sprintf('a reading guards %s.', implode(', ', array_map(static fn (self $guard): string => $guard->value, self::cases())));
    }
}
