<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** A body that is held, let go or moved: engine or gearbox; how far in mm, and which way. */
final readonly class Load
{
    public function __construct(public string $body = '', public float $mm = 0.0, public string $way = '')
    {
    }

    public static function read(Node $node): self
    {
        if (!$node->has('move')) {
            return new self($node->string('body', ''));
        }
        $move = $node->node('move');

        return new self($node->string('body', ''), $move->float('mm', 0.0), $move->string('way', ''));
    }
}
