<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Book;

use NimbleKnuckle\Core\Law\Before\LookedAtBelow;
use NimbleKnuckle\Core\Law\Before\NothingRuns;
use NimbleKnuckle\Core\Law\Before\SafeToLower;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\Protects;

/**
 * When the vehicle is not moved at all, at whatever step: something runs, a weight hangs on a support, a wheel or what holds the
 * structure is off, steering or brakes are undone. Asked of a mark that says where it stands now.
 */
final readonly class Moving
{
    private Term $stance;

    public function __construct(private Ground $ground)
    {
        $this->stance = Term::ask(Atom::Given, 'stance');
    }

    /** @return list<Row> */
    public function rows(): array
    {
        $changes = Term::not(Term::same($this->stance, Term::ask(Atom::Stance)));
        $rolls = Term::same(Term::ask(Atom::Given, 'rolls'), 1);
        $ramps = Term::all($changes, Term::any(
            Term::same($this->stance, Stance::Ramps->value), Term::same(Term::ask(Atom::Stance), Stance::Ramps->value),
        ));

        return array_values([
            ...$this->streams(Term::any($changes, $rolls)), ...$this->hangs(Term::any($changes, $rolls)),
            ...$this->off(Term::any(Term::all($changes, $this->isOn(Stance::Floor, Stance::Ramps)), $rolls)),
            ...$this->driven(Term::any($ramps, $rolls), $ramps), ...$this->unseen(Term::all($changes, $this->isOn(Stance::Floor))),
        ]);
    }

    private function isOn(Stance ...$these): Term
    {
        return Term::any(...array_map(fn (Stance $one): Term => Term::same($this->stance, $one->value), array_values($these)));
    }

    /** @return iterable<Row> */
    private function streams(Term $moves): iterable
    {
        foreach (NothingRuns::running($this->ground) as [$step, $runs]) {
            yield Row::lead('moves-while-it-runs', Term::all($moves, $runs), sprintf('“%s” still runs.', $step->words->title), $step->id);
        }
    }

    /** @return iterable<Row> */
    private function hangs(Term $moves): iterable
    {
        foreach (SafeToLower::standing($this->ground) as $body => $stands) {
            yield Row::lead('still-held', Term::all($moves, Term::any(...array_values($stands))), Term::say(
                'The %s is still on its %s.', $body, Term::names(' and ', $stands),
            ), $this->ground->sheet->doing(StepKind::Release)[0]->id ?? '');
        }
    }

    /** @return iterable<Row> */
    private function off(Term $moves): iterable
    {
        yield Row::lead('wheel-off', Term::all($moves, Term::ask(Atom::Bare)), 'A wheel is said to be off.', '');
        foreach ($this->taken() as [$step, $item]) {
            if ($item->isWheel()) {
                yield Row::lead('wheel-off', Term::all($moves, Term::ask(Atom::Off, $item->id)), sprintf(
                    'The %s is off.', $item->name,
                ), $this->ground->refit($step, $item->id));
            } elseif (Protects::Structure === $item->parting->protects) {
                yield Row::lead('guard-off', Term::all($moves, Term::ask(Atom::Off, $item->id)), sprintf(
                    'The %s is still off, and it %s.', $item->name, $item->parting->protects->does(),
                ), $this->ground->refit($step, $item->id));
            }
        }
    }

    /**
     * It rolls by itself: with its wheels tight, steering and brakes whole; up and down ramps only with all of the drive whole.
     *
     * @return iterable<Row>
     */
    private function driven(Term $rolls, Term $ramps): iterable
    {
        foreach ($this->ground->loose() as $id => $isLoose) {
            $joint = $this->ground->vehicle->joints[$id];
            if ($joint->holdsAWheel()) {
                yield Row::lead('joint-loose', Term::all($rolls, $isLoose), sprintf(
                    '%s: not tight.', ucfirst($joint->name),
                ), $this->ground->sheet->doing(StepKind::Tighten, '', $id)[0]->id ?? '');
            }
        }
        foreach ($this->taken() as [$step, $item]) {
            $holdsBack = $item->steersOrBrakes() ? $rolls : $ramps;
            yield Row::lead('part-off', Term::all($holdsBack, Term::ask(Atom::Off, $item->id)), sprintf(
                'The %s is still off.', $item->name,
            ), $this->ground->refit($step, $item->id));
        }
        foreach ($this->ground->vehicle->circuits as $id => $circuit) {
            yield Row::lead('circuit-empty', Term::all($ramps, Term::ask(Atom::Open, $id)), sprintf(
                'The %s is open or empty.', $circuit->name,
            ), $this->ground->sheet->doing(StepKind::Fill, '', '', $id)[0]->id ?? '');
        }
    }

    /** @return iterable<Row> */
    private function unseen(Term $comesDown): iterable
    {
        foreach (LookedAtBelow::waiting($this->ground) as [$look, $waits]) {
            yield LookedAtBelow::row($look, Term::all($comesDown, $waits));
        }
    }

    /** @return iterable<array{Step, Item}> */
    private function taken(): iterable
    {
        foreach ($this->ground->sheet->doing(StepKind::Remove) as $step) {
            $item = $this->ground->vehicle->items[$step->target->item] ?? null;
            if (null !== $item) {
                yield [$step, $item];
            }
        }
    }
}
