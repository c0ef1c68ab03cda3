<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** A step asks to unplug whatever is in the way: nobody can look over afterwards what was never named: unplugged-unnamed. */
final readonly class UnpluggedUnnamed implements Rule
{
    private const VAGUE = '~\b(?:unplug|unclip|disconnect)\s+(?:what|whatever|anything|everything|all)\b~iu';

    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->steps as $step) {
            if (1 === preg_match(self::VAGUE, $step->words->title.' '.$step->words->text, $m)) {
                yield Finding::stop(
                    'unplugged-unnamed', $step->id, sprintf('“%s …” names nothing that could be looked over afterwards.', $m[0]),
                    'Enter the plugs, clips and lines as ends of their item on the vehicle sheet.',
                );
            }
        }
    }
}
