<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use Doctrine\ORM\Mapping as ORM;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\VehicleOne;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** A vehicle and its sheet, kept as the open format nimble-knuckle/vehicle@2, or @1 until somebody changes it. */
#[ORM\Entity]
#[ORM\Table(name: 'vehicle')]
class VehicleRecord
{
    /** Put away: on no list where one is chosen, with all that was done on it. */
    #[ORM\Column(options: ['default' => false])]
    public bool $archived = false;

    private ?VehicleSheet $sheet = null;

    /** @param array<array-key, mixed> $document */
    public function __construct(
        #[ORM\Id, ORM\Column(length: 80)]
        public readonly string $id,
        #[ORM\Column(length: 120)]
        public string $name,
        #[ORM\Column(length: 60)]
        public string $short,
        #[ORM\Column(type: 'json')]
        public array $document,
    ) {
    }

    /** @param array<array-key, mixed> $document */
    public function become(VehicleSheet $sheet, array $document): void
    {
        [$this->name, $this->short, $this->document, $this->sheet] = [$sheet->name, $sheet->short, $document, $sheet];
    }

    /** @return array<array-key, mixed> nimble-knuckle/vehicle@2, whatever it is kept in */
    public function today(): array
    {
        return VehicleOne::asTwo($this->document);
    }

    public function sheet(): VehicleSheet
    {
        return $this->sheet ??= VehicleSheet::read(Node::of($this->document));
    }
}
