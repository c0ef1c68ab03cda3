<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Step;

/** A charge circuit is opened and its clamps are never looked at after the first heat: clamps-not-rechecked. */
final readonly class ClampsNotRechecked implements Rule
{
    public function inspect(Run $run): iterable
    {
        $opened = array_values(
            array_filter(
                $run->sheet->steps,
                static fn (Step $step): bool => StepKind::Open === $step->deed && str_contains($step->target->circuit, 'charge'),
            ),
        );
        if ([] === $opened) {
            return;
        }
        $hot = false;
        foreach ($run->sheet->steps as $step) {
            $hot = $hot || StepKind::Drive === $step->deed;
            if (($hot && StepKind::Leaks === $step->deed) || 'clamps' === $step->asking->followUp->kind) {
                return;
            }
        }
        yield Finding::watch(
            'clamps-not-rechecked', $opened[0]->id,
            'The charge pipes are opened here and nobody looks at their clamps after the first heat.',
            'Add a look at every clamp after the drive, or book one.',
        );
    }
}
