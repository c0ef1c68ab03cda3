<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;

/** Counts and times out of the finished fits, for the small charts. */
final readonly class WorkCharts
{
    public function __construct(private Connection $db, private ClockInterface $clock)
    {
    }

    /**
     * By kind of work: how many, and the quickest, middle and slowest time at the bench in minutes.
     *
     * @return list<array{title: string, count: int, low: float, middle: float, high: float, planned: float}>
     */
    public function durations(): array
    {
        $found = [];
        $rows = $this->db->fetchAllAssociative(
            "SELECT title, minutes_taken, minutes_planned FROM fit WHERE status = 'signed' AND minutes_taken > 0
                ORDER BY title, minutes_taken",
        );
        foreach ($rows as $row) {
            $found[self::text($row['title'])][] = [self::number($row['minutes_taken']), self::number($row['minutes_planned'])];
        }
        $charts = [];
        foreach ($found as $title => $times) {
            $taken = array_column($times, 0);
            $planned = array_column($times, 1);
            sort($planned);
            $charts[] = [
                'title' => $title, 'count' => count($times), 'low' => $taken[0], 'middle' => $taken[intdiv(count($taken), 2)],
                'high' => $taken[count($taken) - 1], 'planned' => $planned[intdiv(count($planned), 2)],
            ];
        }

        return $charts;
    }

    /** @return list<array{month: string, count: int}> the last 24 months, oldest first */
    public function months(): array
    {
        $from = $this->clock->now()->modify('first day of this month')->modify('-23 months');
        $counts = $this->db->fetchAllKeyValue(
            "SELECT substr(signed_at, 1, 7) month, COUNT(*) FROM fit WHERE status = 'signed' AND signed_at >= ? GROUP BY month",
            [$from->format('Y-m-d')],
        );
        $months = [];
        for ($i = 0; $i < 24; ++$i) {
            $month = $from->modify(sprintf('+%d months', $i))->format('Y-m');
            $months[] = ['month' => $month, 'count' => (int) self::number($counts[$month] ?? 0)];
        }

        return $months;
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }

    private static function number(mixed $value): float
    {
        return is_numeric($value) ? (float) $value : 0.0;
    }
}
