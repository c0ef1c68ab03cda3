<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/** One answer, or one way: its reason and what it changes in steps, time, tools and risk. */
final readonly class Option
{
    public function __construct(
        public string $id, public string $label, public string $reason, public string $changes,
        public ThreadTreatment $coat,
    ) {
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('id'), $node->string('label'), $node->string('reason', ''), $node->string('changes', ''),
            ThreadTreatment::read($node->node('coat')),
        );
    }
}
