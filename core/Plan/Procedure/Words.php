<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;

/** What a step tells: what it is called, what to do and why, which way round things go, what can hurt. */
final readonly class Words
{
    /** @param list<Caution> $cautions */
    public function __construct(
        public string $title,
        public string $text = '',
        public string $why = '',
        public string $orientation = '',
        public array $cautions = [],
    ) {
    }

    public static function read(Node $node, string $title): self
    {
        return new self(
            $title, $node->string('text', ''), $node->string('why', ''), $node->string('orientation', ''),
            Caution::readList($node, 'cautions'),
        );
    }
}
