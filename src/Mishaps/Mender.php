<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Mishaps;

use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Planning\Replanner;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Compiler\Mend;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Mishap\Mishap;
use NimbleKnuckle\Core\Sheet\Mishap\MishapWay;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use Psr\Clock\ClockInterface;

/** Keeps a mishap together with the sheet that mends it, in one piece: never one without the other. */
final readonly class Mender
{
    public function __construct(
        private Replanner $replanner, private Recorder $recorder, private KitReader $kit, private ClockInterface $clock,
    ) {
    }

    /**
     * @return string the first step that mends it
     *
     * @throws InvalidEvent
     * @throws UnplannableFit where somebody planned the fit again meanwhile
     */
    public function name(FitRecord $record, Step $at, Mishap $mishap, MishapWay $way, AtHand $thing, string $event, string $by): string
    {
        $fit = $this->recorder->load($record);
        $sheet = $fit->sheet;
        if (!$fit->state->has($event)) {
            $sheet = $this->mended($fit, $at, $way, $event, $thing->name);
            $said = FitEvent::of($event, EventType::Mishap, array_filter([
                'step' => $at->id, 'mishap' => $mishap->id, 'said' => $mishap->title, 'way' => $way->id, 'how' => $way->label,
                'what' => $thing->name, 'thing' => $mishap->breaks ? $thing->piece : '', 'item' => $thing->item, 'joint' => $thing->joint,
            ], static fn (string $one): bool => '' !== $one), $by, $this->clock->now());
            $this->adopt($record, $sheet, $said, $by, sprintf('%s: %s', $mishap->title, $thing->name));
        }

        return Mend::of($sheet, $event)[0]->id ?? $at->id;
    }

    /**
     * Takes back a mishap that was none, as long as nobody worked on it.
     *
     * @throws InvalidEvent
     * @throws UnplannableFit
     */
    public function withdraw(FitRecord $record, string $mishap, string $event, string $by): void
    {
        $fit = $this->recorder->load($record);
        if ($fit->state->has($event)) {
            return;
        }
        $known = $fit->state->mishaps[$mishap] ?? throw InvalidEvent::in('event', 'That mishap is not on this fit any more.');
        foreach (Mend::of($fit->sheet, $mishap) as $step) {
            $isTouched = [] !== array_filter($fit->state->log, static fn (FitEvent $one): bool => $one->step() === $step->id);
            $isTouched && throw InvalidEvent::in('event', sprintf(
                '“%s” has been worked on. Finish the mending, or skip its steps with a reason.', $step->words->title,
            ));
        }
        $sheet = (new Mend($fit->vehicle, $this->kit->kit()))->without($fit->sheet, $mishap);
        $undone = FitEvent::of($event, EventType::Undone, ['event' => $mishap], $by, $this->clock->now());
        $this->adopt($record, $sheet, $undone, $by, 'Withdrawn. '.Fit::told($known));
    }

    /** The sheet with the steps that mend it. */
    private function mended(Fit $fit, Step $at, MishapWay $way, string $event, string $what): Sheet
    {
        return (new Mend($fit->vehicle, $this->kit->kit()))->into($fit->sheet, $at->id, new Repair($event, $way, $what));
    }

    private function adopt(FitRecord $record, Sheet $sheet, FitEvent $event, string $by, string $reason): void
    {
        $this->replanner->adopt(
            $record, $sheet, $record->procedures, $record->choices, $record->vehicleDocument, $by, mb_substr($reason, 0, 500), [$event],
        );
    }
}
