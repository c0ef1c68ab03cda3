<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** What lies in front is still on, what lies behind is still off, or the part is not where this step needs it. */
final readonly class StripOrder implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $off = $fit->actual()->off;
        $planned = $fit->rigs()->planned($step)->off;
        $item = $fit->vehicle->items[$step->target->item] ?? null;
        $joint = $fit->vehicle->joints[$step->target->joint] ?? null;
        if (Deed::Remove === $step->deed && null !== $item) {
            foreach ($this->onStill($item->access->behind, $off, $planned) as $front) {
                yield $this->obstacle($fit, $step, Deed::Remove, $front, 'The %s in front of it is still on.');
            }
        } elseif (Deed::Refit === $step->deed && null !== $item) {
            foreach ($this->offStill($fit->vehicle->hiddenBy($item->id), $off, $planned) as $behind) {
                yield $this->obstacle($fit, $step, Deed::Refit, $behind, 'The %s behind it is still off.');
            }
            foreach ($this->onStill([$item->id], $off, $planned) as $on) {
                yield $this->obstacle($fit, $step, Deed::Remove, $on, 'The %s has not come off yet.');
            }
        } elseif (Deed::Tighten === $step->deed && null !== $joint) {
            foreach ($this->offStill([$joint->item], $off, $planned) as $one) {
                yield $this->obstacle($fit, $step, Deed::Refit, $one, 'The %s is still off.');
            }
        }
    }

    /**
     * @param list<string> $items
     * @param array<string, mixed> $off as the marks say
     * @param array<string, mixed> $planned as the sheet has it
     *
     * @return list<string> those that should be off by now
     */
    private function onStill(array $items, array $off, array $planned): array
    {
        return array_values(array_filter($items, static fn (string $id): bool => !isset($off[$id]) && isset($planned[$id])));
    }

    /**
     * @param list<string> $items
     * @param array<string, mixed> $off as the marks say
     * @param array<string, mixed> $planned as the sheet has it
     *
     * @return list<string> those that should be on again
     */
    private function offStill(array $items, array $off, array $planned): array
    {
        return array_values(array_filter($items, static fn (string $id): bool => isset($off[$id]) && !isset($planned[$id])));
    }

    private function obstacle(Fit $fit, Step $step, Deed $deed, string $item, string $text): Obstacle
    {
        return Obstacle::reason(
            'strip-order', sprintf($text, $fit->vehicle->items[$item]->name ?? 'part'),
            ($fit->sheet->doing($deed, $item)[0] ?? $step)->id,
        );
    }
}
