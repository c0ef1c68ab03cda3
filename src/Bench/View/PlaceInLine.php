<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Sheet\Step;

/** Where in the sheet the step stands. */
final readonly class PlaceInLine implements Shown
{
    /** @param list<array{phase: Phase, done: int, all: int, state: string, step: string}> $ruler */
    public function __construct(
        public int $place,
        public ?Step $previous,
        public ?Step $following,
        public array $ruler,
    ) {
    }
}
