<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fact\TrialKept;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Task\ClutchTrials;
use NimbleKnuckle\Core\Clutch\SpringStack;

/** What may be kept as a trial of a slip clutch: a stack of discs, set lower than it lies loose, pulled three times or more. */
final readonly class TrialLaw
{
    private const MOST_PULLS = 40;
    private const MOST_TORQUE = 5000.0;

    public function __construct(private Fit $fit)
    {
    }

    /** @throws InvalidEvent naming the field and the remedy */
    public function ensure(FitEvent $event): void
    {
        $step = $this->fit->sheet->step($event->step());
        null !== $step && ClutchTrials::areTriedAt($step) || throw InvalidEvent::in('step', 'Nothing is tried at that step.');
        $this->fit->state->isClosed($step->id) && throw InvalidEvent::in('step', 'This step is closed. Open it again first.');
        $known = ClutchTrials::of($this->fit) ?? throw InvalidEvent::in(
            'stack', 'Disc, linings and the slip that is wanted are not known yet: measure them first.',
        );
        $fact = $event->as(TrialKept::class);
        $stack = SpringStack::read($fact->stack) ?? throw InvalidEvent::in(
            'stack', 'Each disc from below as u or d, or so many alike in so many packs: u u d d, or 2p 3s.',
        );
        $height = $fact->height;
        $free = $stack->free($known->clutch->spring);
        $height > 0.0 && $height < $free || throw InvalidEvent::in(
            'height', sprintf('This stack is %s mm high when nothing presses it: its set height is less.', round($free, 2)),
        );
        $stack->deepest($known->clutch->spring, $height) < 1.0 || throw InvalidEvent::in(
            'height', sprintf('At %s mm a disc of it would be flat: measure height and discs again.', round($height, 2)),
        );
        $this->ensurePulls($fact->pulls);
        $fact->threadLeft >= 0.0 && $fact->shims >= 0.0 || throw InvalidEvent::in(
            'thread_left', 'Thread left and shims are nothing or more, in mm.',
        );
    }

    private function ensurePulls(string $text): void
    {
        $words = preg_split('~[\s;/]+~u', trim($text), -1, \PREG_SPLIT_NO_EMPTY) ?: [];
        $pulls = ClutchTrials::numbers($text);
        count($pulls) === count($words) || throw InvalidEvent::in('pulls', 'Each pull is a number in N·m, with a space between.');
        count($pulls) >= ClutchTrials::LEAST_PULLS && count($pulls) <= self::MOST_PULLS || throw InvalidEvent::in(
            'pulls', sprintf('Three pulls or more, each to its peak; here %s.', 1 === count($pulls) ? 'is one' : 'are '.count($pulls)),
        );
        max($pulls) <= self::MOST_TORQUE || throw InvalidEvent::in('pulls', 'A pull is 5 000 N·m at the most.');
    }
}
