<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Workshop;

use Doctrine\ORM\Mapping as ORM;

/** What the workshop says of itself; there is one. */
#[ORM\Entity]
#[ORM\Table(name: 'workshop')]
class WorkshopRecord
{
    public const ONLY = 1;
    /** m above the sea, and °C, that a workshop can have. */
    public const ALTITUDES = [-500.0, 6000.0];
    public const TEMPERATURES = [-10.0, 50.0];

    #[ORM\Id, ORM\Column]
    public int $id = self::ONLY;

    /**
     * @param ?float $altitude m above the sea; null where nobody said
     * @param ?float $temperature °C it usually has
     */
    public function __construct(
        #[ORM\Column(length: 120)]
        public string $name = '',
        #[ORM\Column(length: 12, enumType: SpokenUnits::class)]
        public SpokenUnits $units = SpokenUnits::AsWritten,
        #[ORM\Column(nullable: true)]
        public ?float $altitude = null,
        #[ORM\Column(nullable: true)]
        public ?float $temperature = null,
        /** What an hour of hands costs; null where nobody said. */
        #[ORM\Column(nullable: true)]
        public ?float $rate = null,
        #[ORM\Column(length: 8, options: ['default' => ''])]
        public string $currency = '',
        /** Address and such, under the name on what is printed. */
        #[ORM\Column(length: 300, options: ['default' => ''])]
        public string $letterhead = '',
    ) {
    }
}
