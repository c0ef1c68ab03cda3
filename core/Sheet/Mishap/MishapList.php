<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sheet\Mishap;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;

/** The mishaps a workshop knows how to mend. Format nimble-knuckle/mishaps@1. */
final readonly class MishapList
{
    public const FORMAT = 'nimble-knuckle/mishaps@1';

    /** @param array<string, Mishap> $mishaps */
    private function __construct(public array $mishaps)
    {
    }

    public function mishap(string $id): ?Mishap
    {
        return $this->mishaps[$id] ?? null;
    }

    /** @throws InvalidDocument naming the place and the remedy */
    public static function read(Node $node): self
    {
        self::FORMAT === $node->string('format') || throw $node->refuse('format', sprintf('this is not %s.', self::FORMAT));
        $fragments = [];
        foreach ($node->node('fragments')->keys() as $name) {
            $fragments[$name] = array_map(MishapWay::operation(...), $node->node('fragments')->nodes($name));
        }
        $mishaps = [];
        foreach ($node->nodes('mishaps') as $one) {
            $mishaps[$one->string('id')] = Mishap::read($one, $fragments);
        }

        return new self($mishaps);
    }
}
