<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** So many like ends that are unplugged, unclipped or slid off on the way to an item, and what stands still until they are back. */
final readonly class ItemEnd
{
    public const GUARDS = ['', 'start', 'brake', 'fuel', 'oil', 'gate'];

    /**
     * @param string $guards what must not be before it is back: a start, or the circuit that it belongs to; empty for none
     * @param string $joint the joint that holds it, of an earth lead or a banjo; empty for none
     */
    private function __construct(
        public string $name, public EndKind $kind, public int $count, public string $guards, public string $joint, public string $tool,
        public string $note,
    ) {
    }

    public static function read(Node $node): self
    {
        $count = $node->int('count', 1);
        $count > 0 && $count <= 200 || throw $node->refuse('count', 'a count of 1 to 200 is needed.');
        $guards = $node->string('guards', '');
        in_array($guards, self::GUARDS, true) || throw $node->refuse(
            'guards', sprintf('“%s” is none of %s.', $guards, implode(', ', array_filter(self::GUARDS))),
        );

        return new self(
            $node->string('name'), $node->enum('kind', EndKind::class), $count, $guards, $node->string('joint', ''),
            $node->string('tool', ''), $node->string('note', ''),
        );
    }

    /** Whether nothing may be started before it is back: all that guards anything does. */
    public function guardsTheStart(): bool
    {
        return '' !== $this->guards;
    }
}
