<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumBook;

/** The sums as the list shows them: by what the mechanic is at. */
final readonly class SumGroups
{
    private const GROUPS = [
        'What is the figure' => ['torque-check', 'torque-estimate', 'thread-gauge', 'thread-compound', 'thread-engagement'],
        'How to tighten it' => ['wrench-set', 'wrench-pick', 'tighten-order', 'angle-tighten', 'part-turn', 'even-take-up'],
        'Is it tight, may it go back' => ['trace-judge', 'bolt-reuse'],
        'Faces and rings' => ['seal-squeeze'],
        'Coolant and oil' => ['coolant-mix', 'coolant-protect', 'vacuum-fill', 'coolant-level', 'warm-up', 'thermostat-test', 'oil-fill', 'clamp-size'],
    ];

    /** @return array<string, list<Sum>> */
    public static function of(SumBook $book): array
    {
        $left = $book->all();
        $groups = [];
        foreach (self::GROUPS as $title => $names) {
            foreach ($names as $name) {
                if (isset($left[$name])) {
                    $groups[$title][] = $left[$name];
                    unset($left[$name]);
                }
            }
        }

        return [] === $left ? $groups : $groups + ['More' => array_values($left)];
    }
}
