<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\Core\Plan\Compiler\UnplannableFit;
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
     * Likely minutes saved against doing the procedures one after the other; negative where it costs more.
     *
     * @param list<string> $ids
     * @param array<string, string> $choices
     */
    public function saved(VehicleRecord $vehicle, array $ids, array $choices, Sheet $sheet, int $people): float
    {
        $apart = 0.0;
        foreach ($ids as $id) {
            $apart += $this->planner->compile($vehicle, [$id], $choices, $people)->timing->likely;
        }

        return $apart - $sheet->timing->likely;
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
