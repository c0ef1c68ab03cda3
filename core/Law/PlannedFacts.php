<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Facts;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\VehicleState;

/**
 * A sheet answers the law before one of its steps: everything above it is done as it says, every reading lies inside, nothing fell. What
 * then still stands in the way, the sheet itself has wrong.
 */
final readonly class PlannedFacts implements Facts
{
    private VehicleState $rig;
    private int $place;

    public function __construct(private Ground $ground, private Step $here)
    {
        $this->rig = $ground->planned($here);
        $this->place = $ground->sheet->placeOf($here->id);
    }

    public function answer(Atom $atom, array $of): bool|int|float|string|array
    {
        [$id, $thing] = [(string) ($of[0] ?? ''), (string) ($of[1] ?? '')];

        return match ($atom) {
            Atom::Done, Atom::Closed, Atom::Read, Atom::Started, Atom::RoutineBegun => $this->isEarlier($id),
            Atom::Raised, Atom::Stance, Atom::StandsOn, Atom::Bare, Atom::Cold, Atom::Battery, Atom::Off, Atom::Undone,
            Atom::Open, Atom::Held, Atom::Support => (new RigFacts($this->rig))->answer($atom, $id, $thing),
            Atom::Left => isset($this->rig->loose[$id]) ? $this->ground->vehicle->joints[$id]->count() : 0,
            Atom::Inside => $this->isInside($id, $thing),
            Atom::AllInside => $this->inside(),
            Atom::Seen, Atom::Tool, Atom::Pictured, Atom::WasInside, Atom::AllOff, Atom::AllBack, Atom::RoutineDone,
            Atom::Tried, Atom::InBand => true,
            Atom::Rivals => false,
            Atom::Faults, Atom::Mishaps, Atom::ShortHolds => [],
            Atom::FirstOpen, Atom::Verdict, Atom::Finding, Atom::Written, Atom::Doubt, Atom::Stage, Atom::PiecesSaid, Atom::Trial => '',
            Atom::Title => $this->ground->sheet->step($id)->words->title ?? '',
            Atom::WaitLeft => 0.0,
            default => false,
        };
    }

    private function isEarlier(string $id): bool
    {
        $step = $this->ground->sheet->step($id);

        return null !== $step && $this->ground->sheet->placeOf($id) < $this->place;
    }

    /** In from its step on, until the step it must be out for; where none is named that stands here, until the engine first runs. */
    private function isInside(string $id, string $thing): bool
    {
        foreach ($this->ground->sheet->step($id)->needs->puts ?? [] as $put) {
            if ($put->thing === $thing && $this->isEarlier($id)) {
                $out = $this->ground->sheet->step($put->outBefore) ?? $this->ground->sheet->doing(StepKind::Start)[0] ?? null;

                return null === $out || !$this->isEarlier($out->id) && $out->id !== $this->here->id;
            }
        }

        return false;
    }

    /** @return list<list<string>> */
    private function inside(): array
    {
        $inside = [];
        foreach ($this->ground->putting() as $step) {
            foreach ($step->needs->puts as $put) {
                if ($this->isInside($step->id, $put->thing)) {
                    $inside[] = [$step->id, $put->thing];
                }
            }
        }

        return $inside;
    }
}
