<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

/** A fit as a list shows it. */
final readonly class FitRow
{
    private function __construct(
        public string $id,
        public string $title,
        public FitStatus $status,
        public string $phase,
        public string $stepTitle,
        public float $minutesLeft,
        public float $minutesPlanned,
        public float $minutesTaken,
        public int $looseEnds,
        public int $stepsDone,
        public int $stepsAll,
        public int $findings,
        public string $waits,
        public string $createdBy,
        public string $signedAt,
        public string $signedBy,
        public string $vehicleId,
        public string $vehicle,
        public string $short,
    ) {
    }

    /** @param array<string, mixed> $row */
    public static function of(array $row): self
    {
        $text = static fn (string $key): string => is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';
        $number = static fn (string $key): float => is_numeric($row[$key] ?? null) ? (float) $row[$key] : 0.0;

        return new self(
            $text('id'), $text('title'), FitStatus::from($text('status')), $text('phase'), $text('step_title'),
            $number('minutes_left'), $number('minutes_planned'), $number('minutes_taken'),
            (int) $number('loose_ends'), (int) $number('steps_done'), (int) $number('steps_all'), (int) $number('findings'), $text('waits'),
            $text('created_by'), $text('signed_at'), $text('signed_by'), $text('vehicle_id'), $text('vehicle'), $text('short'),
        );
    }
}
