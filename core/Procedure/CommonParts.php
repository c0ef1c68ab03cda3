<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** Operations written once and included by many procedures, and the moves the compiler puts in by itself. */
final readonly class CommonParts
{
    public const FORMAT = 'nimble-knuckle/common@1';

    /** What the compiler puts in by itself. */
    private const NEEDED = [
        'raise', 'lower', 'tool-count', 'ends-look', 'ends-look-below', 'cold-hands', 'wheel-loosen', 'wheel-off-nuts', 'wheel-off-bolts',
        'wheel-on-nuts', 'wheel-on-bolts', 'wheel-tighten', 'wheel-recheck',
    ];

    /**
     * @param array<string, list<Operation>> $fragments
     * @param list<ChoiceGroup> $ways asked of every fit whose joints they change
     */
    private function __construct(private array $fragments, public array $ways)
    {
    }

    public static function read(Node $node): self
    {
        self::FORMAT === $node->string('format') || throw $node->refuse('format', sprintf('this is not %s.', self::FORMAT));
        $fragments = [];
        foreach ($node->node('fragments')->keys() as $name) {
            $fragments[$name] = array_map(Operation::read(...), $node->node('fragments')->nodes($name));
        }
        foreach (self::NEEDED as $needed) {
            1 === count($fragments[$needed] ?? []) || throw $node->refuse('fragments.'.$needed, 'exactly one operation is needed here.');
        }

        return new self($fragments, array_map(
            static fn (Node $group): ChoiceGroup => ChoiceGroup::read($group, true), $node->nodes('ways'),
        ));
    }

    /** @return list<Operation>|null */
    public function fragment(string $name): ?array
    {
        return $this->fragments[$name] ?? null;
    }

    public function move(string $name): Operation
    {
        return $this->fragments[$name][0];
    }
}
