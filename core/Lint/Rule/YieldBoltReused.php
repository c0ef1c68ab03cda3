<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Vehicle\JointMechanics;

/** A bolt tightened into yield is marked for using again, and no length limit is given to measure it by: yield-bolt-reused. */
final readonly class YieldBoltReused implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            if (null === $joint || $joint->fastener->isNew() || $joint->fastener->longest > 0.0) {
                continue;
            }
            if (true === JointMechanics::of($joint)?->goesIntoYield()) {
                yield Finding::watch(
                    'yield-bolt-reused', $step->id,
                    sprintf('The %s go into yield with figure and angle, and are to be used again.', $joint->name),
                    'New bolts, or the maker’s longest length to measure each old one against.',
                );
            }
        }
    }
}
