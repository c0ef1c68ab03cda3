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
        return $this->rows(sprintf("f.status = 'cancelled' ORDER BY f.created_at DESC LIMIT %d", $limit), []);
    }

    /** @return list<FitRow> newest first */
    public function signed(int $limit, int $offset = 0, string $vehicle = ''): array
    {
        $where = '' === $vehicle ? '' : ' AND f.vehicle_id = :vehicle';

        return $this->rows(
            sprintf("f.status = 'signed'%s ORDER BY f.signed_at DESC LIMIT %d OFFSET %d", $where, $limit, $offset),
            '' === $vehicle ? [] : ['vehicle' => $vehicle],
        );
    }

    public function countSigned(string $vehicle = ''): int
    {
        $count = $this->em->getConnection()->fetchOne(
            "SELECT COUNT(*) FROM fit WHERE status = 'signed'".('' === $vehicle ? '' : ' AND vehicle_id = :vehicle'),
            '' === $vehicle ? [] : ['vehicle' => $vehicle],
        );

        return is_numeric($count) ? (int) $count : 0;
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
     * @param array<string, string> $parameters
     *
     * @return list<FitRow>
     */
    private function rows(string $where, array $parameters): array
    {
        $rows = $this->em->getConnection()->fetchAllAssociative(
            'SELECT f.id, f.title, f.status, f.phase, f.step_title, f.minutes_left, f.minutes_planned, f.minutes_taken, '
                .'f.loose_ends, f.steps_done, f.steps_all, f.findings, f.waits, f.created_at, f.created_by, f.started_at, '
                    .'f.signed_at, f.signed_by, v.id vehicle_id, v.name vehicle, v.short, '.self::LABEL.' FROM fit f JOIN vehicle v '
                        .'ON v.id = f.vehicle_id LEFT JOIN job j ON j.fit_id = f.id WHERE '.$where,
            $parameters,
        );

        return array_map(FitRow::of(...), $rows);
    }
}
