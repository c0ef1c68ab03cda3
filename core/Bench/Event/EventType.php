<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Event;

use NimbleKnuckle\Core\Bench\Fact\Fact;
use NimbleKnuckle\Core\Bench\Fact\Shape;

/** Everything that can happen to a fit on the bench, in the past tense, and what each fact carries. */
enum EventType: string
{
    case StepStarted = 'step-started';
    case StepDone = 'step-done';
    case StepReopened = 'step-reopened';
    case StepSkipped = 'step-skipped';
    case CautionAcknowledged = 'caution-acknowledged';
    case Counted = 'counted';
    case CountedAll = 'counted-all';
    case Broke = 'broke';
    case Replaced = 'replaced';
    case Settled = 'settled';
    case PutIn = 'put-in';
    case TakenOut = 'taken-out';
    case ToolCounted = 'tool-counted';
    case FastenerMarked = 'fastener-marked';
    case Measured = 'measured';
    case Chosen = 'chosen';
    case Dropped = 'dropped';
    case Found = 'found';
    case Mishap = 'mishap';
    case Stood = 'stood';
    case Noted = 'noted';
    case StageBegun = 'stage-begun';
    case CurveJudged = 'curve-judged';
    case TrialKept = 'trial-kept';
    case PartJudged = 'part-judged';
    case StopSeen = 'stop-seen';
    case PhotoTaken = 'photo-taken';
    case PhotoMarked = 'photo-marked';
    case SumPinned = 'sum-pinned';
    case Waived = 'waived';
    case FollowUpClosed = 'follow-up-closed';
    case Undone = 'undone';
    case Stopped = 'stopped';
    case TakenUp = 'taken-up';
    case Signed = 'signed';

    /** @return class-string<Fact> what an event of this kind says */
    public function fact(): string
    {
        /** @var class-string<Fact> $class */
        $class = substr(Fact::class, 0, -strlen('Fact')).$this->name;

        return $class;
    }

    /** @return list<string> fields that only the server sets */
    public function fieldsOfServer(): array
    {
        return Shape::of($this->fact())->ofServer;
    }

    /** @return array<string, string> payload field => string, int or float; a trailing ? marks what may be absent */
    public function fields(): array
    {
        return Shape::of($this->fact())->fields;
    }

    /** Signing off and undoing stand for good, and a fit that was stopped is taken up again; all else can be taken back. */
    public function canBeUndone(): bool
    {
        return !in_array($this, [self::Signed, self::Undone, self::FollowUpClosed, self::Stopped, self::TakenUp], true);
    }

    /** A mishap put steps on the sheet: it is withdrawn with them, not by a tap on Undo. */
    public function canBeUndoneByTap(): bool
    {
        return self::Mishap !== $this && $this->canBeUndone();
    }

    /** Worked out by the server from what it holds; never taken from a tablet's word. */
    public function isWorkedOutHere(): bool
    {
        return self::CurveJudged === $this || self::SumPinned === $this || self::Mishap === $this;
    }

    public function label(): string
    {
        return str_replace('-', ' ', $this->value);
    }
}
