<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\Core\Procedure\Missing;

/** A procedure, and what a vehicle sheet has still to get before it can be planned. */
final readonly class ProcedureGaps
{
    /** @param list<Missing> $missing */
    public function __construct(public string $id, public string $title, public array $missing)
    {
    }
}
