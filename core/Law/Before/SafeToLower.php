<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Support;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** The vehicle goes up or down while a support holds a weight that the sheet has back on its mounts by then, or one stands on the floor. */
final readonly class SafeToLower implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (StepKind::Lower !== $step->deed && StepKind::Raise !== $step->deed) {
            return;
        }
        $moves = Nature::movesNow($step);
        foreach (self::supports($ground) as $body => $supports) {
            $stands = self::asked($body, $supports);
            $floor = array_filter($supports, static fn (Support $one): bool => $one->standsOnTheFloor());
            $onFloor = array_map(static fn (Support $one): Term => $stands[$one->label()], array_values($floor));
            $said = Term::say('The %s is still on its %s.', $body, Term::names(' and ', $stands));
            $there = $ground->nearest($step, StepKind::Release)->id;
            if ([] !== $onFloor) {
                yield Row::lead('raised-on-jack', Term::all($moves, Term::any(...$onFloor)), $said, $there);
            }
            if (!isset($ground->planned($step)->held[$body])) {
                yield Row::lead('still-held', Term::all($moves, Term::any(...array_values($stands))), $said, $there);
            }
        }
    }

    /** @return array<string, array<string, Term>> body => what the sheet puts under or over it => when it is there */
    public static function standing(Ground $ground): array
    {
        $standing = [];
        foreach (self::supports($ground) as $body => $supports) {
            $standing[$body] = self::asked($body, $supports);
        }

        return $standing;
    }

    /**
     * @param list<Support> $supports
     *
     * @return array<string, Term>
     */
    private static function asked(string $body, array $supports): array
    {
        $stands = [];
        foreach ($supports as $support) {
            $stands[$support->label()] = Term::ask(Atom::Support, $body, $support->value);
        }

        return $stands;
    }

    /** @return array<string, list<Support>> body => what the sheet puts under or over it */
    private static function supports(Ground $ground): array
    {
        $supports = [];
        foreach ([...$ground->sheet->doing(StepKind::Hold), ...$ground->sheet->doing(StepKind::HandOver)] as $hold) {
            $load = $hold->target->load;
            $supports[$load->body][($load->support ?? Support::Jack)->value] = $load->support ?? Support::Jack;
        }

        return array_map(array_values(...), $supports);
    }
}
