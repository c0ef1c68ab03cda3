<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Procedure\Operation;

/** An operation with the ids of the vehicle's own item, joint and circuit it acts on. */
final readonly class Bound
{
    public function __construct(public Operation $operation, public string $item, public string $joint, public string $circuit)
    {
    }
}
