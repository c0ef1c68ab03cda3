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
        public string $dueOn,
        public int $afterKm,
        public string $fitId,
        public string $followUp,
        public string $short,
        public string $fitTitle,
        public bool $isOpen,
        public string $closedBy,
        public string $outcome,
        public string $when,
        public bool $isDue,
        public bool $isOverdue,
    ) {
    }

    /** @param array<string, mixed> $row */
    public static function of(array $row, string $today): self
    {
        $text = static fn (string $key): string => is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';
        $on = $text('due_on');
        $km = (int) $text('after_km');
        $day = match (true) {
            $on === $today => 'today',
            $on < $today => 'since '.(new \DateTimeImmutable($on))->format('j M'),
            default => (new \DateTimeImmutable($on))->format('j M'),
        };

        return new self(
            $text('id'), $text('kind'), $text('title'), $text('text'), $on, $km, $text('fit_id'), $text('follow_up'),
            $text('short'), $text('fit_title'), '' === $text('closed_at'), $text('closed_by'), $text('outcome'),
            $km > 0 ? sprintf("at %d\u{2009}km, or %s", $km, $day) : $day, $on <= $today, $on < $today,
        );
    }
}
