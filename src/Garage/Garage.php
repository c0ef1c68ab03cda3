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
            $vehicle = $this->get($id);
            // As it is under the lock, and not as this request first saw it.
            $this->em->refresh($vehicle);

            return $this->keep($change($vehicle->document));
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
