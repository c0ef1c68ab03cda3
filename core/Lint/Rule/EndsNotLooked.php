<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Tag;

/** Something that guards the start was unplugged, and no step of the sheet looks it over before the engine runs: ends-not-looked. */
final readonly class EndsNotLooked implements Rule
{
    public function inspect(Run $run): iterable
    {
        $parted = $seen = [];
        $seesAll = false;
        foreach ($run->sheet->steps as $step) {
            $item = StepKind::Remove === $step->deed ? $run->vehicle->items[$step->target->item] ?? null : null;
            $parted += null === $item || [] === $item->parting->guards() ? [] : [$item->id => $item->name];
            if (in_array(Tag::ENDS_LOOK, $step->tags, true)) {
                $named = Tag::lookedAt($step->tags);
                $seesAll = $seesAll || [] === $named;
                $seen += array_flip($named);
            }
            $unseen = $seesAll || !in_array($step->deed, [StepKind::Start, StepKind::Drive], true) ? [] : array_diff_key($parted, $seen);
            if ([] !== $unseen) {
                yield Finding::stop(
                    'ends-not-looked', $step->id, sprintf('The %s was off, and nothing looks over what was unplugged.', reset($unseen)),
                    'Add a step that looks it over by name.',
                );

                return;
            }
        }
    }
}
