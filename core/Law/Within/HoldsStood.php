<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Within;

use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** A timed stage was cut short without a reason; what was read is judged for the time it really stood. */
final readonly class HoldsStood implements Rule
{
    private const TITLE = 0;
    private const STOOD = 1;
    private const TOO_MUCH = 2;
    private const UNIT = 3;

    public function rows(Ground $ground, Step $step): iterable
    {
        if (null === FillRoutine::named($step->asking->routine)) {
            return;
        }
        $isBearable = Term::same(Term::it(self::TOO_MUCH), '');
        $stood = [Term::it(self::TITLE), Term::it(self::STOOD)];
        $holds = Term::ask(Atom::ShortHolds, $step->id);
        yield Row::reason(
            'hold-short', $isBearable, Term::say('“%s” stood %s. Let it stand and read it again.', ...$stood), $step->id,
        )->overEach($holds);
        yield Row::reason('hold-short', Term::not($isBearable), Term::say(
            '“%s” stood %s. At that rate it would be %s %s: too much.', ...[...$stood, Term::it(self::TOO_MUCH), Term::it(self::UNIT)],
        ), $step->id)->overEach($holds);
    }
}
