<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Phase;

/** One line of a procedure, vehicle-free: what it acts on is a role that the vehicle sheet fills. */
final readonly class Operation
{
    /** @param list<string> $tags facts the linter looks for, such as “flash” or “external-gate” */
    public function __construct(
        public string $id,
        public StepKind $deed,
        public OperationTarget $aim,
        public Words $words,
        public StepTiming $slot,
        public Needs $needs,
        public Asking $asking,
        public array $tags = [],
    ) {
    }

    /** Both as one: all that either says, takes and asks, once where they are the same; it lasts as long as the longer. */
    public function and(self $other): self
    {
        return new self(
            $this->id, $this->deed, $this->aim, $this->words->and($this->toldOf($other)), $this->slot->and($other->slot),
            $this->needs->and($other->needs), $this->asking->and($other->asking),
            array_values(array_unique([...$this->tags, ...$other->tags])),
        );
    }

    /** The other's words; where it goes by another name, that is said with them. */
    private function toldOf(self $other): Words
    {
        $known = mb_strtolower($this->words->title.' '.$this->words->text);
        $new = array_filter(
            preg_split('/[^\p{L}\p{N}]+/u', mb_strtolower($other->words->title)) ?: [],
            static fn (string $word): bool => mb_strlen($word) > 3 && !str_contains($known, $word),
        );
        $title = [] === $new ? '' : rtrim($other->words->title, '.').'.';

        return new Words(
            $other->words->title, trim($title.' '.$other->words->text), $other->words->why, $other->words->orientation,
            $other->words->cautions, $other->words->second,
        );
    }

    /** @param callable(string): int $count how many fasteners a joint of a role has */
    public function spread(callable $count): self
    {
        $asking = $this->asking->spread($count);

        return $asking === $this->asking ? $this : new self(
            $this->id, $this->deed, $this->aim, $this->words, $this->slot, $this->needs, $asking, $this->tags,
        );
    }

    public function named(string $id, Phase $phase): self
    {
        return $id === $this->id && $phase === $this->slot->phase ? $this : new self(
            $id, $this->deed, $this->aim, $this->words, $this->slot->in($phase), $this->needs, $this->asking, $this->tags,
        );
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('id'), $node->enum('do', StepKind::class), OperationTarget::read($node), Words::read(
                $node, $node->string('title', '')
            ),
            StepTiming::read($node), Needs::read($node), Asking::read($node), $node->strings('tags'),
        );
    }
}
