<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Plan\Compiler\SharedWork;
use NimbleKnuckle\Core\Plan\Compiler\UnplannableFit;
use NimbleKnuckle\Core\Plan\Procedure\Choices;
use NimbleKnuckle\Core\Plan\Procedure\Procedure;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;

/** What doing several jobs at once saves, and what else is cheap while it is apart. */
final readonly class Together
{
    /** An extra job is worth offering when it adds less than this share of its own time. */
    private const CHEAP = 1 / 3;

    public function __construct(private FitPlanner $planner, private ProcedureShelf $shelf)
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
     * @return list<array{procedure: Procedure, extra: float, own: float}> cheapest first
     */
    public function offers(VehicleRecord $vehicle, array $ids, array $choices, Sheet $sheet, int $people): array
    {
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
            if ($extra < self::CHEAP * $own) {
                $offers[] = ['procedure' => $procedure, 'extra' => $extra, 'own' => $own];
            }
        }
        usort($offers, static fn (array $a, array $b): int => $a['extra'] <=> $b['extra']);

        return $offers;
    }
}
