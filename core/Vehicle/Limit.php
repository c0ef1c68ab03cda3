<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** How far a body may move, in mm, before something touches or strains, and which item's removal lifts the limit. */
final readonly class Limit
{
    public function __construct(public string $body, public string $way, public float $mm, public string $because, public string $freedBy)
    {
    }

    public static function read(Node $node): self
    {
        $mm = $node->float('mm');
        if ($mm < 0 || $mm > 1000) {
            throw $node->refuse('mm', 'a movement of 0 to 1000 mm is needed.');
        }

        return new self($node->string('body'), $node->string('way'), $mm, $node->string('because'), $node->string('freed_by', ''));
    }
}
