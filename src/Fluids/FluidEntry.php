<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fluids;

use Doctrine\ORM\Mapping as ORM;

/** One line of a vehicle's fluid log. Litres, percent by volume, mm on the dipstick, km; null where it was not measured. */
#[ORM\Entity]
#[ORM\Table(name: 'fluid_entry')]
#[ORM\Index(name: 'fluid_vehicle', columns: ['vehicle_id', 'circuit', 'at'])]
class FluidEntry
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\Column(length: 80)]
        public readonly string $vehicleId,
        #[ORM\Column(length: 16)]
        public readonly string $circuit,
        #[ORM\Column(length: 16, enumType: FluidKind::class)]
        public readonly FluidKind $kind,
        #[ORM\Column(type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $at,
        #[ORM\Column(nullable: true)]
        public readonly ?float $litres,
        #[ORM\Column(nullable: true)]
        public readonly ?float $percent,
        #[ORM\Column(nullable: true)]
        public readonly ?float $dipBefore,
        #[ORM\Column(nullable: true)]
        public readonly ?float $dipAfter,
        #[ORM\Column(nullable: true)]
        public readonly ?float $km,
        #[ORM\Column(length: 80)]
        public readonly string $family,
        #[ORM\Column(length: 300)]
        public readonly string $note,
        #[ORM\Column(length: 120)]
        public readonly string $byName,
        #[ORM\Column(length: 26)]
        public readonly string $fitId = '',
    ) {
    }
}
