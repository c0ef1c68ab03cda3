<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

/** One kind of thing that is held to what it was: seeded, the same each time. */
interface Pin
{
    /** @return iterable<string, mixed> name => what it was found to be */
    public static function values(): iterable;
}
