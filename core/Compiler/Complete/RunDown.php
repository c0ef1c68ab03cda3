<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Where the mechanic chose it, bolts are run down by a power tool to snug and no further. Never in soft
 * metal, never under M8, never where the figure itself counts from hand-tight.
 */
final readonly class RunDown
{
    public const WAY = 'run-down';
    public const TOOL = 'cordless driver with a low clutch';
    private const LEAST = 8.0;
    /** What is left of the minutes. */
    private const FASTER = 0.8;

    public function __construct(private VehicleSheet $vehicle, private Choices $choices)
    {
    }

    public static function mayBeDriven(Joint $joint): bool
    {
        $thread = $joint->fastener->named->known;

        return null !== $thread && $thread->diameter >= self::LEAST && !$joint->seat->isSoft() && !$joint->isByTurn()
            && null === $joint->takeUp();
    }

    private static function driven(Step $step): Step
    {
        $caution = new Caution('Start each by hand, three turns free. The driver stops at snug; the figure comes by hand.', false);

        return $step->with(
            minutes: $step->slot->minutes->times(self::FASTER), tools: [...$step->needs->tools, self::TOOL],
            cautions: [...$step->words->cautions, $caution],
        );
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function into(array $steps): array
    {
        return 'power' !== $this->choices->of(self::WAY) ? $steps : array_map(function (Step $step): Step {
            $joint = StepKind::Tighten === $step->deed ? $this->vehicle->joints[$step->target->joint] ?? null : null;

            return null !== $joint && self::mayBeDriven($joint) ? self::driven($step) : $step;
        }, $steps);
    }
}
