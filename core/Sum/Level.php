<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** How grave a check or a whole verdict is. */
enum Level: string
{
    case Ok = 'ok';
    case Watch = 'watch';
    case Stop = 'stop';

    public function worse(self $that): self
    {
        return $that->rank() > $this->rank() ? $that : $this;
    }

    public function rank(): int
    {
        return match ($this) {
            self::Ok => 0,
            self::Watch => 1,
            self::Stop => 2,
        };
    }
}
