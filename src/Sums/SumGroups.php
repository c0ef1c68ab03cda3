<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumBook;

/** The sums as the list shows them: by what the mechanic is at. */
final readonly class SumGroups
{
    private const ORDER = [
        'Cause', 'What is the figure', 'How to tighten it', 'Is it tight, may it go back', 'What turns', 'Charge air',
        'Gate and boost', 'Slip clutch', 'Lifting and mounts', 'Spark and starting', 'Faces and rings', 'Coolant and oil',
        'Pictures', 'Time',
    ];

    /** @return array<string, list<Sum>> */
    public static function of(SumBook $book): array
    {
        $groups = array_fill_keys(self::ORDER, []);
        foreach ($book->all() as $sum) {
            $groups[$sum->about()->group][] = $sum;
        }

        return array_filter($groups);
    }
}
