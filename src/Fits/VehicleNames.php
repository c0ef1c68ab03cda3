<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

/** What a list calls a vehicle. */
final readonly class VehicleNames
{
    public function __construct(public string $id, public string $name, public string $short, public string $which = '')
    {
    }
}
