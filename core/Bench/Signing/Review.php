<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Signing;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\Measured;
use NimbleKnuckle\Core\Bench\Fact\Mishap;
use NimbleKnuckle\Core\Bench\Fact\Settled;
use NimbleKnuckle\Core\Bench\Fact\Stood;
use NimbleKnuckle\Core\Bench\Fact\Waived;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Renewal\RenewList;
use NimbleKnuckle\Core\Bench\Renewal\Worn;
use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Procedure\StepKind;

/** Everything that did not go as the sheet has it: what was overruled, skipped, waived, read oddly, cut short, out of order, lost. */
final readonly class Review
{
    public function __construct(private Fit $fit)
    {
    }

    /** @return list<ReviewEntry> gravest kind first */
    public function entries(): array
    {
        return [
            ...$this->overruled(), ...$this->moved(), ...$this->against(), ...$this->skipped(), ...$this->waived(), ...$this->mishaps(),
            ...$this->reused(), ...$this->readings(), ...$this->holds(ReviewKind::Hold),
            ...$this->passes(),
            ...$this->pieces(), ...$this->holds(ReviewKind::Clock), ...$this->outOfLine(),
        ];
    }

    /** @return list<ReviewEntry> */
    private function overruled(): array
    {
        $done = array_filter($this->fit->state->done, static fn (FitEvent $event): bool => $event->hasReason());
        $begun = array_filter(
            array_merge(...array_values($this->fit->state->routines)), static fn (FitEvent $event): bool => $event->hasReason(),
        );
        $started = array_filter($this->fit->state->started, static fn (FitEvent $event): bool => $event->hasReason());

        return array_map(
            fn (FitEvent $event): ReviewEntry => $this->entry(ReviewKind::Overruled, $event, $event->reason()),
            [...array_values($started), ...array_values($begun), ...array_values($done)],
        );
    }

    /** @return list<ReviewEntry> that it was moved over what held it back, or otherwise than the sheet has it for a reason */
    private function moved(): array
    {
        $told = array_filter($this->fit->state->stood, static fn (FitEvent $event): bool => $event->hasReason());

        return array_values(array_map(static fn (FitEvent $event): ReviewEntry => new ReviewEntry(
            ReviewKind::Overruled, 'Where it stands', sprintf(
                '%s: %s', ucfirst(Stance::from($event->as(Stood::class)->stance)->label()), $event->reason(),
            ), $event->witness(), $event->at, '',
        ), $told));
    }

    /** @return list<ReviewEntry> what was done without the server, and by what others had done, or by the law of today, was out of order */
    private function against(): array
    {
        $kept = array_filter($this->fit->state->log, fn (FitEvent $event): bool => '' !== $event->receipt->against
            && !isset($this->fit->state->undone[$event->id]));

        return array_map(
            fn (FitEvent $event): ReviewEntry => $this->entry(ReviewKind::Against, $event, rtrim($event->receipt->against, '.')),
            array_values($kept),
        );
    }

    /** @return list<ReviewEntry> */
    private function skipped(): array
    {
        return array_map(
            fn (FitEvent $event): ReviewEntry => $this->entry(ReviewKind::Skipped, $event, $event->reason()),
            array_values($this->fit->state->skipped),
        );
    }

    /** @return list<ReviewEntry> */
    private function waived(): array
    {
        $names = new EndNames($this->fit);

        return array_map(
            static fn (FitEvent $event): ReviewEntry => new ReviewEntry(
                ReviewKind::Waived, $names->of($event->as(Waived::class)->end), $event->reason(), $event->witness(), $event->at, '',
            ),
            array_values($this->fit->state->waived),
        );
    }

    /** @return list<ReviewEntry> */
    private function mishaps(): array
    {
        return array_map(
            fn (FitEvent $event): ReviewEntry => $this->entry(
                ReviewKind::Mishap, $event, sprintf('%s. %s', Fit::told($event), $event->as(Mishap::class)->how),
            ),
            array_values($this->fit->state->mishaps),
        );
    }

    /** @return list<ReviewEntry> parts that went back in though what they were judged by says new */
    private function reused(): array
    {
        return array_map(
            static fn (Worn $one): ReviewEntry => new ReviewEntry(
                ReviewKind::Reused, $one->came->name, trim($one->why.' '.$one->event->reason()), $one->event->witness(),
                $one->event->at, '',
            ),
            RenewList::of($this->fit)->against(),
        );
    }

    /** @return list<ReviewEntry> every reading that was outside, also one that was taken again */
    private function readings(): array
    {
        $odd = [];
        foreach ($this->fit->state->log as $event) {
            if (EventType::Measured !== $event->type || isset($this->fit->state->undone[$event->id])) {
                continue;
            }
            $step = $this->fit->sheet->step($event->step());
            $fact = $event->as(Measured::class);
            foreach (null === $step ? [] : $this->fit->readings()->asks($step) as $ask) {
                if ($ask->field === $fact->field && $ask->isOutside($fact->value)) {
                    $odd[] = $this->entry(ReviewKind::Reading, $event, sprintf('%s: %s', $ask->label, $fact->text));
                }
            }
            $other = $this->fit->state->event($event->receipt->beside);
            if (null !== $other && $other->as(Measured::class)->value !== $fact->value) {
                $odd[] = $this->entry(ReviewKind::Reading, $event, sprintf(
                    '%s: %s, and %s by %s at %s, each without the other',
                    $this->fit->readings()->label($fact->step, $fact->field), $fact->text,
                    $other->as(Measured::class)->text, $other->by, $other->at->format('H:i'),
                ));
            }
        }

        return $odd;
    }

    /** @return list<ReviewEntry> holds that were short, or that only a tablet's clock tells of */
    private function holds(ReviewKind $kind): array
    {
        $found = [];
        foreach ($this->fit->sheet->steps as $step) {
            foreach ('' === $step->asking->routine ? [] : $this->fit->holds($step) as $hold) {
                $counts = ReviewKind::Hold === $kind ? $hold->isShort() : $hold->stood->byTabletClock;
                if ($counts && null !== $hold->end) {
                    $found[] = $this->entry($kind, $hold->end, sprintf('“%s” stood %s', $hold->stage->title, $hold->inWords()));
                }
            }
        }

        return $found;
    }

    /** @return list<ReviewEntry> */
    private function passes(): array
    {
        $found = [];
        foreach ($this->fit->sheet->doing(StepKind::Tighten) as $step) {
            foreach ($this->fit->joints()->passFaults($step->target->joint) as $fault) {
                $found[] = new ReviewEntry(ReviewKind::Passes, $step->words->title, $fault, '', null, $step->id);
            }
        }

        return $found;
    }

    /** @return list<ReviewEntry> */
    private function pieces(): array
    {
        $found = [];
        foreach ($this->fit->state->fates as $fate) {
            $word = match (true) {
                $fate->isBroken() => 'broke',
                $fate->isSettled() => Settled::HOW[$fate->event->string('how')] ?? 'settled otherwise',
                EventType::Replaced === $fate->event->type => 'new one in',
                default => $fate->isFound ? 'fell, found' : 'fell, not found',
            };
            $found[] = $this->entry(ReviewKind::Pieces, $fate->event, sprintf('%s: %s', ucfirst($fate->event->string('thing')), $word));
        }

        return $found;
    }

    /** @return list<ReviewEntry> steps closed while earlier ones were open and not just running */
    private function outOfLine(): array
    {
        $closed = [];
        $running = [];
        $found = [];
        foreach ($this->fit->state->log as $event) {
            $step = $this->fit->sheet->step($event->step());
            if (null === $step || isset($this->fit->state->undone[$event->id])) {
                continue;
            }
            if (EventType::StepStarted === $event->type) {
                $running[$step->id] = true;
            } elseif (EventType::StepReopened === $event->type) {
                unset($closed[$step->id]);
            } elseif (EventType::StepDone === $event->type || EventType::StepSkipped === $event->type) {
                $open = array_filter(
                    $this->fit->earlier($step), static fn ($one): bool => !isset($closed[$one->id]) && !isset($running[$one->id]),
                );
                $closed[$step->id] = true;
                [] === $open || $found[] = $this->entry(
                    ReviewKind::Order, $event,
                    sprintf(
                        'before “%s”%s', reset($open)->words->title, count($open) > 1 ? sprintf(' and %d more', count($open) - 1) : '',
                    ),
                );
            }
        }

        return $found;
    }

    private function entry(ReviewKind $kind, FitEvent $event, string $said): ReviewEntry
    {
        $step = $this->fit->sheet->step($event->step());

        return new ReviewEntry(
            $kind, $step->words->title ?? 'A step of an earlier sheet', $said, $event->witness(), $event->at, $step->id ?? '',
        );
    }
}
