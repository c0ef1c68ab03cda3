<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Finds fits. */
final readonly class FitBook
{
    /** Which vehicle of its kind: “AB 12 CDE job 4711”. */
    private const LABEL = "trim(coalesce(j.registration, '') || CASE WHEN coalesce(j.number, '') = '' THEN '' "
        ."ELSE ' job ' || j.number END) job_label";

    public const COUNTED = 500;

    public function __construct(private EntityManagerInterface $em)
    {
    }

    /**
     * A fit to look at or to record on, read by one plain query: the bench asks for it with every tap.
     *
     * @throws NotFoundHttpException
     */
    public function get(string $id): FitRecord
    {
        $row = $this->em->getConnection()->fetchAssociative(
            'SELECT f.*, v.name vehicle_name, v.short vehicle_short, '.self::LABEL.' FROM fit f JOIN vehicle v ON v.id = f.vehicle_id '
                .'LEFT JOIN job j ON j.fit_id = f.id WHERE f.id = ?',
            [$id],
        );

        return false === $row ? throw new NotFoundHttpException('There is no such fit.') : FitRecord::fromRow($row);
    }

    /**
     * The open fits as rows, without their sheets.
     *
     * @return list<FitRow>
     */
    public function open(): array
    {
        return $this->rows(
            "f.status IN ('planned', 'in-hand', 'on-hold')
                ORDER BY CASE f.status WHEN 'in-hand' THEN 0 WHEN 'planned' THEN 1 ELSE 2 END, f.created_at DESC", [],
        );
    }

    /** @return list<FitRow> newest first */
    public function cancelled(int $limit): array
    {
        return $this->rows(sprintf("f.status = 'cancelled' AND f.archived = 0 ORDER BY f.created_at DESC LIMIT %d", $limit), []);
    }

    /** @return list<FitRow> newest first */
    public function signed(int $limit, int $offset = 0, FitFilter $filter = new FitFilter()): array
    {
        [$where, $parameters] = $filter->where();

        return $this->rows(
            sprintf('%s ORDER BY %s DESC LIMIT %d OFFSET %d', $where, $filter->when(), $limit, $offset), $parameters, $filter->from(),
        );
    }

    /** How many there are, as far as anybody counts: past five hundred it is “more than”. */
    public function countSigned(FitFilter $filter = new FitFilter()): int
    {
        [$where, $parameters] = $filter->where();
        $count = $this->em->getConnection()->fetchOne(sprintf(
            'SELECT COUNT(*) FROM (SELECT 1 FROM %s WHERE %s LIMIT %d)', $filter->from(), $where, self::COUNTED + 1,
        ), $parameters);

        return is_numeric($count) ? (int) $count : 0;
    }

    /** @return list<string> who had a hand in any fit that is signed */
    public function hands(): array
    {
        // From name to name by the index, however many marks each of them made.
        $names = $this->em->getConnection()->fetchFirstColumn(
            'WITH RECURSIVE name(n) AS (SELECT MIN(person) FROM fit_hand UNION ALL
                SELECT (SELECT MIN(person) FROM fit_hand WHERE person > n) FROM name WHERE n IS NOT NULL)
                SELECT n FROM name WHERE n IS NOT NULL',
        );

        return array_values(array_filter($names, is_string(...)));
    }

    /** @return array<string, float> person => minutes at the bench, the longest first */
    public function minutesOf(string $fitId): array
    {
        $rows = $this->em->getConnection()->fetchAllNumeric(
            'SELECT person, minutes FROM fit_hand WHERE fit_id = ? ORDER BY minutes DESC, person', [$fitId],
        );
        $minutes = [];
        foreach ($rows as [$person, $spent]) {
            is_string($person) && is_numeric($spent) && $minutes[$person] = (float) $spent;
        }

        return $minutes;
    }

    public function putAway(string $id, bool $away): void
    {
        $this->em->getConnection()->update('fit', ['archived' => (int) $away], ['id' => $id]);
    }

    /**
     * How long the last fits with these procedures took, in minutes at the bench.
     *
     * @return list<float> newest first
     */
    public function pastDurations(string $title, int $limit = 12): array
    {
        $found = $this->em->getConnection()->fetchFirstColumn(
            "SELECT minutes_taken FROM fit WHERE status = 'signed' AND title = :title AND minutes_taken > 0
                ORDER BY signed_at DESC LIMIT ".$limit,
            ['title' => $title],
        );

        return array_map(static fn (mixed $minutes): float => is_numeric($minutes) ? (float) $minutes : 0.0, $found);
    }

    /**
     * @param list<string> $parameters
     *
     * @return list<FitRow>
     */
    private function rows(string $where, array $parameters, string $from = 'fit f'): array
    {
        $rows = $this->em->getConnection()->fetchAllAssociative(
            'SELECT f.id, f.title, f.status, f.phase, f.step_title, f.minutes_left, f.minutes_planned, f.minutes_taken, '
                .'f.loose_ends, f.steps_done, f.steps_all, f.findings, f.waits, f.created_at, f.created_by, f.started_at, '
                    .'f.signed_at, f.signed_by, v.id vehicle_id, v.name vehicle, v.short, '.self::LABEL.' FROM '.$from.' JOIN vehicle v '
                        .'ON v.id = f.vehicle_id LEFT JOIN job j ON j.fit_id = f.id WHERE '.$where,
            $parameters,
        );

        return array_map(FitRow::of(...), $rows);
    }
}
