<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fact\FollowUpClosed;
use NimbleKnuckle\Core\Bench\Fact\Signed;
use NimbleKnuckle\Core\Bench\Fact\Stopped;
use NimbleKnuckle\Core\Bench\Fact\Waived;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Procedure\StepKind;

/** Waiving, closing a follow-up, stopping and signing off: what the server alone judges. */
final readonly class EndLaw
{
    public const ON_HOLD = 'on-hold';
    public const CANCELLED = 'cancelled';
    private const STOPS = [self::ON_HOLD, self::CANCELLED];

    public function __construct(private Fit $fit, private Authority $hand)
    {
    }

    /** @throws InvalidEvent */
    public function ensure(FitEvent $event): void
    {
        match ($event->type) {
            EventType::Waived => $this->ensureWaivable($event),
            EventType::FollowUpClosed => $this->ensureBooked($event),
            EventType::Stopped => $this->ensureStoppable($event),
            EventType::TakenUp => $this->ensureStopped(),
            default => $this->ensureSignable($event),
        };
    }

    private function ensureWaivable(FitEvent $event): void
    {
        $fact = $event->as(Waived::class);
        $end = array_values(
            array_filter(SignOff::of($this->fit)->looseEnds(), static fn (LooseEnd $one): bool => $one->id === $fact->end),
        )[0] ?? null;
        null !== $end || throw InvalidEvent::in('end', 'That is not open any more. Look at the list again.');
        $end->kind->canHurt() && !$this->hand->may(BenchRight::WaiveDanger) && throw InvalidEvent::in(
            'end', sprintf('%s: %s can hurt somebody. A mechanic or a lead waives it.', $end->what, $end->kind->label()),
        );
        $fact->as === $end->since || throw InvalidEvent::in(
            'as', sprintf('%s has changed meanwhile: %s.', $end->what, $end->since),
        );
    }

    private function ensureBooked(FitEvent $event): void
    {
        $closed = $event->as(FollowUpClosed::class)->followUp;
        foreach ($this->fit->sheet->doing(StepKind::Book) as $step) {
            if ($step->asking->followUp->id === $closed) {
                $this->fit->state->isDone($step->id) || throw InvalidEvent::in('follow_up', 'That check is not booked.');
                isset($this->fit->state->followUps[$step->asking->followUp->id])
                    && throw InvalidEvent::in('follow_up', 'That check is done already.');

                return;
            }
        }

        throw InvalidEvent::in('follow_up', 'There is no such check on this fit.');
    }

    /** A mechanic puts a fit on hold; over loose ends only a lead cancels. */
    private function ensureStoppable(FitEvent $event): void
    {
        $kind = $event->as(Stopped::class)->kind;
        in_array($kind, self::STOPS, true) || throw InvalidEvent::in('kind', 'A fit is put on hold, or it is cancelled.');
        $this->hand->may(BenchRight::StopFits) || throw InvalidEvent::in('kind', 'A mechanic or a lead stops a fit.');
        $open = count(SignOff::of($this->fit)->looseEnds());
        self::CANCELLED !== $kind || 0 === $open || $this->hand->may(BenchRight::Overrule) || throw InvalidEvent::in('kind', sprintf(
            '%d loose %s open: close %s first, or a lead cancels.', $open, 1 === $open ? 'end is' : 'ends are', 1 === $open ? 'it' : 'them',
        ));
    }

    private function ensureStopped(): void
    {
        null !== $this->fit->state->stopped || throw InvalidEvent::in('fit', 'This fit is in hand: nobody stopped it.');
        $this->hand->may(BenchRight::StopFits) || throw InvalidEvent::in('fit', 'A mechanic or a lead takes a fit up again.');
    }

    private function ensureSignable(FitEvent $event): void
    {
        $refusals = SignOff::of($this->fit)->refusals($this->hand);
        [] === $refusals || throw InvalidEvent::in('fit', implode(' ', $refusals));
        $fact = $event->as(Signed::class);
        $count = count(SignOff::of($this->fit)->review());
        $fact->seen === $count || throw InvalidEvent::in(
            'seen',
            sprintf('There %s %d %s to look at before signing.', 1 === $count ? 'is' : 'are', $count, 1 === $count ? 'entry' : 'entries'),
        );
        // What was shown is what is signed: whatever was marked after it has to be looked at first.
        $fact->shown === (new FitNarrative($this->fit))->facts() || throw InvalidEvent::in(
            'shown', 'Something was marked since you looked: look at the fit once more, then sign.',
        );
    }
}
