<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\Broke;
use NimbleKnuckle\Core\Bench\Fact\CautionAcknowledged;
use NimbleKnuckle\Core\Bench\Fact\Chosen;
use NimbleKnuckle\Core\Bench\Fact\Counted;
use NimbleKnuckle\Core\Bench\Fact\CountedAll;
use NimbleKnuckle\Core\Bench\Fact\CurveJudged;
use NimbleKnuckle\Core\Bench\Fact\Dropped;
use NimbleKnuckle\Core\Bench\Fact\Fact;
use NimbleKnuckle\Core\Bench\Fact\FastenerMarked;
use NimbleKnuckle\Core\Bench\Fact\FollowUpClosed;
use NimbleKnuckle\Core\Bench\Fact\Found;
use NimbleKnuckle\Core\Bench\Fact\Measured;
use NimbleKnuckle\Core\Bench\Fact\Mishap;
use NimbleKnuckle\Core\Bench\Fact\Noted;
use NimbleKnuckle\Core\Bench\Fact\PartJudged;
use NimbleKnuckle\Core\Bench\Fact\PhotoMarked;
use NimbleKnuckle\Core\Bench\Fact\PhotoTaken;
use NimbleKnuckle\Core\Bench\Fact\PutIn;
use NimbleKnuckle\Core\Bench\Fact\Replaced;
use NimbleKnuckle\Core\Bench\Fact\Settled;
use NimbleKnuckle\Core\Bench\Fact\Signed;
use NimbleKnuckle\Core\Bench\Fact\StageBegun;
use NimbleKnuckle\Core\Bench\Fact\StepDone;
use NimbleKnuckle\Core\Bench\Fact\StepReopened;
use NimbleKnuckle\Core\Bench\Fact\StepSkipped;
use NimbleKnuckle\Core\Bench\Fact\StepStarted;
use NimbleKnuckle\Core\Bench\Fact\Stood;
use NimbleKnuckle\Core\Bench\Fact\Stopped;
use NimbleKnuckle\Core\Bench\Fact\StopSeen;
use NimbleKnuckle\Core\Bench\Fact\SumPinned;
use NimbleKnuckle\Core\Bench\Fact\TakenOut;
use NimbleKnuckle\Core\Bench\Fact\TakenUp;
use NimbleKnuckle\Core\Bench\Fact\ToolCounted;
use NimbleKnuckle\Core\Bench\Fact\TrialKept;
use NimbleKnuckle\Core\Bench\Fact\Undone;
use NimbleKnuckle\Core\Bench\Fact\Waived;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Curve\AtOnce;

/**
 * What is known of a fit after its events: folded from the log, never stored as the truth.
 *
 * Events of no concern change nothing; an event undone later is as if it had never been. A state is never changed from
 * outside: “then” gives the next one.
 */
