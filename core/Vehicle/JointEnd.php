<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Place;
use NimbleKnuckle\Core\Plan\Side;

/** One end of a joint: which, from where it is reached and with what off, with which tool, and how the body must sit for it. */
final readonly class JointEnd
{
    public const NAMES = ['head', 'nut', 'upper', 'lower'];
    public const BODY = ['either', 'weight', 'lifted'];

    /**
     * @param list<string> $behind ids of the items that must be off for this end, besides those before the item itself
     * @param string $body whether it is reached with the body at its weight, lifted, or either way
     * @param bool $isHeld held still while the other end is turned
     */
    private function __construct(
        public string $name, public Place $place, public Side $side, public array $behind, public string $tool, public string $toolOff,
        public string $body, public bool $isHeld,
    ) {
    }

    public static function read(Node $node): self
    {
        $name = $node->string('end');
        in_array($name, self::NAMES, true) || throw $node->refuse(
            'end', sprintf('“%s” is none of %s.', $name, implode(', ', self::NAMES)),
        );
        $body = $node->string('body', 'either');
        in_array($body, self::BODY, true) || throw $node->refuse('body', 'say weight, lifted or either.');
        $tool = $node->string('tool', '');

        return new self(
            $name, $node->enum('place', Place::class, Place::Anywhere), $node->enum('side', Side::class, Side::Anywhere),
            $node->strings('behind'), $tool, $node->string('tool_off', $tool), $body, $node->bool('held'),
        );
    }
}
