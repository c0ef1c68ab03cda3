<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Tightening\Layout;

/** Where the bolts sit, what the card says beside each, and in which order they are tightened. */
final readonly class Pattern
{
    /**
     * @param list<string> $labels what the card says beside each fastener, in order
     * @param list<int> $first fasteners tightened before the others, the big one among small ones
     */
    private function __construct(public Layout $layout, public string $outline, public array $labels, public array $first)
    {
    }

    public static function read(Node $node): self
    {
        try {
            $layout = Layout::parse($node->raw()['layout'] ?? null);
        } catch (InvalidInput $e) {
            throw $node->refuse('layout', $e->getMessage());
        }

        return new self($layout, $node->string('outline', 'plate'), $node->strings('labels'), self::firstOf($node, $layout));
    }

    public function count(): int
    {
        return $this->layout->count();
    }

    /** @return list<int> those that go first, then the others as the layout says */
    public function order(): array
    {
        return [...$this->first, ...array_values(array_diff($this->layout->order(), $this->first))];
    }

    /** @return list<int> */
    private static function firstOf(Node $node, Layout $layout): array
    {
        $first = array_values(array_unique(array_map(intval(...), $node->floats('first'))));
        foreach ($first as $bolt) {
            $bolt >= 1 && $bolt <= $layout->count() || throw $node->refuse(
                'first', sprintf('the fasteners are numbered 1 to %d.', $layout->count()),
            );
        }

        return $first;
    }
}
