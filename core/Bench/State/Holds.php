<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\CurveJudged;
use NimbleKnuckle\Core\Bench\Fact\StageBegun;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Sheet\Step;

/** The timed stages of a fill routine as they were really left alone: the last round of each counts. */
final readonly class Holds
{
    public function __construct(private FitState $state)
    {
    }

    /** @return list<Hold> the last round of each; ended by its reading or by the next stage, or not ended yet */
    public function of(Step $step): array
    {
        $routine = FillRoutine::named($step->asking->routine);
        if (null === $routine) {
            return [];
        }
        $holds = [];
        $begun = $this->state->routines[$step->id] ?? [];
        foreach ($begun as $i => $event) {
            $place = $routine->place($event->as(StageBegun::class)->stage);
            $stage = null === $place ? null : $routine->stages[$place];
            $next = $begun[$i + 1] ?? null;
            if (null === $stage || 0 === $stage->seconds || null === $next && !self::asks($step, $stage->ask)) {
                continue;
            }
            $reading = $this->readAfter($step, $stage->ask, $event);
            $end = $reading ?? $next;
            $holds[$stage->id] = new Hold(
                $stage, $this->stood($step, $event, $end, $stage->ask), $end, $next?->hasReason() ?? false,
            );
        }

        return [...array_values($holds), ...self::passedOver($routine, $begun)];
    }

    /**
     * Timed stages that a later one followed and that were never begun, or whose beginning was taken back: they stood not at all.
     *
     * @param list<FitEvent> $begun
     *
     * @return list<Hold>
     */
    private static function passedOver(FillRoutine $routine, array $begun): array
    {
        $places = array_map(static fn (FitEvent $one): ?int => $routine->place($one->as(StageBegun::class)->stage), $begun);
        $passed = [];
        foreach ($routine->stages as $place => $stage) {
            $later = array_filter($places, static fn (?int $one): bool => null !== $one && $one > $place);
            if ($stage->seconds > 0 && [] !== $later && !in_array($place, $places, true)) {
                $by = $begun[array_key_first($later)];
                $passed[] = new Hold($stage, StandDuration::none(), $by, $by->hasReason());
            }
        }

        return $passed;
    }

    private function stood(Step $step, FitEvent $begun, ?FitEvent $end, string $field): StandDuration
    {
        return null === $end ? StandDuration::none()
            : $this->watched($step, $begun, $field) ?? StandDuration::between($begun, $end, $this->state->liveBefore($begun));
    }

    /** Where its reading is that of a curve which came in after it was begun: as long as that curve lasted. */
    private function watched(Step $step, FitEvent $begun, string $field): ?StandDuration
    {
        $curve = $this->state->curves[$step->id] ?? null;
        $isOfIt = '' !== $field && true === $this->state->reading($step->id, $field)?->isFromCurve();

        if (!$isOfIt || null === $curve || $this->state->places[$curve->id] < $this->state->places[$begun->id]) {
            return null;
        }
        $seconds = $curve->as(CurveJudged::class)->seconds;

        return $seconds > 0.0 ? StandDuration::watched($seconds) : null;
    }

    private static function asks(Step $step, string $field): bool
    {
        return [] !== array_filter($step->asking->asks, static fn (Ask $ask): bool => $ask->field === $field);
    }

    private function readAfter(Step $step, string $field, FitEvent $begun): ?FitEvent
    {
        $event = '' === $field ? null : $this->state->reading($step->id, $field)?->event;

        return null !== $event && $this->state->places[$event->id] > $this->state->places[$begun->id] ? $event : null;
    }
}
