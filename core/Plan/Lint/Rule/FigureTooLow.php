<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Bolting\BearingFace;
use NimbleKnuckle\Core\Bolting\Friction;
use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Preload;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A figure is implausibly low for the thread: figure-too-low. */
final readonly class FigureTooLow implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->sheet->doing(Deed::Tighten) as $step) {
            $joint = $run->vehicle->joints[$step->joint] ?? null;
            if (null === $joint || !$joint->hasFigure() || '' === $joint->fastener->thread) {
                continue;
            }
            try {
                $thread = Thread::parse($joint->fastener->thread);
                $friction = Friction::parse($joint->seat->friction);
            } catch (InvalidInput) {
                continue;
            }
            $grade = Grade::tryFrom($joint->fastener->grade) ?? Grade::C88;
            $yield = (new Preload(
                $thread, $grade, BearingFace::hexagon($thread),
            ))->yieldTorque($friction->typical, $friction->head($friction->typical))->newtonMetres;
            if ($joint->figure()->value() < 0.08 * $yield) {
                yield Finding::watch(
                    'figure-too-low', $step->id,
                    sprintf(
                        '%s is %d %% of what brings %s %s to yield: unlikely for a bolt that clamps.', $joint->stated(),
                        (int) round(100 * $joint->figure()->value() / $yield), $thread->name, $grade->value,
                    ),
                    'Look for inch-pounds read as something else, or a lost digit.',
                );
            }
        }
    }
}
