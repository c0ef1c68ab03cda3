<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

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
    case PutIn = 'put-in';
    case TakenOut = 'taken-out';
    case ToolCounted = 'tool-counted';
    case FastenerMarked = 'fastener-marked';
    case Measured = 'measured';
    case Dropped = 'dropped';
    case Found = 'found';
    case Mishap = 'mishap';
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

    private const CURVE = [
        'step' => 'string', 'reading' => 'string', 'finding' => 'string', 'verdict' => 'string', 'said' => 'string', 'seconds' => 'float?',
    ];
    private const TRIAL = [
        'step' => 'string', 'stack' => 'string', 'height' => 'float', 'pulls' => 'string', 'shims' => 'float?', 'thread_left' => 'float?',
        'box' => 'string?',
    ];

    private const PART = [
        'part' => 'string', 'name' => 'string', 'verdict' => 'string', 'by' => 'string', 'value' => 'float?', 'least' => 'float?',
        'most' => 'float?', 'reason' => 'string?',
    ];

    private const READING = [
        'step' => 'string', 'field' => 'string', 'text' => 'string', 'value' => 'float', 'unit' => 'string', 'photo' => 'string?',
        'doubt' => 'float?',
    ];
    private const FASTENER = [
        'joint' => 'string', 'bolt' => 'int', 'stage' => 'int', 'step' => 'string?', 'wrench' => 'string?', 'setting' => 'float?',
        'reading' => 'string?', 'torque' => 'float?',
    ];
    private const PHOTO = [
        'step' => 'string', 'hash' => 'string', 'width' => 'int', 'height' => 'int', 'shot' => 'string?', 'field' => 'string?',
        'text' => 'string?',
    ];
    private const MARK = [
        'photo' => 'string', 'kind' => 'string', 'x' => 'float', 'y' => 'float', 'to_x' => 'float?', 'to_y' => 'float?',
        'text' => 'string?',
    ];

    /** @return list<string> fields that say how something came to be known, which only the server knows: no tablet sends them */
    public function fieldsOfServer(): array
    {
        return self::FastenerMarked === $this ? ['reading', 'torque'] : [];
    }

    /** @return array<string, string> payload field => string, int or float; a trailing ? marks what may be absent */
    public function fields(): array
    {
        return match ($this) {
            self::StepReopened, self::CountedAll => ['step' => 'string'],
            self::StepStarted, self::StepDone => ['step' => 'string', 'reason' => 'string?'],
            self::StepSkipped => ['step' => 'string', 'reason' => 'string'],
            self::CautionAcknowledged => ['step' => 'string', 'caution' => 'int'],
            self::Counted => ['step' => 'string', 'thing' => 'string', 'by' => 'int'],
            self::Broke, self::Replaced, self::TakenOut => ['step' => 'string', 'thing' => 'string'],
            self::PutIn => ['step' => 'string', 'thing' => 'string'],
            self::ToolCounted => ['step' => 'string', 'tool' => 'string'],
            self::FastenerMarked => self::FASTENER,
            self::Measured => self::READING,
            self::Dropped => ['what' => 'string', 'step' => 'string?', 'thing' => 'string?'],
            self::Found => ['dropped' => 'string'],
            self::Mishap => [
                'step' => 'string', 'mishap' => 'string', 'said' => 'string', 'way' => 'string', 'how' => 'string', 'what' => 'string',
                'thing' => 'string?', 'item' => 'string?', 'joint' => 'string?',
            ],
            self::Noted => ['text' => 'string', 'step' => 'string?'],
            self::StageBegun => ['step' => 'string', 'stage' => 'string', 'reason' => 'string?'],
            self::CurveJudged => self::CURVE,
            self::TrialKept => self::TRIAL,
            self::PartJudged => self::PART,
            self::StopSeen => ['step' => 'string', 'reading' => 'string'],
            self::PhotoTaken => self::PHOTO,
            self::PhotoMarked => self::MARK,
            self::SumPinned => ['step' => 'string', 'sum' => 'string', 'query' => 'string', 'said' => 'string', 'verdict' => 'string'],
            self::Waived => ['end' => 'string', 'reason' => 'string', 'as' => 'string?'],
            self::FollowUpClosed => ['follow_up' => 'string', 'outcome' => 'string'],
            self::Undone => ['event' => 'string'],
            self::Stopped => ['kind' => 'string', 'reason' => 'string'],
            self::TakenUp => [],
            self::Signed => ['remark' => 'string?', 'seen' => 'int?', 'shown' => 'int?'],
        };
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