final class FitState
{
    /** @var array<string, FitEvent> step => the event that closed it, in the order they were closed */
    public array $done = [];
    /** @var array<string, FitEvent> step => the event with the reason */
    public array $skipped = [];
    /** @var array<string, FitEvent> */
    public array $started = [];
    /** @var array<string, array<int, true>> step => cautions acknowledged */
    public array $seen = [];
    /** @var array<string, array<string, int>> step => thing => how many */
    public array $counts = [];
    /** @var array<string, true> */
    public array $countedAll = [];
    /** @var array<string, PieceFate> event => what became of a counted piece */
    public array $fates = [];
    /** @var array<string, FitEvent> “step thing” => what was put in on purpose and is in still */
    public array $inside = [];
    /** @var array<string, true> “step thing” => it was put in at some time */
    public array $everInside = [];
    /** @var array<string, array<string, FitEvent>> step => tool => counted */
    public array $tools = [];
    /** @var array<string, array<int, int>> joint => bolt => stage */
    public array $stages = [];
    /** @var array<string, array<int, FitEvent>> joint => bolt => last mark */
    public array $marks = [];
    /** @var array<string, list<FitEvent>> joint => every mark in order */
    public array $marked = [];
    /** @var array<string, array<string, Reading>> step => field => reading */
    public array $readings = [];
    /** @var array<string, array<string, Rivals>> step => field => readings that do not agree, none of which counts until one is chosen */
    public array $rivals = [];
    /** @var array<string, FitEvent> not yet found */
    public array $dropped = [];
    /** @var array<string, FitEvent> what went wrong and was given steps that mend it */
    public array $mishaps = [];
    /** @var list<FitEvent> */
    public array $notes = [];
    /** @var list<FitEvent> what was said of where the vehicle stands */
    public array $stood = [];
    /** @var list<FitEvent> sums pinned to a step, with what was put in */
    public array $pins = [];
    /** @var array<string, list<FitEvent>> step => the stages of its fill routine that were begun */
    public array $routines = [];
    /** @var array<string, FitEvent> step => the last judgement of a temperature curve */
    public array $curves = [];
    /** @var array<string, list<FitEvent>> step => trials of a slip clutch, in order */
    public array $trials = [];
    /** @var array<string, FitEvent> part that came off => the last that was said of it: back in, or new */
    public array $judged = [];
    /** @var array<string, true> readings whose stop somebody has seen */
    public array $stopsSeen = [];
    /** @var array<string, array<int, non-empty-list<FitEvent>>> joint => bolt => late marks of another tablet */
    public array $twice = [];
    /** @var array<string, FitEvent> pictures, by the event that took each */
    public array $photos = [];
    /** @var array<string, list<FitEvent>> picture => what is drawn on it */
    public array $photoMarks = [];
    /** @var array<string, FitEvent> loose end => the event with the reason */
    public array $waived = [];
    /** @var array<string, FitEvent> closed ones */
    public array $followUps = [];
    public ?FitEvent $signed = null;
    /** On hold or cancelled, until it is taken up again. */
    public ?FitEvent $stopped = null;
    public string $lastStep = '';
    public ?FitEvent $last = null;
    /** The reason given last, as written. */
    public string $lastReason = '';
    /** @var list<FitEvent> everything, undone events included */
    public array $log = [];
    /** @var array<string, int> event => its place in the log */
    public array $places = [];
    /** @var array<string, true> ids of events taken back */
    public array $undone = [];

    private function __construct()
    {
    }

    public static function none(): self
    {
        return new self();
    }

    /** @param iterable<FitEvent> $events in the order they were kept */
    public static function fold(iterable $events): self
    {
        $state = new self();
        foreach ($events as $event) {
            $state->places[$event->id] ??= count($state->log);
            $state->log[] = $event;
            if (EventType::Undone === $event->type) {
                $state->undone[$event->as(Undone::class)->event] = true;
            }
        }
        foreach ($state->log as $event) {
            if (!isset($state->undone[$event->id]) || !$event->type->canBeUndone()) {
                $state->apply($event);
            }
        }

        return $state;
    }

    /** The state after one more event. Only taking something back folds the log anew. */
    public function then(FitEvent $event): self
    {
        if (EventType::Undone === $event->type || isset($this->undone[$event->id])) {
            return self::fold([...$this->log, $event]);
        }
        $next = clone $this;
        $next->places[$event->id] ??= count($next->log);
        $next->log[] = $event;
        $next->apply($event);

        return $next;
    }

    public function has(string $eventId): bool
    {
        return isset($this->places[$eventId]);
    }

    /** The event with this id; null where the log has none. */
    public function event(string $id): ?FitEvent
    {
        return isset($this->places[$id]) ? $this->log[$this->places[$id]] : null;
    }

    /** The last event before this one that came in as it happened; null where everything before it was queued. */
    public function liveBefore(FitEvent $event): ?FitEvent
    {
        for ($place = ($this->places[$event->id] ?? 0) - 1; $place >= 0; --$place) {
            if (!$this->log[$place]->wasQueued()) {
                return $this->log[$place];
            }
        }

        return null;
    }

    public function isDone(string $step): bool
    {
        return isset($this->done[$step]);
    }

    public function isClosed(string $step): bool
    {
        return isset($this->done[$step]) || isset($this->skipped[$step]);
    }

    public function isStarted(string $step): bool
    {
        return isset($this->started[$step]);
    }

