<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\Settled;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Plan\Stance;

/** What an event is called when somebody takes it back, or finds it refused. */
final readonly class EventWords
{
    public static function of(Fit $fit, FitEvent $event): string
    {
        $thing = $event->string('thing');

        return match ($event->type) {
            EventType::FastenerMarked => self::fastener($fit, $event),
            EventType::Counted => sprintf('%+d %s', $event->int('by'), $thing),
            EventType::CountedAll => 'all counted',
            EventType::Broke => $thing.' broke',
            EventType::Replaced => 'new '.$thing,
            EventType::Settled => sprintf('%s %s', $thing, Settled::HOW[$event->string('how')] ?? 'settled'),
            EventType::PutIn => $thing.' in',
            EventType::TakenOut => $thing.' out',
            EventType::ToolCounted => $event->string('tool'),
            EventType::Measured => $event->string('text'),
            EventType::Dropped => 'dropped: '.$event->string('what'),
            EventType::Chosen => 'this reading is so',
            EventType::Found => 'found',
            EventType::Stood => Stance::tryFrom($event->string('stance'))?->label() ?? 'moved',
            EventType::Mishap => Fit::told($event),
            EventType::Noted => 'note',
            EventType::CautionAcknowledged => 'understood',
            EventType::StepDone => 'done',
            EventType::StepStarted => 'timer',
            EventType::StepSkipped => 'skipped',
            EventType::StepReopened => 'opened again',
            EventType::StageBegun => 'stage',
            EventType::PartJudged => $event->string('name').('renew' === $event->string('verdict') ? ' renewed' : ' goes back in'),
            EventType::PhotoTaken => 'picture',
            EventType::PhotoMarked => trim($event->string('kind').' '.$event->string('text')),
            EventType::TrialKept => 'trial '.$event->string('stack'),
            default => $event->type->label(),
        };
    }

    /** The event that is taken back first: the last of the step in view, else the last of all. */
    public static function undoable(Fit $fit, string $step): ?FitEvent
    {
        if (null !== $fit->state->signed) {
            return null;
        }
        foreach (array_reverse($fit->state->log) as $event) {
            $isHere = $event->step() === $step || EventType::Stood === $event->type;
            if ($isHere && $event->type->canBeUndoneByTap() && !isset($fit->state->undone[$event->id])) {
                return $event;
            }
        }

        return $fit->state->last;
    }

    private static function fastener(Fit $fit, FitEvent $event): string
    {
        $joint = $fit->vehicle->joints[$event->string('joint')] ?? null;
        $stage = $event->int('stage');

        return trim(sprintf('bolt %d %s', $event->int('bolt'), null === $joint ? '' : TighteningStages::of($joint)->label($stage)));
    }
}
