<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Costs;

use Doctrine\ORM\Mapping as ORM;

/** A part of one fit, as it was written down for it: number, price, how many were used. */
#[ORM\Entity]
#[ORM\Table(name: 'fit_part')]
class FitPart
{
    public function __construct(
        #[ORM\Id, ORM\Column(name: 'fit_id', length: 26)]
        public readonly string $fitId,
        #[ORM\Id, ORM\Column(length: 160)]
        public readonly string $name,
        #[ORM\Column(length: 60)]
        public string $number,
        #[ORM\Column(nullable: true)]
        public ?float $price,
        #[ORM\Column(nullable: true)]
        public ?float $used,
    ) {
    }
}
