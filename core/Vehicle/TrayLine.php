<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** So many like things that come off with an item: screws, push pins, clips, connectors. */
final readonly class TrayLine
{
    public function __construct(public string $thing, public int $count, public string $tool = '')
    {
        $count > 0 || throw new \DomainException('A tray line needs at least one thing.');
    }

    public static function read(Node $node): self
    {
        $count = $node->int('count');

        return $count > 0 && $count <= 200 ? new self(
            $node->string('thing'), $count, $node->string('tool', ''),
        ) : throw $node->refuse('count', 'a count of 1 to 200 is needed.');
    }

    /** @return array{thing: string, count: int, tool: string} */
    public function toArray(): array
    {
        return ['thing' => $this->thing, 'count' => $this->count, 'tool' => $this->tool];
    }
}
