<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Law\Within;

use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Law\Rule;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;

/** A caution that can hurt somebody has not been acknowledged. */
final readonly class CautionsRead implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $must = array_keys(array_filter($step->words->cautions, static fn (Caution $one): bool => $one->acknowledge));
        if ([] !== $must) {
            $seen = array_map(static fn (int $i): Term => Term::ask(Atom::Seen, $step->id, $i), $must);
            yield Row::never('caution', Term::not(Term::all(...$seen)), 'Acknowledge the caution first.', $step->id);
        }
    }
}
