<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Vehicle\JointMechanics;

/** A figure is implausibly low for the thread: figure-too-low. */
final readonly class FigureTooLow implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(StepKind::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->target->joint] ?? null;
            $mechanics = null === $joint || !$joint->hasFigure() ? null : JointMechanics::of($joint);
            if (null === $joint || null === $mechanics) {
                continue;
            }
            $yield = $mechanics->bolt->typicalTorque($mechanics->bolt->yieldsAt())->newtonMetres;
            if ($joint->figure()->value() < 0.08 * $yield) {
                yield Finding::watch(
                    'figure-too-low', $step->id,
                    sprintf(
                        '%s is %d %% of what brings %s %s to yield: unlikely for a bolt that clamps.', $joint->stated(),
                        (int) round(100 * $joint->figure()->value() / $yield), $mechanics->bolt->thread->name,
                        $mechanics->bolt->grade->value,
                    ),
                    'Look for inch-pounds read as something else, or a lost digit.',
                );
            }
        }
    }
}
