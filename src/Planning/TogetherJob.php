<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\Core\Sheet\Sheet;

/** One of several jobs planned together: likely minutes alone, likely minutes it adds to the others, and what it shares. */
final readonly class TogetherJob
{
    /** @param list<string> $shares titles */
    public function __construct(public string $title, public float $alone, public float $adds, public array $shares)
    {
    }

    /**
     * Likely minutes saved against doing the jobs one after the other; negative where it costs more.
     *
     * @param list<self> $jobs
     */
    public static function saved(array $jobs, Sheet $sheet): float
    {
        return [] === $jobs ? 0.0 : array_sum(array_map(static fn (self $one): float => $one->alone, $jobs)) - $sheet->timing->likely;
    }
}
