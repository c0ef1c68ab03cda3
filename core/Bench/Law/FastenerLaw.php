<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\Ladder;

/** A fastener goes up its ladder rung by rung; back down at once. Which one comes first is said, not refused. */
final readonly class FastenerLaw
{
    public function __construct(private Fit $fit)
    {
    }

    /** @throws InvalidEvent */
    public function ensure(FitEvent $event): void
    {
        $joint = $this->fit->vehicle->joints[$event->string('joint')] ?? throw InvalidEvent::in(
            'joint', 'There is no such joint on this vehicle.',
        );
        $bolt = $event->int('bolt');
        ($bolt >= 1 && $bolt <= $joint->count()) || throw InvalidEvent::in(
            'bolt', sprintf('This joint has fasteners 1 to %d.', $joint->count()),
        );
        $stage = $event->int('stage');
        $ladder = Ladder::of($joint);
        $ladder->has($stage) || throw InvalidEvent::in('stage', 'There is no such pass on this joint.');
        $now = $this->fit->state->stage($joint->id, $bolt);
        $stage <= $now + 1 || throw InvalidEvent::in(
            'stage',
            sprintf(
                'Bolt %d is %s: “%s” comes before “%s”.', $bolt, $ladder->label($now), $ladder->label($now + 1),
                $ladder->label($stage),
            ),
        );
    }
}
