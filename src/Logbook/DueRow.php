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

    /** @param array<string, mixed> $row */
    public static function of(array $row, string $today): self
    {
        $text = static fn (string $key): string => is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';

        return new self(
            $text('id'), $text('kind'), $text('title'), $text('text'),
            DueDay::of($text('due_on'), (int) $text('after_km'), $today),
            new DueAfter($text('fit_id'), $text('follow_up'), $text('short'), $text('fit_title')),
            new DueOutcome('' === $text('closed_at'), $text('closed_by'), $text('outcome')),
        );
    }
}
