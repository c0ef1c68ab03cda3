<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Bind;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Load;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Vehicle\Body;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * What still ties a body to what stays when it is to be moved: a rigid tie, or one with too little slack, is undone before its weight is
 * taken and tightened once it is down again; the others are watched.
 */
final readonly class Ties
{
    private const UNTIE = 'untie.';
    private const TIE = 'tie.';

    public function __construct(private VehicleSheet $vehicle)
    {
    }

    /** @return list<Item> those that hold the body fast for such a move */
    public function holding(Load $load): array
    {
        return array_values(array_filter($this->of($load), static fn (Item $item): bool => $item->parting->between->holdsFast($load->mm)));
    }

    /** @return list<Item> those that give way and are looked at while it moves */
    public function watched(Load $load): array
    {
        return array_values(array_udiff(
            $this->of($load), $this->holding($load), static fn (Item $a, Item $b): int => $a->id <=> $b->id,
        ));
    }

    /**
     * A job's operations, with those that free what it moves and that no job frees itself.
     *
     * @param list<Operation> $operations of the job, in its order
     * @param array<string, true> $handled items and joints that some job takes off or undoes in the strip
     *
     * @return list<Operation>
     */
    public function into(array $operations, array $handled): array
    {
        foreach ($operations as $move) {
            $handled += $this->undone($move);
            $joints = [];
            foreach (StepKind::Move === $move->deed ? $this->holding($move->aim->load) : [] as $item) {
                $all = $this->vehicle->jointsOf($item->id);
                $isHandled = isset($handled[$item->id])
                    || [] !== array_filter($all, static fn (Joint $one): bool => isset($handled[$one->id]));
                if ([] !== $all && !$isHandled) {
                    $handled[$item->id] = true;
                    $joints[] = $all[0];
                }
            }
            $operations = [] === $joints ? $operations : $this->around($operations, $move, $joints);
        }

        return $operations;
    }

    /** Whether an operation frees a tie or closes it again: what another job does to the same joint is another thing. */
    public static function isOne(string $operation): bool
    {
        return str_starts_with($operation, self::UNTIE) || str_starts_with($operation, self::TIE);
    }

    /** @return array<string, true> what this job itself has undone or taken off by then */
    private function undone(Operation $one): array
    {
        $on = $one->aim->on;

        return '' === $on || !in_array($one->deed, [StepKind::Remove, StepKind::Undo], true) ? [] : [
            $this->vehicle->itemFor($on)->id ?? '' => true, $this->vehicle->jointFor($on)->id ?? '' => true,
        ];
    }

    /**
     * Undone before the body is held, what is reached from below first, with what else is undone there; tightened after it is let go,
     * what is reached from below with the last that is.
     *
     * @param list<Operation> $operations
     * @param list<Joint> $joints
     *
     * @return list<Operation>
     */
    private function around(array $operations, Operation $move, array $joints): array
    {
        [$first, $down, $last] = self::bounds($operations, $move);
        if (null === $first || null === $down) {
            return $operations;
        }
        $op = fn (string $do, Joint $joint): Operation => Operation::read(Node::of([
            'id' => ('undo' === $do ? self::UNTIE : self::TIE).$joint->id, 'phase' => $move->slot->phase->value, 'do' => $do,
            'on' => $joint->id, 'why' => sprintf(
                'The %s ties the %s, which is moved.', $this->vehicle->items[$joint->item]->name, $move->aim->load->body,
            ),
        ]));
        $isBelow = fn (Joint $joint): bool => Position::Ground !== $this->vehicle->items[$joint->item]->access->position;
        $below = array_values(array_filter($joints, $isBelow));
        $above = array_values(array_filter($joints, static fn (Joint $one): bool => !$isBelow($one)));
        $undo = static fn (Joint $joint): Operation => $op('undo', $joint);
        $tighten = static fn (Joint $joint): Operation => $op('tighten', $joint);

        return [
            ...array_slice($operations, 0, $first), ...array_map($undo, [...$below, ...$above]),
            ...array_slice($operations, $first, $down - $first + 1), ...array_map($tighten, $above),
            ...array_slice($operations, $down + 1, $last - $down), ...array_map($tighten, $below), ...array_slice($operations, $last + 1),
        ];
    }

    /**
     * @param list<Operation> $operations
     *
     * @return array{?int, ?int, int} where the body is taken first, where it is let go, and the last of that phase
     */
    private static function bounds(array $operations, Operation $move): array
    {
        $first = $down = null;
        $last = 0;
        foreach ($operations as $i => $one) {
            $isHere = $one->slot->phase === $move->slot->phase;
            $isIts = $isHere && $one->aim->load->body === $move->aim->load->body;
            $first ??= $isIts && StepKind::Hold === $one->deed ? $i : null;
            $down = $isIts && StepKind::Release === $one->deed ? $i : $down;
            $last = $isHere ? $i : $last;
        }

        return [$first, $down, $last];
    }

    /** @return list<Item> */
    private function of(Load $load): array
    {
        $body = Body::tryFrom($load->body);

        return null === $body ? [] : array_values(array_filter(
            $this->vehicle->items, static fn (Item $item): bool => $item->parting->between->holds($body),
        ));
    }
}
