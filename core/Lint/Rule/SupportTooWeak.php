<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Finding;

/** A support is rated for less than the engine weighs, or for hardly more: support-too-weak. Masses in kg. */
final readonly class SupportTooWeak implements Rule
{
    /** Chains jerk and an engine tips: under this much in hand it is said. As in lift-links. */
    private const IN_HAND = 1.5;

    public function inspect(Run $run): iterable
    {
        $mass = $run->vehicle->lifting->mass;
        foreach ($run->sheet->steps as $step) {
            $load = $step->target->load;
            $takes = in_array($step->deed, [StepKind::Hold, StepKind::HandOver], true) && 'engine' === $load->body;
            if (!$takes || $load->capacity <= 0.0 || $mass <= 0.0 || $load->capacity >= self::IN_HAND * $mass) {
                continue;
            }
            $why = sprintf('The %s carries %s kg, the engine weighs %s kg.', $load->support?->label() ?? 'support', $load->capacity, $mass);
            yield $load->capacity < $mass
                ? Finding::stop('support-too-weak', $step->id, $why, 'Take a stronger one, or another way to hold it.')
                : Finding::watch('support-too-weak', $step->id, $why, sprintf('%s kg leave a margin.', ceil(self::IN_HAND * $mass)));
        }
    }
}
