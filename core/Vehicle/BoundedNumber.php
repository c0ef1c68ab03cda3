<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** Numbers of a document that must lie between two bounds, in the unit its schema states; nought where nothing stands. */
final readonly class BoundedNumber
{
    public static function within(Node $node, string $name, float $low, float $high): float
    {
        $value = $node->float($name, 0.0);

        return $value >= $low && $value <= $high ? $value : throw $node->refuse(
            $name, sprintf('a number from %s to %s is needed.', $low, $high),
        );
    }
}
