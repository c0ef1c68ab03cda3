<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Words;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Which wheels are off, step by step: the vehicle does not come down without one, so what else is done from above meanwhile is done on
 * the stands; and nothing runs or drives on a wheel that is only snugged.
 */
final class WheelsOff
{
    private const ON_STANDS = 'From above, on its stands: a wheel is off.';

    /** @var array<string, true> */
    private array $off = [];
    /** @var array<string, true> on again, and not yet tightened on the ground */
    private array $snug = [];

    public function __construct(private readonly ?VehicleSheet $vehicle)
    {
    }

    /**
     * The same, as it is done on the stands, where a wheel is off and it needs no wheels. What a jack holds meanwhile is let go before the
     * wheel is on again, and so before the vehicle moves.
     */
    public function stayingUp(Step $step): Step
    {
        $needsTheFloor = Phase::Prove === $step->slot->phase
            || in_array($step->deed, [StepKind::Start, StepKind::Drive, StepKind::Fill], true);

        return [] === $this->off || Position::Ground !== $step->slot->position || $needsTheFloor ? $step : $step->with(
            position: Position::Any, text: Words::joined(self::ON_STANDS, $step->words->text),
        );
    }

    /** Whether the engine would run, or the vehicle roll, over a wheel that is not tight. */
    public function mustComeDownFor(Step $step): bool
    {
        return [] === $this->off && [] !== $this->snug && in_array($step->deed, [StepKind::Start, StepKind::Drive], true);
    }

    public function take(Step $step): void
    {
        $wheel = $this->vehicle?->items[$step->target->item] ?? null;
        if (true !== $wheel?->isWheel()) {
            return;
        }
        if (StepKind::Remove === $step->deed) {
            $this->off[$wheel->id] = true;
        } elseif (StepKind::Refit === $step->deed) {
            unset($this->off[$wheel->id]);
            $this->snug[$wheel->id] = true;
        }
    }

    /** On the ground they are tightened. */
    public function moved(bool $isUp): void
    {
        $this->snug = $isUp ? $this->snug : [];
    }
}
