<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

/** A device as a step at the bench sees it: whether it is in hand here. */
final readonly class DeviceAtHand
{
    public function __construct(public string $id, public string $name, public bool $simulated, public bool $isHere)
    {
    }

    /** @param list<self> $devices */
    public static function here(array $devices): ?self
    {
        return array_values(array_filter($devices, static fn (self $one): bool => $one->isHere))[0] ?? null;
    }
}
