<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Kit\KitBook;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Stage;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;

/** Chooses the act of the big button for a step: caution, clock, count, fastener, reading, done, in that order. */
final readonly class NextAct
{
    public function __construct(private KitBook $kit)
    {
    }

    public function for(Fit $fit, Step $step): Act
    {
        if ($fit->state->isClosed($step->id)) {
            return $this->goOn($fit);
        }

        return $this->caution($fit, $step)
            ?? $this->clock($fit, $step)
            ?? $this->count($fit, $step)
            ?? $this->fastener($fit, $step)
            ?? $this->reading($fit, $step)
            ?? $this->close($fit, $step);
    }

    private function caution(Fit $fit, Step $step): ?Act
    {
        foreach ($step->cautions as $i => $caution) {
            if ($caution->acknowledge && !isset($fit->state->seen[$step->id][$i])) {
                return Act::marks('Understood', ['type' => 'caution-acknowledged', 'step' => $step->id, 'caution' => $i]);
            }
        }

        return null;
    }

    private function clock(Fit $fit, Step $step): ?Act
    {
        return $step->passive && !$fit->state->isStarted($step->id) ? Act::marks('It is running', ['type' => 'step-started', 'step' => $step->id]) : null;
    }

    private function count(Fit $fit, Step $step): ?Act
    {
        if ([] === $step->tray || $fit->counted($step) >= $fit->expected($step)) {
            return null;
        }
        $all = $fit->expected($step);
        $label = Deed::Remove === $step->deed ? (1 === $all ? 'It is in the tray' : sprintf('All %d in the tray', $all)) : (1 === $all ? 'It is back on' : sprintf('All %d back on', $all));

        return Act::marks($label, ['type' => 'counted-all', 'step' => $step->id]);
    }

    private function fastener(Fit $fit, Step $step): ?Act
    {
        $joint = $fit->vehicle->joints[$step->joint] ?? null;
        if (Deed::Tighten !== $step->deed || null === $joint || 0 === $fit->boltsLeft($joint->id)) {
            return null;
        }
        [$bolt, $stage] = $fit->nextBolt($joint);
        if ($stage <= Stage::SNUG) {
            return $this->together($fit, $joint, $stage, $step);
        }
        $alone = 1 === $joint->count();
        $pass = count($joint->passes) > 1 ? sprintf('%s at %d %%', $alone ? 'Bolt' : 'Bolt '.$bolt, $joint->passes[$stage - Stage::SNUG - 1] ?? 100) : ($alone ? 'At torque' : sprintf('Bolt %d at torque', $bolt));
        $label = $stage === Stage::final(count($joint->passes)) ? ($alone ? 'At torque' : sprintf('Bolt %d at torque', $bolt)) : $pass;

        return Act::marks($label, BoltCardView::tap($joint, $bolt, $stage, $this->kit->kit()) + ['step' => $step->id]);
    }

    /** Starting by hand and running down are one tap for all that are left. */
    private function together(Fit $fit, Joint $joint, int $stage, Step $step): Act
    {
        $marks = [];
        foreach ($joint->layout->order() as $bolt) {
            if ($fit->state->stage($joint->id, $bolt) < $stage) {
                $marks[] = ['type' => 'fastener-marked', 'joint' => $joint->id, 'bolt' => $bolt, 'stage' => $stage, 'step' => $step->id];
            }
        }
        $how = Stage::STARTED === $stage ? 'started by hand' : 'snug';

        return Act::marks(1 === count($marks) ? ucfirst($how) : sprintf('All %d %s', count($marks), $how), ...$marks);
    }

    private function reading(Fit $fit, Step $step): ?Act
    {
        foreach ($step->asks as $ask) {
            if (null === $fit->state->reading($step->id, $ask->field)) {
                return Act::fill('Write down the reading', 'ask-'.$ask->field);
            }
        }

        return null;
    }

    private function close(Fit $fit, Step $step): Act
    {
        $gate = $fit->gate($step);

        return [] === $gate ? Act::marks(Deed::Book === $step->deed ? 'Book it' : 'Done', ['type' => 'step-done', 'step' => $step->id]) : Act::blocked('Not yet', $gate[0]);
    }

    private function goOn(Fit $fit): Act
    {
        $current = $fit->currentStep();

        return null === $current || $fit->state->isClosed($current->id) ? Act::signOff() : Act::goOn($current->id);
    }
}
