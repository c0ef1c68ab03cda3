<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Kit\KitBook;
use NimbleKnuckle\App\Planning\FitRecord;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Stage;
use NimbleKnuckle\Core\Fluids\MixFromBench;
use NimbleKnuckle\Core\Plan\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use Psr\Clock\ClockInterface;

/** Everything the bench shows for one step: asked from the core, nothing worked out here. */
final readonly class BenchPage
{
    public function __construct(private KitBook $kit, private NextAct $next, private ClockInterface $clock)
    {
    }

    /** @return array<string, mixed> */
    public function view(FitRecord $record, Fit $fit, Step $step, int $version): array
    {
        $now = $this->clock->now();
        $place = $fit->sheet->placeOf($step->id);
        $steps = $fit->sheet->steps;
        $joint = $fit->vehicle->joints[$step->joint] ?? null;
        $circuit = $fit->vehicle->circuits[$step->circuit] ?? null;
        $waits = array_values(array_filter($steps, $fit->runsByItself(...)));

        return [
            'record' => $record,
            'fit' => $fit,
            'step' => $step,
            'place' => $place,
            'version' => $version,
            'previous' => $steps[$place - 1] ?? null,
            'following' => $steps[$place + 1] ?? null,
            'closed' => $fit->state->isClosed($step->id),
            'gate' => $fit->gate($step),
            'act' => $this->next->for($fit, $step),
            'ruler' => (new PhaseRuler($fit, $step->phase))->notches(),
            'ends' => $fit->looseEnds(),
            'minutesLeft' => $fit->minutesLeft($now),
            'waits' => array_map(static fn (Step $wait): array => ['step' => $wait, 'left' => $fit->waitLeft($wait, $now)], $waits),
            'running' => $fit->runsByItself($step) ? ['left' => $fit->waitLeft($step, $now), 'share' => self::share($fit, $step, $now)] : null,
            'card' => null === $joint ? null : BoltCardView::of($fit, $joint, $this->kit->kit()),
            'advice' => null !== $joint && $joint->hasFigure() ? WrenchAdvice::for($this->kit->kit(), $joint, self::pass($fit, $step)) : null,
            'mix' => null !== $circuit && 'coolant-mix' === $step->sum ? MixFromBench::of($circuit, $fit->state) : null,
            'circuit' => $circuit,
            'asks' => array_map(static fn (Ask $ask): AskView => AskView::of($ask, $fit->state->reading($step->id, $ask->field)), $step->asks),
            'tray' => TrayView::of($fit, $step),
            'last' => $this->undoable($fit),
            'notes' => array_values(array_filter($fit->state->notes, static fn (FitEvent $note): bool => $note->string('step') === $step->id)),
            'clock' => $now,
        ];
    }

    private function undoable(Fit $fit): ?FitEvent
    {
        return null === $fit->state->signed ? $fit->state->last : null;
    }

    /** The pass the next fastener is at, from 0. */
    private static function pass(Fit $fit, Step $step): int
    {
        $joint = $fit->vehicle->joints[$step->joint];
        [, $stage] = $fit->nextBolt($joint);

        return max(0, min(count($joint->passes) - 1, $stage - Stage::SNUG - 1));
    }

    private static function share(Fit $fit, Step $step, \DateTimeImmutable $now): float
    {
        $likely = max(0.1, $step->minutes->likely);

        return min(1.6, max(0.0, 1 - $fit->waitLeft($step, $now) / $likely));
    }
}
