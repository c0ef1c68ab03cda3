<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;

/** A mount comes off while another of the same body is off still, or the body is moved while a mount of it is bolted. */
final readonly class MountsInTurn implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $carries = $ground->vehicle->items[$step->target->item]->dangers->carries ?? '';
        foreach (StepKind::Remove === $step->deed && '' !== $carries ? $ground->vehicle->carriers()[$carries] : [] as $other) {
            if ($other->id !== $step->target->item) {
                yield Row::lead(
                    'mounts-both-out', Term::ask(Atom::Off, $other->id),
                    sprintf('The %s is out. It goes in before this one comes out.', $other->name),
                    $ground->nearest($step, StepKind::Refit)->id,
                );
            }
        }
        $bolted = StepKind::Move === $step->deed ? self::bolted($ground, $step->target->load->body) : [];
        if ([] !== $bolted) {
            yield Row::lead(
                'moved-while-mounted', Term::any(...array_values($bolted)),
                Term::say('The %s is still bolted: %s.', $step->target->load->body, Term::names(' and ', $bolted)),
                $ground->nearest($step, StepKind::Undo)->id,
            );
        }
    }

    /** @return array<string, Term> name of a mount => it is on, and some joint of it is not undone */
    private static function bolted(Ground $ground, string $body): array
    {
        $bolted = [];
        foreach ($ground->vehicle->carriers()[$body] ?? [] as $mount) {
            $undone = array_map(
                static fn (Joint $joint): Term => Term::ask(Atom::Undone, $joint->id), $ground->vehicle->jointsOf($mount->id),
            );
            $bolted[$mount->name] = Term::not(Term::any(
                Term::ask(Atom::Off, $mount->id), ...[] === $undone ? [] : [Term::all(...array_values($undone))],
            ));
        }

        return $bolted;
    }
}
