<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Check;

use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Supply;
use NimbleKnuckle\Core\Sheet\Pick;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Tools, consumables and parts in the order they are needed; what the kit lacks stands first. */
final readonly class ListOut
{
    public function __construct(private VehicleSheet $vehicle, private Kit $kit)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Pick>
     */
    public function tools(array $steps): array
    {
        $picks = [];
        foreach ($steps as $step) {
            foreach ($step->needs->tools as $tool) {
                $missing = !$this->kit->has($tool);
                $picks[$tool] ??= new Pick($tool, '1', $step->id, $missing, $missing ? 'not in the kit' : '');
            }
            foreach ($this->wrenches($step) as $pick) {
                $picks[$pick->name] ??= $pick;
            }
        }
        $list = array_values($picks);

        return [
            ...array_filter($list, static fn (Pick $p): bool => $p->missing),
            ...array_filter($list, static fn (Pick $p): bool => !$p->missing),
        ];
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Pick>
     */
    public function consumables(array $steps): array
    {
        return $this->supplies($steps, static fn (Step $step): array => $step->needs->consumables);
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Pick>
     */
    public function parts(array $steps): array
    {
        return $this->supplies($steps, static fn (Step $step): array => $step->needs->parts);
    }

    /**
     * @param list<Step> $steps
     * @param callable(Step): list<Supply> $of
     *
     * @return list<Pick>
     */
    private function supplies(array $steps, callable $of): array
    {
        $picks = [];
        foreach ($steps as $step) {
            foreach ($of($step) as $supply) {
                $picks[$supply->name] ??= new Pick($supply->name, $supply->amount, $step->id, false, $supply->state);
            }
        }

        return array_values($picks);
    }

    /** @return list<Pick> */
    private function wrenches(Step $step): array
    {
        $joint = $this->vehicle->joints[$step->target->joint] ?? null;
        if (StepKind::Tighten !== $step->deed || null === $joint || !$joint->hasFigure()) {
            return [];
        }
        $picks = [];
        foreach ($joint->going->passes as $share) {
            $advice = WrenchAdvice::for($this->kit, $joint, $joint->torqueAt($share));
            $picks[] = null === $advice->wrench
                ? new Pick(
                    sprintf('torque wrench for %s N·m', round($joint->torqueAt($share), 1)), '1', $step->id, true,
                    'none in the kit reaches it',
                )
                : new Pick(
                    $advice->wrench->name, '1', $step->id, false,
                    $advice->wrench->isPastCalibration() ? 'past its calibration' : '',
                );
        }
        if ('' !== $joint->tools->adapterName) {
            $missing = !$this->kit->has($joint->tools->adapterName);
            $picks[] = new Pick($joint->tools->adapterName, '1', $step->id, $missing, $missing ? 'not in the kit' : '');
        }

        return $picks;
    }
}
