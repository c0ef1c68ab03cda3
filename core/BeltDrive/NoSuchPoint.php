<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\CoreException;

/** No point lies at those distances, in mm. */
final class NoSuchPoint extends \DomainException implements CoreException
{
    public static function tooFew(): self
    {
        return new self('Two distances to known points are needed.');
    }

    public static function samePoint(): self
    {
        return new self('The two known points are one: measure from another.');
    }

    public static function apart(float $base, float $a, float $b): self
    {
        return new self(sprintf(
            'No point is %s mm from the one and %s mm from the other: they are %s mm apart. Measure both again, centre to centre.',
            round($a, 1), round($b, 1), round($base, 1),
        ));
    }
}
