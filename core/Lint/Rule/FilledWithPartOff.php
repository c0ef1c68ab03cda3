<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Vehicle\Item;

/** A circuit is filled with part of it off: filled-with-part-off. */
final readonly class FilledWithPartOff implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->doing(StepKind::Fill) as [$step, $rig]) {
            $circuit = $step->target->circuit;
            $off = '' === $circuit ? [] : array_filter(
                $run->vehicle->items,
                static fn (Item $item): bool => $item->dangers->wet === $circuit && isset($rig->off[$item->id]),
            );
            if ([] !== $off) {
                $names = implode(', the ', array_map(static fn (Item $item): string => $item->name, $off));
                yield Finding::stop(
                    'filled-with-part-off', $step->id, sprintf('It is filled here, and the %s is still off.', $names),
                    'Put it back and tighten it first.',
                );
            }
        }
    }
}
