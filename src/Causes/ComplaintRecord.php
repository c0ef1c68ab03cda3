<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use Doctrine\ORM\Mapping as ORM;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Garage\VehicleRecord;

/** A complaint that was looked into here: what was found, what was done about it, and what it was in the end. */
#[ORM\Entity]
#[ORM\Table(name: 'complaint')]
#[ORM\Index(name: 'complaint_of', columns: ['symptom', 'outcome'])]
#[ORM\Index(name: 'complaint_on', columns: ['vehicle_id', 'begun_at'])]
class ComplaintRecord
{
    /** The cause that was confirmed, by its id in the table; empty while nobody has said. */
    #[ORM\Column(length: 60, options: ['default' => ''])]
    public string $outcome = '';

    #[ORM\Column(length: 120, options: ['default' => ''])]
    public string $saidBy = '';

    #[ORM\Column(type: 'datetime_immutable', nullable: true)]
    public ?\DateTimeImmutable $saidAt = null;

    #[ORM\Column(length: 500, options: ['default' => ''])]
    public string $remedy = '';

    /** Not counted where causes are ranked. */
    #[ORM\Column(options: ['default' => false])]
    public bool $leftOut = false;

    /** @var array<string, string> check => what was read or seen afterwards, in words */
    #[ORM\Column(type: 'json', options: ['default' => '{}'])]
    public array $after = [];

    /**
     * @param array<string, string> $answers check => answer
     * @param array<string, string> $readings check => as written
     */
    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\ManyToOne(targetEntity: VehicleRecord::class)]
        #[ORM\JoinColumn(nullable: false)]
        public readonly VehicleRecord $vehicle,
        #[ORM\Column(length: 60)]
        public readonly string $symptom,
        #[ORM\Column(length: 60)]
        public readonly string $cause,
        #[ORM\Column(type: 'json')]
        public readonly array $answers,
        #[ORM\Column(type: 'json')]
        public readonly array $readings,
        #[ORM\Column(length: 120)]
        public readonly string $begunBy,
        #[ORM\Column(type: 'datetime_immutable')]
        public readonly \DateTimeImmutable $begunAt,
        #[ORM\ManyToOne(targetEntity: FitRecord::class)]
        public readonly ?FitRecord $fit,
    ) {
    }

    public function isOpen(): bool
    {
        return '' === $this->outcome;
    }
}
