<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Check\ListOut;
use NimbleKnuckle\Core\Compiler\Schedule\Scheduler;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Sheet\Lists;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

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
        // Who mends under it does not wait for the engine to have run on till then.
        $first = [] === $before ? $at : $before[0]->id;
        $steps = array_map(static fn (Step $one): Step => self::endsAt($one, [$at => $first]), $steps);
        array_splice($steps, $place, 0, $before);
        $end = array_map(static fn (Step $one): Step => $one->with(phase: Phase::Prove), $later);

        return $this->again($sheet, [...$steps, ...$end]);
    }

    /** @param string $event the mishap whose steps go */
    public function without(Sheet $sheet, string $event): Sheet
    {
        $gone = array_flip(array_map(static fn (Step $step): string => $step->id, self::of($sheet, $event)));
        $kept = array_filter($sheet->steps, static fn (Step $step): bool => !isset($gone[$step->id]));
        $next = self::next($sheet, $gone);
        $freed = array_map(static function (Step $step) use ($gone, $next): Step {
            $step = self::endsAt($step, $next);
            $after = array_filter($step->slot->after, static fn (string $id): bool => !isset($gone[$id]));

            return count($after) === count($step->slot->after) ? $step : $step->with(after: array_values($after));
        }, $kept);

        return $this->again($sheet, array_values($freed));
    }

    /** @param array<string, string> $instead step => the one at which an engine is stopped that ran until it */
    private static function endsAt(Step $step, array $instead): Step
    {
        $until = $instead[$step->slot->until] ?? $step->slot->until;

        return $until === $step->slot->until || !Nature::runsEngine($step) ? $step : $step->with(until: $until);
    }

    /**
     * @param array<string, int> $gone
     *
     * @return array<string, string> each that goes => the first after it that stays
     */
    private static function next(Sheet $sheet, array $gone): array
    {
        [$next, $stays] = [[], ''];
        foreach (array_reverse($sheet->steps) as $step) {
            isset($gone[$step->id]) ? $next[$step->id] = $stays : $stays = $step->id;
        }

        return $next;
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
            (new Scheduler())->of($steps, $sheet->timing->people), $sheet->moves, $sheet->expects,
        ), $this->vehicle, $this->kit);
    }
}
