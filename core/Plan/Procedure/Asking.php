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

    /** What either wants to know; of one field the first asks, and it guards what either wants guarded. */
    public function and(self $other): self
    {
        $asks = array_column($this->asks, null, 'field');
        foreach ($other->asks as $ask) {
            $asks[$ask->field] = isset($asks[$ask->field]) ? $asks[$ask->field]->and($ask) : $ask;
        }

        return new self(
            array_values($asks), '' === $this->sum ? $other->sum : $this->sum, '' === $this->routine ? $other->routine : $this->routine,
            $this->followUp->isNone() ? $other->followUp : $this->followUp,
        );
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
