<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\State;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Support;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Who carries engine, gearbox and the vehicle itself at one moment. */
final readonly class Ledger
{
    private const FIRST = ['engine' => true, 'gearbox' => true, 'crossmember' => true];

    /** @param array<string, Bearing> $bodies */
    private function __construct(public array $bodies, public bool $raised)
    {
    }

    public static function of(VehicleState $rig, VehicleSheet $vehicle): self
    {
        $mounts = [];
        foreach ($vehicle->carriers() as $body => $items) {
            foreach ($items as $item) {
                $mounts[$body][] = new Mount($item->id, $item->name, self::state($rig, $vehicle, $item->id));
            }
        }
        $bodies = [];
        $known = array_fill_keys([...array_keys($mounts), ...array_keys($rig->supports)], true);
        foreach (array_keys(array_intersect_key(self::FIRST, $known) + $known) as $body) {
            $body = (string) $body;
            $bodies[$body] = new Bearing(
                $body, $mounts[$body] ?? [], array_map(Support::from(...), array_keys($rig->supports[$body] ?? [])),
                ($rig->moved[$body.' up'] ?? 0.0) - ($rig->moved[$body.' down'] ?? 0.0),
            );
        }

        return new self($bodies, $rig->raised);
    }

    /** Whether anything but the own mounts carries something, or a mount is not what it was. */
    public function isBusy(): bool
    {
        foreach ($this->bodies as $bearing) {
            $touched = array_filter($bearing->mounts, static fn (Mount $one): bool => MountState::Bolted !== $one->state);
            if ([] !== $bearing->supports || [] !== $touched) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Bearing> bodies that do not sit on their own mounts */
    public function hanging(): array
    {
        return array_values(array_filter($this->bodies, static fn (Bearing $one): bool => $one->hangs()));
    }

    /** Whether a step changes who carries what, or lifts and lowers while something hangs. */
    public function isChangedBy(Step $step, self $after): bool
    {
        return match ($step->deed) {
            StepKind::Hold, StepKind::HandOver, StepKind::Release, StepKind::Move => true,
            StepKind::Raise, StepKind::Lower => $this->isBusy(),
            default => $this->bodies != $after->bodies,
        };
    }

    private static function state(VehicleState $rig, VehicleSheet $vehicle, string $item): MountState
    {
        if (isset($rig->off[$item])) {
            return MountState::Off;
        }
        $joints = $vehicle->jointsOf($item);
        $loose = array_filter($joints, static fn ($joint): bool => isset($rig->loose[$joint->id]));

        return [] !== $joints && count($loose) === count($joints) ? MountState::Undone : MountState::Bolted;
    }
}
