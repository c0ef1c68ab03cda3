<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use Doctrine\ORM\Mapping as ORM;

/** A vehicle sheet as it was before a change: what the change was, who made it and when. */
#[ORM\Entity]
#[ORM\Table(name: 'earlier_sheet')]
#[ORM\Index(columns: ['vehicle_id'], name: 'earlier_sheet_vehicle')]
class EarlierSheet
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** @param array<array-key, mixed> $document nimble-knuckle/vehicle@2 or @1 */
    public function __construct(
        #[ORM\Column(name: 'vehicle_id', length: 80)]
        public readonly string $vehicleId,
        #[ORM\Column(length: 120)]
        public readonly string $person,
        #[ORM\Column(length: 200)]
        public readonly string $words,
        #[ORM\Column(type: 'json')]
        public readonly array $document,
        #[ORM\Column(type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $at,
    ) {
    }
}
