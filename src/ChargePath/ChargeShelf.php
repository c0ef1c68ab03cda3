<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\ChargePath;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Storage\ChangedMeanwhile;
use NimbleKnuckle\Core\ChargeAir\Line\ChargeLine;
use NimbleKnuckle\Core\Document\Node;

/** The charge path of a vehicle, kept in its sheet: a change is one of the sheet and is undone with it. */
final readonly class ChargeShelf
{
    private const WORDS = 'charge path';

    public function __construct(private Garage $garage)
    {
    }

    /** @return array<array-key, mixed>|null as it stands in the vehicle sheet */
    public function document(VehicleRecord $vehicle): ?array
    {
        return self::in($vehicle->document);
    }

    /**
     * @param array<string, mixed> $charge
     *
     * @throws \NimbleKnuckle\Core\Document\InvalidDocument|ChangedMeanwhile
     */
    public function keep(VehicleRecord $vehicle, array $charge, string $seen, string $person): void
    {
        ChargeLine::read(Node::of($charge));
        $this->garage->change($vehicle->id, static function (array $document) use ($charge, $seen): array {
            $now = self::in($document);
            ChangedMeanwhile::mark($now) === $seen || throw ChangedMeanwhile::to('The charge path', $now);

            return ['charge' => $charge] + $document;
        }, $person, self::WORDS);
    }

    public function drop(VehicleRecord $vehicle, string $person): void
    {
        $this->garage->change(
            $vehicle->id, static fn (array $document): array => array_diff_key($document, ['charge' => true]), $person,
            self::WORDS.' deleted',
        );
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return array<array-key, mixed>|null
     */
    private static function in(array $document): ?array
    {
        return is_array($document['charge'] ?? null) ? $document['charge'] : null;
    }
}
