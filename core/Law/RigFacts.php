<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law;

use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\State\VehicleState;

/** The vehicle answers the law, by plan or by what was done: on stands, cold, live, what is off, undone, open, held. */
final readonly class RigFacts
{
    public function __construct(private VehicleState $rig)
    {
    }

    public function answer(Atom $atom, string $id, string $support): bool|string
    {
        return match ($atom) {
            Atom::Raised => $this->rig->raised,
            Atom::Stance => $this->rig->stance->value,
            Atom::Bare => [] !== $this->rig->bare,
            Atom::StandsOn => $this->rig->stance->label(),
            Atom::Cold => $this->rig->cold,
            Atom::Battery => $this->rig->battery,
            Atom::Off => isset($this->rig->off[$id]),
            Atom::Undone => isset($this->rig->loose[$id]),
            Atom::Open => isset($this->rig->open[$id]),
            Atom::Held => isset($this->rig->held[$id]),
            Atom::Support => isset($this->rig->supports[$id][$support]),
            default => throw new \LogicException(sprintf('A vehicle does not answer %s.', $atom->value)),
        };
    }
}
