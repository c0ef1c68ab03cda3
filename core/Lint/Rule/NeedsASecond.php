<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** On a sheet for one a step speaks of a second person, and not of how it is done alone: needs-second. */
final readonly class NeedsASecond implements Rule
{
    private const SECOND = '~\b(?:second person|somebody|somebody else|two people|a helper)\b~iu';
    /** What offers another way in the same breath. */
    private const OFFERS = '~\bAlone:|\bor\b~u';

    public function inspect(Run $run): iterable
    {
        foreach (1 === $run->sheet->timing->people ? $run->sheet->steps : [] as $step) {
            foreach ([$step->words->title.' '.$step->words->text, ...array_column($step->words->cautions, 'text')] as $text) {
                if (1 === preg_match(self::SECOND, $text) && 1 !== preg_match(self::OFFERS, $text.' '.$step->words->text)) {
                    yield Finding::watch(
                        'needs-second', $step->id, 'It speaks of a second person, and the sheet is for one.',
                        'Say with the step how it is done alone, or plan it for two.',
                    );
                    break;
                }
            }
        }
    }
}
