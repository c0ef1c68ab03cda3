<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\VehicleState;

/** Something is moved past its limit while what it would hit or strain is still fitted: movement-limit. */
final readonly class MovesTooFar implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Move) as [$step, $rig]) {
            yield from self::tipped($run, $step, $rig);
            foreach ($run->vehicle->limits as $limit) {
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

    /**
     * The engine goes up further than what comes near allows.
     *
     * @return iterable<Finding>
     */
    private static function tipped(Run $run, Step $step, VehicleState $rig): iterable
    {
        $load = $step->target->load;
        $isUp = 'engine' === $load->body && 'up' === $load->way;
        $may = $isUp ? $run->vehicle->lifting->mayRise($rig->off) : null;
        if (null !== $may && $load->mm > $may[0]) {
            [$limit, $first] = $may;
            $freedBy = $run->vehicle->items[$run->vehicle->lifting->freedBy[$first] ?? '']->name ?? '';
            yield Finding::stop(
                'movement-limit', $step->id,
                sprintf('The engine goes up %s mm; past %d mm the %s has less than 5 mm left.', $load->mm, (int) floor($limit), $first),
                '' === $freedBy ? sprintf('Move it %d mm at most.', (int) floor($limit)) : sprintf('Take off the %s first.', $freedBy),
            );
        }
    }
}
