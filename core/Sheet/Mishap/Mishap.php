<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet\Mishap;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\Operation;

/** Something that goes wrong at the bench, and the ways it is mended. */
final readonly class Mishap
{
    /** @param array<string, MishapWay> $ways */
    private function __construct(
        public string $id, public string $title, public string $text, public MishapOf $of, public bool $breaks, public array $ways,
    ) {
    }

    public function way(string $id): ?MishapWay
    {
        return $this->ways[$id] ?? null;
    }

    /**
     * @param array<string, list<Operation>> $fragments
     *
     * @throws InvalidDocument
     */
    public static function read(Node $node, array $fragments): self
    {
        $ways = [];
        foreach ($node->nodes('ways') as $way) {
            $ways[$way->string('id')] = MishapWay::read($way, $fragments);
        }[] !== $ways || throw $node->refuse('ways', 'say at least one way to mend it.');

        return new self(
            $node->string('id'), $node->string('title'), $node->string('text', ''), $node->enum('of', MishapOf::class),
            $node->bool('breaks'), $ways,
        );
    }
}
