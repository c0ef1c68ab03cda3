<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint\Rule;

use NimbleKnuckle\Core\Plan\Lint\Rule;
use NimbleKnuckle\Core\Plan\Lint\Run;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\TrayLine;

/** What goes into a tray is not what comes out of it: tray-miscount. */
final readonly class TrayMiscounts implements Rule
{
    public function inspect(Run $run): iterable
    {
        $removals = [];
        foreach ($run->sheet->doing(Deed::Remove) as $removal) {
            $removals[$removal->target->item][] = $removal;
        }
        foreach ($run->sheet->doing(Deed::Refit) as $refit) {
            foreach ($removals[$refit->target->item] ?? [] as $removal) {
                $off = $this->pieces($removal);
                $on = $this->pieces($refit);
                if ($off !== $on) {
                    yield Finding::stop(
                        'tray-miscount', $refit->id, sprintf('%d pieces come off and %d go back.', $off, $on),
                        'Correct the tray of one of the two steps.',
                    );
                }
            }
        }
    }

    private function pieces(Step $step): int
    {
        return array_sum(array_map(static fn (TrayLine $line): int => $line->count, $step->needs->tray));
    }
}
