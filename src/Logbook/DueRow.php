<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

/** A due check as a list shows it. */
final readonly class DueRow
{
    private function __construct(
        public string $id,
        public string $kind,
        public string $title,
        public string $text,
        public DueDay $day,
        public DueAfter $after,
        public DueOutcome $outcome,
    ) {
    }

    /**
     * @param array<string, mixed> $row
     * @param ?string $reached the day its km are run; null where that is not known
     */
    public static function of(array $row, string $today, ?string $reached = null): self
    {
        $text = static fn (string $key): string => is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';

        return new self(
            $text('id'), $text('kind'), $text('title'), $text('text'),
            DueDay::of(
                $text('due_on'), (int) $text('after_km'), $today,
                str_contains($text('kind'), 'level') && self::isNextDay($text('booked_at'), $text('due_on')), $reached,
            ),
            new DueAfter($text('fit_id'), $text('follow_up'), $text('short'), $text('fit_title')),
            new DueOutcome('' === $text('closed_at'), $text('closed_by'), $text('outcome')),
        );
    }

    private static function isNextDay(string $booked, string $on): bool
    {
        return '' !== $booked && (new \DateTimeImmutable(substr($booked, 0, 10)))->modify('+1 day')->format('Y-m-d') === substr($on, 0, 10);
    }
}
