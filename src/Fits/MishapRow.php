<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

/** One mishap as the logbook tells it. */
final readonly class MishapRow
{
    private function __construct(
        public string $said, public string $what, public string $how, public string $by, public \DateTimeImmutable $at,
        public string $fitId, public string $fitTitle, public string $vehicle,
    ) {
    }

    /** @param array<string, mixed> $row */
    public static function of(array $row): self
    {
        $text = static fn (string $key): string => is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';
        $payload = json_decode($text('payload'), true);
        $told = static fn (string $key): string => is_array($payload) && is_string($payload[$key] ?? null) ? $payload[$key] : '';

        return new self(
            $told('said'), $told('what'), $told('how'), $text('by_name'), new \DateTimeImmutable($text('at')), $text('fit_id'),
            $text('title'), $text('short'),
        );
    }
}
