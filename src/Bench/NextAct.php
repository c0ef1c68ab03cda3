<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Kit\KitBook;
use NimbleKnuckle\App\Web\Format;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Ladder;
use NimbleKnuckle\Core\Bench\Law\Bar;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Bench\Rung;
use NimbleKnuckle\Core\Bench\RungKind;
use NimbleKnuckle\Core\Fluids\Fill\FillStage;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use Psr\Clock\ClockInterface;

/** Chooses the act of the big button for a step: caution, clock, count, fastener, reading, done, in that order. */
final readonly class NextAct
{
    public function __construct(private KitBook $kit, private ClockInterface $clock)
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
            ?? $this->routine($fit, $step)
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
        $ladder = Ladder::of($joint);
        if ($stage <= $ladder->snug()) {
            return $this->together($fit, $joint, $ladder, $stage, $step);
        }

        return Act::marks($this->pulled($joint, $ladder->rung($stage), $bolt, $ladder), BoltCardView::tap($joint, $bolt, $stage, $this->kit->kit()) + ['step' => $step->id]);
    }

    private function pulled(Joint $joint, Rung $rung, int $bolt, Ladder $ladder): string
    {
        $what = 1 === $joint->count() ? '' : 'Bolt '.$bolt.' ';

        return ucfirst(match ($rung->kind) {
            RungKind::Angle => sprintf('%s%s, %s° on', $what, $rung->label, Format::plain($rung->degrees)),
            RungKind::Check => $what.'checked',
            default => $what.($rung->share < 100.0 ? sprintf('at %s %%', Format::plain($rung->share)) : ($rung->stage === $ladder->final() || count($joint->passes) < 2 ? 'at torque' : 'at 100 %')),
        });
    }

    /** Starting by hand, drawing down and running down are one tap for all that are left. */
    private function together(Fit $fit, Joint $joint, Ladder $ladder, int $stage, Step $step): Act
    {
        $marks = [];
        foreach ($joint->order() as $bolt) {
            if ($fit->state->stage($joint->id, $bolt) === $stage - 1) {
                $marks[] = ['type' => 'fastener-marked', 'joint' => $joint->id, 'bolt' => $bolt, 'stage' => $stage, 'step' => $step->id];
            }
        }
        $rung = $ladder->rung($stage);
        $how = match ($rung->kind) {
            RungKind::Started => 'started by hand',
            RungKind::Drawn => sprintf('turned %s° down', Format::plain($rung->degrees)),
            default => 'snug',
        };

        return Act::marks(1 === count($marks) ? ucfirst($how) : sprintf('All %d %s', count($marks), $how), ...$marks);
    }

    /** The stage of a fill routine: begin it, let it stand, read what ends it, go on to the next. */
    private function routine(Fit $fit, Step $step): ?Act
    {
        $run = $fit->routine($step);
        if (null === $run) {
            return null;
        }
        $begin = static fn (FillStage $stage, string $label): Act => Act::marks($label, ['type' => 'stage-begun', 'step' => $step->id, 'stage' => $stage->id]);
        if (!$run->isBegun()) {
            return $begin($run->stage(), 'Begin');
        }
        $stage = $run->stage();
        $left = $run->secondsLeft($this->clock->now());
        $isRead = '' !== $stage->ask && !$this->isAskedAndOpen($fit, $step, $stage->ask);
        if ($left > 0.0 && !$isRead) {
            return Act::timer($stage->done, (float) $this->clock->now()->format('U.u') + $left);
        }
        if ('' !== $stage->ask && !$isRead) {
            return Act::fill('Write down the reading', 'ask-'.$stage->ask);
        }
        $next = $run->next();

        return null === $next ? null : $begin($next, $stage->done);
    }

    private function isAskedAndOpen(Fit $fit, Step $step, string $field): bool
    {
        return [] !== array_filter($step->asks, static fn (Ask $ask): bool => $ask->field === $field) && null === $fit->state->reading($step->id, $field);
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
        $gate = array_values(array_filter($fit->gate()->of($step), static fn (Obstacle $one): bool => Bar::Note !== $one->bar));

        return [] === $gate ? Act::marks(Deed::Book === $step->deed ? 'Book it' : 'Done', ['type' => 'step-done', 'step' => $step->id]) : Act::blocked('Not yet', $gate[0]->text);
    }

    private function goOn(Fit $fit): Act
    {
        $current = $fit->currentStep();

        return null === $current || $fit->state->isClosed($current->id) ? Act::signOff() : Act::goOn($current->id);
    }
}
