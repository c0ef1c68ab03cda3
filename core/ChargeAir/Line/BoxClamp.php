<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

use NimbleKnuckle\Core\ChargeAir\BandClamp;
use NimbleKnuckle\Core\Document\Node;

/** A clamp of the box, closing from so much to so much. mm. */
final readonly class BoxClamp
{
    private function __construct(public string $name, public float $from, public float $to, public BandClamp $kind)
    {
    }

    public static function read(Node $node): self
    {
        [$from, $to] = [$node->float('from'), $node->float('to')];
        $from > 0.0 && $from < $to && $to <= 350.0 || throw $node->refuse('to', 'a clamp goes from the smaller to the larger, to 350 mm.');

        return new self($node->string('name'), $from, $to, $node->enum('kind', BandClamp::class, BandClamp::TBolt));
    }
}