    public function stage(string $joint, int $bolt): int
    {
        return $this->stages[$joint][$bolt] ?? TighteningStages::OFF;
    }

    public function count(string $step, string $thing): int
    {
        return $this->counts[$step][$thing] ?? 0;
    }

    public function reading(string $step, string $field): ?Reading
    {
        return $this->readings[$step][$field] ?? null;
    }

    /** The newest reading of a field, whichever step took it; null where the newest do not agree. */
    public function readingOf(string $field): ?Reading
    {
        $newest = null;
        foreach ($this->readings as $fields) {
            $reading = $fields[$field] ?? null;
            if (null !== $reading && (null === $newest || $this->places[$reading->event->id] > $this->places[$newest->event->id])) {
                $newest = $reading;
            }
        }

        foreach ($this->rivals as $fields) {
            $rival = ($fields[$field] ?? null)?->last();
            if (null !== $rival && null !== $newest && $this->places[$rival->event->id] > $this->places[$newest->event->id]) {
                return null;
            }
        }

        return $newest;
    }

    public function rivals(string $step, string $field): ?Rivals
    {
        return $this->rivals[$step][$field] ?? null;
    }

    /** A curve that says all must be stopped at once, until somebody has seen it. */
    public function engineStop(): ?FitEvent
    {
        foreach ($this->curves as $event) {
            $fact = $event->as(CurveJudged::class);
            if (null !== AtOnce::tryFrom($fact->finding) && !isset($this->stopsSeen[$fact->reading])) {
                return $event;
            }
        }

        return null;
    }

    private function apply(FitEvent $event): void
    {
        $fact = $event->fact();
        $step = $event->step();
        match (true) {
            $fact instanceof StepStarted => $this->started[$step] ??= $event,
            $fact instanceof StepDone => $this->done[$step] ??= $event,
            $fact instanceof StepReopened => $this->reopen($step),
            $fact instanceof StepSkipped => $this->skipped[$step] ??= $event,
            $fact instanceof CautionAcknowledged => $this->seen[$step][$fact->caution] = true,
            $fact instanceof Counted => $this->counts[$step][$fact->thing] = $this->count($step, $fact->thing) + $fact->by,
            $fact instanceof CountedAll => $this->countAll($step),
            $fact instanceof Broke,
            $fact instanceof Settled,
            $fact instanceof Replaced => $this->fates[$event->id] = new PieceFate($event, $this->isDone($step)),
            $fact instanceof PutIn => $this->inside[$step.' '.$fact->thing] = $event,
            $fact instanceof TakenOut => $this->takeOut($step.' '.$fact->thing),
            $fact instanceof ToolCounted => $this->tools[$step][$fact->tool] = $event,
            $fact instanceof FastenerMarked => $this->markFastener($event, $fact),
            $fact instanceof Measured => $this->measure($event, $fact),
            $fact instanceof Chosen => $this->choose($fact),
            $fact instanceof Dropped => $this->drop($event, $fact),
            $fact instanceof Found => $this->find($fact),
            $fact instanceof Mishap => $this->mishap($event, $fact),
            default => $this->applyMore($event, $fact, $step),
        };
        $this->lastStep = '' === $step ? $this->lastStep : $step;
        $this->last = $event->type->canBeUndoneByTap() ? $event : $this->last;
        $this->lastReason = $event->hasReason() ? $event->reason() : $this->lastReason;
    }

