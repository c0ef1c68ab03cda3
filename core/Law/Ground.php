<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Supply;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Pick;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** What a rule is worked out from, once for a sheet: its steps in their order, the vehicle, and how it stands before each step by plan. */
final class Ground
{
    /** @var array<string, VehicleState>|null */
    private ?array $planned = null;
    /** @var array<string, list<int>>|null */
    private ?array $places = null;
    /** @var array<string, array<string, string>>|null deed => item => the first step that does that to it */
    private ?array $handling = null;
    /** @var list<Step>|null */
    private ?array $putting = null;
    /** @var list<Step>|null */
    private ?array $waiting = null;
    /** @var array<string, list<Step>> pattern => steps that use such a thing */
    private array $using = [];
    /** @var array<string, Term>|null joint => it was opened or marked, and is not tight */
    private ?array $loose = null;

    public function __construct(public readonly Sheet $sheet, public readonly VehicleSheet $vehicle)
    {
    }

    /** As the vehicle stands before this step when everything is done in the order of the sheet. */
    public function planned(Step $step): VehicleState
    {
        $this->planned ??= $this->run();

        return $this->planned[$step->id] ?? VehicleState::standing($this->vehicle);
    }

    /** @return list<Step> what stands before a step in the line */
    public function earlier(Step $step): array
    {
        return array_slice($this->sheet->steps, 0, max(0, $this->sheet->placeOf($step->id)));
    }

    /** The nearest step of one of these deeds: before a step where there is one, else after it; the step itself where there is none. */
    public function nearest(Step $step, StepKind ...$deeds): Step
    {
        $place = $this->sheet->placeOf($step->id);
        [$before, $first] = [-1, \PHP_INT_MAX];
        foreach ($deeds as $deed) {
            foreach ($this->places()[$deed->value] ?? [] as $i) {
                $first = min($first, $i);
                $before = $i < $place ? max($before, $i) : $before;
            }
        }

        return $this->sheet->steps[$before < 0 ? $first : $before] ?? $step;
    }

    /** The step that counts the tools before the engine runs; null where the sheet has none. */
    public function toolCount(): ?Step
    {
        return $this->tagged(Tag::TOOL_COUNT);
    }

    /** The first step that carries a tag; null where none does. */
    public function tagged(string $tag): ?Step
    {
        return $this->allTagged($tag)[0] ?? null;
    }

    /** @return list<Step> those that carry a tag */
    public function allTagged(string $tag): array
    {
        return array_values(array_filter($this->sheet->steps, static fn (Step $one): bool => in_array($tag, $one->tags, true)));
    }

    /** @return list<string> tools to be accounted for at a step: those that were needed before it, less what holds the vehicle up there */
    public function toolsListed(Step $step): array
    {
        $holding = $this->planned($step)->raised ? $this->nearest($step, StepKind::Raise)->needs->tools : [];

        return array_values(array_diff($this->toolsBefore($step), $holding));
    }

    /** @return list<string> all tools that were needed before a step that counts them: a mark for any of them is sound */
    public function toolsBefore(Step $step): array
    {
        $place = in_array(Tag::TOOL_COUNT, $step->tags, true) ? $this->sheet->placeOf($step->id) : -1;
        $picks = array_filter($this->sheet->lists->tools, fn (Pick $pick): bool => $this->sheet->placeOf($pick->firstStep) < $place);

        return array_values(array_map(static fn (Pick $pick): string => $pick->name, $picks));
    }

    /** @return list<Step> those at which something goes in for a while */
    public function putting(): array
    {
        return $this->putting ??= array_values(array_filter($this->sheet->steps, static fn (Step $one): bool => [] !== $one->needs->puts));
    }

    /** @return list<Step> those that use up something that is called so, a pattern */
    public function using(string $pattern): array
    {
        return $this->using[$pattern] ??= array_values(array_filter($this->sheet->steps, static fn (Step $one): bool => (
            [] !== array_filter($one->needs->consumables, static fn (Supply $supply): bool => 1 === preg_match($pattern, $supply->name))
        )));
    }

    /** @return list<Step> those that run by themselves until another */
    public function waiting(): array
    {
        return $this->waiting ??= array_values(array_filter(
            $this->sheet->steps, static fn (Step $one): bool => $one->slot->passive && '' !== $one->slot->until,
        ));
    }

    /** @return array<string, Term> joint => when it is loose: undone, taken off or marked at all, and short of its final mark */
    public function loose(): array
    {
        return $this->loose ??= $this->looseJoints();
    }

    /** Where an item goes back on; the step itself where the sheet has none. */
    public function refit(Step $step, string $item): string
    {
        return $this->handling(StepKind::Refit, $item, $step);
    }

    /** The first step that does this to an item; the step itself where the sheet has none. */
    public function handling(StepKind $deed, string $item, Step $step): string
    {
        if (null === $this->handling) {
            $this->handling = [];
            foreach ($this->sheet->steps as $one) {
                $this->handling[$one->deed->value][$one->target->item] ??= $one->id;
            }
        }

        return $this->handling[$deed->value][$item] ?? $step->id;
    }

    public function tighten(Step $step, string $joint): string
    {
        return ($this->sheet->doing(StepKind::Tighten, '', $joint)[0] ?? $step)->id;
    }

    /** @return array<string, list<int>> deed => where in the line it is done */
    private function places(): array
    {
        if (null === $this->places) {
            $this->places = [];
            foreach ($this->sheet->steps as $i => $step) {
                $this->places[$step->deed->value][] = $i;
            }
        }

        return $this->places;
    }

    /** @return array<string, Term> */
    private function looseJoints(): array
    {
        $loose = [];
        foreach ($this->sheet->doing(StepKind::Tighten) as $step) {
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
            ...$this->sheet->doing(StepKind::Undo, '', $joint->id),
            ...'' === $joint->item ? [] : $this->sheet->doing(StepKind::Remove, $joint->item),
        ];

        return array_map(static fn (Step $step): Term => Term::ask(Atom::Done, $step->id), $steps);
    }

    /** @return array<string, VehicleState> */
    private function run(): array
    {
        $rig = VehicleState::standing($this->vehicle);
        $before = [];
        foreach ($this->sheet->steps as $step) {
            $before[$step->id] = $rig;
            $rig = $rig->after($step);
        }

        return $before;
    }
}
