<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;

/** What a step wants to know: fields to measure, a sum to work out, a routine that fills, a check for later, a picture. */
final readonly class Asking
{
    /**
     * @param list<Ask> $asks
     * @param array<string, string> $each field => role of a joint: asked once for each of its fasteners
     */
    public function __construct(
        public array $asks = [],
        public string $sum = '',
        public string $routine = '',
        public FollowUp $followUp = new FollowUp('', '', '', '', 0, 0),
        public array $each = [],
        public ?PictureRequest $shot = null,
    ) {
    }

    /**
     * What is asked of each fastener of a joint, fastener by fastener.
     *
     * @param callable(string): int $count how many a joint of that role has
     */
    public function spread(callable $count): self
    {
        if ([] === $this->each) {
            return $this;
        }
        $once = $rows = [];
        foreach ($this->asks as $ask) {
            $joint = $this->each[$ask->field] ?? '';
            if ('' === $joint) {
                $once[] = $ask;
                continue;
            }
            for ($i = 1, $n = $count($joint); $i <= $n; ++$i) {
                $rows[$i][] = $ask->numbered($i);
            }
        }

        return new self([...array_merge(...$rows), ...$once], $this->sum, $this->routine, $this->followUp, shot: $this->shot);
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
            $this->followUp->isNone() ? $other->followUp : $this->followUp, shot: self::harder($this->shot, $other->shot),
        );
    }

    public static function read(Node $node): self
    {
        $each = [];
        foreach ($node->nodes('asks') as $ask) {
            $ask->has('each') && $each[$ask->string('field')] = $ask->string('each');
        }

        return new self(
            $node->each('asks', Ask::read(...)), $node->string('sum', ''), self::routineOf($node),
            $node->has('follow_up') ? FollowUp::read($node->node('follow_up')) : FollowUp::none(),
            $each, $node->has('photo') ? $node->enum('photo', PictureRequest::class) : null,
        );
    }

    /** A proof is wanted where either wants one. */
    private static function harder(?PictureRequest $one, ?PictureRequest $other): ?PictureRequest
    {
        return PictureRequest::Proof === $other ? $other : $one ?? $other;
    }

    private static function routineOf(Node $node): string
    {
        $name = $node->string('routine', '');

        return '' === $name || null !== FillRoutine::named($name) ? $name : throw $node->refuse(
            'routine', sprintf('the routines are %s.', implode(', ', FillRoutine::names())),
        );
    }
}
