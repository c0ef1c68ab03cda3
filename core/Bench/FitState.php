<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

/**
 * What is known of a fit after its events: folded from the log, never stored as the truth.
 *
 * Events of no concern change nothing; an event undone later is as if it had never been.
 */
final readonly class FitState
{
    /**
     * @param array<string, FitEvent> $done step => the event that closed it
     * @param array<string, FitEvent> $skipped step => the event with the reason
     * @param array<string, FitEvent> $started
     * @param array<string, array<int, true>> $seen step => cautions acknowledged
     * @param array<string, array<string, int>> $counts step => thing => how many
     * @param array<string, true> $countedAll
     * @param array<string, array<int, int>> $stages joint => bolt => stage
     * @param array<string, array<int, FitEvent>> $marks joint => bolt => last mark
     * @param array<string, array<string, Reading>> $readings step => field => reading
     * @param array<string, FitEvent> $dropped not yet found
     * @param list<FitEvent> $notes
     * @param list<FitEvent> $pins sums pinned to a step, with what was put in
     * @param array<string, list<FitEvent>> $routines step => the stages of its fill routine that were begun
     * @param array<string, FitEvent> $curves step => the last judgement of a temperature curve
     * @param array<string, true> $stopsSeen readings whose stop somebody has seen
     * @param array<string, FitEvent> $waived loose end => the event with the reason
     * @param array<string, FitEvent> $followUps closed ones
     * @param list<FitEvent> $log everything, undone events included
     * @param array<string, true> $undone ids of events taken back
     */
    private function __construct(
        public array $done = [],
        public array $skipped = [],
        public array $started = [],
        public array $seen = [],
        public array $counts = [],
        public array $countedAll = [],
        public array $stages = [],
        public array $marks = [],
        public array $readings = [],
        public array $dropped = [],
        public array $notes = [],
        public array $pins = [],
        public array $routines = [],
        public array $curves = [],
        public array $stopsSeen = [],
        public array $waived = [],
        public array $followUps = [],
        public ?FitEvent $signed = null,
        public string $lastStep = '',
        public ?FitEvent $last = null,
        public array $log = [],
        public array $undone = [],
    ) {
    }

    public static function none(): self
    {
        return new self();
    }

    /** @param iterable<FitEvent> $events in the order they were kept */
    public static function fold(iterable $events): self
    {
        $log = [];
        $undone = [];
        foreach ($events as $event) {
            $log[] = $event;
            if (EventType::Undone === $event->type) {
                $undone[$event->string('event')] = true;
            }
        }
        $state = new self();
        foreach ($log as $event) {
            if (!isset($undone[$event->id]) || !$event->type->canBeUndone()) {
                $state = $state->after($event);
            }
        }

        return $state->with(log: $log, undone: $undone);
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
        return $this->stages[$joint][$bolt] ?? Ladder::OFF;
    }

    public function count(string $step, string $thing): int
    {
        return $this->counts[$step][$thing] ?? 0;
    }

    public function reading(string $step, string $field): ?Reading
    {
        return $this->readings[$step][$field] ?? null;
    }

    /** The newest reading of a field, whichever step took it. */
    public function readingOf(string $field): ?Reading
    {
        $newest = null;
        foreach ($this->readings as $fields) {
            if (isset($fields[$field])) {
                $newest = $fields[$field];
            }
        }

        return $newest;
    }

    /** A curve that says the engine must be stopped, until somebody has seen it. */
    public function engineStop(): ?FitEvent
    {
        foreach ($this->curves as $event) {
            if ('overheating' === $event->string('finding') && !isset($this->stopsSeen[$event->string('reading')])) {
                return $event;
            }
        }

        return null;
    }

    private function after(FitEvent $event): self
    {
        $step = $event->string('step');
        $changes = match ($event->type) {
            EventType::StepStarted => ['started' => $this->started + [$step => $event]],
            EventType::StepDone => ['done' => $this->done + [$step => $event]],
            EventType::StepReopened => ['done' => array_diff_key($this->done, [$step => true]), 'skipped' => array_diff_key($this->skipped, [$step => true])],
            EventType::StepSkipped => ['skipped' => $this->skipped + [$step => $event]],
            EventType::CautionAcknowledged => ['seen' => array_replace($this->seen, [$step => [$event->int('caution') => true] + ($this->seen[$step] ?? [])])],
            EventType::Counted => ['counts' => array_replace($this->counts, [$step => [$event->string('thing') => $this->count($step, $event->string('thing')) + $event->int('by')] + ($this->counts[$step] ?? [])])],
            EventType::CountedAll => ['countedAll' => [$step => true] + $this->countedAll, 'counts' => array_replace($this->counts, [$step => []])],
            EventType::FastenerMarked => $this->marked($event),
            EventType::Measured => ['readings' => array_replace($this->readings, [$step => [$event->string('field') => new Reading($event->string('text'), $event->float('value'), $event->string('unit'), $event->by, $event->at)] + ($this->readings[$step] ?? [])])],
            EventType::Dropped => ['dropped' => $this->dropped + [$event->id => $event]],
            EventType::Found => ['dropped' => array_diff_key($this->dropped, [$event->string('dropped') => true])],
            EventType::Noted => ['notes' => [...$this->notes, $event]],
            EventType::SumPinned => ['pins' => [...$this->pins, $event]],
            EventType::StageBegun => ['routines' => array_replace($this->routines, [$step => [...($this->routines[$step] ?? []), $event]])],
            EventType::CurveJudged => ['curves' => array_replace($this->curves, [$step => $event])],
            EventType::StopSeen => ['stopsSeen' => [$event->string('reading') => true] + $this->stopsSeen],
            EventType::Waived => ['waived' => $this->waived + [$event->string('end') => $event]],
            EventType::FollowUpClosed => ['followUps' => $this->followUps + [$event->string('follow_up') => $event]],
            EventType::Signed => ['signed' => $this->signed ?? $event],
            EventType::Undone => [],
        };

        return $this->with(...['lastStep' => '' === $step ? $this->lastStep : $step, 'last' => $event->type->canBeUndone() ? $event : $this->last] + $changes);
    }

    /**
     * A mark sets the stage; the same stage twice is one mark, and two tablets can mark different bolts at once.
     *
     * @return array<string, mixed>
     */
    private function marked(FitEvent $event): array
    {
        [$joint, $bolt] = [$event->string('joint'), $event->int('bolt')];

        return [
            'stages' => array_replace($this->stages, [$joint => [$bolt => $event->int('stage')] + ($this->stages[$joint] ?? [])]),
            'marks' => array_replace($this->marks, [$joint => [$bolt => $event] + ($this->marks[$joint] ?? [])]),
        ];
    }

    private function with(mixed ...$changes): self
    {
        return new self(...array_merge(get_object_vars($this), $changes)); // @phpstan-ignore argument.type (named after the constructor's own parameters)
    }
}
