<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

use Doctrine\ORM\Mapping as ORM;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Garage\VehicleRecord;

/** Something that falls due after a fit. */
#[ORM\Entity]
#[ORM\Table(name: 'due')]
#[ORM\Index(name: 'due_open', columns: ['closed_at', 'due_on'])]
class DueRecord
{
    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $closedAt = null;

    #[ORM\Column(length: 120)]
    public string $closedBy = '';

    #[ORM\Column(length: 500)]
    public string $outcome = '';

    public function __construct(
        #[ORM\Id, ORM\Column(length: 40)]
        public readonly string $id,
        #[ORM\ManyToOne(targetEntity: FitRecord::class)]
        #[ORM\JoinColumn(nullable: false)]
        public readonly FitRecord $fit,
        #[ORM\ManyToOne(targetEntity: VehicleRecord::class)]
        #[ORM\JoinColumn(nullable: false)]
        public readonly VehicleRecord $vehicle,
        #[ORM\Column(length: 40)]
        public readonly string $followUp,
        #[ORM\Column(length: 20)]
        public readonly string $kind,
        #[ORM\Column(length: 200)]
        public readonly string $title,
        #[ORM\Column(length: 1000)]
        public readonly string $text,
        #[ORM\Column(type: 'date_immutable')]
        public \DateTimeImmutable $dueOn,
        #[ORM\Column]
        public readonly int $afterKm,
        #[ORM\Column(type: 'datetime_immutable')]
        public \DateTimeImmutable $bookedAt,
    ) {
    }

    public function isOpen(): bool
    {
        return null === $this->closedAt;
    }
}
