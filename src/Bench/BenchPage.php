<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Devices\BenchThermometer;
use NimbleKnuckle\App\Devices\BenchWrench;
use NimbleKnuckle\App\Fluids\FluidBook;
use NimbleKnuckle\App\Kit\KitBook;
use NimbleKnuckle\App\Planning\FitRecord;
use NimbleKnuckle\Core\Bench\FillFromBench;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Ladder;
use NimbleKnuckle\Core\Bench\Law\Bar;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Bench\MixFromBench;
use NimbleKnuckle\Core\Fluids\Fill\CircuitDrawing;
use NimbleKnuckle\Core\Plan\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\ItemKind;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Plan\Vehicle\JointMechanics;
use Psr\Clock\ClockInterface;

/** Everything the bench shows for one step: asked from the core, nothing worked out here. */
final readonly class BenchPage
{
    public function __construct(private KitBook $kit, private NextAct $next, private BenchWrench $wrench, private BenchThermometer $thermometer, private FluidBook $fluids, private StepSum $sum, private ClockInterface $clock)
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
        $run = $fit->routine($step);
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
            'gate' => array_values(array_filter($fit->gate()->of($step), static fn (Obstacle $one): bool => Bar::Note !== $one->bar)),
            'act' => $this->next->for($fit, $step),
            'ruler' => (new PhaseRuler($fit, $step->phase))->notches(),
            'ends' => $fit->looseEnds(),
            'minutesLeft' => $fit->minutesLeft($now),
            'waits' => array_map(static fn (Step $wait): array => ['step' => $wait, 'left' => $fit->waitLeft($wait, $now)], $waits),
            'running' => $fit->runsByItself($step) ? ['left' => $fit->waitLeft($step, $now), 'share' => self::share($fit, $step, $now)] : null,
            'card' => null === $joint ? null : BoltCardView::of($fit, $joint, $this->kit->kit()),
            'advice' => null !== $joint && $joint->hasFigure() ? WrenchAdvice::for($this->kit->kit(), $joint, $joint->torqueAt(self::nextShare($fit, $joint))) : null,
            'wrench' => null !== $joint && Deed::Tighten === $step->deed ? $this->wrench->view($fit, $joint, $record->id, $step->id) : null,
            'thermometer' => BenchThermometer::SUM === $step->sum ? $this->thermometer->view($record->id, $step->id) : null,
            'stop' => null === $fit->state->signed ? $fit->state->engineStop() : null,
            'mechanics' => null !== $joint && Deed::Tighten === $step->deed ? JointMechanics::of($joint) : null,
            'pins' => array_values(array_filter($fit->state->pins, static fn (FitEvent $pin): bool => $pin->string('step') === $step->id)),
            'mix' => null !== $circuit && 'coolant-mix' === $step->sum ? MixFromBench::of($circuit, $fit->state, $this->fluids->familyIn($record->vehicle->id)) : null,
            'circuit' => $circuit,
            'sum' => $this->sum->of($step, $circuit, $fit->state),
            'opened' => Deed::Leaks === $step->deed || Deed::Start === $step->deed ? self::opened($fit) : [],
            'wasted' => in_array('waste', $step->tags, true) ? $fit->state->readingOf('drained') ?? $fit->state->readingOf('oil_drained') : null,
            'fill' => null === $run ? null : ['run' => $run, 'drawing' => CircuitDrawing::of($circuit, $run->stage()), 'left' => $run->secondsLeft($now), 'until' => (float) $now->format('U.u') + $run->secondsLeft($now)],
            'vacuum' => null !== $circuit && str_starts_with($step->routine, 'vacuum') ? FillFromBench::of($circuit, $fit->state, $record->choices) : null,
            'asks' => array_map(static fn (Ask $ask): AskView => AskView::of($ask, $fit->state->reading($step->id, $ask->field)), $step->asks),
            'tray' => TrayView::of($fit, $step),
            'last' => $this->undoable($fit),
            'notes' => array_values(array_filter($fit->state->notes, static fn (FitEvent $note): bool => $note->string('step') === $step->id)),
            'clock' => $now,
        ];
    }

    /** @return list<string> what was opened and closed again, so that each can be looked at: joints, what was off, drains */
    private static function opened(Fit $fit): array
    {
        $names = [];
        foreach ($fit->sheet->steps as $step) {
            if (!$fit->state->isClosed($step->id)) {
                continue;
            }
            $names[] = match ($step->deed) {
                Deed::Tighten => $fit->vehicle->joints[$step->joint]->name ?? '',
                Deed::Refit => ItemKind::Part === ($fit->vehicle->items[$step->item]->kind ?? null) ? $fit->vehicle->items[$step->item]->name ?? '' : '',
                Deed::Drain => 'drain of the '.($fit->vehicle->circuits[$step->circuit]->name ?? 'circuit'),
                Deed::Fill, Deed::Bleed => 'filler and bleed points',
                default => '',
            };
        }

        return array_values(array_unique(array_filter($names)));
    }

    private function undoable(Fit $fit): ?FitEvent
    {
        return null === $fit->state->signed ? $fit->state->last : null;
    }

    /** Percent of the figure the next fastener is pulled to; before the first pass, that of the first. */
    private static function nextShare(Fit $fit, Joint $joint): float
    {
        $ladder = Ladder::of($joint);
        [, $stage] = $fit->nextBolt($joint);
        foreach (array_slice($ladder->rungs, max(0, $stage - 1)) as $rung) {
            if ($rung->isByTorque()) {
                return $rung->share;
            }
        }

        return 100.0;
    }

    private static function share(Fit $fit, Step $step, \DateTimeImmutable $now): float
    {
        $likely = max(0.1, $step->minutes->likely);

        return min(1.6, max(0.0, 1 - $fit->waitLeft($step, $now) / $likely));
    }
}
