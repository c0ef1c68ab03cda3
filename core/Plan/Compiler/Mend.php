<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Lint\Linter;
use NimbleKnuckle\Core\Plan\Mishap\Repair;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Sheet\Lists;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** Puts the steps that mend a mishap into a running sheet, and takes them out again; nothing else on it moves. */
final readonly class Mend
{
    public function __construct(private VehicleSheet $vehicle, private Kit $kit, private Linter $linter = new Linter())
    {
    }

    /** @param string $at the step it happened at: it waits until the mending is done */
    public function into(Sheet $sheet, string $at, Repair $repair): Sheet
    {
        $place = $sheet->placeOf($at);
        $step = $sheet->step($at) ?? throw new \LogicException('A mishap happens at a step of the sheet.');
        $events = array_unique(array_filter(array_map(Repair::eventOf(...), $sheet->steps)));
        [$before, $later] = $repair->steps(count($events) + 1, $step);
        $last = array_slice($before, -1)[0]->id ?? '';
        $steps = $sheet->steps;
        $steps[$place] = '' === $last ? $step : $step->with(after: [...$step->slot->after, $last]);
        array_splice($steps, $place, 0, $before);
        $end = array_map(static fn (Step $one): Step => $one->with(phase: Phase::Prove), $later);

        return $this->again($sheet, [...$steps, ...$end]);
    }

    /** @param string $event the mishap whose steps go */
    public function without(Sheet $sheet, string $event): Sheet
    {
        $gone = array_flip(array_map(static fn (Step $step): string => $step->id, self::of($sheet, $event)));
        $kept = array_filter($sheet->steps, static fn (Step $step): bool => !isset($gone[$step->id]));
        $freed = array_map(static function (Step $step) use ($gone): Step {
            $after = array_filter($step->slot->after, static fn (string $id): bool => !isset($gone[$id]));

            return count($after) === count($step->slot->after) ? $step : $step->with(after: array_values($after));
        }, $kept);

        return $this->again($sheet, array_values($freed));
    }

    /** @return list<Step> the steps of a sheet that mend this mishap */
    public static function of(Sheet $sheet, string $event): array
    {
        return array_values(array_filter($sheet->steps, static fn (Step $step): bool => Repair::eventOf($step) === $event));
    }

    /** @param list<Step> $steps */
    private function again(Sheet $sheet, array $steps): Sheet
    {
        $list = new ListOut($this->vehicle, $this->kit);

        return $this->linter->marked(new Sheet(
            $sheet->title, $steps, [], new Lists($list->tools($steps), $list->consumables($steps), $list->parts($steps)),
            (new Weave())->of($steps, $sheet->timing->people), $sheet->moves, $sheet->expects,
        ), $this->vehicle, $this->kit);
    }
}
