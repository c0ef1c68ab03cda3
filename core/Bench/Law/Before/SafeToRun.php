<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Nature;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Lint\Rig;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\ItemKind;

/** The engine runs with parts off, joints loose, a circuit empty, a weight hung up or something left inside. */
final readonly class SafeToRun implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        if (!Nature::runsEngine($step)) {
            return;
        }
        [$is, $planned] = [$fit->actual(), $fit->rigs()->planned($step)];
        foreach (array_keys($is->open) as $id) {
            if (!isset($planned->open[$id])) {
                $fill = $fit->sheet->doing(Deed::Fill, '', '', (string) $id)[0] ?? $step;
                yield Obstacle::lead(
                    'circuit-empty', sprintf('The %s is open or empty.', $fit->vehicle->circuits[$id]->name ?? 'circuit'),
                    $fill->id,
                );
            }
        }
        yield from $this->off($fit, $step, $is, $planned);
        foreach ($fit->looseJoints() as $id => $left) {
            if (!isset($planned->loose[$id])) {
                $tighten = $fit->sheet->doing(Deed::Tighten, '', $id)[0] ?? $step;
                yield Obstacle::lead(
                    'joint-loose', sprintf('%s: %d not tight.', ucfirst($fit->vehicle->joints[$id]->name), $left), $tighten->id,
                );
            }
        }
        foreach ($fit->state->inside as $put) {
            yield Obstacle::lead('left-inside', sprintf('The %s is still in.', $put->string('thing')), $put->string('step'));
        }
        yield from $this->heldOrOff($fit, $step, $is, $planned);
    }

    /** @return iterable<Obstacle> */
    private function off(Fit $fit, Step $step, Rig $is, Rig $planned): iterable
    {
        foreach (array_keys($is->off) as $id) {
            $item = $fit->vehicle->items[$id] ?? null;
            if (null === $item || isset($planned->off[$id])) {
                continue;
            }
            $refit = $fit->sheet->doing(Deed::Refit, $item->id)[0] ?? $step;
            yield ItemKind::Cover === $item->kind
                ? Obstacle::reason('cover-off', sprintf('The %s is still off.', $item->name), $refit->id)
                : Obstacle::lead('part-off', sprintf('The %s is still off.', $item->name), $refit->id);
        }
    }

    /** @return iterable<Obstacle> */
    private function heldOrOff(Fit $fit, Step $step, Rig $is, Rig $planned): iterable
    {
        foreach (array_keys($is->held) as $body) {
            if (!isset($planned->held[$body])) {
                yield Obstacle::lead(
                    'still-held', sprintf('The %s still hangs on its support.', $body), $fit->nearest($step, Deed::Release)->id,
                );
            }
        }
        if (!$is->battery) {
            yield Obstacle::reason('battery-left-off', 'The battery is still disconnected.', $fit->nearest($step, Deed::BatteryOn)->id);
        }
        $count = $fit->toolCount();
        if (null !== $count && $fit->sheet->placeOf($count->id) < $fit->sheet->placeOf($step->id) && !$fit->state->isDone($count->id)) {
            yield Obstacle::lead('tools-not-counted', 'The tools have not been counted.', $count->id);
        }
    }
}
