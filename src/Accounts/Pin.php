<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

/** A PIN to change hands at the bench: four to eight digits, not one over and over, not counted up or down. */
final readonly class Pin
{
    /** @throws \DomainException with a sentence for the person at the keyboard */
    public static function ensureGood(#[\SensitiveParameter] string $pin): void
    {
        1 === preg_match('/\A[0-9]{4,8}\z/', $pin) || throw new \DomainException('A PIN is four to eight digits.');
        1 === preg_match('/\A(.{1,2})\1+\z/', $pin) && throw new \DomainException('That PIN repeats itself: take another.');
        str_contains('0123456789012345', $pin) || str_contains('9876543210987654', $pin)
            ? throw new \DomainException('That PIN only counts: take another.') : null;
    }
}
