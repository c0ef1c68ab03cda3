<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\InvalidEvent;

/** A reason has two words or more, and is not the one given just before. */
final readonly class Reasons
{
    public function __construct(private string $last)
    {
    }

    public function ensure(FitEvent $event): void
    {
        if (!$event->hasReason()) {
            return;
        }
        $words = self::words($event->string('reason'));
        count($words) >= 2 || throw InvalidEvent::in('reason', 'Say why in two words or more.');
        $words !== self::words($this->last) || throw InvalidEvent::in('reason', 'That is the last reason again. Say why here.');
    }

    /** @return list<string> */
    private static function words(string $text): array
    {
        preg_match_all('/\p{L}[\p{L}\p{M}\p{N}’\'-]*/u', mb_strtolower($text), $found);

        return $found[0];
    }
}
