<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Costs;

use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Jobs\JobBook;
use NimbleKnuckle\App\Workshop\WorkshopBook;
use NimbleKnuckle\Core\Cost\Cost;

/** The account of a fit as nimble-knuckle/account@1; the rows of a CSV are read off the same document, and from nowhere else. */
final readonly class AccountDocument
{
    public const FORMAT = 'nimble-knuckle/account@1';
    /** The columns of a CSV, each a field of the document or of one of its lines. */
    public const COLUMNS = [
        'fit', 'vehicle', 'registration', 'job', 'work', 'signed', 'line', 'what', 'number', 'planned', 'done', 'each', 'cost', 'currency',
    ];

    public function __construct(private WorkshopBook $workshop, private JobBook $jobs)
    {
    }

    /** @return array<string, mixed> */
    public function of(FitRecord $record, Cost $cost): array
    {
        $job = $this->jobs->of($record->id);
        $lines = [];
        $share = [] === $cost->hours ? 1 : count($cost->hours);
        foreach ([] === $cost->hours ? ['nobody yet' => 0.0] : $cost->hours as $person => $hours) {
            $lines[] = self::line(
                'labour', $person, '', $cost->plannedHours[1] / $share, $hours, $cost->rate, $hours * $cost->rate,
            );
        }
        foreach ($cost->parts as $part) {
            $lines[] = self::line(
                $part->isConsumable ? 'consumable' : 'part', $part->name, $part->number, $part->planned, $part->used, $part->each,
                null === $part->each ? null : $part->usedCost(),
            );
        }

        return [
            'format' => self::FORMAT, 'fit' => $record->id, 'vehicle' => $record->vehicle->name, 'registration' => $job->registration,
            'job' => $job->number, 'work' => $record->title, 'signed' => $record->signedAt?->format('Y-m-d'),
            'currency' => $this->workshop->now()->currency, 'lines' => $lines,
            'before' => array_map(static fn (float $money): float => round($money, 2), $cost->before()),
            'after' => round($cost->after(), 2), 'unpriced' => $cost->unpriced(),
        ];
    }

    /**
     * @param array<string, mixed> ...$accounts each nimble-knuckle/account@1
     */
    public static function csv(array ...$accounts): string
    {
        $out = fopen('php://temp', 'w+') ?: throw new \RuntimeException('There is no room for a file.');
        fputcsv($out, self::COLUMNS, escape: '');
        foreach ($accounts as $account) {
            foreach (is_array($account['lines'] ?? null) ? $account['lines'] : [] as $line) {
                $row = (is_array($line) ? $line : []) + $account;
                $cells = array_map(static fn (string $column): string => self::cell($row[$column] ?? null), self::COLUMNS);
                fputcsv($out, $cells, escape: '');
            }
        }

        return (string) stream_get_contents($out, null, 0);
    }

    /** A text that a table would take for a formula is one no more. */
    private static function cell(mixed $value): string
    {
        $text = is_scalar($value) ? (string) $value : '';

        return is_string($value) && 1 === preg_match('/\A[=+\-@\t\r]/', $text) ? "'".$text : $text;
    }

    /** @return array<string, mixed> */
    private static function line(
        string $line, string $what, string $number, float $planned, ?float $done, ?float $each, ?float $cost,
    ): array {
        return [
            'line' => $line, 'what' => $what, 'number' => $number, 'planned' => round($planned, 2),
            'done' => null === $done ? null : round($done, 2), 'each' => null === $each ? null : round($each, 2),
            'cost' => null === $cost ? null : round($cost, 2),
        ];
    }
}
