<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;

/** Something is moved past its limit while what it would hit or strain is still fitted: movement-limit. */
final readonly class MovesTooFar implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->moments as [$step, $rig]) {
            foreach (Deed::Move === $step->deed ? $run->vehicle->limits : [] as $limit) {
                $free = '' !== $limit->freedBy && isset($rig->off[$limit->freedBy]);
                $load = $step->target->load;
                if ($limit->body === $load->body && $limit->way === $load->way && $load->mm > $limit->mm && !$free) {
                    $mend = '' === $limit->freedBy ? sprintf('Move it %s mm at most.', $limit->mm) : sprintf(
                        'Take off the %s first, or move it %s mm at most.',
                        $run->vehicle->items[$limit->freedBy]->name ?? $limit->freedBy, $limit->mm,
                    );
                    yield Finding::stop(
                        'movement-limit', $step->id,
                        sprintf(
                            'The %s goes %s %s mm; past %s mm %s.', $limit->body, $limit->way, $step->target->load->mm, $limit->mm,
                            $limit->because,
                        ),
                        $mend,
                    );
                }
            }
        }
    }
}
