<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;

/** Reasons that stand ready to tap; the one given last is not offered again. */
final readonly class CommonReasons
{
    /** @return list<string> */
    public static function for(Step $step, string $last): array
    {
        $own = match ($step->deed) {
            StepKind::Remove, StepKind::Refit => ['Vehicle differs from sheet', 'Piece was missing before', 'Left off on purpose'],
            StepKind::Tighten => ['Checked by second person', 'No room for wrench', 'Old bolt kept'],
            StepKind::Fill, StepKind::Bleed => ['Gauge read by eye', 'Stood long enough before', 'Done by other means'],
            StepKind::Check, StepKind::Measure => ['Measured by other means', 'Known from last time', 'Tool not at hand'],
            default => ['Does not apply here', 'Done before already', 'Seen by the lead'],
        };

        return array_slice(
            array_values(array_filter([...$own, 'Customer asked for it'], static fn (string $one): bool => $one !== $last)), 0, 3,
        );
    }
}
