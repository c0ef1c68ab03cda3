<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** What a joint goes by: its id on the sheet, the part it plays for procedures, its name, and what is to be known of it. */
final readonly class Called
{
    private function __construct(public string $id, public string $role, public string $name, public string $note)
    {
    }

    public static function read(Node $node): self
    {
        $id = $node->string('id');

        return new self($id, $node->string('role', $id), $node->string('name'), $node->string('note', ''));
    }
}
