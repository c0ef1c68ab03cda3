<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law;

use NimbleKnuckle\Core\Plan\Compiler\ToolCount;
use NimbleKnuckle\Core\Plan\Lint\Rig;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Pick;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Term;

/** What a rule is worked out from, once for a sheet: its steps in their order, the vehicle, and how it stands before each step by plan. */
final class Ground
{
    /** @var array<string, Rig>|null */
    private ?array $planned = null;
    /** @var array<string, Term>|null joint => it was opened or marked, and is not tight */
    private ?array $loose = null;

    public function __construct(public readonly Sheet $sheet, public readonly VehicleSheet $vehicle)
    {
    }

    /** As the vehicle stands before this step when everything is done in the order of the sheet. */
    public function planned(Step $step): Rig
    {
        $this->planned ??= $this->run();

        return $this->planned[$step->id] ?? Rig::standing($this->vehicle);
    }

    /** @return list<Step> what stands before a step in the line */
    public function earlier(Step $step): array
    {
        return array_slice($this->sheet->steps, 0, max(0, $this->sheet->placeOf($step->id)));
    }

    /** The nearest step of one of these deeds: before a step where there is one, else after it; the step itself where there is none. */
    public function nearest(Step $step, Deed ...$deeds): Step
    {
        $place = $this->sheet->placeOf($step->id);
        $found = null;
        foreach ($this->sheet->steps as $i => $one) {
            if (in_array($one->deed, $deeds, true) && (null === $found || $i < $place)) {
                $found = $one;
            }
        }

        return $found ?? $step;
    }

    /** The step that counts the tools before the engine runs; null where the sheet has none. */
    public function toolCount(): ?Step
    {
        foreach ($this->sheet->steps as $step) {
            if (in_array(ToolCount::TAG, $step->tags, true)) {
                return $step;
            }
        }

        return null;
    }

    /** @return list<string> tools to be accounted for at a step: those that were needed before it */
    public function toolsListed(Step $step): array
    {
        $place = in_array(ToolCount::TAG, $step->tags, true) ? $this->sheet->placeOf($step->id) : -1;
        $picks = array_filter($this->sheet->lists->tools, fn (Pick $pick): bool => $this->sheet->placeOf($pick->firstStep) < $place);

        return array_values(array_map(static fn (Pick $pick): string => $pick->name, $picks));
    }

    /** @return array<string, Term> joint => when it is loose: undone, taken off or marked at all, and short of its final mark */
    public function loose(): array
    {
        return $this->loose ??= $this->looseJoints();
    }

    /** Where an item goes back on; the step itself where the sheet has none. */
    public function refit(Step $step, string $item): string
    {
        return ($this->sheet->doing(Deed::Refit, $item)[0] ?? $step)->id;
    }

    public function tighten(Step $step, string $joint): string
    {
        return ($this->sheet->doing(Deed::Tighten, '', $joint)[0] ?? $step)->id;
    }

    /** @return array<string, Term> */
    private function looseJoints(): array
    {
        $loose = [];
        foreach ($this->sheet->doing(Deed::Tighten) as $step) {
            $joint = $this->vehicle->joints[$step->target->joint] ?? null;
            if (null !== $joint) {
                $loose[$joint->id] ??= Term::all(
                    Term::any(Term::ask(Atom::Touched, $joint->id), ...$this->opened($joint)),
                    Term::less(0, Term::ask(Atom::Left, $joint->id)),
                );
            }
        }

        return $loose;
    }

    /** @return list<Term> undone in its place, or with the item it clamps */
    private function opened(Joint $joint): array
    {
        $steps = [
            ...$this->sheet->doing(Deed::Undo, '', $joint->id),
            ...'' === $joint->item ? [] : $this->sheet->doing(Deed::Remove, $joint->item),
        ];

        return array_map(static fn (Step $step): Term => Term::ask(Atom::Done, $step->id), $steps);
    }

    /** @return array<string, Rig> */
    private function run(): array
    {
        $rig = Rig::standing($this->vehicle);
        $before = [];
        foreach ($this->sheet->steps as $step) {
            $before[$step->id] = $rig;
            $rig = $rig->after($step);
        }

        return $before;
    }
}
