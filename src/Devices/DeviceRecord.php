<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\ORM\Mapping as ORM;

/** Something that sends readings. It knows its token; we keep the token's hash. In hand, its readings go to one step of one fit. */
#[ORM\Entity]
#[ORM\Table(name: 'device')]
class DeviceRecord
{
    public function __construct(
        #[ORM\Id, ORM\Column(length: 26)]
        public readonly string $id,
        #[ORM\Column(length: 120, unique: true)]
        public string $name,
        #[ORM\Column(length: 16, enumType: DeviceKind::class)]
        public DeviceKind $kind,
        #[ORM\Column(length: 64, unique: true)]
        public string $tokenHash,
        #[ORM\Column]
        public bool $simulated = false,
        #[ORM\Column(length: 26)]
        public string $fitId = '',
        #[ORM\Column(length: 120)]
        public string $step = '',
        #[ORM\Column(length: 120)]
        public string $takenBy = '',
    ) {
    }

    public function isInHandAt(string $fitId, string $step): bool
    {
        return $this->fitId === $fitId && $this->step === $step;
    }
}
