<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Intervals\DueWork;
use NimbleKnuckle\App\Intervals\IntervalBook;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Compiler\Bind\SharedWork;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Sheet;

/** What doing several jobs at once saves, and what else is cheap while it is apart. */
final readonly class Together
{
    /** An extra job is worth offering when it adds less than this share of its own time. */
    private const CHEAP = 1 / 3;

    public function __construct(private FitPlanner $planner, private ProcedureShelf $shelf, private IntervalBook $intervals)
    {
    }

    /**
     * What each job is worth among the others: its minutes alone, what it adds here, and what it shares.
     *
     * @param list<Procedure> $procedures
     *
     * @return list<TogetherJob>
     *
     * @throws UnplannableFit
     */
    public function jobs(VehicleRecord $vehicle, array $procedures, Choices $choices, Sheet $sheet, int $people): array
    {
        $ids = array_map(static fn (Procedure $one): string => $one->id, $procedures);
        $likely = fn (string ...$some): float => $this->planner->compile(
            $vehicle, array_values($some), $choices->chosen, $people,
        )->timing->likely;
        $shared = SharedWork::of($procedures, $choices, $vehicle->sheet());
        $jobs = [];
        foreach ($procedures as $one) {
            $others = array_diff($ids, [$one->id]);
            $adds = $sheet->timing->likely - $likely(...$others);
            $jobs[] = new TogetherJob($one->title, $likely($one->id), $adds, $shared[$one->id] ?? []);
        }

        return $jobs;
    }

    /**
     * @param list<string> $ids
     * @param array<string, string> $choices
     *
     * What is cheap now; and what is due or soon will be, wherever any minute of it is shared
     *
     * @return list<array{procedure: Procedure, extra: float, own: float, due: ?DueWork}> what is due first, then the cheapest
     */
    public function offers(VehicleRecord $vehicle, array $ids, array $choices, Sheet $sheet, int $people): array
    {
        $due = $this->due($vehicle);
        $offers = [];
        foreach ($this->shelf->all() as $procedure) {
            if (in_array($procedure->id, $ids, true)) {
                continue;
            }
            try {
                $own = $this->planner->compile($vehicle, [$procedure->id], $choices, $people)->timing->likely;
                $extra = $this->planner->compile(
                    $vehicle, [...$ids, $procedure->id], $choices, $people,
                )->timing->likely - $sheet->timing->likely;
            } catch (UnplannableFit) {
                // What cannot be planned with it is no offer.
                continue;
            }
            if ($extra < self::CHEAP * $own || isset($due[$procedure->id]) && $extra < $own) {
                $offers[] = ['procedure' => $procedure, 'extra' => $extra, 'own' => $own, 'due' => $due[$procedure->id] ?? null];
            }
        }
        usort($offers, static fn (array $a, array $b): int => [null === $a['due'], $a['extra']] <=> [null === $b['due'], $b['extra']]);

        return $offers;
    }

    /** @return list<DueWork> fluids that are due or soon will be, and come out with this job anyway */
    public function fluids(VehicleRecord $vehicle, Sheet $sheet): array
    {
        $drained = array_column(array_column($sheet->doing(StepKind::Drain), 'target'), 'circuit');

        return array_values(array_filter(
            $this->intervals->on($vehicle->id), static fn (DueWork $one): bool => in_array($one->circuit, $drained, true)
                && ($one->next->isDue || $one->next->isSoon),
        ));
    }

    /** @return array<string, DueWork> procedure => what it would settle, due or soon */
    private function due(VehicleRecord $vehicle): array
    {
        $due = [];
        foreach ($this->intervals->on($vehicle->id) as $one) {
            if ('' !== $one->procedure && ($one->next->isDue || $one->next->isSoon)) {
                $due[$one->procedure] ??= $one;
            }
        }

        return $due;
    }
}
