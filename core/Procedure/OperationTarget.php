<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** What an operation acts on: a role that the vehicle sheet fills, the choices it stands for, a body that it moves. */
final readonly class OperationTarget
{
    /** @param array<string, list<string>> $when choice group => the answers it stands for */
    public function __construct(public string $on, public array $when, public Load $load)
    {
    }

    public static function read(Node $node): self
    {
        $when = [];
        foreach ($node->node('when')->keys() as $group) {
            $when[$group] = $node->node('when')->strings($group);
        }

        return new self($node->string('on', ''), $when, Load::read($node));
    }
}
