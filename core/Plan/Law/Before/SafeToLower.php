<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Before;

use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Support\Support;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** The vehicle goes up or down while a support holds a weight that the sheet has back on its mounts by then, or one stands on the floor. */
final readonly class SafeToLower implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (Deed::Lower !== $step->deed && Deed::Raise !== $step->deed) {
            return;
        }
        foreach (self::supports($ground) as $body => $supports) {
            $stands = [];
            foreach ($supports as $support) {
                $stands[$support->label()] = Term::ask(Atom::Support, $body, $support->value);
            }
            $floor = array_filter($supports, static fn (Support $one): bool => $one->standsOnTheFloor());
            $onFloor = array_map(static fn (Support $one): Term => $stands[$one->label()], array_values($floor));
            $said = Term::say('The %s is still on its %s.', $body, Term::names(' and ', $stands));
            $there = $ground->nearest($step, Deed::Release)->id;
            if ([] !== $onFloor) {
                yield Row::lead('raised-on-jack', Term::any(...$onFloor), $said, $there);
            }
            if (!isset($ground->planned($step)->held[$body])) {
                yield Row::lead('still-held', Term::any(...array_values($stands)), $said, $there);
            }
        }
    }

    /** @return array<string, list<Support>> body => what the sheet puts under or over it */
    private static function supports(Ground $ground): array
    {
        $supports = [];
        foreach ([...$ground->sheet->doing(Deed::Hold), ...$ground->sheet->doing(Deed::HandOver)] as $hold) {
            $load = $hold->target->load;
            $supports[$load->body][($load->support ?? Support::Jack)->value] = $load->support ?? Support::Jack;
        }

        return array_map(array_values(...), $supports);
    }
}
