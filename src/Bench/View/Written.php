<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\Event\FitEvent;

/** What was noted, pinned or done here and may be taken back. */
final readonly class Written implements Shown
{
    /**
     * @param list<FitEvent> $notes
     * @param list<FitEvent> $pins
     */
    public function __construct(
        public ?FitEvent $undo,
        public string $undoWords,
        public array $notes,
        public array $pins,
    ) {
    }
}
