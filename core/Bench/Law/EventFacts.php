<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\CurveJudged;
use NimbleKnuckle\Core\Bench\Fact\Stopped;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\FitFacts;
use NimbleKnuckle\Core\Bench\State\Hold;
use NimbleKnuckle\Core\Bench\State\StandDuration;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Facts;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Corner;

/** A fit and a mark that somebody would make answer the law: what it says, who makes it, what it would change. */
final readonly class EventFacts implements Facts
{
    /** How far a tablet's clock may be ahead. */
    private const AHEAD = '+10 minutes';

    private FitFacts $fit;
    private MarkFacts $marks;

    public function __construct(private Fit $of, private FitEvent $event, private Authority $hand, private \DateTimeImmutable $now)
    {
        $this->fit = new FitFacts($of);
        $this->marks = new MarkFacts($of);
    }

    public function answer(Atom $atom, array $of): bool|int|float|string|array
    {
        [$id, $thing] = [(string) ($of[0] ?? ''), (string) ($of[1] ?? '')];

        return match ($atom) {
            Atom::Given => $this->given($id),
            Atom::IsGiven => isset($this->event->payload[$id]),
            Atom::ReasonWords => count(Reasons::words($this->event->reason())),
            Atom::ReasonAgain => Reasons::words($this->event->reason()) === Reasons::words($this->of->state->lastReason),
            Atom::Lead => $this->hand->may(BenchRight::Overrule),
            Atom::Server => Authority::Server === $this->hand,
            Atom::ClockAhead => $this->event->at > $this->now->modify(self::AHEAD),
            Atom::Signed => null !== $this->of->state->signed,
            Atom::StoppedAs => str_replace('-', ' ', $this->of->state->stopped?->as(Stopped::class)->kind ?? ''),
            Atom::EngineStop => $this->of->state->engineStop()?->as(CurveJudged::class)->reading ?? '',
            Atom::IsEvent => null !== $this->of->state->event($id),
            Atom::MayUndo => $this->mayUndo($id),
            Atom::IsRival => null !== $this->of->state->rivals($id, $thing)?->from((string) ($of[2] ?? '')),
            Atom::IsMishap => EventType::Mishap === $this->of->state->event($id)?->type,
            Atom::BookedDone => $this->isBookedAndDone($id),
            Atom::Length => mb_strlen($id),
            Atom::IsCorners => self::areCorners($id),
            Atom::IsHash => 1 === preg_match('/\A[0-9a-f]{64}\z/', $id),
            Atom::CutShort => $this->cutShort($this->of->sheet->step($id), $thing),
            default => MarkFacts::knows($atom) ? $this->marks->answer($atom, $of) : $this->fit->answer($atom, $of),
        };
    }

    private function given(string $field): int|float|string
    {
        $value = $this->event->payload[$field] ?? null;
        $kind = $this->event->type->fields()[$field] ?? 'string';

        return $value ?? (str_starts_with($kind, 'string') ? '' : 0);
    }

    private static function areCorners(string $text): bool
    {
        $corners = '' === $text ? [] : explode(',', $text);

        return $corners === array_unique($corners) && !in_array(null, array_map(Corner::tryFrom(...), $corners), true);
    }

    private function mayUndo(string $id): bool
    {
        return true === $this->of->state->event($id)?->type->canBeUndone() && !isset($this->of->state->undone[$id]);
    }

    private function isBookedAndDone(string $id): bool
    {
        $past = $this->of->state->event($id);
        $step = EventType::StepDone === $past?->type ? $this->of->sheet->step($past->step()) : null;

        return null !== $step && isset($this->of->state->followUps[$step->asking->followUp->id]);
    }

    /** How long the stage a routine is at has stood, in words, where going on from it now would cut it short; empty where not. */
    private function cutShort(?Step $step, string $stage): string
    {
        $run = null === $step ? null : $this->of->routine($step);
        if (null === $step || null === $run || !$run->isBegun() || ($run->routine->place($stage) ?? 0) <= $run->place()) {
            return '';
        }
        $begun = $run->begun[count($run->begun) - 1];
        $ended = null;
        foreach ($this->of->holds($step) as $hold) {
            $ended = null !== $hold->end && $hold->stage->id === $run->stage()->id ? $hold : $ended;
        }
        $hold = $ended ?? new Hold(
            $run->stage(), StandDuration::between($begun, $this->event, $this->of->state->liveBefore($begun)), $this->event, false,
        );

        return $run->stage()->seconds > 0 && $hold->isShort() ? $hold->inWords() : '';
    }
}
