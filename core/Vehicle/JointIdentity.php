<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** What a joint goes by: its id on the sheet, the part it plays for procedures, its name, what its fasteners are, what is to be known. */
final readonly class JointIdentity
{
    public const KINDS = ['', 'bolt', 'nut', 'centre-nut', 'stud', 'screw', 'clamp', 'plug'];

    /** @param string $kind one of KINDS; empty where nobody said */
    private function __construct(public string $id, public string $role, public string $name, public string $note, public string $kind)
    {
    }

    public static function read(Node $node): self
    {
        $id = $node->string('id');

        $kind = $node->string('kind', '');
        in_array($kind, self::KINDS, true) || throw $node->refuse(
            'kind', sprintf('“%s” is none of %s.', $kind, implode(', ', array_filter(self::KINDS))),
        );

        return new self($id, $node->string('role', $id), $node->string('name'), $node->string('note', ''), $kind);
    }
}
