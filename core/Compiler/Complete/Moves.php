<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Compiler\Arrange\Lifts;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;
use NimbleKnuckle\Core\State\Ledger;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Puts in the steps that raise and lower the vehicle, only where the next step needs it elsewhere; at the end it stands on its wheels. */
final readonly class Moves
{
    /** On a start that is meant to take place on stands. */
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
        $rig = null === $this->vehicle || !$this->mayHang($steps) ? null : VehicleState::standing($this->vehicle);
        $wheels = new WheelsOff($this->vehicle);
        foreach ($steps as $step) {
            $step = $up ? $wheels->stayingUp($step) : $step;
            if (Lifts::isElsewhere($step, $up) || $up && $wheels->mustComeDownFor($step)) {
                $up = !$up;
                $move = $this->cautioned($this->move($up, ++$moves, $this->phaseOf($step, $all)), $rig);
                $all = [...self::runOutBefore($all, $move), $move];
                $wheels->moved($up);
            }
            $all = Nature::moves($step) ? self::runOutBefore($all, $step) : $all;
            $wheels->take($step);
            $step = $up && StepKind::Start === $step->deed ? self::onStands($step) : $step;
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
            cautions: [new Caution(self::ON_STANDS, true), ...$step->words->cautions], tags: [...$step->tags, Tag::ON_STANDS],
        );
    }

    /** Where there is no other order than to move the vehicle while something hangs, that is said and acknowledged. */
    private function cautioned(Step $move, ?VehicleState $rig): Step
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
