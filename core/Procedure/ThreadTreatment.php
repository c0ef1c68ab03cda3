<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Document\Node;

/** What an option puts on the threads of a joint; no joint where it leaves them as the vehicle sheet has them. */
final readonly class ThreadTreatment
{
    /** @param string $joint its role */
    private function __construct(public string $joint, public ?Compound $compound)
    {
    }

    public static function read(Node $node): self
    {
        return $node->has('joint')
            ? new self($node->string('joint'), $node->enum('compound', Compound::class))
            : new self('', null);
    }
}
