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
        public string $createdBy,
        public VehicleNames $vehicle,
        public Progress $progress,
        public Spent $minutes,
        public Signature $signed,
    ) {
    }

    /** @param array<string, mixed> $row */
    public static function of(array $row): self
    {
        $text = static fn (string $key): string => is_scalar($row[$key] ?? null) ? (string) $row[$key] : '';
        $number = static fn (string $key): float => is_numeric($row[$key] ?? null) ? (float) $row[$key] : 0.0;

        return new self(
            $text('id'), $text('title'), FitStatus::from($text('status')), $text('created_by'),
            new VehicleNames($text('vehicle_id'), $text('vehicle'), $text('short'), $text('job_label')),
            new Progress(
                $text('phase'), $text('step_title'), (int) $number('steps_done'), (int) $number('steps_all'),
                (int) $number('loose_ends'), (int) $number('findings'), $text('waits'),
            ),
            new Spent($number('minutes_left'), $number('minutes_planned'), $number('minutes_taken')),
            new Signature($text('signed_at'), $text('signed_by')),
        );
    }
}
