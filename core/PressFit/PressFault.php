<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

/** What can go wrong while a hub is drawn on; each has the end a judge should come to. A loose one sits, and holds nothing. */
enum PressFault: string
{
    case None = 'none';
    case Crooked = 'crooked';
    case Short = 'short';
    case Loose = 'loose';

    public function end(): PressEnd
    {
        return match ($this) {
            self::None, self::Loose => PressEnd::Seated,
            self::Crooked => PressEnd::PickingUp,
            self::Short => PressEnd::NotSeated,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::None => 'sound',
            self::Crooked => 'crooked, it picks up',
            self::Short => 'stopped too soon',
            self::Loose => 'too loose',
        };
    }
}
