<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Event;

/** Reads when something happened: ISO 8601 with a zone, a day that exists, in this century. */
final readonly class EventTime
{
    /** @throws InvalidEvent naming the field and the remedy */
    public static function read(mixed $text, string $field = 'at'): \DateTimeImmutable
    {
        $pattern = '/\A(20\d\d)-(\d\d)-(\d\d)T([01]\d|2[0-3]):([0-5]\d):([0-5]\d)(?:\.\d{1,6})?(?:Z|[+-](?:0\d|1[0-4]):[0-5]\d)\z/';
        if (!is_string($text) || 1 !== preg_match($pattern, $text, $part) || !checkdate((int) $part[2], (int) $part[3], (int) $part[1])) {
            throw InvalidEvent::in($field, 'An event says when it happened, as ISO 8601 with a zone: 2026-11-25T10:00:00Z.');
        }

        return new \DateTimeImmutable($text);
    }
}
