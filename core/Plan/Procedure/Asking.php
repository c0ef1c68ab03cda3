<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;

/** What a step wants to know: fields to measure, a sum to work out, a routine that fills, a check for later. */
final readonly class Asking
{
    /** @param list<Ask> $asks */
    public function __construct(
        public array $asks = [],
        public string $sum = '',
        public string $routine = '',
        public FollowUp $followUp = new FollowUp('', '', '', '', 0, 0),
    ) {
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->each('asks', Ask::read(...)), $node->string('sum', ''), self::routineOf($node),
            $node->has('follow_up') ? FollowUp::read($node->node('follow_up')) : FollowUp::none(),
        );
    }

    private static function routineOf(Node $node): string
    {
        $name = $node->string('routine', '');

        return '' === $name || null !== FillRoutine::named($name) ? $name : throw $node->refuse(
            'routine', sprintf('the routines are %s.', implode(', ', FillRoutine::names())),
        );
    }
}
