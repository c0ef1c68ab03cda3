<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\InvalidEvent;

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
            EventType::PutIn => $isIn && throw InvalidEvent::in('thing', sprintf('The %s is in already.', $event->string('thing'))),
            EventType::TakenOut => $isIn || throw InvalidEvent::in('thing', sprintf('No %s was put in.', $event->string('thing'))),
            default => in_array(
                $event->string('tool'), $this->fit->toolsListed($step), true,
            ) || throw InvalidEvent::in('tool', 'That tool is not on the list of this sheet.'),
        };
    }
}
