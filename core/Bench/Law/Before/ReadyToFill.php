<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Before;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\ItemKind;

/** A circuit is filled that was not drained, or while its parts are off or loose. */
final readonly class ReadyToFill implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        if (Deed::Fill !== $step->deed && Deed::Bleed !== $step->deed && '' === $step->asking->routine) {
            return;
        }
        foreach ($fit->sheet->doing(Deed::Drain, '', '', $step->target->circuit) as $drain) {
            if (!$fit->state->isClosed($drain->id)) {
                yield Obstacle::reason('not-drained', sprintf('“%s” is not done.', $drain->words->title), $drain->id);
            }
        }
        $planned = $fit->rigs()->planned($step);
        yield from $this->partsOff($fit, $step, $planned->off);
        foreach (array_diff_key($fit->looseJoints(), $planned->loose) as $id => $left) {
            $tighten = $fit->sheet->doing(Deed::Tighten, '', $id)[0] ?? $step;
            yield Obstacle::reason(
                'joint-loose', sprintf('%s: %d not tight.', ucfirst($fit->vehicle->joints[$id]->name), $left), $tighten->id,
            );
        }
    }

    /**
     * @param array<string, mixed> $planned what the sheet has off here
     *
     * @return iterable<Obstacle>
     */
    private function partsOff(Fit $fit, Step $step, array $planned): iterable
    {
        foreach (array_keys(array_diff_key($fit->actual()->off, $planned)) as $id) {
            $item = $fit->vehicle->items[$id] ?? null;
            if (null !== $item && ItemKind::Part === $item->kind) {
                $refit = $fit->sheet->doing(Deed::Refit, $item->id)[0] ?? $step;
                yield Obstacle::reason('part-off', sprintf('The %s is still off.', $item->name), $refit->id);
            }
        }
    }
}
