<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Sheet\Step;

/** The row of seven notches: which phases are closed, which one is on, how far each is. */
final readonly class PhaseRuler
{
    public function __construct(private Fit $fit, private ?Phase $now)
    {
    }

    /** @return list<array{phase: Phase, done: int, all: int, state: string, step: string}> */
    public function notches(): array
    {
        $notches = [];
        foreach (Phase::cases() as $phase) {
            $steps = $this->fit->sheet->inPhase($phase);
            $done = count(array_filter($steps, fn (Step $step): bool => $this->fit->state->isClosed($step->id)));
            $open = array_values(array_filter($steps, fn (Step $step): bool => !$this->fit->state->isClosed($step->id)));
            $state = match (true) {
                $phase === $this->now => 'now',
                [] === $steps, $done === count($steps) => 'closed',
                default => 'open',
            };
            $notches[] = [
                'phase' => $phase, 'done' => $done, 'all' => count($steps), 'state' => $state,
                'step' => ($open[0] ?? $steps[0] ?? null)->id ?? '',
            ];
        }

        return $notches;
    }
}
