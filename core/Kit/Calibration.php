<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Kit;

/** A wrench's calibration holds twelve months, ISO 6789-1. */
final readonly class Calibration
{
    /** Whole days since the calibration ran out; 0 while it holds. */
    public static function daysPast(\DateTimeImmutable $calibrated, \DateTimeImmutable $today): int
    {
        $due = $calibrated->modify('+12 months');

        return $due >= $today ? 0 : max(1, (int) $due->diff($today)->format('%a'));
    }
}
