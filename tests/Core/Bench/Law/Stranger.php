<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\Reading;
use NimbleKnuckle\Core\Sheet\Step;
use Random\Randomizer;

/** Any event at any time: what a client could post, whether a page sends it or not. Its fields are mostly sensible, each by itself. */
final readonly class Stranger
{
    private const REASONS = ['', '', '', 'lead looked at it', 'because', 'the old one fits'];

    public function __construct(private Randomizer $luck)
    {
    }

    /** @return array{EventType, array<string, string|int|float>, float} */
    public function next(Fit $fit): array
    {
        $type = EventType::cases()[$this->luck->getInt(0, count(EventType::cases()) - 1)];
        $step = $fit->sheet->steps[$this->luck->getInt(0, count($fit->sheet->steps) - 1)];
        $reason = $this->one(self::REASONS);

        $payload = $this->payload($fit, $type, $step) + ('' === $reason ? [] : ['reason' => $reason]);

        return [$type, $payload, (float) $this->luck->getInt(0, 200)];
    }

    /** @return array<string, string|int|float> */
    private function payload(Fit $fit, EventType $type, Step $step): array
    {
        $at = ['step' => $step->id];
        $thing = $this->one([...array_column($step->needs->tray, 'thing'), ...array_column($step->needs->puts, 'thing'), 'rag']);

        return match ($type) {
            EventType::CautionAcknowledged => $at + ['caution' => $this->luck->getInt(0, 2)],
            EventType::Counted => $at + ['thing' => $thing, 'by' => $this->luck->getInt(-3, 5)],
            EventType::Broke, EventType::Replaced, EventType::PutIn, EventType::TakenOut => $at + ['thing' => $thing],
            EventType::Settled => $at + [
                'thing' => $thing, 'how' => $this->one(['capped', 'moved', 'lost']), 'reason' => $this->one(['new part has none', 'no']),
            ],
            EventType::ToolCounted => $at + ['tool' => $this->one([...$fit->tools()->listed($step), 'spoon'])],
            EventType::FastenerMarked => $this->marked($fit),
            EventType::Measured => $this->measured($at, $step),
            EventType::Dropped => $at + ['thing' => $thing, 'what' => $thing],
            EventType::Found => ['dropped' => $this->one([...array_keys($fit->state->dropped), 'none'])],
            EventType::Mishap => $at + [
                'mishap' => 'stripped', 'said' => 'A thread is gone', 'way' => 'insert', 'how' => 'An insert', 'what' => 'a thread',
            ],
            EventType::StepSkipped => $at + ['reason' => 'not on this one'],
            EventType::Waived => [
                'end' => $this->one([...array_column(SignOff::of($fit)->looseEnds(), 'id'), 'none']), 'reason' => 'seen and let be',
            ],
            EventType::FollowUpClosed => ['follow_up' => 'none', 'outcome' => 'ok'],
            EventType::StopSeen => $at + ['reading' => 'none'],
            EventType::Chosen => $at + $this->chosen($fit, $step),
            EventType::Stood => [
                'stance' => $this->one(['floor', 'stands', 'ramps', 'lift', 'roof']),
                'wheels_off' => $this->one(['', '', 'fl', 'fr,fl', 'fl,fl', 'xx']), 'rolls' => $this->luck->getInt(0, 1),
            ],
            EventType::Noted => $at + ['text' => 'as found'],
            EventType::StageBegun => $at + ['stage' => $this->one(
                [...array_column($fit->routine($step)->routine->stages ?? [], 'id'), 'none'],
            )],
            EventType::Undone => ['event' => $this->one([...array_keys($fit->state->places), 'none'])],
            EventType::Stopped => ['kind' => 'on-hold', 'reason' => 'waits for a part'],
            EventType::PhotoTaken => $at + ['hash' => str_repeat('a', 64), 'width' => 800, 'height' => 600, 'shot' => 'proof'],
            EventType::PhotoMarked => [
                'photo' => $this->one([...array_keys($fit->state->photos), 'none']),
                'kind' => $this->one(['ring', 'arrow', 'text', 'blot']),
                'x' => $this->luck->getInt(-1, 12) / 10, 'y' => 0.5, 'text' => $this->one(['', 'here']),
            ],
            default => $at,
        };
    }

    /** @return array<string, string> */
    private function chosen(Fit $fit, Step $step): array
    {
        $rivals = $fit->state->rivals[$step->id] ?? [];
        $field = $this->one([...array_map(strval(...), array_keys($rivals)), 'none']);

        return ['field' => $field, 'event' => $this->one([...array_map(
            static fn (Reading $one): string => $one->event->id, isset($rivals[$field]) ? $rivals[$field]->readings : [],
        ), 'none'])];
    }

    /** @return array<string, string|int|float> */
    private function marked(Fit $fit): array
    {
        $joint = $fit->vehicle->joints[$this->one([...array_keys($fit->vehicle->joints), 'none'])] ?? null;

        return null === $joint ? ['joint' => 'none', 'bolt' => 1, 'stage' => 1] : [
            'joint' => $joint->id, 'bolt' => $this->luck->getInt(0, $joint->count() + 1),
            'stage' => $this->luck->getInt(0, TighteningStages::of($joint)->final() + 1),
        ] + (0 === $this->luck->getInt(0, 3) ? ['wrench' => 'the good one', 'torque' => 20.0] : []);
    }

    /**
     * @param array{step: string} $at
     *
     * @return array<string, string|int|float>
     */
    private function measured(array $at, Step $step): array
    {
        $ask = $step->asking->asks[0] ?? null;
        $value = $this->luck->getInt(-20, 200) / 2;

        return $at + ['field' => $ask->field ?? 'none', 'text' => $value.' somewhat', 'value' => $value, 'unit' => $ask->unit ?? 'mm'];
    }

    /** @param non-empty-list<string> $these */
    private function one(array $these): string
    {
        return $these[$this->luck->getInt(0, count($these) - 1)];
    }
}