    private function applyMore(FitEvent $event, Fact $fact, string $step): void
    {
        match (true) {
            $fact instanceof Noted => $this->notes[] = $event,
            $fact instanceof Stood => $this->stood[] = $event,
            $fact instanceof SumPinned => $this->pins[] = $event,
            $fact instanceof StageBegun => $this->routines[$step][] = $event,
            $fact instanceof CurveJudged => $this->curves[$step] = $event,
            $fact instanceof TrialKept => $this->trials[$step][] = $event,
            $fact instanceof PartJudged => $this->judged[$fact->part] = $event,
            $fact instanceof StopSeen => $this->stopsSeen[$fact->reading] = true,
            $fact instanceof PhotoTaken => $this->photos[$event->id] = $event,
            $fact instanceof PhotoMarked => $this->photoMarks[$fact->photo][] = $event,
            $fact instanceof Waived => $this->waived[$fact->end] = $event,
            $fact instanceof FollowUpClosed => $this->followUps[$fact->followUp] ??= $event,
            $fact instanceof Signed => $this->signed ??= $event,
            $fact instanceof Stopped => $this->stopped = $event,
            $fact instanceof TakenUp => $this->stopped = null,
            $fact instanceof Undone => null,
            default => throw new \LogicException(sprintf('Nobody knows what %s comes to.', $event->type->value)),
        };
    }

    private function reopen(string $step): void
    {
        unset($this->done[$step], $this->skipped[$step]);
    }

    private function countAll(string $step): void
    {
        $this->countedAll[$step] = true;
        $this->counts[$step] = [];
    }

    private function takeOut(string $what): void
    {
        unset($this->inside[$what]);
        $this->everInside[$what] = true;
    }

    private function measure(FitEvent $event, Measured $fact): void
    {
        $reading = new Reading($fact->text, $fact->value, $fact->unit, $event->by, $event->at, $event);
        $rivals = Rivals::after(
            $this->rivals[$fact->step][$fact->field] ?? null, $this->readings[$fact->step][$fact->field] ?? null, $reading,
        );
        unset($this->readings[$fact->step][$fact->field], $this->rivals[$fact->step][$fact->field]);
        if ($rivals->agree()) {
            $this->readings[$fact->step][$fact->field] = $reading;
        } else {
            $this->rivals[$fact->step][$fact->field] = $rivals;
        }
    }

    private function choose(Chosen $fact): void
    {
        $reading = ($this->rivals[$fact->step][$fact->field] ?? null)?->from($fact->event);
        if (null !== $reading) {
            $this->readings[$fact->step][$fact->field] = $reading;
            unset($this->rivals[$fact->step][$fact->field]);
        }
    }

    private function drop(FitEvent $event, Dropped $fact): void
    {
        $this->dropped[$event->id] = $event;
        if ('' !== $fact->thing) {
            $this->fates[$event->id] = new PieceFate($event, $this->isDone($fact->step));
        }
    }

    /** A piece of a tray that was lost to it counts as broken. */
    private function mishap(FitEvent $event, Mishap $fact): void
    {
        $this->mishaps[$event->id] = $event;
        if ('' !== $fact->thing) {
            $this->fates[$event->id] = new PieceFate($event, $this->isDone($fact->step));
        }
    }

    private function find(Found $fact): void
    {
        $id = $fact->dropped;
        if (isset($this->fates[$id])) {
            $this->fates[$id] = $this->fates[$id]->found($this->isDone($this->fates[$id]->event->step()));
        }
        unset($this->dropped[$id]);
    }

    /** A mark sets the stage; the same stage twice is one mark, and two tablets can mark different bolts at once. */
    private function markFastener(FitEvent $event, FastenerMarked $fact): void
    {
        [$joint, $bolt] = [$fact->joint, $fact->bolt];
        if ($this->isSaidTwice($event, $fact)) {
            $this->twice[$joint][$bolt][] = $event;

            return;
        }
        if (TighteningStages::OFF === $fact->stage) {
            unset($this->twice[$joint][$bolt]);
        }
        $this->stages[$joint][$bolt] = $fact->stage;
        $this->marks[$joint][$bolt] = $event;
        $this->marked[$joint][] = $event;
    }

    /**
     * Made without the server on one tablet, of a fastener that another had by then as far or farther. It changes nothing by itself:
     * somebody looks at the fastener.
     */
    private function isSaidTwice(FitEvent $event, FastenerMarked $fact): bool
    {
        $known = $this->marks[$fact->joint][$fact->bolt] ?? null;

        return null !== $known && $event->wasQueued() && $fact->stage > TighteningStages::OFF
            && $event->receipt->device !== $known->receipt->device && $this->stage($fact->joint, $fact->bolt) >= $fact->stage;
    }
}
