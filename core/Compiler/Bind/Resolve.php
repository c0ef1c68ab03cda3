<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Bind;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\Questions;
use NimbleKnuckle\Core\Procedure\RoleBook;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Stage 1: takes procedures, answers and ways, gives the operations that will be done, bound to this vehicle, each once. */
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
        $stack = new JobMerge($vehicle, $standing);
        $this->ensureOffered($procedures, $choices);
        $chosen = new Choices(Questions::agreed($procedures, $choices->chosen));
        self::ensureOneChangesIt($procedures);
        $ties = new Ties($vehicle);
        $handled = self::handled($procedures, $chosen, $vehicle);
        foreach (self::moversFirst($procedures) as $procedure) {
            $this->ensureVehicleHas($procedure, $vehicle);
            $line = $ranks = $milestone = [];
            foreach ($ties->into(self::chosen($procedure, $chosen), $handled) as $operation) {
                $line[] = $b = $this->bind($operation, $vehicle, $procedure->id);
                $ranks[] = $this->rank($b, $milestone);
            }
            $stack->add($procedure->id, $line, $ranks);
        }

        return $stack->resolved();
    }

    /**
     * A job that moves a body frees its ties and closes them again: what changes one of them comes after it.
     *
     * @param list<Procedure> $procedures
     *
     * @return list<Procedure>
     */
    private static function moversFirst(array $procedures): array
    {
        $moves = static fn (Procedure $one): bool => [] !== array_filter(
            $one->operations, static fn (Operation $op): bool => StepKind::Move === $op->deed,
        );

        return [...array_filter($procedures, $moves), ...array_filter($procedures, static fn (Procedure $one): bool => !$moves($one))];
    }

    /** @return list<Operation> */
    private static function chosen(Procedure $procedure, Choices $chosen): array
    {
        return array_values(array_filter(
            $procedure->operations, static fn (Operation $one): bool => $chosen->satisfy($one->aim->when),
        ));
    }

    /**
     * @param list<Procedure> $procedures
     *
     * @return array<string, true> items and joints that a job takes off or undoes in the strip
     */
    private static function handled(array $procedures, Choices $chosen, VehicleSheet $vehicle): array
    {
        $handled = [];
        foreach (array_merge(...array_map(static fn (Procedure $one): array => self::chosen($one, $chosen), $procedures)) as $one) {
            $isOffByThen = $one->slot->phase->number() <= Phase::Strip->number();
            if ($isOffByThen && in_array($one->deed, [StepKind::Remove, StepKind::Undo], true) && '' !== $one->aim->on) {
                $handled[$vehicle->itemFor($one->aim->on)->id ?? ''] = true;
                $handled[$vehicle->jointFor($one->aim->on)->id ?? ''] = true;
            }
        }

        return $handled;
    }

    /**
     * Where an operation of one procedure stands among those of the others in its phase: mechanical work, then what only
     * goes back, the battery with it, then fluids in the rebuild; before the start, after it, after the drive, and the bookings
     * last in the proof.
     *
     * @param array<string, int> $milestone the last one passed, by phase
     */
    private function rank(BoundOperation $b, array &$milestone): int
    {
        $phase = $b->operation->slot->phase;
        $mark = match (true) {
            Phase::Rebuild === $phase && '' !== $b->circuit => 1,
            Phase::Prove === $phase => match ($b->operation->deed) {
                StepKind::Start => 1,
                StepKind::Drive => 3,
                StepKind::CoolDown => 5,
                StepKind::Book => 7,
                default => 0,
            },
            default => 0,
        };
        if ($mark > 0) {
            $milestone[$phase->value] = max($milestone[$phase->value] ?? 0, Phase::Rebuild === $phase ? 1 : $mark);

            return Phase::Rebuild === $phase ? 2 : $mark;
        }

        $goesBack = StepKind::Rebuild === $b->operation->deed || StepKind::BatteryOn === $b->operation->deed && Phase::Rebuild === $phase;
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

    private function bind(Operation $operation, VehicleSheet $vehicle, string $procedure): BoundOperation
    {
        $role = $operation->aim->on;

        return new BoundOperation(
            $operation->spread(static fn (string $joint): int => $vehicle->jointFor($joint)?->count() ?? 1),
            '' === $role ? '' : $vehicle->itemFor($role)->id ?? '',
            '' === $role ? '' : $vehicle->jointFor($role)->id ?? '',
            '' === $role ? '' : $vehicle->circuitFor($role)->id ?? '',
            $procedure,
        );
    }
}
