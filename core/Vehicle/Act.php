<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Place;
use NimbleKnuckle\Core\Plan\Side;

/** Something that is done on an item where it sits (turned, read, looked at, held), and what must be off or where one stands for it. */
final readonly class Act
{
    public const KINDS = ['turn', 'read', 'look', 'hold'];

    /** @param list<string> $behind ids of the items that must be off for it */
    private function __construct(
        public string $act, public array $behind, public Place $place, public Side $side, public string $tool, public string $note,
    ) {
    }

    public static function read(Node $node): self
    {
        $act = $node->string('act');
        in_array($act, self::KINDS, true) || throw $node->refuse(
            'act', sprintf('“%s” is none of %s.', $act, implode(', ', self::KINDS)),
        );

        return new self(
            $act, $node->strings('behind'), $node->enum('place', Place::class, Place::Anywhere),
            $node->enum('side', Side::class, Side::Anywhere), $node->string('tool', ''), $node->string('note', ''),
        );
    }
}
