<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A compound is not cured before load, fluid or heat: cure-too-short. */
final readonly class CureTooShort implements Rule
{
    public function inspect(Run $run): iterable
    {
        $pending = [];
        foreach ($run->sheet->steps as $step) {
            [$begin, $end] = $run->sheet->timing->spans[$step->id] ?? [0.0, 0.0];
            $asksForCure = in_array($step->deed, [StepKind::Fill, StepKind::Start, StepKind::Drive], true);
            foreach ($asksForCure ? $pending : [] as $from => [$ready, $what]) {
                if ($begin < $ready - 1e-6) {
                    yield Finding::stop(
                        'cure-too-short', $step->id,
                        sprintf('The compound of “%s” has %d of its minutes to go here.', $what, (int) ceil($ready - $begin)),
                        'Put a wait before this step, or do other work first.',
                    );
                }
                unset($pending[$from]);
            }
            $cure = max(
                $step->slot->cure,
                StepKind::Tighten === $step->deed ? $run->vehicle->joints[$step->target->joint]->seat->cure ?? 0.0 : 0.0,
            );
            if ($cure > 0.0) {
                $pending[$step->id] = [$end + $cure, $step->words->title];
            }
        }
    }
}
