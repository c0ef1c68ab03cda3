<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fact\PartJudged;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Renewal\Came;
use NimbleKnuckle\Core\Bench\Renewal\RenewList;
use NimbleKnuckle\Core\Bench\Renewal\Worn;
use NimbleKnuckle\Core\Bench\Renewal\WornBy;

/** Whether a part may be judged so: what it was judged by has to be a measure, and what says new is used again by a lead alone. */
final readonly class RenewLaw
{
    public function __construct(private Fit $fit, private Authority $hand)
    {
    }

    /** @throws InvalidEvent naming the field and the remedy */
    public function ensure(FitEvent $event): void
    {
        $fact = $event->as(PartJudged::class);
        $name = trim($fact->name);
        $known = RenewList::of($this->fit)->came[$fact->part] ?? null;
        null !== $known || ('' !== $name && Came::key($name) === $fact->part) || throw InvalidEvent::in(
            'name', 'Say which part it is.',
        );
        in_array($fact->verdict, [Worn::REUSE, Worn::RENEW], true) || throw InvalidEvent::in('verdict',
            'Say whether it goes back in, or a new one does.');
        $by = WornBy::tryFrom($fact->by) ?? throw InvalidEvent::in('by', 'Say what it was judged by.');
        WornBy::Nail !== $by || throw InvalidEvent::in(
            'by', 'A fingernail does not measure hardness: use a Shore gauge, or go by cracks, age and swelling.',
        );
        $this->ensureRead($by, $event, $known);
        $worn = Worn::of($known ?? Came::other($name), $event);
        if ($worn->isAgainst()) {
            '' !== trim($event->reason()) || throw InvalidEvent::in('reason', sprintf('%s Say why it goes back in.', $worn->why));
            $this->hand->may(BenchRight::Overrule)
                || throw InvalidEvent::in('verdict', sprintf('%s Only a lead puts it back in.', $worn->why));
        }
    }

    private function ensureRead(WornBy $by, FitEvent $event, ?Came $known): void
    {
        $fact = $event->as(PartJudged::class);
        [$value, $least, $most] = [$fact->value, $fact->least, $fact->most];
        min($value, $least, $most) >= 0.0 || throw InvalidEvent::in('value', 'What was read and its limit are nothing or more.');
        if (!$by->isRead() || Worn::RENEW === $fact->verdict) {
            return;
        }
        $value > 0.0 || WornBy::Wear === $by || throw InvalidEvent::in('value', sprintf('Write down what was read, in %s.', $by->unit()));
        max($least, $most, WornBy::Length === $by ? $known->longest ?? 0.0 : 0.0) > 0.0 || throw InvalidEvent::in(
            'most', 'A reading without a limit says nothing: look the limit up with the maker, or judge it by its look.',
        );
        0.0 === $most || $least <= $most || throw InvalidEvent::in('least', 'The least is more than the most.');
    }
}
