<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** Anti-seize and threadlocker on one thread: paste-and-locker. */
final readonly class PasteAndLocker implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            $said = null === $joint ? '' : mb_strtolower($joint->seat->compound.' '.$joint->seat->friction);
            if (null !== $joint && 1 === preg_match('~anti-?\s?seize|paste~', $said) && 1 === preg_match('~lock~', $said)) {
                yield Finding::stop(
                    'paste-and-locker', $step->id,
                    sprintf('The %s are given anti-seize and threadlocker: one undoes the other.', $joint->name),
                    'Choose one, from heat, material and how often it comes apart.',
                );
            }
        }
    }
}
