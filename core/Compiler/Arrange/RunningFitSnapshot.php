<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Arrange;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * What stands when a running fit is planned again: the ids marks were made by, and what is open on the vehicle. A job that is
 * taken out leaves on the sheet what it opened, and what closes that again. What mends a mishap stays where it was.
 */
final readonly class RunningFitSnapshot
{
    /**
     * @param list<string> $ids of the steps on the sheet so far
     * @param list<Step> $opened steps that were done and still stand open
     * @param list<Step> $closing steps of the sheet so far that close them
     * @param list<array{Step, list<string>}> $mending steps that mend a mishap, each with the steps of the plan that followed it
     */
    private function __construct(
        public array $ids, private array $opened, private array $closing, private array $mending, private VehicleSheet $vehicle,
    ) {
    }

    /** @param VehicleState $actual the vehicle as the marks say it is */
    public static function of(Sheet $sheet, VehicleState $actual, VehicleSheet $vehicle): self
    {
        $supports = array_merge(...array_values(array_map(array_values(...), $actual->supports)));
        $by = [...array_values($actual->off), ...array_values($actual->open), ...$supports];
        $opened = $closing = [];
        foreach ($sheet->steps as $step) {
            $isBattery = StepKind::BatteryOff === $step->deed && !$actual->battery;
            in_array($step->id, $by, true) || $isBattery ? $opened[] = $step : null;
            self::closes($step, $actual, $vehicle) && $closing[] = $step;
        }

        return new self(
            array_map(static fn (Step $step): string => $step->id, $sheet->steps), $opened, $closing, self::mends($sheet), $vehicle,
        );
    }

    /** @return list<array{Step, list<string>}> */
    private static function mends(Sheet $sheet): array
    {
        $mending = $following = [];
        foreach (array_reverse($sheet->steps) as $step) {
            if ('' === Repair::eventOf($step)) {
                array_unshift($following, $step->id);
            } else {
                array_unshift($mending, [$step, $following]);
            }
        }

        return $mending;
    }

    private static function closes(Step $step, VehicleState $actual, VehicleSheet $vehicle): bool
    {
        $on = $step->target;

        return match ($step->deed) {
            StepKind::Refit => isset($actual->off[$on->item]),
            StepKind::Tighten => isset($actual->loose[$on->joint]) || isset($actual->off[$vehicle->joints[$on->joint]->item ?? '']),
            StepKind::Fill, StepKind::Bleed => isset($actual->open[$on->circuit]),
            StepKind::Release => null === $on->load->support
                ? isset($actual->held[$on->load->body])
                : isset($actual->supports[$on->load->body][$on->load->support->value]),
            StepKind::BatteryOn => !$actual->battery,
            default => false,
        };
    }

    /**
     * @param list<Step> $steps of the new plan
     *
     * @return list<Step> with what is left open and closed again, each once
     */
    public function carried(array $steps): array
    {
        foreach ([...$this->opened, ...$this->closing] as $step) {
            $steps = $this->with($steps, $step);
        }
        foreach ($this->mending as [$step, $following]) {
            $steps = self::mended($steps, $step, $following);
        }

        return $steps;
    }

    /**
     * @param list<Step> $steps
     * @param list<string> $following
     *
     * @return list<Step> with a step that mends something before the first of those that followed it, or else at the end
     */
    private static function mended(array $steps, Step $mend, array $following): array
    {
        $places = array_flip(array_map(static fn (Step $step): string => $step->id, $steps));
        foreach ($following as $id) {
            if (isset($places[$id])) {
                $next = $steps[$places[$id]];
                $steps[$places[$id]] = $next->with(after: array_values(array_unique([...$next->slot->after, $mend->id])));
                array_splice($steps, $places[$id], 0, [$mend]);

                return array_values($steps);
            }
        }

        return [...$steps, $mend];
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    private function with(array $steps, Step $carried): array
    {
        $ids = array_map(static fn (Step $step): string => $step->id, $steps);
        if (in_array($carried->id, $ids, true)) {
            return $steps;
        }
        foreach ($steps as $i => $step) {
            if ($step->deed === $carried->deed && self::target($step) === self::target($carried)) {
                $steps[$i] = $step->with(id: $carried->id);

                return self::renamed($steps, $step->id, $carried->id);
            }
        }
        $after = array_values(array_intersect($carried->slot->after, $ids));
        $until = in_array($carried->slot->until, $ids, true) ? $carried->slot->until : '';
        $place = min(self::placeFor($steps, $carried->slot->phase), $this->inFront($steps, $carried));
        array_splice($steps, $place, 0, [$carried->with(after: $after, until: $until)]);

        return array_values($steps);
    }

    /** @return list<string> what a deed is done to */
    private static function target(Step $step): array
    {
        return [
            $step->target->item, $step->target->joint, $step->target->circuit, $step->target->load->body,
            $step->target->load->support->value ?? '',
        ];
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    private static function renamed(array $steps, string $from, string $to): array
    {
        $name = static fn (string $id): string => $id === $from ? $to : $id;

        return array_map(static fn (Step $step): Step => new Step(
            $step->id, $step->deed, $step->target, $step->words,
            $step->slot->between(array_map($name, $step->slot->after), $name($step->slot->until)),
            $step->needs, $step->asking, $step->tags,
        ), $steps);
    }

    /**
     * Where something goes back that this lies behind.
     *
     * @param list<Step> $steps
     */
    private function inFront(array $steps, Step $carried): int
    {
        $item = $carried->itemOn($this->vehicle);
        foreach (in_array($carried->deed, [StepKind::Refit, StepKind::Tighten], true) ? $steps : [] as $i => $step) {
            if (StepKind::Refit === $step->deed && isset($this->vehicle->allHiddenBy($step->target->item)[$item])) {
                return $i;
            }
        }

        return count($steps);
    }

    /**
     * At the end of its phase, but in the proof before all but what goes back there as well: nothing is started over what is open.
     *
     * @param list<Step> $steps
     */
    private static function placeFor(array $steps, Phase $phase): int
    {
        foreach ($steps as $i => $step) {
            $isProof = Phase::Prove === $step->slot->phase && !in_array($step->deed, [StepKind::Refit, StepKind::Tighten], true);
            if ($step->slot->phase->number() > $phase->number() || $isProof) {
                return $i;
            }
        }

        return count($steps);
    }
}
