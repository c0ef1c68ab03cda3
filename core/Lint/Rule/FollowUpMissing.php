<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Step;

/** The procedure calls for a check afterwards and the sheet books none: no-morning-check, no-retorque, no-follow-up. */
final readonly class FollowUpMissing implements Rule
{
    public function inspect(Run $run): iterable
    {
        $booked = array_count_values(
            array_map(static fn (Step $step): string => $step->asking->followUp->kind, $run->sheet->steps),
        );
        $last = $run->sheet->steps[count($run->sheet->steps) - 1] ?? null;
        foreach (array_count_values($run->sheet->expects) as $kind => $wanted) {
            if (null !== $last && ($booked[$kind] ?? 0) < $wanted) {
                [$code, $what] = match ($kind) {
                    'level' => ['no-morning-check', 'look at the cold level the next morning'],
                    're-torque' => ['no-retorque', 'tighten once more after the first heat cycles'],
                    default => ['no-follow-up', 'look again'],
                };
                yield Finding::stop(
                    $code, $last->id, sprintf(
                        isset($booked[$kind])
                            ? 'Not every job on this sheet makes anyone %s.'
                            : 'Nothing on this sheet makes anyone %s.',
                        $what,
                    ),
                    'Add a step that books it in the logbook.',
                );
            }
        }
    }
}
