<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\SheetDocument;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\ItemList;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** The belts of a vehicle, kept in its sheet: a change is one of the sheet and is undone with it. */
final readonly class DriveShelf
{
    private const MOST = 10;

    public function __construct(private Garage $garage, private SchemaBook $schemas)
    {
    }

    /**
     * As it stands in the vehicle sheet.
     *
     * @return array<array-key, mixed>
     *
     * @throws NotFoundHttpException
     */
    public function document(VehicleRecord $vehicle, string $id): array
    {
        return (new SheetDocument($vehicle->document))->thing('drives', $id) ?? throw new NotFoundHttpException('There is no such belt.');
    }

    /**
     * Keeps a belt that is entered, or changed; “seen” is what its page was opened on.
     *
     * @param array<array-key, mixed> $drive
     *
     * @throws InvalidInput|\NimbleKnuckle\Core\Document\InvalidDocument|ChangedMeanwhile
     */
    public function keep(VehicleRecord $vehicle, array $drive, string $seen, string $person): void
    {
        $this->schemas->ensureValid(['format' => Drive::FORMAT] + $drive, 'drive-1');
        $kept = Drive::read(Node::of($drive));
        $this->garage->change($vehicle->id, static function (array $document) use ($drive, $kept, $seen): array {
            $sheet = new SheetDocument($document);
            $now = $sheet->thing('drives', $kept->id);
            '' === $seen || null === $now || ChangedMeanwhile::mark($now) === $seen || throw ChangedMeanwhile::to($kept->name, $now);
            count($sheet->list('drives')) < self::MOST || null !== $now || throw InvalidInput::in(
                'name', sprintf('A vehicle has %d belts at most.', self::MOST),
            );
            $others = array_values(array_filter(
                $sheet->list('drives'), static fn (mixed $one): bool => is_array($one) && ($one['id'] ?? '') !== $kept->id,
            ));

            // Where the pitch line runs is no field of the board: it stays.
            $drive += array_intersect_key($now ?? [], ['be' => true, 'tb' => true]);

            return $sheet->set('drives', [...$others, $drive])->document;
        }, $person, sprintf('belt %s', $kept->name));
    }

    public function drop(VehicleRecord $vehicle, string $id, string $person): void
    {
        $this->garage->change(
            $vehicle->id, static fn (array $document): array => (new SheetDocument($document))->without('drives', $id)->document, $person,
            sprintf('belt deleted: %s', $id),
        );
    }

    /** An id for a belt of this name that no other belt of the vehicle has. */
    public function freeId(VehicleRecord $vehicle, string $name): string
    {
        $id = ItemList::id($name);
        '' !== $id && 'new' !== $id || throw InvalidInput::in('name', 'Give the belt a name of letters and digits.');
        null === (new SheetDocument($vehicle->document))->thing('drives', $id) || throw InvalidInput::in(
            'name', sprintf('This vehicle has a belt “%s” already: give this one a name of its own.', $name),
        );

        return $id;
    }
}
