<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** Numbers for the working lines: enough digits to follow, no more. In the unit of the line, mm or N or what is printed behind. */
final readonly class Show
{
    public static function n(float $value, int $significant = 4): string
    {
        return str_replace('−', '-', Digits::significant($value, $significant, true));
    }
}
