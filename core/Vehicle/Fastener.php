<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** The bolts of a joint: thread, length, grade and hand, and whether they go back in. */
final readonly class Fastener
{
    /** As it was written. */
    public string $thread;

    /**
     * @param list<string> $lengths which bolt goes in which hole: “20 mm” and so on, in the order of the card
     * @param float $longest mm, the maker's limit for using a bolt again
     */
    private function __construct(
        public NamedThread $named, public string $length, public array $lengths, public string $grade, public bool $isLeftHand,
        public string $reuse, public bool $intoYield, public float $longest,
    ) {
        $this->thread = $named->text;
    }

    /** @param int $count how many the pattern has */
    public static function read(Node $node, int $count): self
    {
        $hand = $node->string('hand', 'right');
        in_array($hand, ['right', 'left'], true) || throw $node->refuse('hand', 'a thread is right or left.');
        $lengths = $node->strings('lengths');
        [] === $lengths || count($lengths) === $count || throw $node->refuse(
            'lengths', sprintf('one length for each of the %d fasteners is needed.', $count),
        );

        return new self(
            NamedThread::read($node->string('thread', '')), $node->string('length', ''), $lengths, $node->string('grade', ''),
            'left' === $hand,
            $node->string('reuse', 'reuse'), $node->bool('into_yield'), BoundedNumber::within($node, 'longest', 0.0, 1000.0),
        );
    }

    public function isNew(): bool
    {
        return 'new' === $this->reuse;
    }

    /** Which way a fastener is turned. */
    public function wayOff(): string
    {
        return $this->isLeftHand ? 'clockwise' : 'anticlockwise';
    }

    public function wayOn(): string
    {
        return $this->isLeftHand ? 'anticlockwise' : 'clockwise';
    }
}
