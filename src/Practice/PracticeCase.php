<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use NimbleKnuckle\Core\Clutch\StackDrawing;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Spark\SetDrawing;

/** What is looked at in practice, what can be said of it, and what it is. */
final readonly class PracticeCase
{
    /**
     * @param ?Plot $plot without any hint; null where it is a row of trials
     * @param list<array{drawing: StackDrawing, said: string, height: float, pulls: string}> $trials
     * @param array<string, string> $calls what can be called => in words
     * @param string $is which of them it is
     * @param string $next what to do then: “go-on”, “look”, “stop”
     * @param string $why what shows it
     */
    public function __construct(
        public ?Plot $plot, public array $trials, public string $given, public array $calls, public string $is, public string $next,
        public string $why, public ?SetDrawing $plugs = null,
    ) {
    }
}
