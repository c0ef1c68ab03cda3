<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Devices\BenchThermometer;
use NimbleKnuckle\App\Devices\BenchWrench;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\PhaseRuler;
use NimbleKnuckle\App\Fluids\FluidBook;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\Core\Bench\FillFromBench;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Core\Bench\Hold;
use NimbleKnuckle\Core\Bench\Ladder;
use NimbleKnuckle\Core\Bench\Law\Bar;
use NimbleKnuckle\Core\Bench\Law\Gate;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Bench\LooseEnd;
use NimbleKnuckle\Core\Bench\MixFromBench;
use NimbleKnuckle\Core\Fluids\Fill\CircuitDrawing;
use NimbleKnuckle\Core\Plan\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Circuit;
use NimbleKnuckle\Core\Plan\Vehicle\ItemKind;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Plan\Vehicle\JointMechanics;
use NimbleKnuckle\Core\Tightening\Door\AngleTighten;
use NimbleKnuckle\Core\Tightening\Door\WrenchSet;
use Psr\Clock\ClockInterface;

/** Everything the bench shows for one step: asked from the core, nothing worked out here. */
final readonly class BenchPage
{
    /** What stands in the way is told so far at a time. */
    private const MOST_STOPS = 3;

    public function __construct(
        private KitReader $kit,
        private NextAct $next,
        private ActsAhead $ahead,
        private BenchWrench $wrench,
        private BenchThermometer $thermometer,
        private FluidBook $fluids,
        private StepSum $sum,
        private ClockInterface $clock,
    ) {
    }

    /** @return array<string, mixed> */
    public function view(FitRecord $record, Fit $fit, Step $step, int $version, Hand $hand): array
    {
        $act = $this->next->for($fit, $step);
        $circuit = $fit->vehicle->circuits[$step->target->circuit] ?? null;

        return [
            'record' => $record, 'units' => $fit->vehicle->units(), 'fit' => $fit, 'step' => $step, 'version' => $version, 'act' => $act,
            'ahead' => $this->ahead->of($fit, $step), 'circuit' => $circuit, 'clock' => $this->clock->now(),
        ]
            + $this->place($fit, $step)
            + $this->gate($fit, $step, $act, $hand)
            + $this->written($fit, $step)
            + $this->turn($fit, $step, $act)
            + $this->joint($record, $fit, $step, $fit->vehicle->joints[$step->target->joint] ?? null)
            + $this->circuit($record, $fit, $step, $circuit)
            + $this->fill($record, $fit, $step, $circuit);
    }

    /** @return array<string, mixed> where in the sheet it is, and what stands open */
    private function place(Fit $fit, Step $step): array
    {
        $now = $this->clock->now();
        $place = $fit->sheet->placeOf($step->id);
        $isClosed = $fit->state->isClosed($step->id);
        $ends = $fit->looseEnds();

        return [
            'place' => $place,
            'previous' => $fit->sheet->steps[$place - 1] ?? null,
            'following' => $fit->sheet->steps[$place + 1] ?? null,
            'closed' => $isClosed,
            'live' => !$isClosed && null === $fit->state->signed,
            'ruler' => (new PhaseRuler($fit, $step->slot->phase))->notches(),
            'ends' => $ends,
            'endsHere' => array_values(array_filter($ends, static fn (LooseEnd $end): bool => $end->step === $step->id)),
            'minutesLeft' => $fit->minutesLeft($now),
            'waits' => $this->waits($fit, $step, $now),
            'stop' => null === $fit->state->signed ? $fit->state->engineStop() : null,
            'running' => $fit->runsByItself($step) ? [
                'left' => $fit->waitLeft($step, $now), 'share' => self::share($fit, $step, $now),
            ] : null,
        ];
    }

    /** @return array<string, mixed> what bars the step, and who may pass it */
    private function gate(Fit $fit, Step $step, Act $act, Hand $hand): array
    {
        $gate = $fit->state->isClosed($step->id) ? [] : array_values(
            array_filter($fit->gate()->of($step), static fn (Obstacle $one): bool => Bar::Note !== $one->bar),
        );
        $said = array_filter($gate, static fn (Obstacle $one): bool => $one->step !== $step->id || Turn::Barred === $act->turn);

        return [
            'gate' => $gate,
            'mayPass' => Gate::bar($gate)->value <= ($hand->isLead() ? Bar::Lead->value : Bar::Reason->value),
            'stops' => array_slice(array_values($said), 0, self::MOST_STOPS),
            'reasons' => CommonReasons::for($step, $fit->state->lastReason),
        ];
    }

    /** @return array<string, mixed> what was noted, pinned or done here and may be taken back */
    private function written(Fit $fit, Step $step): array
    {
        $undo = EventWords::undoable($fit, $step->id);
        $here = static fn (FitEvent $event): bool => $event->string('step') === $step->id;

        return [
            'undo' => $undo,
            'undoWords' => null === $undo ? '' : EventWords::of($fit, $undo),
            'notes' => array_values(array_filter($fit->state->notes, $here)),
            'pins' => array_values(array_filter($fit->state->pins, $here)),
        ];
    }

    /** @return array<string, mixed> what is in turn: a caution, a piece, a tool, a reading */
    private function turn(Fit $fit, Step $step, Act $act): array
    {
        return [
            'caution' => self::cautionInTurn($fit, $step),
            'put' => self::putInTurn($fit, $step, $act),
            'tools' => $fit->toolsListed($step),
            'toolsMissing' => $fit->toolsMissing($step),
            'tray' => TrayView::of($fit, $step),
            'ask' => $this->askInTurn($fit, $step, $act),
            'asks' => array_map(
                static fn (Ask $ask): AskView => AskView::of($ask, $fit->state->reading($step->id, $ask->field)), $step->asking->asks,
            ),
            'opened' => Deed::Leaks === $step->deed || Deed::Start === $step->deed ? self::opened($fit) : [],
            'wasted' => in_array('waste', $step->tags, true)
                ? $fit->state->readingOf('drained') ?? $fit->state->readingOf('oil_drained')
                : null,
        ];
    }

    /** @return array<string, mixed> what is worked out of a circuit */
    private function circuit(FitRecord $record, Fit $fit, Step $step, ?Circuit $circuit): array
    {
        return [
            'mix' => null !== $circuit && 'coolant-mix' === $step->asking->sum ? MixView::of(
                MixFromBench::of($circuit, $fit->state, $this->fluids->familyIn($record->vehicle->id)),
            ) : null,
            'sum' => $this->sum->of($step, $circuit, $fit->state),
            'thermometer' => BenchThermometer::SUM === $step->asking->sum ? $this->thermometer->view($record->id, $step->id) : null,
        ];
    }

    /** @return array<string, mixed> what a bolt card needs */
    private function joint(FitRecord $record, Fit $fit, Step $step, ?Joint $joint): array
    {
        if (null === $joint || Deed::Tighten !== $step->deed) {
            return ['card' => null, 'rung' => null, 'advice' => null, 'wrench' => null, 'mechanics' => null, 'faults' => []];
        }
        $card = BoltCardView::of($fit, $joint, $this->kit->kit());
        $mechanics = JointMechanics::of($joint);
        $turned = $mechanics?->byAngle();
        $share = self::nextShare($fit, $joint);
        $advice = $joint->hasFigure() ? WrenchAdvice::for($this->kit->kit(), $joint, $joint->torqueAt($share)) : null;

        return [
            'card' => $card,
            'rung' => 0 === $card->next ? null : $card->ladder->rung($card->nextStage),
            'advice' => $advice,
            'settingSaid' => null === $advice?->setting ? null : (new WrenchSet())->said($advice->setting),
            'pull' => $joint->hasFigure() ? $joint->torqueAt($share) : 0.0,
            'wrench' => $this->wrench->view($fit, $joint, $record->id, $step->id),
            'mechanics' => $mechanics,
            'mechanicsMissing' => null === $mechanics ? JointMechanics::missing($joint) : '',
            'turned' => null === $turned ? null : (new AngleTighten())->said($turned),
            'faults' => $fit->passFaults($joint->id),
        ];
    }

    /** @return array<string, mixed> what a fill routine needs */
    private function fill(FitRecord $record, Fit $fit, Step $step, ?Circuit $circuit): array
    {
        $run = $fit->routine($step);
        $holds = array_filter(
            $fit->holds($step), static fn (Hold $hold): bool => $hold->isShort() && null !== $hold->end && !$hold->isExcused,
        );

        return [
            'fill' => null === $run ? null : [
                'run' => $run, 'stage' => $run->stage(), 'drawing' => CircuitDrawing::of($circuit->plumbing->heights ?? [], $run->stage()),
                'left' => $run->secondsLeft($this->clock->now()), 'until' => $run->until(),
            ],
            'short' => array_values($holds)[0] ?? null,
            'vacuum' => null !== $circuit && str_starts_with($step->asking->routine, 'vacuum')
                ? VacuumView::of(FillFromBench::of($circuit, $fit->state, $record->choices))
                : null,
        ];
    }

    /** @return list<array{step: Step, left: float}> waits that run meanwhile */
    private function waits(Fit $fit, Step $step, \DateTimeImmutable $now): array
    {
        $running = array_filter($fit->sheet->steps, static fn (Step $one): bool => $one->id !== $step->id && $fit->runsByItself($one));

        return array_values(array_map(static fn (Step $wait): array => ['step' => $wait, 'left' => $fit->waitLeft($wait, $now)], $running));
    }

    /** @return array{index: int, text: string}|null the caution to be acknowledged now */
    private static function cautionInTurn(Fit $fit, Step $step): ?array
    {
        foreach ($step->words->cautions as $i => $caution) {
            if ($caution->acknowledge && !isset($fit->state->seen[$step->id][$i])) {
                return ['index' => $i, 'text' => $caution->text];
            }
        }

        return null;
    }

    private static function putInTurn(Fit $fit, Step $step, Act $act): string
    {
        $mark = $act->marks[0] ?? [];

        return Turn::PutIn === $act->turn || Turn::TakeOut === $act->turn ? (string) ($mark['thing'] ?? '') : '';
    }

    /** The reading in turn, with its scale and the buttons of its units. */
    private function askInTurn(Fit $fit, Step $step, Act $act): ?AskView
    {
        $run = $fit->routine($step);
        $field = '' !== $act->ask ? $act->ask : ($act->until > 0.0 ? $run?->stage()->ask ?? '' : '');
        foreach ($step->asking->asks as $ask) {
            if ($ask->field === $field) {
                return AskView::of($ask, $fit->state->reading($step->id, $ask->field));
            }
        }

        return null;
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
                Deed::Tighten => $fit->vehicle->joints[$step->target->joint]->name ?? '',
                Deed::Refit => ItemKind::Part === ($fit->vehicle->items[$step->target->item]->kind ?? null)
                    ? $fit->vehicle->items[$step->target->item]->name ?? ''
                    : '',
                Deed::Drain => 'drain of the '.($fit->vehicle->circuits[$step->target->circuit]->name ?? 'circuit'),
                Deed::Fill, Deed::Bleed => 'filler and bleed points',
                default => '',
            };
        }

        return array_values(array_unique(array_filter($names)));
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
        $likely = max(0.1, $step->slot->minutes->likely);

        return min(1.6, max(0.0, 1 - $fit->waitLeft($step, $now) / $likely));
    }
}
