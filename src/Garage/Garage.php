<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The vehicles of the workshop. */
final readonly class Garage
{
    public function __construct(private EntityManagerInterface $em)
    {
    }

    /** @throws NotFoundHttpException */
    public function get(string $id): VehicleRecord
    {
        return $this->em->find(VehicleRecord::class, $id) ?? throw new NotFoundHttpException('There is no such vehicle.');
    }

    /**
     * Vehicles as a list shows them, without their sheets.
     *
     * @return list<array{id: string, name: string, short: string, about: string, fits: int}>
     */
    public function rows(): array
    {
        $rows = $this->em->getConnection()->fetchAllAssociative(
            "SELECT v.id, v.name, v.short, json_extract(v.document, '$.about') about, (SELECT COUNT(*) FROM fit f
                WHERE f.vehicle_id = v.id AND f.signed_at IS NOT NULL) fits FROM vehicle v ORDER BY v.name",
        );
        $text = static fn (mixed $value): string => is_scalar($value) ? (string) $value : '';

        return array_map(
            static fn (array $row): array => [
                'id' => $text($row['id']), 'name' => $text($row['name']), 'short' => $text($row['short']),
                'about' => $text($row['about']), 'fits' => (int) $text($row['fits']),
            ],
            $rows,
        );
    }

    public function has(string $id): bool
    {
        return null !== $this->em->find(VehicleRecord::class, $id);
    }

    /** @return list<VehicleRecord> */
    public function all(): array
    {
        return array_values($this->em->getRepository(VehicleRecord::class)->findBy([], ['name' => 'ASC']));
    }

    /**
     * Changes a sheet as it is now, under the write lock: of two changes at once neither is lost.
     *
     * @param callable(array<array-key, mixed>): array<array-key, mixed> $change
     */
    public function change(string $id, callable $change): VehicleRecord
    {
        return $this->em->wrapInTransaction(function () use ($id, $change): VehicleRecord {
            $json = $this->em->getConnection()->fetchOne('SELECT document FROM vehicle WHERE id = ?', [$id]);
            $document = is_string($json) ? json_decode($json, true, 64, \JSON_THROW_ON_ERROR) : null;

            return is_array($document) ? $this->keep($change($document)) : throw new NotFoundHttpException('There is no such vehicle.');
        });
    }

    /**
     * Enters a vehicle sheet, or replaces the one with the same id.
     *
     * @param array<array-key, mixed> $document nimble-knuckle/vehicle@1
     */
    public function keep(array $document): VehicleRecord
    {
        $sheet = VehicleSheet::read(Node::of($document));
        $record = $this->em->find(VehicleRecord::class, $sheet->id);
        if (null === $record) {
            $record = new VehicleRecord($sheet->id, $sheet->name, $sheet->short, $document);
            $this->em->persist($record);
        } else {
            $record->become($sheet, $document);
        }
        $this->em->flush();

        return $record;
    }
}
