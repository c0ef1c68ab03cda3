<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\StepTiming;
use NimbleKnuckle\Core\Procedure\Words;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Target;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * A compound that cures becomes a wait, from the tightening to the first fluid, heat or load; a face
 * sealant has its wait in the procedure. The minutes are the joint's own where they were entered, else by compound, metal and the
 * warmth of the workshop in °C.
 */
final readonly class CureWaits
{
    /** The answer that tells how warm it is. */
    public const CHOICE = 'workshop-temperature';
    public const USUAL = 18.0;

    public function __construct(private VehicleSheet $vehicle, private Choices $choices)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function into(array $steps): array
    {
        $cured = [];
        foreach ($steps as $i => $step) {
            $cured[] = $this->set($step);
            $joint = StepKind::Tighten === $step->deed ? $this->vehicle->joints[$step->target->joint] ?? null : null;
            $minutes = null === $joint ? 0.0 : $this->minutes($joint);
            if (null === $joint || $minutes <= 0.0) {
                continue;
            }
            $until = $this->loadedBy($joint, array_slice($steps, $i + 1));
            if ('' !== $until) {
                $cured[] = $this->wait($step, $joint, $minutes, $until);
            }
        }

        return $cured;
    }

    private function wait(Step $step, Joint $joint, float $minutes, string $until): Step
    {
        $why = $joint->seat->cure > 0.0 ? 'By the vehicle sheet.' : sprintf(
            '%s at %s °C, by rule of thumb; the tube’s own sheet goes before it.', ucfirst($joint->seat->compound),
            round($this->temperature(), 1),
        );

        $words = new Words(
            sprintf('The compound of the %s cures', $joint->name), 'Nothing that loads, wets or heats it. Other work goes on.', $why,
        );
        $slot = new StepTiming(
            $step->slot->phase, minutes: new Minutes($minutes, $minutes, 1.3 * $minutes), passive: true, until: $until, after: [$step->id],
        );

        return new Step('cure.'.$step->id, StepKind::Wait, new Target(), $words, $slot);
    }

    /** The wait for the sealant of a face, as long as it takes at this warmth. */
    private function set(Step $step): Step
    {
        $minutes = $step->slot->sealant?->untilFluid(Temperature::celsius($this->temperature()))->minutes ?? 0.0;

        return $minutes <= 0.0 ? $step : $step->with(minutes: new Minutes($minutes, $minutes, 1.5 * $minutes));
    }

    private function minutes(Joint $joint): float
    {
        $isPassive = $joint->seat->isSoft() || str_starts_with($joint->fastener->grade, 'A');

        return $joint->seat->cure > 0.0 ? $joint->seat->cure : Compound::named($joint->seat->compound)?->cure(
            Temperature::celsius($this->temperature()), $isPassive,
        )->minutes ?? 0.0;
    }

    private function temperature(): float
    {
        $said = $this->choices->of(self::CHOICE);

        return is_numeric($said) ? max(-10.0, min(50.0, (float) $said)) : self::USUAL;
    }

    /**
     * The first step that heats or shakes it, or wets it: a fill does where it seals, or sits in that circuit.
     *
     * @param list<Step> $later
     */
    private function loadedBy(Joint $joint, array $later): string
    {
        $wet = $this->vehicle->items[$joint->item]->dangers->wet ?? '';
        $seals = Compound::Sealant === Compound::named($joint->seat->compound) || '' === $joint->item;
        foreach ($later as $step) {
            $wets = StepKind::Fill === $step->deed && ($seals || '' !== $wet && $wet === $step->target->circuit);
            if ($wets || in_array($step->deed, [StepKind::Start, StepKind::Drive], true)) {
                return $step->id;
            }
        }

        return '';
    }
}
