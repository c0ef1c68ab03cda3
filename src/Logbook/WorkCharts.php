<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

use Doctrine\DBAL\Connection;
use Psr\Clock\ClockInterface;

/** Counts and times out of the finished fits, for the small charts. */
final readonly class WorkCharts
{
    /** The newest so many say what is usual here, so many kinds of it, each by its newest so many: more would tell nothing new. */
    private const OF_LATE = 300;
    private const KINDS = 12;
    private const EACH = 40;

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
        $charts = [];
        foreach ($this->usual() as $title) {
            $rows = $this->db->fetchAllNumeric(sprintf(
                "SELECT minutes_taken, minutes_planned FROM fit WHERE status = 'signed' AND title = ? AND minutes_taken > 0
                    ORDER BY signed_at DESC LIMIT %d", self::EACH,
            ), [$title]);
            $taken = array_map(static fn (array $row): float => self::number($row[0]), $rows);
            $planned = array_map(static fn (array $row): float => self::number($row[1]), $rows);
            sort($taken);
            sort($planned);
            [] === $rows || $charts[] = [
                'title' => $title, 'count' => count($rows), 'low' => $taken[0], 'middle' => $taken[intdiv(count($taken), 2)],
                'high' => $taken[count($taken) - 1], 'planned' => $planned[intdiv(count($planned), 2)],
            ];
        }

        return $charts;
    }

    /** @return list<string> the kinds of work done most often of late, by name */
    private function usual(): array
    {
        $titles = $this->db->fetchFirstColumn(sprintf(
            "SELECT title FROM (SELECT title FROM fit WHERE status = 'signed' ORDER BY signed_at DESC LIMIT %d)
                GROUP BY title ORDER BY COUNT(*) DESC, title LIMIT %d", self::OF_LATE, self::KINDS,
        ));
        sort($titles);

        return array_map(self::text(...), $titles);
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
