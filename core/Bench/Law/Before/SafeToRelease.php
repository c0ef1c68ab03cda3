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
        foreach (array_keys(array_diff_key($fit->actual()->off, $planned->off)) as $id) {
            if ($this->carries($fit, $step, $id)) {
                $item = $fit->vehicle->items[$id];
                $refit = $fit->sheet->doing(Deed::Refit, $item->id)[0] ?? $step;
                yield Obstacle::lead(
                    'carrier-off', sprintf('The %s that carries the %s is off.', $item->name, $step->target->load->body), $refit->id,
                );
            }
        }
        foreach (array_diff_key($fit->looseJoints(), $planned->loose) as $id => $left) {
            $joint = $fit->vehicle->joints[$id];
            if ($this->carries($fit, $step, $joint->item)) {
                $said = sprintf('%s: %d not tight, and they carry the %s.', ucfirst($joint->name), $left, $step->target->load->body);
                $tighten = $fit->sheet->doing(Deed::Tighten, '', $id)[0] ?? $step;
                yield Obstacle::lead('carrier-loose', $said, $tighten->id);
            }
        }
    }

    private function carries(Fit $fit, Step $step, string $item): bool
    {
        return ($fit->vehicle->items[$item] ?? null)?->dangers->carries === $step->target->load->body;
    }
}
