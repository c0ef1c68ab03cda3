<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Act;

use NimbleKnuckle\Core\Bench\Fact\PutIn;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Joint\StageKind;
use NimbleKnuckle\Core\Bench\Joint\TighteningStage;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Photo\Pictures;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\PieceCount;
use NimbleKnuckle\Core\Fluids\Fill\FillStage;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Law\Before\Mended;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\PictureRequest;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;

/** Chooses the act of the big button for a step, one thing in turn; what may be is asked of the law. */
final readonly class NextAct
{
    /** What is over once the vehicle stands otherwise. */
    private const WHERE = ['no-stands', 'driven-on-stands', 'not-level', 'wheel-on-ramps', 'on-a-slope'];

    public function __construct(private Kit $kit, private \DateTimeImmutable $now)
    {
    }

    public function for(Fit $fit, Step $step): Act
    {
        if ($fit->state->isClosed($step->id)) {
            return $this->closed($fit, $step);
        }

        return $this->there($fit, $step)
            ?? $this->caution($fit, $step)
            ?? $this->takeOut($fit, $step)
            ?? $this->barred($fit, $step)
            ?? $this->clock($fit, $step)
            ?? $this->count($fit, $step)
            ?? $this->putIn($fit, $step)
            ?? $this->fastener($fit, $step)
            ?? $this->routine($fit, $step)
            ?? $this->reading($fit, $step)
            ?? $this->tools($fit, $step)
            ?? $this->picture($fit, $step)
            ?? $this->close($fit, $step);
    }

    /** A vehicle that is up already is not raised again, and one on the floor not lowered. */
    private function there(Fit $fit, Step $step): ?Act
    {
        $isThere = match ($step->deed) {
            StepKind::Raise => $fit->actual()->raised,
            StepKind::Lower => !$fit->actual()->raised,
            default => false,
        };
        $bars = $isThere ? Gate::at($fit)->of($step) : [];

        return $isThere && Bar::Note === Obstacle::hardest($bars) ? Act::marks(
            Turn::Close, sprintf('It is %s already', $fit->actual()->stance->label()), ['type' => 'step-done', 'step' => $step->id],
        ) : null;
    }

    private function caution(Fit $fit, Step $step): ?Act
    {
        foreach ($step->words->cautions as $i => $caution) {
            if ($caution->acknowledge && !isset($fit->state->seen[$step->id][$i])) {
                return Act::none(Turn::Caution, 'Read the caution');
            }
        }

        return null;
    }

    private function takeOut(Fit $fit, Step $step): ?Act
    {
        foreach ($fit->state->inside as $put) {
            $declared = array_column($fit->sheet->step($put->step())->needs->puts ?? [], 'outBefore', 'thing');
            if (($declared[$put->as(PutIn::class)->thing] ?? '') === $step->id || Nature::runsEngine($step)) {
                $from = $fit->sheet->step($put->step());
                $loose = null === $from ? null : $fit->joints()->looseUnder($from, $put->as(PutIn::class)->thing);
                if (null !== $loose) {
                    $tighten = $fit->sheet->doing(StepKind::Tighten, '', $loose->id)[0] ?? $step;

                    return Act::goTo(Turn::Barred, 'Tighten it first', $tighten->id);
                }

                return Act::marks(
                    Turn::TakeOut, sprintf('%s is out', ucfirst($put->as(PutIn::class)->thing)),
                    ['type' => 'taken-out', 'step' => $put->step(), 'thing' => $put->as(PutIn::class)->thing],
                );
            }
        }

        return null;
    }

    private function barred(Fit $fit, Step $step): ?Act
    {
        foreach (Gate::at($fit)->before($step) as $obstacle) {
            if (Bar::Lead === $obstacle->bar || Mended::CODE === $obstacle->code) {
                $label = Mended::CODE === $obstacle->code ? 'Mend it first' : 'Go and do it first';

                return $obstacle->step === $step->id
                    ? self::here($obstacle)
                    : Act::goTo(Turn::Barred, $label, $obstacle->step);
            }
        }

        return null;
    }

    private function clock(Fit $fit, Step $step): ?Act
    {
        if (!$step->slot->passive || $fit->state->isStarted($step->id)) {
            return null;
        }
        $label = match ($step->deed) {
            StepKind::Drain => 'Start drain timer',
            StepKind::Wait => 'Start cure timer',
            default => 'Start timer',
        };

        return Act::marks(Turn::Clock, $label, ['type' => 'step-started', 'step' => $step->id]);
    }

    private function count(Fit $fit, Step $step): ?Act
    {
        $removes = StepKind::Remove === $step->deed;
        $counts = $removes || StepKind::Refit === $step->deed ? $fit->pieces()->ofTray($step) : [];
        $left = array_filter(
            $counts, static fn (PieceCount $one): bool => ($removes ? $one->room() - $one->tray : $one->atHand() - $one->back) > 0,
        );
        if ([] === $left) {
            return null;
        }
        $all = array_sum(array_map(static fn (PieceCount $one): int => $removes ? $one->room() : $one->atHand(), $counts));
        $whole = [] === array_filter(
            $counts, static fn (PieceCount $one): bool => $one->expected !== ($removes ? $one->room() : $one->atHand()),
        );
        $label = self::many($all, $removes ? 'in the tray' : 'back on');
        if ($whole) {
            return Act::marks(Turn::Count, $label, ['type' => 'counted-all', 'step' => $step->id]);
        }

        return Act::marks(
            Turn::Count, $label,
            ...array_map(
                static fn (PieceCount $one): array => [
                    'type' => 'counted', 'step' => $step->id, 'thing' => $one->thing,
                    'by' => $removes ? $one->room() - $one->tray : $one->atHand() - $one->back,
                ],
                array_values($left),
            ),
        );
    }

    private static function many(int $count, string $where): string
    {
        return match ($count) {
            1 => 'It is '.$where,
            2 => 'Both '.$where,
            default => sprintf('All %d %s', $count, $where),
        };
    }

    private function putIn(Fit $fit, Step $step): ?Act
    {
        foreach ($step->needs->puts as $put) {
            $key = $step->id.' '.$put->thing;
            if (!isset($fit->state->inside[$key]) && !isset($fit->state->everInside[$key])) {
                return Act::marks(
                    Turn::PutIn, sprintf('%s is in', ucfirst($put->thing)),
                    ['type' => 'put-in', 'step' => $step->id, 'thing' => $put->thing],
                );
            }
        }

        return null;
    }

    private function fastener(Fit $fit, Step $step): ?Act
    {
        $joint = $fit->vehicle->joints[$step->target->joint] ?? null;
        if (StepKind::Tighten !== $step->deed || null === $joint || 0 === $fit->joints()->boltsLeft($joint->id)) {
            return null;
        }
        [$bolt, $stage] = $fit->joints()->nextBolt($joint);
        $ladder = TighteningStages::of($joint);
        if ($stage <= $ladder->snug()) {
            return $this->together($fit, $joint, $ladder, $stage, $step);
        }

        return Act::marks(
            Turn::Fastener, $this->pulled($joint, $ladder->rung($stage), $bolt, $ladder),
            FastenerTap::mark($joint, $bolt, $stage, $this->kit) + ['step' => $step->id],
        );
    }

    private function pulled(Joint $joint, TighteningStage $rung, int $bolt, TighteningStages $ladder): string
    {
        $what = 1 === $joint->count() ? '' : 'Bolt '.$bolt.' ';
        $isOnlyPass = $rung->stage === $ladder->final() || count($joint->going->passes) < 2;

        return ucfirst(match ($rung->kind) {
            StageKind::Angle => sprintf('%s%s, %s° on', $what, $rung->label, Show::n($rung->degrees)),
            StageKind::Check => $what.'checked',
            default => $what.match (true) {
                $rung->share < 100.0 => sprintf('at %s %%', Show::n($rung->share)),
                $isOnlyPass => 'at torque',
                default => 'at 100 %',
            },
        });
    }

    /** Starting by hand, drawing down and running down are one tap for all that are left. */
    private function together(Fit $fit, Joint $joint, TighteningStages $ladder, int $stage, Step $step): Act
    {
        $marks = [];
        foreach ($joint->pattern->order() as $bolt) {
            if ($fit->state->stage($joint->id, $bolt) === $stage - 1) {
                $marks[] = ['type' => 'fastener-marked', 'joint' => $joint->id, 'bolt' => $bolt, 'stage' => $stage, 'step' => $step->id];
            }
        }
        $rung = $ladder->rung($stage);
        $how = match ($rung->kind) {
            StageKind::Started => 'started by hand',
            StageKind::Drawn => sprintf('turned %s° down', Show::n($rung->degrees)),
            default => 'snug',
        };
        $label = match (count($marks)) {
            1 => ucfirst($how),
            2 => 'Both '.$how,
            default => sprintf('All %d %s', count($marks), $how),
        };

        return Act::marks(Turn::Fastener, $label, ...$marks);
    }

    /** The stage of a fill routine: begin it, let it stand, read what ends it, go on to the next. */
    private function routine(Fit $fit, Step $step): ?Act
    {
        $run = $fit->routine($step);
        if (null === $run) {
            return null;
        }
        $begin = static fn (FillStage $stage, string $label): Act => Act::marks(
            Turn::Stage, $label, ['type' => 'stage-begun', 'step' => $step->id, 'stage' => $stage->id],
        );
        if (!$run->isBegun()) {
            return $begin($run->stage(), 'Begin');
        }
        $stage = $run->stage();
        $asks = [] !== array_filter($step->asking->asks, static fn (Ask $ask): bool => $ask->field === $stage->ask);
        $isRead = $asks && $run->isReadSince($fit->state->reading($step->id, $stage->ask));
        if ($run->secondsLeft($this->now) > 0.0 && !$isRead) {
            return Act::timer($stage->done, $run->until(), $stage->seconds);
        }
        if ($asks && !$isRead) {
            return Act::reading('Save reading', $stage->ask, Turn::Stage);
        }
        $next = $run->next();

        return null === $next ? null : $begin($next, $stage->done);
    }

    private function reading(Fit $fit, Step $step): ?Act
    {
        foreach ($fit->readings()->asks($step) as $ask) {
            $reading = $fit->state->reading($step->id, $ask->field);
            if ([] !== $ask->limits->choices && (null === $reading || $ask->isOutside($reading->value))) {
                return Act::reading('Tap the answer', $ask->field);
            }
            if (null === $reading || $ask->isOutside($reading->value) || $reading->mayBeOutside($ask)) {
                return Act::reading(null === $reading ? 'Save reading' : 'Save new reading', $ask->field);
            }
        }

        return null;
    }

    private function tools(Fit $fit, Step $step): ?Act
    {
        $missing = count($fit->tools()->missing($step));

        return 0 === $missing ? null : Act::none(
            Turn::Tools, 1 === $missing ? 'Tap the last tool' : sprintf('Tap each tool, %d to go', $missing),
        );
    }

    /** Only a proof is asked for by the big button; a picture before or after is offered beside it. */
    private function picture(Fit $fit, Step $step): ?Act
    {
        return PictureRequest::Proof === (new Pictures($fit))->wanted($step) ? Act::none(
            Turn::Photo, PictureRequest::Proof->wanted()
        ) : null;
    }

    private function close(Fit $fit, Step $step): Act
    {
        $gate = array_values(array_filter(Gate::at($fit)->of($step), static fn (Obstacle $one): bool => Bar::Note !== $one->bar));
        if ([] === $gate) {
            return Act::marks(
                $fit->course()->runsByItself($step) ? Turn::Running : Turn::Close, StepKind::Book === $step->deed ? 'Book it' : 'Done',
                ['type' => 'step-done', 'step' => $step->id],
            );
        }
        $elsewhere = array_values(array_filter($gate, static fn (Obstacle $one): bool => $one->step !== $step->id))[0] ?? null;

        return null === $elsewhere ? self::here(...$gate) : Act::goTo(Turn::Barred, 'Go and do it first', $elsewhere->step);
    }

    /** What holds back the step at itself: some of it is over once the vehicle stands otherwise. */
    private static function here(Obstacle ...$obstacles): Act
    {
        return [] === array_intersect(array_column($obstacles, 'code'), self::WHERE)
            ? Act::none(Turn::Barred, 'Not yet') : Act::none(Turn::Stand, 'Say where it stands');
    }

    /** A closed step that still has a loose end is opened again where it is; any other makes way for the next. */
    private function closed(Fit $fit, Step $step): Act
    {
        $ends = null === $fit->state->signed ? array_filter(
            SignOff::of($fit)->looseEnds(), static fn (LooseEnd $end): bool => $end->step === $step->id && $end->isMendedAtItsStep(),
        ) : [];
        $isUnanswered = null === $fit->state->signed && in_array($step, array_column(SignOff::of($fit)->unanswered(), 0), true);
        if ([] !== $ends || $isUnanswered) {
            return Act::marks(Turn::Closed, 'Open it again', ['type' => 'step-reopened', 'step' => $step->id]);
        }
        if (null === $fit->state->signed && [] !== ($fit->state->rivals[$step->id] ?? [])) {
            return Act::none(Turn::Closed, 'Tap the one that is so');
        }
        $current = $fit->course()->currentStep();

        return null === $current || $fit->state->isClosed($current->id)
            ? Act::signOff()
            : Act::goTo(Turn::Closed, 'Next step', $current->id);
    }
}
