<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\State\Hold;

/** The stage of a fill routine, and a hold that was too short. */
final readonly class Filling implements Shown
{
    public function __construct(
        public ?Fill $fill,
        public ?Hold $short,
    ) {
    }
}
