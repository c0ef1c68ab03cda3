<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Choices;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Operation;
use NimbleKnuckle\Core\Plan\Procedure\Procedure;
use NimbleKnuckle\Core\Plan\Procedure\Questions;
use NimbleKnuckle\Core\Plan\Procedure\RoleBook;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** Stage 1: procedures, answers and ways become the operations that will be done, bound to this vehicle, each once. */
final readonly class Resolve
{
    /**
     * @param list<Procedure> $procedures
     * @param list<string> $standing ids on the sheet so far, which stay what they are
     *
     * @throws UnplannableFit
     */
    public function of(array $procedures, Choices $choices, VehicleSheet $vehicle, array $standing = []): Resolved
    {
        [] !== $procedures || throw UnplannableFit::dueToNoProcedure();
        $stack = new Stack($vehicle, $standing);
        $this->ensureOffered($procedures, $choices);
        $chosen = new Choices(Questions::agreed($procedures, $choices->chosen));
        self::ensureOneChangesIt($procedures);
        foreach ($procedures as $procedure) {
            $this->ensureVehicleHas($procedure, $vehicle);
            $line = $ranks = $milestone = [];
            foreach ($procedure->operations as $operation) {
                if ($chosen->satisfy($operation->aim->when)) {
                    $line[] = $b = $this->bind($operation, $vehicle, $procedure->id);
                    $ranks[] = $this->rank($b, $milestone);
                }
            }
            $stack->add($procedure->id, $line, $ranks);
        }

        return $stack->resolved();
    }

    /**
     * Where an operation of one procedure stands among those of the others in its phase: mechanical work, then what only
     * goes back, the battery with it, then fluids in the rebuild; before the start, after it, after the drive, and the bookings
     * last in the proof.
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

        $goesBack = Deed::Rebuild === $b->operation->deed || Deed::BatteryOn === $b->operation->deed && Phase::Rebuild === $phase;
        if ($goesBack && !isset($milestone[$phase->value])) {
            return 1;
        }

        return isset($milestone[$phase->value]) ? $milestone[$phase->value] + 1 : 0;
    }

    /** @param list<Procedure> $procedures */
    private static function ensureOneChangesIt(array $procedures): void
    {
        foreach ($procedures as $one) {
            foreach ($procedures as $other) {
                !in_array($other->id, $one->needs->notWith, true) || throw UnplannableFit::dueToSamePart($other->title, $one->title);
            }
        }
    }

    private function ensureVehicleHas(Procedure $procedure, VehicleSheet $vehicle): void
    {
        $missing = RoleBook::missing($procedure, $vehicle);
        [] === $missing || throw UnplannableFit::dueToMissing($missing, $vehicle->name);
    }

    /** @param list<Procedure> $procedures */
    private function ensureOffered(array $procedures, Choices $choices): void
    {
        foreach ($procedures as $procedure) {
            foreach ($procedure->groups as $group) {
                $option = $choices->of($group->id);
                '' === $option || null !== $group->option($option) || throw UnplannableFit::dueToChoice($group->ask, $option);
            }
        }
    }

    private function bind(Operation $operation, VehicleSheet $vehicle, string $procedure): Bound
    {
        $role = $operation->aim->on;

        return new Bound(
            $operation->spread(static fn (string $joint): int => $vehicle->jointFor($joint)?->count() ?? 1),
            '' === $role ? '' : $vehicle->itemFor($role)->id ?? '',
            '' === $role ? '' : $vehicle->jointFor($role)->id ?? '',
            '' === $role ? '' : $vehicle->circuitFor($role)->id ?? '',
            $procedure,
        );
    }
}
