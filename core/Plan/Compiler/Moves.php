<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Law\Nature;
use NimbleKnuckle\Core\Plan\Lint\Rig;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Procedure\CommonParts;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Support\Ledger;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** Puts in the steps that raise and lower the vehicle, only where the next step needs it elsewhere; at the end it stands on its wheels. */
final readonly class Moves
{
    /** On a start that is meant to take place on stands. */
    public const TAG = 'on-stands';
    private const ON_STANDS = 'It stands on stands. Out of gear, brake on, wheels free of anything, nobody under it while it runs.';

    public function __construct(private CommonParts $common, private ?VehicleSheet $vehicle = null)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return array{list<Step>, int} the steps with the moves, and how many moves there are
     */
    public function into(array $steps): array
    {
        $up = false;
        $moves = 0;
        $all = [];
        $rig = null === $this->vehicle || !$this->mayHang($steps) ? null : Rig::standing($this->vehicle);
        $wheels = new WheelsOff($this->vehicle);
        foreach ($steps as $step) {
            $step = $up ? $wheels->stayingUp($step) : $step;
            if (self::isElsewhere($step, $up) || $up && $wheels->mustComeDownFor($step)) {
                $up = !$up;
                $move = $this->cautioned($this->move($up, ++$moves, $this->phaseOf($step, $all)), $rig);
                $all = [...self::runOutBefore($all, $move), $move];
                $wheels->moved($up);
            }
            $all = Nature::moves($step) ? self::runOutBefore($all, $step) : $all;
            $wheels->take($step);
            $step = $up && Deed::Start === $step->deed ? self::onStands($step) : $step;
            $all[] = $step;
            $rig = $rig?->after($step);
        }
        if ($up) {
            $move = $this->move(false, ++$moves, Phase::Prove);
            $all = [...self::runOutBefore($all, $move), $move];
        }

        return [$all, $moves];
    }

    /**
     * What flows by itself and is not waited for yet has run out before anything moves.
     *
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    private static function runOutBefore(array $steps, Step $move): array
    {
        $passed = array_flip(array_map(static fn (Step $one): string => $one->id, $steps));

        return array_map(static fn (Step $one): Step => Nature::streams($one) && !isset($passed[$one->slot->until])
            ? $one->with(until: $move->id)
            : $one, $steps);
    }

    /** @param list<Step> $steps */
    private function mayHang(array $steps): bool
    {
        foreach (null === $this->vehicle ? [] : $steps as $step) {
            $carries = $this->vehicle->items[$step->itemOn($this->vehicle)]->dangers->carries ?? '';
            if ('' !== $step->target->load->body || '' !== $carries) {
                return true;
            }
        }

        return false;
    }

    /** The engine is started where the vehicle stands on stands: the step says so. */
    private static function onStands(Step $step): Step
    {
        return $step->with(
            cautions: [new Caution(self::ON_STANDS, true), ...$step->words->cautions], tags: [...$step->tags, self::TAG],
        );
    }

    /** Where there is no other order than to move the vehicle while something hangs, that is said and acknowledged. */
    private function cautioned(Step $move, ?Rig $rig): Step
    {
        $hanging = null === $rig || null === $this->vehicle ? [] : Ledger::of($rig, $this->vehicle)->hanging();
        if ([] === $hanging) {
            return $move;
        }
        $text = sprintf(
            'The %s hangs on its support while the vehicle moves. Slowly, nobody near, and look at the support at each stop.',
            $hanging[0]->body,
        );

        return $move->with(cautions: [new Caution($text, true), ...$move->words->cautions]);
    }

    /**
     * How many moves these steps need, from the ground.
     *
     * @param list<Step> $steps
     */
    public static function needed(array $steps): int
    {
        $up = false;
        $moves = 0;
        foreach ($steps as $step) {
            if (self::isElsewhere($step, $up)) {
                $up = !$up;
                ++$moves;
            }
        }

        return $moves + ($up ? 1 : 0);
    }

    private static function isElsewhere(Step $step, bool $up): bool
    {
        return Position::Any !== $step->slot->position && $up !== (Position::Ground !== $step->slot->position);
    }

    private function move(bool $up, int $number, Phase $phase): Step
    {
        $name = $up ? 'raise' : 'lower';

        return Step::fromOperation($this->common->move($name))->with(id: $name.'-'.$number, phase: $phase);
    }

    /**
     * Raising before the strip belongs to making safe.
     *
     * @param list<Step> $before
     */
    private function phaseOf(Step $next, array $before): Phase
    {
        foreach ($before as $step) {
            if (Phase::Strip === $step->slot->phase) {
                return $next->slot->phase;
            }
        }

        return Phase::Strip === $next->slot->phase ? Phase::MakeSafe : $next->slot->phase;
    }
}
