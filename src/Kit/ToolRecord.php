<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use Doctrine\ORM\Mapping as ORM;

/** Something in the workshop's kit. Only a torque wrench has a range (N·m), an error (percent) and a lever (mm). */
#[ORM\Entity]
#[ORM\Table(name: 'tool')]
class ToolRecord
{
    public const WRENCH = 'torque wrench';

    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\Column(length: 120, unique: true)]
        public string $name,
        #[ORM\Column(length: 40)]
        public string $kind,
        #[ORM\Column(length: 20)]
        public string $drive = '',
        #[ORM\Column]
        public float $min = 0.0,
        #[ORM\Column]
        public float $max = 0.0,
        #[ORM\Column]
        public float $error = 0.0,
        #[ORM\Column]
        public float $lever = 0.0,
        #[ORM\Column(type: 'date_immutable', nullable: true)]
        public ?\DateTimeImmutable $calibratedOn = null,
    ) {
    }

    public function isWrench(): bool
    {
        return self::WRENCH === $this->kind;
    }
}
