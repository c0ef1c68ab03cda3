<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Step;

/** What goes into a tray is not what comes out of it: tray-miscount. */
final readonly class TrayMiscounts implements Rule
{
    public function inspect(Run $run): iterable
    {
        $removals = [];
        foreach ($run->sheet->doing(StepKind::Remove) as $removal) {
            $removals[$removal->target->item][] = $removal;
        }
        foreach ($run->sheet->doing(StepKind::Refit) as $refit) {
            foreach ($removals[$refit->target->item] ?? [] as $removal) {
                $off = self::pieces($removal);
                $on = self::pieces($refit);
                foreach (array_keys($off + $on) as $thing) {
                    if (($off[$thing] ?? 0) !== ($on[$thing] ?? 0)) {
                        yield Finding::stop(
                            'tray-miscount', $refit->id,
                            sprintf('%s: %d come off and %d go back.', ucfirst((string) $thing), $off[$thing] ?? 0, $on[$thing] ?? 0),
                            'Correct the tray of one of the two steps.',
                        );
                    }
                }
            }
        }
    }

    /** @return array<string, int> thing => how many */
    private static function pieces(Step $step): array
    {
        $pieces = [];
        foreach ($step->needs->tray as $line) {
            $pieces[$line->thing] = ($pieces[$line->thing] ?? 0) + $line->count;
        }

        return $pieces;
    }
}
