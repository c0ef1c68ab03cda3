<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

/** When a check falls due: a day, km where they are given, and both as a workshop says it. */
final readonly class DueDay
{
    private function __construct(
        public string $on, public int $afterKm, public string $said, public bool $isDue, public bool $isOverdue,
    ) {
    }

    /** @param string $on Y-m-d, as is today */
    public static function of(string $on, int $km, string $today): self
    {
        $day = match (true) {
            $on === $today => 'today',
            $on < $today => 'since '.(new \DateTimeImmutable($on))->format('j M'),
            default => (new \DateTimeImmutable($on))->format('j M'),
        };

        return new self($on, $km, $km > 0 ? sprintf("at %d\u{2009}km, or %s", $km, $day) : $day, $on <= $today, $on < $today);
    }
}
