<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A listed tool is not accounted for. */
final readonly class ToolsCounted implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        $missing = [];
        foreach ($ground->toolsListed($step) as $tool) {
            $missing[$tool] = Term::not(Term::ask(Atom::Tool, $step->id, $tool));
        }
        if ([] === $missing) {
            return;
        }
        [$count, $names] = [Term::count(...array_values($missing)), Term::names(', ', $missing)];
        yield Row::reason('tool-missing', Term::same($count, 1), Term::say('The %s is not accounted for.', $names), $step->id);
        yield Row::reason(
            'tool-missing', Term::less(1, $count), Term::say('%s tools are not accounted for: %s.', $count, $names), $step->id,
        );
    }
}
