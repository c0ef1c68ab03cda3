<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Words;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

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
        $needsTheFloor = in_array($step->deed, [Deed::Start, Deed::Drive, Deed::Fill], true) || Phase::Prove === $step->slot->phase;

        return [] === $this->off || Position::Ground !== $step->slot->position || $needsTheFloor ? $step : $step->with(
            position: Position::Any, text: Words::joined(self::ON_STANDS, $step->words->text),
        );
    }

    /** Whether the engine would run, or the vehicle roll, over a wheel that is not tight. */
    public function mustComeDownFor(Step $step): bool
    {
        return [] === $this->off && [] !== $this->snug && in_array($step->deed, [Deed::Start, Deed::Drive], true);
    }

    public function take(Step $step): void
    {
        $wheel = $this->vehicle?->items[$step->target->item] ?? null;
        if (true !== $wheel?->isWheel()) {
            return;
        }
        if (Deed::Remove === $step->deed) {
            $this->off[$wheel->id] = true;
        } elseif (Deed::Refit === $step->deed) {
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
