<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

/** What a vehicle sheet has not and a procedure needs: an item, a joint or a circuit, by the part it plays. */
final readonly class Missing
{
    /** @param string $kind item, joint or circuit */
    public function __construct(public string $kind, public string $role)
    {
    }

    /** The role in words. */
    public function name(): string
    {
        return str_replace('-', ' ', $this->role);
    }
}
