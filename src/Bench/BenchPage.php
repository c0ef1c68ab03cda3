<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Bench\View\AskView;
use NimbleKnuckle\App\Bench\View\Barrier;
use NimbleKnuckle\App\Bench\View\Belted;
use NimbleKnuckle\App\Bench\View\BenchView;
use NimbleKnuckle\App\Bench\View\BoltCardView;
use NimbleKnuckle\App\Bench\View\Card;
use NimbleKnuckle\App\Bench\View\Fill;
use NimbleKnuckle\App\Bench\View\Filling;
use NimbleKnuckle\App\Bench\View\FitProgress;
use NimbleKnuckle\App\Bench\View\InTurn;
use NimbleKnuckle\App\Bench\View\MixView;
use NimbleKnuckle\App\Bench\View\PlaceInLine;
use NimbleKnuckle\App\Bench\View\Pull;
use NimbleKnuckle\App\Bench\View\Running;
use NimbleKnuckle\App\Bench\View\Tools;
use NimbleKnuckle\App\Bench\View\TrayView;
use NimbleKnuckle\App\Bench\View\VacuumView;
use NimbleKnuckle\App\Bench\View\WeightHeld;
use NimbleKnuckle\App\Bench\View\Whereabouts;
use NimbleKnuckle\App\Bench\View\Worked;
use NimbleKnuckle\App\Bench\View\Written;
use NimbleKnuckle\App\Clutch\ClutchBench;
use NimbleKnuckle\App\Devices\Bench\BenchDevices;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\PhaseRuler;
use NimbleKnuckle\App\Fluids\FluidBook;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Photos\BenchPictures;
use NimbleKnuckle\Core\BeltDrive\DriveState;
use NimbleKnuckle\Core\BeltDrive\RouteDrawing;
use NimbleKnuckle\Core\Bench\Act\Act;
use NimbleKnuckle\Core\Bench\Act\Turn;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\Hold;
use NimbleKnuckle\Core\Bench\Task\FillFromBench;
use NimbleKnuckle\Core\Bench\Task\MixFromBench;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Fluids\Fill\CircuitDrawing;
use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\LedgerDrawing;
use NimbleKnuckle\Core\Tightening\Door\AngleTighten;
use NimbleKnuckle\Core\Tightening\Door\WrenchSet;
use NimbleKnuckle\Core\Vehicle\Circuit;
use NimbleKnuckle\Core\Vehicle\ItemKind;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\JointMechanics;
use Psr\Clock\ClockInterface;

