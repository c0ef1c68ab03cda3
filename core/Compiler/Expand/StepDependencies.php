<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Expand;

use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Compiler\Bind\Ties;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\PutIn;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Which steps each step has to wait for, so that a second pair of hands has something to
 * do; and which wait ends where.
 */
final readonly class StepDependencies
{
    public function __construct(private VehicleSheet $vehicle)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function between(array $steps, Resolved $resolved): array
    {
        $owners = $resolved->owners();
        $present = array_flip(array_map(static fn (Step $s): string => $s->id, $steps));
        $off = [];
        $on = [];
        $previous = [];
        $done = [];
        $wet = $this->firstWet($steps);
        $opened = [];
        $inTurn = $this->inTurn($steps);
        foreach ($steps as $step) {
            $circuit = $this->wetIn($step);
            // What came off before the drain, where the vehicle lets no other order be, waits for nothing that comes later.
            $after = $this->physical($step, $off, $on);
            array_push($after, ...$inTurn[$step->id] ?? []);
            isset($opened[$circuit]) && $after[] = $opened[$circuit];
            $opened += $step->id === ($wet[$circuit] ?? '') ? [$circuit => $step->id] : [];
            $phase = $step->slot->phase->value;
            foreach ($owners[$step->id] ?? [] as $job) {
                isset($previous[$phase][$job]) && $after[] = $previous[$phase][$job];
                $previous[$phase][$job] = $step->id;
            }
            if (StepKind::Remove === $step->deed) {
                $off[$step->target->item] = $step->id;
            } elseif (StepKind::Refit === $step->deed) {
                $on[$step->target->item] = $step->id;
            }
            $after = count($after) > 1 ? array_values(array_unique($after)) : $after;
            $done[] = new Step(
                $step->id, $step->deed, $step->target, $step->words,
                $step->slot->between($after, $this->until($step, $resolved, $present, $wet)),
                [] === $step->needs->puts ? $step->needs : $step->needs->putting($this->puts($step, $resolved, $present)),
                $step->asking, $step->tags,
            );
        }

        return $done;
    }

    /**
     * What a tie is freed and closed by keeps its place among all that is done to that item.
     *
     * @param list<Step> $steps
     *
     * @return array<string, list<string>> step => what was done to its item before it
     */
    private function inTurn(array $steps): array
    {
        $inTurn = $last = $tied = [];
        foreach ($steps as $step) {
            $item = $step->itemOn($this->vehicle);
            $tied += Ties::isOne($step->id) ? [$item => true] : [];
            $inTurn[$step->id] = isset($tied[$item], $last[$item]) ? [$last[$item]] : [];
            '' === $item || $last[$item] = $step->id;
        }

        return $inTurn;
    }

    /** The circuit that is open once this comes off; empty where the drain itself lies behind it. */
    private function wetIn(Step $step): string
    {
        $item = StepKind::Remove === $step->deed ? $this->vehicle->items[$step->target->item] ?? null : null;
        $circuit = $this->vehicle->circuits[$item->dangers->wet ?? ''] ?? null;

        return null === $item || null === $circuit || in_array($item->id, $circuit->plumbing->drainBehind, true) ? '' : $circuit->id;
    }

    /**
     * @param list<Step> $steps
     *
     * @return array<string, string> circuit => the first step after its drain that opens it elsewhere
     */
    private function firstWet(array $steps): array
    {
        $first = $drained = [];
        foreach ($steps as $step) {
            $circuit = $this->wetIn($step);
            if (StepKind::Drain === $step->deed) {
                $drained[$step->target->circuit] = true;
            } elseif (isset($drained[$circuit])) {
                $first[$circuit] ??= $step->id;
            }
        }

        return $first;
    }

    /**
     * @param array<string, string> $off item => the step that took it off
     * @param array<string, string> $on item => the step that put it back
     *
     * @return list<string>
     */
    private function physical(Step $step, array $off, array $on): array
    {
        $item = $this->vehicle->items[$step->target->item] ?? null;

        return match (true) {
            StepKind::Remove === $step->deed && null !== $item => self::among($item->access->behind, $off),
            StepKind::Refit === $step->deed && null !== $item => self::among($this->vehicle->hiddenBy($item->id), $on),
            StepKind::Undo === $step->deed => self::among(
                $this->vehicle->items[$step->itemOn($this->vehicle)]->access->behind ?? [], $off,
            ),
            StepKind::Tighten === $step->deed => self::among([$this->vehicle->joints[$step->target->joint]->item ?? ''], $on),
            StepKind::Drain === $step->deed => self::among(
                $this->vehicle->circuits[$step->target->circuit]->plumbing->drainBehind ?? [], $off
            ),
            default => [],
        };
    }

    /**
     * @param list<string> $items
     * @param array<string, string> $steps item => step
     *
     * @return list<string> the steps of those that have one
     */
    private static function among(array $items, array $steps): array
    {
        $found = [];
        foreach ($items as $item) {
            if (isset($steps[$item])) {
                $found[] = $steps[$item];
            }
        }

        return $found;
    }

    /**
     * @param array<string, int> $present step => its place
     *
     * @return list<PutIn> each with the step it must be out for, as far as that is on the sheet
     */
    private function puts(Step $step, Resolved $resolved, array $present): array
    {
        $puts = [];
        foreach ($step->needs->puts as $put) {
            $outs = array_values(
                array_filter(array_map($resolved->standsFor(...), $put->outs()), static fn (string $id): bool => isset($present[$id])),
            );
            $puts[] = $put->before($outs[0] ?? '');
        }

        return $puts;
    }

    /**
     * The first on the sheet of what waits for it; a drain is waited for by all that is part of its circuit.
     *
     * @param array<string, int> $present step => its place
     * @param array<string, string> $wet circuit => the first that opens it elsewhere
     */
    private function until(Step $step, Resolved $resolved, array $present, array $wet): string
    {
        $opens = StepKind::Drain === $step->deed && $step->slot->passive ? $wet[$step->target->circuit] ?? '' : '';
        $places = '' === $opens ? [] : [$opens => $present[$opens]];
        foreach ($step->slot->untils() as $until) {
            $standing = $resolved->standsFor($until);
            if (isset($present[$standing])) {
                $places[$standing] = $present[$standing];
            }
        }
        if ([] !== $places) {
            return (string) array_search(min($places), $places, true);
        }

        return Phase::Prove === $step->slot->phase ? '' : $step->slot->until;
    }
}
