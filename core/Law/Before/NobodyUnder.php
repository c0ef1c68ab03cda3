<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;

/** Nobody is under the vehicle while the engine runs. From under a locked lift one may look, hands away; from nowhere else. */
final readonly class NobodyUnder implements Rule
{
    public const CODE = 'under-while-it-runs';
    private const LOOKS = [StepKind::Leaks, StepKind::Check];

    public function rows(Ground $ground, Step $step): iterable
    {
        if (!Nature::isUnder($step)) {
            return;
        }
        $onLift = Term::same(Term::ask(Atom::Stance), Stance::Lift->value);
        $where = in_array($step->deed, self::LOOKS, true) ? Term::not($onLift) : Term::always();
        foreach (NothingRuns::running($ground) as [$one, $runs]) {
            if ($one !== $step && Nature::runsEngine($one)) {
                yield Row::lead(self::CODE, Term::all($where, $runs), sprintf(
                    'The engine runs for “%s”, and this is under the vehicle.', $one->words->title,
                ), $one->id);
            }
        }
    }
}
