<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Choices;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Operation;
use NimbleKnuckle\Core\Plan\Procedure\Procedure;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** Stage 1: procedures, answers and ways become the operations that will be done, bound to this vehicle, each once. */
final readonly class Resolve
{
    /**
     * @param list<Procedure> $procedures
     *
     * @throws UnplannableFit
     */
    public function of(array $procedures, Choices $choices, VehicleSheet $vehicle): Resolved
    {
        [] !== $procedures || throw UnplannableFit::dueToNoProcedure();
        $first = [];
        $kept = [];
        $chains = [];
        $ranked = [];
        foreach ($procedures as $procedure) {
            $this->ensureVehicleHas($procedure, $vehicle);
            $chosen = $this->checked($procedure, $choices);
            $milestone = [];
            foreach ($procedure->operations as $operation) {
                if (!$chosen->satisfy($operation->aim->when)) {
                    continue;
                }
                $b = $this->bind($operation, $vehicle, $procedure->id);
                $rank = $this->rank($b, $milestone);
                $same = $b->sameAs();
                $first[$same] ??= [$operation->id, $procedure->id];
                $standing = $first[$same][1] === $procedure->id ? $operation->id : $first[$same][0];
                $kept[$operation->id] = $standing;
                $chains[$procedure->id][] = $standing;
                if (!isset($ranked[$standing])) {
                    $ranked[$standing] = [$operation->slot->phase->number(), $rank, count($ranked), $b];
                }
            }
        }
        usort($ranked, static fn (array $a, array $b): int => [$a[0], $a[1], $a[2]] <=> [$b[0], $b[1], $b[2]]);

        return new Resolved(array_column($ranked, 3), $kept, $chains);
    }

    /**
     * Where an operation of one procedure stands among those of the others in its phase: mechanical work, then what only
     * goes back, then fluids in the rebuild; before the start, after it, after the drive, and the bookings last in the proof.
     *
     * @param array<string, int> $milestone the last one passed, by phase
     */
    private function rank(Bound $b, array &$milestone): int
    {
        $phase = $b->operation->slot->phase;
        $mark = match (true) {
            Phase::Rebuild === $phase && '' !== $b->circuit => 1,
            Phase::Prove === $phase => match ($b->operation->deed) {
                Deed::Start => 1,
                Deed::Drive => 3,
                Deed::CoolDown => 5,
                Deed::Book => 7,
                default => 0,
            },
            default => 0,
        };
        if ($mark > 0) {
            $milestone[$phase->value] = max($milestone[$phase->value] ?? 0, Phase::Rebuild === $phase ? 1 : $mark);

            return Phase::Rebuild === $phase ? 2 : $mark;
        }

        if (Deed::Rebuild === $b->operation->deed && !isset($milestone[$phase->value])) {
            return 1;
        }

        return isset($milestone[$phase->value]) ? $milestone[$phase->value] + 1 : 0;
    }

    private function ensureVehicleHas(Procedure $procedure, VehicleSheet $vehicle): void
    {
        foreach ($procedure->needs->items as $role) {
            $vehicle->itemFor($role) ?? throw UnplannableFit::dueToMissingRole('item', $role, $vehicle->name);
        }
        foreach ($procedure->needs->joints as $role) {
            $vehicle->jointFor($role) ?? throw UnplannableFit::dueToMissingRole('joint', $role, $vehicle->name);
        }
        foreach ($procedure->needs->circuits as $role) {
            $vehicle->circuitFor($role) ?? throw UnplannableFit::dueToMissingRole('circuit', $role, $vehicle->name);
        }
    }

    private function checked(Procedure $procedure, Choices $choices): Choices
    {
        $chosen = $procedure->defaults()->chosen;
        foreach ($procedure->groups as $group) {
            $option = $choices->of($group->id);
            if ('' !== $option) {
                $group->option($option) ?? throw UnplannableFit::dueToChoice($group->ask, $option);
                $chosen[$group->id] = $option;
            }
        }

        return new Choices($chosen);
    }

    private function bind(Operation $operation, VehicleSheet $vehicle, string $procedure): Bound
    {
        $role = $operation->aim->on;

        return new Bound(
            $operation,
            '' === $role ? '' : $vehicle->itemFor($role)->id ?? '',
            '' === $role ? '' : $vehicle->jointFor($role)->id ?? '',
            '' === $role ? '' : $vehicle->circuitFor($role)->id ?? '',
            $procedure,
        );
    }
}
