<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Expand;

use NimbleKnuckle\Core\Compiler\Bind\BoundOperation;
use NimbleKnuckle\Core\Compiler\Bind\Ties;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\ItemKind;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Operations and removals become steps; removals get trays, joints get their bolt cards, the rest of the
 * strip is rebuilt in reverse.
 */
final readonly class Expander
{
    private StepWriter $write;

    public function __construct(private VehicleSheet $vehicle)
    {
        $this->write = new StepWriter($vehicle);
    }

    /**
     * @param list<BoundOperation> $bound
     * @param list<string> $stripOrder task ids
     *
     * @return list<Step>
     */
    public function of(array $bound, array $stripOrder): array
    {
        $strip = Phase::Strip->number();
        $before = array_filter($bound, static fn (BoundOperation $b): bool => $b->operation->slot->phase->number() < $strip);
        $after = array_filter($bound, static fn (BoundOperation $b): bool => $b->operation->slot->phase->number() > $strip);
        $steps = [];
        foreach ($before as $b) {
            array_push($steps, ...$this->expanded($b, $bound, []));
        }
        [$strip, $removed] = $this->stripped($bound, $stripOrder);
        array_push($steps, ...$strip);
        $covers = LateCovers::of($bound, $this->vehicle);
        foreach ($after as $b) {
            $waits = $covers->waitingAt($b, $removed);
            $more = [...$this->behind($b, $bound, $removed), ...$this->expanded($b, $bound, array_values(array_diff($removed, $waits)))];
            array_push($more, ...$this->refitted($covers->goingBackAfter($b, $removed), Phase::Prove, $bound));
            $back = array_filter(array_map(static fn (Step $step): string => $step->target->item, $more));
            $removed = [] === $back ? $removed : array_values(array_diff($removed, $back));
            array_push($steps, ...$more);
        }

        return $steps;
    }

    /**
     * @param list<string> $items in the order they came off
     * @param list<BoundOperation> $all
     *
     * @return list<Step>
     */
    private function refitted(array $items, Phase $phase, array $all): array
    {
        $steps = [];
        foreach (array_reverse(array_values(array_diff($items, self::byHand($all)))) as $item) {
            $steps[] = $this->write->refit($this->vehicle->items[$item], $phase);
            array_push($steps, ...$this->tightening($item, $phase, $all));
        }

        return $steps;
    }

    /**
     * @param list<BoundOperation> $bound
     * @param list<string> $order
     *
     * @return array{list<Step>, list<string>} the strip, and what is off after it
     */
    private function stripped(array $bound, array $order): array
    {
        $operations = [];
        foreach ($bound as $b) {
            $operations['op:'.$b->operation->id] = $b;
        }
        $steps = $removed = [];
        foreach ($order as $task) {
            $b = $operations[$task] ?? null;
            $item = null === $b ? substr($task, strlen('item:')) : (StepKind::Remove === $b->operation->deed ? $b->item : '');
            if (null === $b) {
                $steps[] = $this->write->removal($this->vehicle->items[$item], Phase::Strip);
            } else {
                array_push($steps, ...$this->expanded($b, $bound, []));
            }
            if ('' !== $item) {
                $removed[] = $item;
            }
        }

        return [$steps, $removed];
    }

    /**
     * @param list<BoundOperation> $all
     * @param list<string> $removed
     *
     * @return list<Step>
     */
    private function expanded(BoundOperation $b, array $all, array $removed): array
    {
        $op = $b->operation;

        return match (true) {
            StepKind::Remove === $op->deed && '' !== $b->item => [$this->write->removalBy($op, $this->vehicle->items[$b->item])],
            StepKind::Refit === $op->deed && '' !== $b->item => [
                $this->write->refitBy($op, $this->vehicle->items[$b->item]), ...$this->tightening($b->item, $op->slot->phase, $all),
            ],
            StepKind::Tighten === $op->deed && '' !== $b->joint => [$this->write->tighteningBy($op, $this->vehicle->joints[$b->joint])],
            StepKind::Undo === $op->deed && '' !== $b->joint => [$this->write->undoingBy($op, $this->vehicle->joints[$b->joint])],
            StepKind::Rebuild === $op->deed => $this->rebuild($op, $all, $removed),
            StepKind::Move === $op->deed => [$this->watched(Step::fromOperation($op, $b->item, $b->joint, $b->circuit))],
            default => [Step::fromOperation($op, $b->item, $b->joint, $b->circuit)],
        };
    }

    /** What gives way while a body moves is named, with how far it does. */
    private function watched(Step $step): Step
    {
        $named = array_map(static fn (Item $one): string => $one->name.(
            $one->parting->between->slack > 0.0 ? sprintf(' (%s mm)', $one->parting->between->slack) : ''
        ), (new Ties($this->vehicle))->watched($step->target->load));

        return [] === $named ? $step : $step->with(
            text: trim($step->words->text.' Watch what it pulls along, where that is on: '.implode('; ', $named).'.'),
        );
    }

    /**
     * What an operation puts back goes on after all that lies behind it and that no other operation puts back.
     *
     * @param list<BoundOperation> $all
     * @param list<string> $removed
     *
     * @return list<Step>
     */
    private function behind(BoundOperation $b, array $all, array $removed): array
    {
        $steps = [];
        $hidden = StepKind::Refit === $b->operation->deed ? $this->vehicle->allHiddenBy($b->item) : [];
        if ([] === $hidden) {
            return [];
        }
        foreach (array_reverse(array_values(array_diff($removed, self::byHand($all)))) as $item) {
            if (isset($hidden[$item])) {
                $steps[] = $this->write->refit($this->vehicle->items[$item], $b->operation->slot->phase);
                array_push($steps, ...$this->tightening($item, $b->operation->slot->phase, $all));
            }
        }

        return $steps;
    }

    /**
     * @param list<BoundOperation> $all
     *
     * @return list<string> items that operations put back themselves
     */
    private static function byHand(array $all): array
    {
        $byHand = [];
        foreach ($all as $b) {
            if (StepKind::Refit === $b->operation->deed) {
                $byHand[] = $b->item;
            }
        }

        return $byHand;
    }

    /**
     * What was taken off goes back in reverse; “on: covers” or “on: parts” limits it to those.
     *
     * @param list<BoundOperation> $all
     * @param list<string> $removed
     *
     * @return list<Step>
     */
    private function rebuild(Operation $op, array $all, array $removed): array
    {
        $off = array_values(array_diff($removed, self::byHand($all)));
        $covers = array_filter($off, fn (string $item): bool => ItemKind::Cover === $this->vehicle->items[$item]->kind);
        // A part in front of a cover waits for it.
        $late = $this->vehicle->allToReach(...array_values($covers));
        $steps = [];
        foreach (array_reverse($off) as $item) {
            if ('' === $op->aim->on || isset($late[$item]) === ('covers' === $op->aim->on)) {
                $steps[] = $this->write->refit($this->vehicle->items[$item], $op->slot->phase);
                array_push($steps, ...$this->tightening($item, $op->slot->phase, $all));
            }
        }

        return $steps;
    }

    /**
     * The joints of an item that has just gone back, unless the procedure tightens them itself.
     *
     * @param list<BoundOperation> $all
     *
     * @return list<Step>
     */
    private function tightening(string $item, Phase $phase, array $all): array
    {
        $steps = [];
        foreach ($this->vehicle->jointsOf($item) as $joint) {
            // A wheel is tightened on the ground, wherever that comes: Wheels puts it in.
            if (!$joint->holdsAWheel() && !self::isTightenedByHand($joint, $all)) {
                $steps[] = $this->write->tightening($joint, $phase);
            }
        }

        return $steps;
    }

    /** @param list<BoundOperation> $all */
    private static function isTightenedByHand(Joint $joint, array $all): bool
    {
        foreach ($all as $b) {
            if (StepKind::Tighten === $b->operation->deed && $b->joint === $joint->id) {
                return true;
            }
        }

        return false;
    }
}
