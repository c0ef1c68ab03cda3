<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Supply;
use NimbleKnuckle\Core\Sheet\Finding;

/** A single-use part is not on the parts list: single-use-not-listed. */
final readonly class SinglePartMissing implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            $listed = [] !== array_filter($step->needs->parts, static fn (Supply $part): bool => 'new' === $part->state);
            if (null !== $joint && $joint->fastener->isNew() && !$listed) {
                yield Finding::stop(
                    'single-use-not-listed', $step->id, sprintf('The %s are to be new and stand on no parts list.', $joint->name),
                    'List them with this step.',
                );
            }
        }
    }
}
