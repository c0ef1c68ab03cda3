<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Procedure\Choices;
use NimbleKnuckle\Core\Plan\Procedure\Operation;
use NimbleKnuckle\Core\Plan\Procedure\Procedure;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** Stage 1: procedures, answers and ways become the operations that will be done, bound to this vehicle. */
final readonly class Resolve
{
    /**
     * @param list<Procedure> $procedures
     *
     * @return list<Bound> in phase order, otherwise as the procedures list them; what procedures share stands once
     *
     * @throws UnplannableFit
     */
    public function of(array $procedures, Choices $choices, VehicleSheet $vehicle): array
    {
        [] !== $procedures || throw UnplannableFit::dueToNoProcedure();
        $bound = [];
        foreach ($procedures as $procedure) {
            $this->ensureVehicleHas($procedure, $vehicle);
            $chosen = $this->checked($procedure, $choices);
            foreach ($procedure->operations as $operation) {
                if ($chosen->satisfy($operation->when)) {
                    $bound[$operation->id] ??= $this->bind($operation, $vehicle);
                }
            }
        }
        $list = array_values($bound);
        usort($list, static fn (Bound $a, Bound $b): int => $a->operation->phase->number() <=> $b->operation->phase->number());

        return $list;
    }

    private function ensureVehicleHas(Procedure $procedure, VehicleSheet $vehicle): void
    {
        foreach ($procedure->needsItems as $role) {
            $vehicle->itemFor($role) ?? throw UnplannableFit::dueToMissingRole('item', $role, $vehicle->name);
        }
        foreach ($procedure->needsJoints as $role) {
            $vehicle->jointFor($role) ?? throw UnplannableFit::dueToMissingRole('joint', $role, $vehicle->name);
        }
        foreach ($procedure->needsCircuits as $role) {
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

    private function bind(Operation $operation, VehicleSheet $vehicle): Bound
    {
        $role = $operation->on;

        return new Bound(
            $operation,
            '' === $role ? '' : $vehicle->itemFor($role)->id ?? '',
            '' === $role ? '' : $vehicle->jointFor($role)->id ?? '',
            '' === $role ? '' : $vehicle->circuitFor($role)->id ?? '',
        );
    }
}
