<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A caution that can hurt somebody has not been acknowledged. Of raising or lowering: where the vehicle still has to be moved. */
final readonly class CautionsRead implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $must = array_keys(array_filter($step->words->cautions, static fn (Caution $one): bool => $one->acknowledge));
        if ([] !== $must) {
            $seen = array_map(static fn (int $i): Term => Term::ask(Atom::Seen, $step->id, $i), $must);
            $isUnread = Term::not(Term::all(...$seen));
            yield Row::never('caution', Term::all(Nature::movesNow($step), $isUnread), 'Acknowledge the caution first.', $step->id);
        }
    }
}
