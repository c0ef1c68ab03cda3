<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** A weight is let down while what carries it is off or loose. */
final readonly class SafeToRelease implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        if (Deed::Release !== $step->deed) {
            return;
        }
        $planned = $fit->rigs()->planned($step);
        foreach (array_keys($fit->actual()->off) as $id) {
            $item = $fit->vehicle->items[$id] ?? null;
            if (null !== $item && $item->carries === $step->body && !isset($planned->off[$id])) {
                $refit = $fit->sheet->doing(Deed::Refit, $item->id)[0] ?? $step;
                yield Obstacle::lead('carrier-off', sprintf('The %s that carries the %s is off.', $item->name, $step->body), $refit->id);
            }
        }
        foreach ($fit->looseJoints() as $id => $left) {
            $item = $fit->vehicle->items[$fit->vehicle->joints[$id]->item] ?? null;
            if (null !== $item && $item->carries === $step->body && !isset($planned->loose[$id])) {
                $tighten = $fit->sheet->doing(Deed::Tighten, '', $id)[0] ?? $step;
                yield Obstacle::lead(
                    'carrier-loose',
                    sprintf('%s: %d not tight, and they carry the %s.', ucfirst($fit->vehicle->joints[$id]->name), $left, $step->body),
                    $tighten->id,
                );
            }
        }
    }
}
