<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Times;

use Doctrine\DBAL\Connection;
use NimbleKnuckle\Core\Times\Tally;

/** What steps took, to be looked at: each with its plan, the one that costs most first; and every job of one step. */
final readonly class StepTimes
{
    private const MOST = 60;

    public function __construct(private Connection $db, private PaceBook $paces)
    {
    }

    /**
     * @param string $person by name; empty for everybody
     *
     * @return list<StepPace>
     */
    public function all(string $person): array
    {
        // Of each step the plan as it was last.
        $rows = $this->db->fetchAllAssociative(
            'SELECT step, title, low, planned, high, max(at) newest, min(minutes / planned) least FROM step_time
                WHERE ? = \'\' OR person = ? GROUP BY step', [$person, $person],
        );
        $tallies = $this->paces->tallies();
        $all = [];
        foreach ($rows as $row) {
            $people = $tallies[self::text($row['step'])] ?? [];
            $tally = '' === $person ? PaceBook::all($people) : $people[$person] ?? new Tally(0, 0.0, 0.0);
            $pace = self::pace($row, $tally);
            null === $pace || $all[] = $pace;
        }
        usort($all, static fn (StepPace $a, StepPace $b): int => [$b->isAlwaysLong(), abs($b->more()), $a->step]
            <=> [$a->isAlwaysLong(), abs($a->more()), $b->step]);

        return array_slice($all, 0, self::MOST);
    }

    /**
     * @return array{pace: StepPace, jobs: list<array{fit: string, title: string, person: string, minutes: float, at: string}>,
     *     people: array<string, StepPace>}|null the jobs oldest first
     */
    public function of(string $step): ?array
    {
        $rows = $this->db->fetchAllAssociative(
            'SELECT t.step, t.title, t.low, t.planned, t.high, t.minutes, t.person, t.at, t.fit_id, f.title fit FROM step_time t
                JOIN fit f ON f.id = t.fit_id WHERE t.step = ? ORDER BY t.at DESC LIMIT '.self::MOST, [$step],
        );
        $tallies = $this->paces->tallies()[$step] ?? [];
        $ratios = array_map(
            static fn (array $row): float => self::number($row['minutes']) / max(1e-9, self::number($row['planned'])), $rows,
        );
        $pace = [] === $rows ? null : self::pace($rows[0] + ['least' => min([\INF, ...$ratios])], PaceBook::all($tallies));
        if (null === $pace) {
            return null;
        }
        $people = array_filter(array_map(
            static fn (Tally $tally): ?StepPace => self::pace($rows[0] + ['least' => 0.0], $tally), $tallies,
        ));

        return [
            'pace' => $pace, 'people' => $people, 'jobs' => array_reverse(array_map(static fn (array $row): array => [
                'fit' => self::text($row['fit_id']), 'title' => self::text($row['fit']), 'person' => self::text($row['person']),
                // As long as it would have been by the plan of today.
                'minutes' => self::number($row['minutes']) / self::number($row['planned']) * $pace->planned[1],
                'at' => self::text($row['at']),
            ], $rows)),
        ];
    }

    /** @param array<string, mixed> $row */
    private static function pace(array $row, Tally $tally): ?StepPace
    {
        [$low, $planned, $high] = [self::number($row['low']), self::number($row['planned']), self::number($row['high'])];

        return $tally->n < 1 || $planned <= 0.0 ? null : new StepPace(
            self::text($row['step']), self::text($row['title']),
            [max(0.05 * $planned, min($low, $planned)), $planned, max($high, $planned)], $tally, self::number($row['least']),
        );
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
