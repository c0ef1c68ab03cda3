<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Costs;

use Doctrine\ORM\Mapping as ORM;

/** What the workshop knows of a part: its number and what one costs. Remembered from the last fit it was written on. */
#[ORM\Entity]
#[ORM\Table(name: 'part_price')]
class PartPrice
{
    public function __construct(
        /** As sheets call it, in small letters. */
        #[ORM\Id, ORM\Column(length: 160)]
        public readonly string $name,
        #[ORM\Column(length: 60)]
        public string $number,
        #[ORM\Column(nullable: true)]
        public ?float $price,
    ) {
    }
}