/** Everything the bench shows for one step: asked from the core, nothing worked out here. */
final readonly class BenchPage
{
    /** What stands in the way is told so far at a time. */
    private const MOST_STOPS = 3;

    public function __construct(
        private KitReader $kit,
        private ActsAhead $ahead,
        private BenchDevices $devices,
        private FluidBook $fluids,
        private StepSum $sum,
        private ClutchBench $clutch,
        private BenchPictures $pictures,
        private ClockInterface $clock,
    ) {
    }

    /** @param bool $isNow whether acts ahead go with it: not where a fit is played on */
    public function view(FitRecord $record, Fit $fit, Step $step, int $version, Authority $hand, bool $isNow = true): BenchView
    {
        $act = $this->ahead->now($fit, $step);
        $circuit = $fit->vehicle->circuits[$step->target->circuit] ?? null;
        $joint = $fit->vehicle->joints[$step->target->joint] ?? null;

        return new BenchView($record, $fit, $step, $act, $version, $this->clock->now(), $isNow ? $this->ahead->of($fit, $step) : [], [
            $this->place($fit, $step),
            Whereabouts::of($fit, $hand, $this->clock->now()),
            $this->standing($fit, $step),
            $this->barrier($fit, $step, $act, $hand),
            $this->written($fit, $step),
            $this->inTurn($fit, $step, $act),
            new Tools($fit->tools()->listed($step), $fit->tools()->missing($step)),
            ...$this->joint($record, $fit, $step, StepKind::Tighten === $step->deed ? $joint : null),
            $this->worked($record, $fit, $step, $circuit),
            $this->filling($fit, $step, $circuit),
            $this->belt($fit, $step),
            $this->pictures->of($fit, $record->id, $step),
            new WeightHeld(
                $fit->state->isClosed($step->id) ? null : LedgerDrawing::for($fit->actual(), $fit->vehicle, $step),
            ),
        ]);
    }

    private function belt(Fit $fit, Step $step): Belted
    {
        $isMoved = StepKind::Remove === $step->deed || StepKind::Refit === $step->deed;
        $drive = $isMoved || StepKind::Measure === $step->deed ? $fit->vehicle->driveOf($step->target->item) : null;
        $state = null === $drive ? null : DriveState::of($drive);

        return new Belted($isMoved && null !== $state ? RouteDrawing::of($state) : null, $isMoved ? null : $state?->drawing());
    }

    private function place(Fit $fit, Step $step): PlaceInLine
    {
        $place = $fit->sheet->placeOf($step->id);
        $ruler = (new PhaseRuler($fit, $step->slot->phase))->notches();

        return new PlaceInLine($place, $fit->sheet->steps[$place - 1] ?? null, $fit->sheet->steps[$place + 1] ?? null, $ruler);
    }

    private function standing(Fit $fit, Step $step): FitProgress
    {
        $now = $this->clock->now();
        $isClosed = $fit->state->isClosed($step->id);
        $isOpen = null === $fit->state->signed;
        $ends = SignOff::of($fit)->looseEnds();

        return new FitProgress(
            $isClosed, !$isClosed && $isOpen, $ends,
            array_values(array_filter($ends, static fn (LooseEnd $end): bool => $end->step === $step->id)),
            $fit->course()->minutesLeft($now), $this->waits($fit, $step, $now), $isOpen ? $fit->state->engineStop() : null,
            $fit->course()->runsByItself($step) ? self::running($fit, $step, $now) : null,
        );
    }

    private function barrier(Fit $fit, Step $step, Act $act, Authority $hand): Barrier
    {
        $gate = $fit->state->isClosed($step->id) ? [] : array_values(
            array_filter(Gate::at($fit)->of($step), static fn (Obstacle $one): bool => Bar::Note !== $one->bar),
        );
        $isBarred = in_array($act->turn, [Turn::Barred, Turn::Stand], true);
        $said = array_filter($gate, static fn (Obstacle $one): bool => $one->step !== $step->id || $isBarred);

        return new Barrier(
            $gate, Obstacle::hardest($gate)->value <= ($hand->may(BenchRight::Overrule) ? Bar::Lead->value : Bar::Reason->value),
            array_slice(array_values($said), 0, self::MOST_STOPS), CommonReasons::for($step, $fit->state->lastReason),
        );
    }

    private function written(Fit $fit, Step $step): Written
    {
        $undo = EventWords::undoable($fit, $step->id);
        $here = static fn (FitEvent $event): bool => $event->step() === $step->id;

        return new Written(
            $undo, null === $undo ? '' : EventWords::of($fit, $undo), array_values(array_filter($fit->state->notes, $here)),
            array_values(array_filter($fit->state->pins, $here)),
        );
    }

    private function inTurn(Fit $fit, Step $step, Act $act): InTurn
    {
        return new InTurn(
            self::cautionInTurn($fit, $step), self::putInTurn($fit, $step, $act), TrayView::of($fit, $step),
            $this->askInTurn($fit, $step, $act),
            array_map(
                static fn (Ask $ask): AskView => AskView::of(
                    $ask, $fit->state->reading($step->id, $ask->field)
                ), $fit->readings()->asks($step),
            ),
            StepKind::Leaks === $step->deed || StepKind::Start === $step->deed ? self::opened($fit) : [],
            in_array('waste', $step->tags, true)
                ? $fit->state->readingOf('drained') ?? $fit->state->readingOf('oil_drained')
                : null,
        );
    }

    private function worked(FitRecord $record, Fit $fit, Step $step, ?Circuit $circuit): Worked
    {
        return new Worked(
            null !== $circuit && 'coolant-mix' === $step->asking->sum ? MixView::of(
                MixFromBench::of($circuit, $fit->state, $this->fluids->familyIn($record->vehicle->id)),
            ) : null,
            $this->sum->of($step, $fit),
            CurveKind::WarmUp->value === $step->asking->sum ? $this->devices->thermometer->view($record->id, $step->id) : null,
            null !== $circuit && str_starts_with($step->asking->routine, 'vacuum')
                ? VacuumView::of(FillFromBench::of($circuit, $fit->state, $record->choices))
                : null,
            $this->devices->curve->view($fit, $step, $record->id), $this->clutch->view($fit, $step, $record->id),
            ChargeAtBench::drawing($fit, $step), ChargeAtBench::soap($fit, $step),
        );
    }

    /** @return array{Card, Pull} what a bolt card needs; empty where no joint is tightened */
    private function joint(FitRecord $record, Fit $fit, Step $step, ?Joint $joint): array
    {
        if (null === $joint) {
            return [new Card(), new Pull()];
        }
        $card = BoltCardView::of($fit, $joint, $this->kit->kit());
        $mechanics = JointMechanics::of($joint);
        $turned = $mechanics?->byAngle();
        $pull = $joint->hasFigure() ? $joint->torqueAt(self::nextShare($fit, $joint)) : 0.0;
        $advice = $joint->hasFigure() ? WrenchAdvice::for($this->kit->kit(), $joint, $pull) : null;

        return [
            new Card(
                $card, 0 === $card->next ? null : $card->ladder->rung($card->nextStage),
                $this->devices->wrench->view($fit, $joint, $record->id, $step->id), $fit->joints()->passFaults($joint->id),
            ),
            new Pull(
                $advice, null === $advice?->setting ? null : (new WrenchSet())->said($advice->setting), $pull, $mechanics,
                null === $mechanics ? JointMechanics::missing($joint) : '', null === $turned ? null : (new AngleTighten())->said($turned),
            ),
        ];
    }

    private function filling(Fit $fit, Step $step, ?Circuit $circuit): Filling
    {
        $run = $fit->routine($step);
        $holds = array_filter(
            $fit->holds($step), static fn (Hold $hold): bool => $hold->isShort() && null !== $hold->end && !$hold->isExcused,
        );
        $fill = null === $run ? null : new Fill(
            $run, $run->stage(), CircuitDrawing::of($circuit->plumbing->heights ?? [], $run->stage()),
            $run->secondsLeft($this->clock->now()), $run->until(),
        );

        return new Filling($fill, array_values($holds)[0] ?? null);
    }

    /** @return list<Running> waits that run meanwhile */
    private function waits(Fit $fit, Step $step, \DateTimeImmutable $now): array
    {
        $running = array_filter(
            $fit->sheet->steps, static fn (Step $one): bool => $one->id !== $step->id && $fit->course()->runsByItself($one)
        );

        return array_values(array_map(static fn (Step $wait): Running => self::running($fit, $wait, $now), $running));
    }

    private static function running(Fit $fit, Step $step, \DateTimeImmutable $now): Running
    {
        $left = $fit->course()->waitLeft($step, $now);

        return new Running($step, $left, min(1.6, max(0.0, 1 - $left / max(0.1, $step->slot->minutes->likely))));
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
        foreach ($fit->readings()->asks($step) as $ask) {
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
                StepKind::Tighten => $fit->vehicle->joints[$step->target->joint]->name ?? '',
                StepKind::Refit => ItemKind::Part === ($fit->vehicle->items[$step->target->item]->kind ?? null)
                    ? $fit->vehicle->items[$step->target->item]->name ?? ''
                    : '',
                StepKind::Drain => 'drain of the '.($fit->vehicle->circuits[$step->target->circuit]->name ?? 'circuit'),
                StepKind::Fill, StepKind::Bleed => 'filler and bleed points',
                default => '',
            };
        }

        return array_values(array_unique(array_filter($names)));
    }

    /** Percent of the figure the next fastener is pulled to; before the first pass, that of the first. */
    private static function nextShare(Fit $fit, Joint $joint): float
    {
        $ladder = TighteningStages::of($joint);
        [, $stage] = $fit->joints()->nextBolt($joint);
        foreach (array_slice($ladder->rungs, max(0, $stage - 1)) as $rung) {
            if ($rung->isByTorque()) {
                return $rung->share;
            }
        }

        return 100.0;
    }
}
