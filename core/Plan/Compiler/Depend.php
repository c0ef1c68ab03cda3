<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\PutIn;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/**
 * Between expand and weave: which steps each step has to wait for, so that a second pair of hands has something to
 * do; and which wait ends where.
 */
final readonly class Depend
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
        $owners = [];
        foreach ($resolved->chains as $job => $line) {
            foreach ($line as $id) {
                $owners[$id][$job] = $job;
            }
        }
        $present = array_flip(array_map(static fn (Step $s): string => $s->id, $steps));
        $off = [];
        $on = [];
        $previous = [];
        $done = [];
        foreach ($steps as $step) {
            $after = $this->physical($step, $off, $on);
            foreach ($owners[$step->id] ?? [] as $job) {
                $after = [...$after, ...$previous[$step->slot->phase->value][$job] ?? []];
                $previous[$step->slot->phase->value][$job] = [$step->id];
            }
            if (Deed::Remove === $step->deed) {
                $off[$step->target->item] = $step->id;
            } elseif (Deed::Refit === $step->deed) {
                $on[$step->target->item] = $step->id;
            }
            $done[] = new Step(
                $step->id, $step->deed, $step->target, $step->words,
                $step->slot->between(array_values(array_unique($after)), $this->until($step, $resolved, $present)),
                [] === $step->needs->puts ? $step->needs : $step->needs->putting($this->puts($step, $resolved, $present)),
                $step->asking, $step->tags,
            );
        }

        return $done;
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
            Deed::Remove === $step->deed && null !== $item => self::among($item->access->behind, $off),
            Deed::Refit === $step->deed && null !== $item => self::among($this->vehicle->hiddenBy($item->id), $on),
            Deed::Undo === $step->deed => self::among(
                $this->vehicle->items[$step->itemOn($this->vehicle)]->access->behind ?? [], $off,
            ),
            Deed::Tighten === $step->deed => self::among([$this->vehicle->joints[$step->target->joint]->item ?? ''], $on),
            Deed::Drain === $step->deed => self::among($this->vehicle->circuits[$step->target->circuit]->plumbing->drainBehind ?? [], $off),
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
            $puts[] = new PutIn($put->thing, $outs[0] ?? '');
        }

        return $puts;
    }

    /** @param array<string, int> $present step => its place */
    private function until(Step $step, Resolved $resolved, array $present): string
    {
        $places = [];
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
