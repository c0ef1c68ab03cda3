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

/** Something under pressure is opened, or hands go to what gets hot, and nothing says that it is cold. */
final readonly class ColdEnough implements Rule
{
    public function rows(Ground $ground, Step $step): iterable
    {
        if (StepKind::Remove !== $step->deed && Nature::opens($ground, $step)) {
            $circuit = $ground->vehicle->circuits[$step->target->circuit]->name ?? 'circuit';
            yield Row::lead(
                'hot-circuit', Term::not(Term::ask(Atom::Cold)),
                sprintf('The %s is opened, and nothing says yet that the engine is cold.', $circuit),
                $ground->nearest($step, StepKind::Cold, StepKind::CoolDown)->id,
            );
        } elseif (Nature::handlesHot($step, $ground->vehicle)) {
            $name = $ground->vehicle->items[$step->itemOn($ground->vehicle)]->name;
            yield Row::reason(
                'hot-hands', Term::not(Term::ask(Atom::Cold)), sprintf('The %s gets hot, and nothing says yet that it is cold.', $name),
                $ground->nearest($step, StepKind::Cold, StepKind::CoolDown)->id,
            );
        }
    }
}
