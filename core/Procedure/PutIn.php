<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** Something that does not belong to the vehicle and goes in for a while: a rag, a plug, a bar, a lock, a cap. */
final readonly class PutIn
{
    /**
     * @param string $outBefore the step it must be out for; empty for the first start
     * @param bool $forGood once it is out it must not go back in: what held a new part until it was bolted
     */
    public function __construct(public string $thing, public string $outBefore, public bool $forGood = false)
    {
    }

    public function before(string $outBefore): self
    {
        return new self($this->thing, $outBefore, $this->forGood);
    }

    public static function read(Node $node): self
    {
        return new self($node->string('thing'), $node->string('out_before', ''), $node->bool('for_good'));
    }

    /** @return list<string> the operations it must be out for; the first that is on the sheet counts (“a|b”) */
    public function outs(): array
    {
        return '' === $this->outBefore ? [] : explode('|', $this->outBefore);
    }

    /** @return array<string, string|bool> */
    public function toArray(): array
    {
        return ['thing' => $this->thing] + ('' === $this->outBefore ? [] : ['out_before' => $this->outBefore])
            + ($this->forGood ? ['for_good' => true] : []);
    }
}
