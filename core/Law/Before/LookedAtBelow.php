<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law\Before;

use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Law\Rule;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;

/** It comes down over what was plugged in below and has not been looked over: from the floor nobody reaches it any more. */
final readonly class LookedAtBelow implements Rule
{
    public const CODE = 'ends-below-not-looked';

    public function rows(Ground $ground, Step $step): iterable
    {
        foreach (StepKind::Lower === $step->deed ? self::waiting($ground) : [] as [$look, $waits]) {
            yield self::row($look, Term::all(Nature::movesNow($step), $waits));
        }
    }

    public static function row(Step $look, Term $when): Row
    {
        return Row::reason(self::CODE, $when, 'What was plugged in below has not been looked over.', $look->id);
    }

    /** @return iterable<array{Step, Term}> a look that is taken from below, and when it is wanted: something is back and it is not done */
    public static function waiting(Ground $ground): iterable
    {
        foreach ($ground->allTagged(Tag::ENDS_LOOK) as $look) {
            $isBelow = in_array($look->slot->position, [Position::Raised, Position::WheelOff], true);
            $back = [];
            foreach ($isBelow ? Tag::lookedAt($look->tags) : [] as $item) {
                foreach ($ground->sheet->doing(StepKind::Refit, $item) as $refit) {
                    $back[] = Term::ask(Atom::Done, $refit->id);
                }
            }
            if ([] !== $back) {
                yield [$look, Term::all(Term::any(...$back), Term::not(Term::ask(Atom::Closed, $look->id)))];
            }
        }
    }
}
