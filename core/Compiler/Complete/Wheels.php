<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Compiler\Expand\StepWriter;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Words;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * A wheel that comes off is broken loose before it goes up, taken off and put on as what holds it asks, tightened once
 * it is down and before it rolls, and looked at again after some kilometres.
 */
final readonly class Wheels
{
    private const HANGS = ['bolt', 'screw'];

    public function __construct(private CommonParts $common, private VehicleSheet $vehicle)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function into(array $steps): array
    {
        $joints = $this->comeOff($steps);
        if ([] === $joints) {
            return $steps;
        }
        $before = self::raiseBefore($steps, array_keys($joints));
        $done = $waiting = [];
        foreach ($steps as $i => $step) {
            if ($i === $before) {
                array_push($done, ...array_values(array_map(fn (Joint $joint): Step => $this->loosened($joint, $step), $joints)));
            }
            $joint = $joints[$step->target->item] ?? null;
            $done[] = null === $joint ? $step : $this->worded($step, $joint);
            if (null !== $joint && StepKind::Refit === $step->deed) {
                $waiting[] = $joint;
            } elseif (StepKind::Lower === $step->deed) {
                array_push($done, ...array_map(fn (Joint $waits): Step => $this->tightened($waits, $step), $waiting));
                $waiting = [];
            }
        }

        return [...$done, $this->booked($joints)];
    }

    /**
     * @param list<Step> $steps
     *
     * @return array<string, Joint> wheel => what holds it, of those that come off and that no procedure tightens itself
     */
    private function comeOff(array $steps): array
    {
        $joints = [];
        foreach ($steps as $step) {
            $joint = StepKind::Remove === $step->deed && isset($this->vehicle->items[$step->target->item])
                && $this->vehicle->items[$step->target->item]->isWheel() ? $this->vehicle->wheelFasteners($step->target->item) : null;
            if (null !== $joint) {
                $joints[$step->target->item] = $joint;
            }
        }
        foreach ($steps as $step) {
            if (StepKind::Tighten === $step->deed) {
                $joints = array_filter($joints, static fn (Joint $joint): bool => $joint->id !== $step->target->joint);
            }
        }

        return $joints;
    }

    /**
     * Where the vehicle goes up for the first of them; the removal itself where nothing raises it.
     *
     * @param list<Step> $steps
     * @param list<string> $wheels
     */
    private static function raiseBefore(array $steps, array $wheels): int
    {
        $raise = null;
        foreach ($steps as $i => $step) {
            $raise = StepKind::Raise === $step->deed ? $i : $raise;
            if (StepKind::Remove === $step->deed && in_array($step->target->item, $wheels, true)) {
                return $raise ?? $i;
            }
        }

        return 0;
    }

    private function loosened(Joint $joint, Step $next): Step
    {
        $op = $this->common->move('wheel-loosen');
        $cautions = '' === $joint->tools->key ? [] : [new Caution(
            sprintf('One of them locks. The %s is in your hand before anything goes up.', $joint->tools->key), true,
        )];

        return Step::fromOperation($op, joint: $joint->id)->with(
            id: 'undo.'.$joint->id, phase: $next->slot->phase, title: $op->words->title.': '.$joint->name,
            tools: [...$op->needs->tools, ...$joint->tools->allOff()], cautions: [...$op->words->cautions, ...$cautions],
        );
    }

    private function worded(Step $step, Joint $joint): Step
    {
        $kind = in_array($joint->called->kind, self::HANGS, true) ? 'bolts' : 'nuts';
        $op = $this->common->move((StepKind::Refit === $step->deed ? 'wheel-on-' : 'wheel-off-').$kind);

        return !in_array($step->deed, [StepKind::Remove, StepKind::Refit], true) ? $step : $step->with(
            text: Words::joined($op->words->text, $step->words->text), tools: array_values(array_unique(
                [...$op->needs->tools, ...$step->needs->tools],
            )),
        );
    }

    private function tightened(Joint $joint, Step $lower): Step
    {
        $step = (new StepWriter($this->vehicle))->tighteningBy($this->common->move('wheel-tighten'), $joint);

        return $step->with(id: 'tight.'.$joint->id, phase: $lower->slot->phase, after: [$lower->id]);
    }

    /** @param non-empty-array<string, Joint> $joints */
    private function booked(array $joints): Step
    {
        $step = Step::fromOperation($this->common->move('wheel-recheck'));
        $names = ucfirst(implode(' and ', array_map(static fn (Joint $joint): string => $joint->name, $joints)));

        return $step->with(phase: Phase::Prove, followUp: $step->asking->followUp->titled($names));
    }
}
