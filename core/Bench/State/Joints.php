<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Joint\PassOrder;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Procedure\PutIn;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** The joints of a fit by their marks: which fastener is next, what is loose, what was out of order. */
final readonly class Joints
{
    public function __construct(private Sheet $sheet, private VehicleSheet $vehicle, private FitState $state)
    {
    }

    /** The joint of a new part that must be final before what holds that part comes out for good; null where nothing is loose. */
    public function looseUnder(Step $step, string $thing): ?Joint
    {
        $puts = array_filter($step->needs->puts, static fn (PutIn $put): bool => $put->forGood && $put->thing === $thing);
        foreach ([] === $puts ? [] : $this->vehicle->joints as $joint) {
            if ($joint->item === $step->target->item && '' !== $joint->item && $this->boltsLeft($joint->id) > 0) {
                return $joint;
            }
        }

        return null;
    }

    /** @return array<string, int> joint => how many of its fasteners are not final, of those that were undone or touched */
    public function looseJoints(): array
    {
        $loose = [];
        foreach ($this->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $this->vehicle->joints[$step->target->joint] ?? null;
            if (null !== $joint && (isset($this->state->stages[$joint->id]) || $this->wasOpened($joint))) {
                $loose[$joint->id] = $this->boltsLeft($joint->id);
            }
        }

        return array_filter($loose);
    }

    /** Undone in its place, or with the item it clamps. */
    private function wasOpened(Joint $joint): bool
    {
        foreach ($this->sheet->doing(StepKind::Undo, '', $joint->id) as $step) {
            if ($this->state->isDone($step->id)) {
                return true;
            }
        }

        return $this->wasTakenOff($joint->item);
    }

    private function wasTakenOff(string $item): bool
    {
        foreach ('' === $item ? [] : $this->sheet->doing(StepKind::Remove, $item) as $step) {
            if ($this->state->isDone($step->id)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> what was out of order at a joint, in words */
    public function passFaults(string $jointId): array
    {
        $joint = $this->vehicle->joints[$jointId] ?? null;

        return null === $joint ? [] : PassOrder::of($joint, $this->state->marked[$jointId] ?? [])->faults();
    }

    /** How many fasteners of a joint are short of their final mark. */
    public function boltsLeft(string $jointId): int
    {
        $joint = $this->vehicle->joints[$jointId] ?? null;
        if (null === $joint) {
            return 0;
        }
        $final = TighteningStages::of($joint)->final();
        $left = 0;
        for ($bolt = 1; $bolt <= $joint->count(); ++$bolt) {
            $left += $this->state->stage($jointId, $bolt) < $final ? 1 : 0;
        }

        return $left;
    }

    /**
     * The fastener to do next, and the stage it then has; 0 where the joint is final.
     *
     * @return array{int, int}
     */
    public function nextBolt(Joint $joint): array
    {
        $ladder = TighteningStages::of($joint);
        foreach ($ladder->goes() as $top) {
            foreach ($joint->pattern->order() as $bolt) {
                $stage = $this->state->stage($joint->id, $bolt);
                if ($stage < $top) {
                    return [$bolt, $stage + 1];
                }
            }
        }

        return [0, $ladder->final()];
    }
}
