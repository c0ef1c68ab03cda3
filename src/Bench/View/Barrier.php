<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Safety\Obstacle;

/** What bars the step, and who may pass it. */
final readonly class Barrier implements Shown
{
    /**
     * @param list<Obstacle> $gate
     * @param list<Obstacle> $stops
     * @param list<string> $reasons
     */
    public function __construct(
        public array $gate,
        public bool $mayPass,
        public array $stops,
        public array $reasons,
    ) {
    }
}
