<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\ItemKind;

/** The engine runs with parts off, joints loose, a circuit empty, a weight hung up or something left inside. */
final readonly class SafeToRun implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (!Nature::runsEngine($step)) {
            return;
        }
        $planned = $ground->planned($step);
        foreach (array_diff_key($ground->vehicle->circuits, $planned->open) as $id => $circuit) {
            yield Row::lead(
                'circuit-empty', Term::ask(Atom::Open, $id), sprintf('The %s is open or empty.', $circuit->name),
                ($ground->sheet->doing(StepKind::Fill, '', '', $id)[0] ?? $step)->id,
            );
        }
        yield from self::off($ground, $step, $planned);
        foreach (array_diff_key($ground->loose(), $planned->loose) as $id => $isLoose) {
            yield Row::lead('joint-loose', $isLoose, Term::say(
                '%s: %s not tight.', ucfirst($ground->vehicle->joints[$id]->name), Term::ask(Atom::Left, $id),
            ), $ground->tighten($step, $id));
        }
        yield Row::lead('left-inside', Term::always(), Term::say('The %s is still in.', Term::it(1)), Term::it(0))
            ->overEach(Term::ask(Atom::AllInside));
        yield from self::heldOrLeft($ground, $step, $planned);
    }

    /** @return iterable<Row> */
    private static function off(Ground $ground, Step $step, VehicleState $planned): iterable
    {
        foreach (array_reverse($ground->sheet->doing(StepKind::Remove)) as $remove) {
            $item = $ground->vehicle->items[$remove->target->item] ?? null;
            if (null === $item || isset($planned->off[$item->id]) || $item->parting->protects->isForTheRun()) {
                continue;
            }
            $row = [Term::ask(Atom::Off, $item->id), sprintf('The %s is still off.', $item->name), $ground->refit($step, $item->id)];
            yield ItemKind::Cover === $item->kind ? Row::reason('cover-off', ...$row) : Row::lead('part-off', ...$row);
        }
    }

    /** Whether something that guards the start has been unplugged by then. */
    private static function isParted(Ground $ground, Step $step): bool
    {
        foreach ($ground->earlier($step) as $one) {
            $item = StepKind::Remove === $one->deed ? $ground->vehicle->items[$one->target->item] ?? null : null;
            if ([] !== ($item?->parting->guards() ?? [])) {
                return true;
            }
        }

        return false;
    }

    /** @return iterable<Row> */
    private static function heldOrLeft(Ground $ground, Step $step, VehicleState $planned): iterable
    {
        $bodies = array_map(
            static fn (Step $hold): string => $hold->target->load->body,
            [...$ground->sheet->doing(StepKind::Hold), ...$ground->sheet->doing(StepKind::HandOver)],
        );
        foreach (array_diff(array_unique($bodies), array_keys($planned->held)) as $body) {
            yield Row::lead(
                'still-held', Term::ask(Atom::Held, $body), sprintf('The %s still hangs on its support.', $body),
                $ground->nearest($step, StepKind::Release)->id,
            );
        }
        yield Row::reason(
            'battery-left-off', Term::not(Term::ask(Atom::Battery)), 'The battery is still disconnected.',
            $ground->nearest($step, StepKind::BatteryOn)->id,
        );
        foreach (self::isParted($ground, $step) ? $ground->allTagged(Tag::ENDS_LOOK) : [] as $look) {
            yield Row::lead(
                'ends-not-looked', Term::not(Term::ask(Atom::Closed, $look->id)), 'What was unplugged has not been looked over.', $look->id,
            );
        }
        $count = $ground->toolCount();
        if (null !== $count && $ground->sheet->placeOf($count->id) < $ground->sheet->placeOf($step->id)) {
            yield Row::lead(
                'tools-not-counted', Term::not(Term::ask(Atom::Done, $count->id)), 'The tools have not been counted.', $count->id,
            );
        }
    }
}
