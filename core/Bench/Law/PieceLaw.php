<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\PieceCount;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\TrayLine;

/** Pieces are counted, fall, break and are replaced only as far as there are any. */
final readonly class PieceLaw
{
    /** More than this of one kind is a slip of the finger, not a vehicle that differs from its sheet. */
    private const MOST_OVER = 20;

    public function __construct(private Fit $fit)
    {
    }

    /** @throws InvalidEvent */
    public function ensure(FitEvent $event): void
    {
        if (EventType::Found === $event->type) {
            isset($this->fit->state->dropped[$event->string('dropped')])
                || throw InvalidEvent::in('dropped', 'Nothing like that is missing.');
        } elseif (EventType::CountedAll === $event->type) {
            $this->ensureAll($this->step($event));
        } elseif ('' !== $event->string('thing') || !in_array($event->type, [EventType::Dropped, EventType::Mishap], true)) {
            $this->ensureOne($this->step($event), $event);
        }
    }

    private function ensureOne(Step $step, FitEvent $event): void
    {
        $line = $this->line($step, $event->string('thing'));
        $count = $this->fit->pieces()->of($step, $line);
        match ($event->type) {
            EventType::Counted => Deed::Remove === $step->deed
                ? $this->ensureIntoTray($count, $event->int('by'))
                : $this->ensureBack($count, $event->int('by')),
            EventType::Replaced => $count->fresh < $count->expected || throw InvalidEvent::in(
                'thing', 'More new ones than there are places.',
            ),
            default => $this->ensureThereIsOne($step, $count),
        };
    }

    private function ensureIntoTray(PieceCount $count, int $by): void
    {
        $count->tray + $by >= 0 || throw InvalidEvent::in('by', 'A tray cannot hold less than nothing.');
        $count->tray + $by <= $count->expected + self::MOST_OVER || throw InvalidEvent::in(
            'by', sprintf('The sheet says %d. Correct the sheet if there are more.', $count->expected),
        );
    }

    private function ensureBack(PieceCount $count, int $by): void
    {
        $count->back + $by >= 0 || throw InvalidEvent::in('by', 'A tray cannot hold less than nothing.');
        $by <= 0 || $count->back + $by <= $count->atHand() || throw self::noneLeft($count);
    }

    private function ensureThereIsOne(Step $step, PieceCount $count): void
    {
        $left = Deed::Remove === $step->deed && !$count->isOff ? $count->expected - $count->lost() - $count->broken() : $count->atHand();
        $left > 0 || throw self::noneLeft($count);
    }

    private function ensureAll(Step $step): void
    {
        [] !== $step->needs->tray || throw InvalidEvent::in('step', 'There is nothing to count at this step.');
        foreach ($this->fit->pieces()->ofTray($step) as $count) {
            $all = Deed::Remove === $step->deed ? $count->room() : $count->atHand();
            $all >= $count->expected || throw self::noneLeft($count);
        }
    }

    private static function noneLeft(PieceCount $count): InvalidEvent
    {
        return InvalidEvent::in('thing', sprintf('%s: %s. Say what was found or what is new.', ucfirst($count->thing), $count->inWords()));
    }

    private function step(FitEvent $event): Step
    {
        return $this->fit->sheet->step($event->string('step')) ?? throw InvalidEvent::in('step', 'Say at which step.');
    }

    private function line(Step $step, string $thing): TrayLine
    {
        foreach ($step->needs->tray as $line) {
            if ($line->thing === $thing) {
                return $line;
            }
        }

        throw InvalidEvent::in('thing', 'That does not belong to this tray.');
    }
}
