<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\VehicleOne;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The vehicles of the workshop. */
final readonly class Garage
{
    /** So many changes of a sheet can be undone. */
    private const KEPT = 30;

    public function __construct(private EntityManagerInterface $em, private ClockInterface $clock)
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
     * Changes a sheet as it is now, under the write lock: of two changes at once neither is lost. How it was is kept, to be undone.
     * What is changed is in today's format, whatever it was kept in.
     *
     * @param callable(array<array-key, mixed>): array<array-key, mixed> $change
     * @param string $words what the change is called
     */
    public function change(string $id, callable $change, string $person = '', string $words = ''): VehicleRecord
    {
        return $this->em->wrapInTransaction(function () use ($id, $change, $person, $words): VehicleRecord {
            $vehicle = $this->get($id);
            // As it is under the lock, and not as this request first saw it.
            $this->em->refresh($vehicle);
            $was = $vehicle->document;
            $two = VehicleOne::asTwo($was);
            $new = $change($two);
            if ($new === $two) {
                return $vehicle;
            }
            $kept = $this->keep($new);
            $this->em->persist(new EarlierSheet($id, $person, mb_substr($words, 0, 200), $was, $this->clock->now()));
            foreach (array_slice($this->changes($id), self::KEPT - 1) as $old) {
                $this->em->remove($old);
            }
            $this->em->flush();

            return $kept;
        });
    }

    /** @return list<EarlierSheet> what can be undone, the last change first */
    public function changes(string $id): array
    {
        return array_values($this->em->getRepository(EarlierSheet::class)->findBy(['vehicleId' => $id], ['id' => 'DESC']));
    }

    /** @return ?string what was undone; null where something else was changed after it */
    public function undo(string $id, int $change): ?string
    {
        return $this->em->wrapInTransaction(function () use ($id, $change): ?string {
            $last = $this->changes($id)[0] ?? null;
            if (null === $last || $last->id !== $change) {
                return null;
            }
            $this->keep($last->document);
            $this->em->remove($last);
            $this->em->flush();

            return $last->words;
        });
    }

    public function putAway(string $id, bool $away): VehicleRecord
    {
        $vehicle = $this->get($id);
        $vehicle->archived = $away;
        $this->em->flush();

        return $vehicle;
    }

    /**
     * Enters a vehicle sheet, or replaces the one with the same id.
     *
     * @param array<array-key, mixed> $document nimble-knuckle/vehicle@2, or @1 as it came
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
