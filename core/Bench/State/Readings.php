<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;

/** What the steps of a fit ask for, and what was answered. */
final readonly class Readings
{
    public function __construct(private Sheet $sheet, private FitState $state)
    {
    }

    /** @return list<Ask> what a step wants to know, held against what has been read before where that is how it is held */
    public function asks(Step $step): array
    {
        return array_map(fn (Ask $ask): Ask => $ask->resolved(
            fn (string $field): ?float => $this->state->readingOf($field)?->value,
        ), $step->asking->asks);
    }

    /** What a field of a step is called. */
    public function label(string $step, string $field): string
    {
        foreach ($this->sheet->step($step)->asking->asks ?? [] as $ask) {
            if ($ask->field === $field) {
                return $ask->label;
            }
        }

        return $field;
    }

    /** The answer chosen last where a reading is chosen and not measured, by its id; empty where there is none. */
    public function answer(string $field): string
    {
        $reading = $this->state->readingOf($field);
        foreach ($this->sheet->step($reading?->event->step() ?? '')->asking->asks ?? [] as $ask) {
            if ($ask->field === $field && null !== $reading) {
                $choice = $ask->limits->choices[(int) round($reading->value) - 1] ?? null;

                return null === $choice ? '' : $choice->id;
            }
        }

        return '';
    }
}
