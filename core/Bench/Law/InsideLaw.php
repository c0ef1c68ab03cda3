<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** What is put in and taken out again, and the count of the tools. */
final readonly class InsideLaw
{
    public function __construct(private Fit $fit)
    {
    }

    /** @throws InvalidEvent */
    public function ensure(FitEvent $event): void
    {
        $step = $this->fit->sheet->step($event->string('step')) ?? throw InvalidEvent::in('step', 'Say at which step.');
        $isIn = isset($this->fit->state->inside[$step->id.' '.$event->string('thing')]);
        match ($event->type) {
            EventType::PutIn => $this->ensureMayGoIn($step, $event->string('thing'), $isIn),
            EventType::TakenOut => $this->ensureMayComeOut($step, $event->string('thing'), $isIn),
            default => in_array(
                $event->string('tool'), $this->fit->toolsListed($step), true,
            ) || throw InvalidEvent::in('tool', 'That tool is not on the list of this sheet.'),
        };
    }

    private function ensureMayGoIn(Step $step, string $thing, bool $isIn): bool
    {
        !$isIn || throw InvalidEvent::in('thing', sprintf('The %s is in already.', $thing));
        foreach ($step->needs->puts as $put) {
            $put->thing !== $thing || !$put->forGood || !isset($this->fit->state->everInside[$step->id.' '.$thing])
                || throw InvalidEvent::in('thing', sprintf('The %s was counted away for good: it must not go back in.', $thing));
        }

        return true;
    }

    /** What holds a new part comes out for good: not before that part is bolted. */
    private function ensureMayComeOut(Step $step, string $thing, bool $isIn): bool
    {
        $isIn || throw InvalidEvent::in('thing', sprintf('No %s was put in.', $thing));
        $loose = $this->fit->looseUnder($step, $thing);
        null === $loose || throw InvalidEvent::in('thing', sprintf(
            'Tighten the %s first: the %s comes out once it is bolted.', $loose->name, $thing,
        ));

        return true;
    }
}
