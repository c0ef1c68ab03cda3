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
        $item = $fit->vehicle->items[$step->item] ?? null;
        $off = $fit->actual()->off;
        $onTheSheet = $fit->rigs()->planned($step)->off;
        foreach (Deed::Remove === $step->deed && null !== $item ? $item->behind : [] as $front) {
            if (!isset($off[$front]) && isset($onTheSheet[$front])) {
                yield $this->obstacle($fit, $step, Deed::Remove, $front, 'The %s in front of it is still on.');
            }
        }
        foreach (Deed::Refit === $step->deed && null !== $item ? $fit->vehicle->hiddenBy($item->id) : [] as $behind) {
            if (isset($off[$behind]) && !isset($onTheSheet[$behind])) {
                yield $this->obstacle($fit, $step, Deed::Refit, $behind, 'The %s behind it is still off.');
            }
        }
        if (Deed::Refit === $step->deed && null !== $item && !isset($off[$item->id]) && isset($onTheSheet[$item->id])) {
            yield $this->obstacle($fit, $step, Deed::Remove, $item->id, 'The %s has not come off yet.');
        }
        $joint = $fit->vehicle->joints[$step->joint] ?? null;
        if (Deed::Tighten === $step->deed && null !== $joint && isset($off[$joint->item]) && !isset($onTheSheet[$joint->item])) {
            yield $this->obstacle($fit, $step, Deed::Refit, $joint->item, 'The %s is still off.');
        }
    }

    private function obstacle(Fit $fit, Step $step, Deed $deed, string $item, string $text): Obstacle
    {
        return Obstacle::reason(
            'strip-order', sprintf($text, $fit->vehicle->items[$item]->name ?? 'part'),
            ($fit->sheet->doing($deed, $item)[0] ?? $step)->id,
        );
    }
}
