<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Law\Book\Rules;
use NimbleKnuckle\Core\Law\PlannedFacts;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Step;

/** What the law of the bench would hold back though everything above it is done as the sheet has it: by the code of that law. */
final readonly class AgainstTheLaw implements Rule
{
    public function inspect(Run $run): iterable
    {
        $rules = Rules::of($run->ground);
        foreach ($run->sheet->steps as $step) {
            $facts = new PlannedFacts($run->ground, $step);
            foreach ($rules->planned($step) as $row) {
                foreach (Bar::Note === $row->bar ? [] : $row->of($facts) as $obstacle) {
                    yield Finding::stop($obstacle->code, $step->id, $obstacle->text, self::mend($run, $step, $obstacle));
                }
            }
        }
    }

    private static function mend(Run $run, Step $step, Obstacle $obstacle): string
    {
        $there = $run->sheet->step($obstacle->step);

        return null === $there || $there->id === $step->id
            ? 'No step of the sheet sees to that: put one before it.'
            : sprintf('Have “%s” before it.', $there->words->title);
    }
}
