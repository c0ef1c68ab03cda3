<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** What a circuit is filled with: base fluid and family, the strength wanted and that of the product, in percent. */
final readonly class CoolantSpec
{
    public function __construct(public string $base, public string $family, public float $target, public float $product)
    {
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->string('base', ''), $node->string('family', ''), $node->float('target', 50.0), $node->float('product', 100.0),
        );
    }
}
