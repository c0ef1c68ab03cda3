<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Length;

/** What lies between head and thread: plain shank, thread, and what is clamped. */
final readonly class Grip
{
    private function __construct(public Length $shank, public Length $threaded, public string $member)
    {
    }

    public static function read(Node $node): self
    {
        return new self(
            Length::millimetres($node->float('shank', 0.0)), Length::millimetres($node->float('threaded', 0.0)),
            $node->string('member', ''),
        );
    }

    /** Whether the sheet tells. */
    public function isKnown(): bool
    {
        return $this->shank->plus($this->threaded)->millimetres > 0.0;
    }
}
