<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Signing;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\CurveJudged;
use NimbleKnuckle\Core\Bench\Fact\Dropped;
use NimbleKnuckle\Core\Bench\Fact\FastenerMarked;
use NimbleKnuckle\Core\Bench\Fact\PutIn;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\State\PieceCount;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;

/** Derives the loose ends of a fit from what was done and what was not. */
final readonly class LooseEnds
{
    /** Obstacles of a closed step that have a loose end of their own. */
    private const SAID_ELSEWHERE = ['fasteners', 'tray-count', 'reading-outside', 'two-readings', 'curve', 'tool-missing', 'cure'];

    public function __construct(private Fit $fit)
    {
    }

    /** @return list<LooseEnd> waived ones included */
    public function all(): array
    {
        return [
            ...$this->mishaps(), ...$this->dropped(), ...$this->broken(),
            ...$this->inside(), ...$this->tools(), ...$this->removed(), ...$this->loose(),
            ...$this->trays(), ...$this->twice(),
            ...$this->circuits(), ...$this->flows(), ...$this->standing(), ...$this->rivals(),
            ...$this->readings(), ...$this->curves(), ...$this->outOfOrder(),
            ...$this->waiting(), ...$this->due(),
        ];
    }

    /** @return list<LooseEnd> mishaps whose mending is not done; what is booked for later has a loose end of its own */
    private function mishaps(): array
    {
        $ends = [];
        foreach ($this->fit->state->mishaps as $event) {
            $steps = $this->fit->mending($event);
            $open = array_values(array_filter($steps, fn (Step $step): bool => !$this->fit->state->isDone($step->id)));
            if ([] === $steps || [] !== $open) {
                $ends[] = new LooseEnd(
                    'mishap:'.$event->id, LooseEndKind::Mishap, Fit::told($event), $open[0]->id ?? $event->step(),
                    sprintf('%d of %d steps to go', count($open), count($steps)),
                );
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function dropped(): array
    {
        $ends = [];
        foreach ($this->fit->state->dropped as $event) {
            $ends[] = new LooseEnd(
                'dropped:'.$event->id, LooseEndKind::Dropped, $event->as(Dropped::class)->what, $event->step(), 'not found yet',
            );
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function removed(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->doing(StepKind::Remove) as $step) {
            if ($this->fit->state->isDone($step->id) && !$this->isBackOn($step->target->item)) {
                $back = $this->fit->sheet->doing(StepKind::Refit, $step->target->item)[0] ?? $step;
                $ends[] = new LooseEnd(
                    'item:'.$step->target->item, LooseEndKind::Removed, $this->itemName($step), $back->id,
                    sprintf('%d pieces in its tray', $this->fit->pieces()->counted($step)),
                );
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> joints that were undone or touched and are not final */
    private function loose(): array
    {
        $ends = [];
        foreach ($this->fit->joints()->looseJoints() as $id => $left) {
            $joint = $this->fit->vehicle->joints[$id];
            $step = $this->fit->sheet->doing(StepKind::Tighten, '', $id)[0];
            $ends[] = new LooseEnd(
                'joint:'.$id, LooseEndKind::Joint, $joint->name, $step->id, sprintf('%d of %d to go', $left, $joint->count()),
            );
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function trays(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->doing(StepKind::Refit) as $refit) {
            $wrong = $this->fit->state->isDone($refit->id) ? array_filter(
                $this->fit->pieces()->ofTray($refit), static fn (PieceCount $one): bool => !$one->wentBackWhole(),
            ) : [];
            if ([] !== $wrong) {
                $said = implode('; ', array_map(static fn (PieceCount $one): string => $one->thing.': '.$one->inWords(), $wrong));
                $ends[] = new LooseEnd(
                    'tray:'.$refit->target->item, LooseEndKind::Tray, 'Tray of the '.$this->itemName($refit), $refit->id, $said,
                );
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> fasteners two tablets marked, neither knowing of the other: whose mark is so, a person says */
    private function twice(): array
    {
        $ends = [];
        foreach ($this->fit->state->twice as $id => $bolts) {
            $joint = $this->fit->vehicle->joints[$id] ?? null;
            if (null === $joint) {
                continue;
            }
            foreach ($bolts as $bolt => $late) {
                $ends[] = $this->saidTwice($joint, $bolt, $late);
            }
        }

        return $ends;
    }

    /** @param non-empty-list<FitEvent> $late */
    private function saidTwice(Joint $joint, int $bolt, array $late): LooseEnd
    {
        $known = $this->fit->state->marks[$joint->id][$bolt] ?? $late[0];
        $last = $late[count($late) - 1];
        $ladder = TighteningStages::of($joint);

        return new LooseEnd(
            sprintf('twice:%s.%d', $joint->id, $bolt), LooseEndKind::Twice, sprintf('Bolt %d, %s', $bolt, $joint->name),
            $this->fit->sheet->doing(StepKind::Tighten, '', $joint->id)[0]->id ?? '',
            sprintf(
                '“%s” by %s and “%s” by %s, each without the other: look at it',
                $ladder->label($known->as(FastenerMarked::class)->stage), $known->by,
                $ladder->label($last->as(FastenerMarked::class)->stage), $last->by,
            ),
        );
    }

    /** @return list<LooseEnd> pieces that broke and have no new one in their place */
    private function broken(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->doing(StepKind::Remove) as $step) {
            foreach ($this->fit->pieces()->ofTray($step) as $count) {
                if ($count->broken() > $count->instead->fresh) {
                    $ends[] = new LooseEnd(
                        'broken:'.$step->target->item.':'.$count->thing, LooseEndKind::Broken,
                        ucfirst($count->thing).', '.$this->itemName($step), $step->id,
                        sprintf('%d broke, %d new', $count->broken(), $count->instead->fresh),
                    );
                }
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function inside(): array
    {
        $ends = [];
        foreach ($this->fit->state->inside as $key => $put) {
            $ends[] = new LooseEnd(
                'inside:'.$key, LooseEndKind::Inside, ucfirst($put->as(PutIn::class)->thing), $put->step(), 'put in by '.$put->by,
            );
        }

        return $ends;
    }

    /** @return list<LooseEnd> tools that were missing when their count was closed */
    private function tools(): array
    {
        $step = $this->fit->tools()->whereCounted();
        if (null === $step || !$this->fit->state->isDone($step->id)) {
            return [];
        }

        return array_map(
            static fn (string $tool): LooseEnd => new LooseEnd(
                'tool:'.$tool, LooseEndKind::Tool, ucfirst($tool), $step->id, 'not seen at the count',
            ),
            $this->fit->tools()->missing($step),
        );
    }

    /** @return list<LooseEnd> */
    private function circuits(): array
    {
        $ends = [];
        foreach ($this->fit->vehicle->circuits as $circuit) {
            $opened = $this->anyTouched(StepKind::Drain, $circuit->id);
            $filled = $this->allClosed(
                [
                    ...$this->fit->sheet->doing(StepKind::Fill, '', '', $circuit->id),
                    ...$this->fit->sheet->doing(StepKind::Bleed, '', '', $circuit->id),
                ],
            );
            if (null !== $opened && !$filled) {
                $fill = $this->fit->sheet->doing(StepKind::Fill, '', '', $circuit->id)[0] ?? $opened;
                $ends[] = new LooseEnd(
                    'circuit:'.$circuit->id, LooseEndKind::Circuit, $circuit->name, $fill->id, 'not filled and bled yet',
                );
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> what came out against what went in */
    private function flows(): array
    {
        $ends = [];
        foreach ($this->fit->vehicle->circuits as $circuit) {
            $gap = $this->fit->flows()->gap($circuit) ?? 0.0;
            if ($this->fit->flows()->isGapOpen($circuit)) {
                $fill = $this->fit->sheet->doing(StepKind::Fill, '', '', $circuit->id)[0];
                $said = sprintf(
                    '%s L %s went in than came out: air, a leak, or a reading to correct', round(abs($gap), 2),
                    $gap < 0 ? 'less' : 'more',
                );
                $ends[] = new LooseEnd('flow:'.$circuit->id, LooseEndKind::Flow, $circuit->name, $fill->id, $said);
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> where the vehicle stands, what hangs and whether it is connected */
    private function standing(): array
    {
        $rig = $this->fit->actual();
        $ends = [];
        foreach ($rig->held as $body => $step) {
            $ends[] = new LooseEnd(
                'support:'.$body, LooseEndKind::Support, ucfirst((string) $body), $this->closer($step, StepKind::Release),
                'support under it or over it',
            );
        }
        if (!$rig->battery) {
            $ends[] = new LooseEnd('battery', LooseEndKind::Battery, 'Battery', $this->closer('', StepKind::BatteryOn), 'negative off');
        }
        if ($rig->raised) {
            $ends[] = new LooseEnd(
                'raised', LooseEndKind::Raised, $this->fit->vehicle->short, $this->closer('', StepKind::Lower), $rig->stance->label(),
            );
        }

        return $ends;
    }

    /** The step that closes something of this kind: the first open one, else the last. */
    private function closer(string $opened, StepKind $deed): string
    {
        $steps = $this->fit->sheet->doing($deed);
        foreach ($steps as $step) {
            if (!$this->fit->state->isClosed($step->id)) {
                return $step->id;
            }
        }

        return [] === $steps ? $opened : $steps[count($steps) - 1]->id;
    }

    /** @return list<LooseEnd> readings of two tablets that do not agree: which is so, a person says */
    private function rivals(): array
    {
        $ends = [];
        foreach ($this->fit->state->rivals as $step => $fields) {
            foreach ($fields as $field => $rivals) {
                $ends[] = new LooseEnd(
                    'rivals:'.$step.':'.$field, LooseEndKind::Rivals, $this->fit->readings()->label($step, $field), $step,
                    $rivals->inWords(),
                );
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> readings past their limits, until a reason stands at their step */
    private function readings(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->steps as $step) {
            foreach ($this->fit->isOverruled($step) ? [] : $this->fit->readings()->asks($step) as $ask) {
                $reading = $this->fit->state->reading($step->id, $ask->field);
                if (null !== $reading && $ask->isOutside($reading->value)) {
                    $kind = $ask->isSafety() ? LooseEndKind::Safety : LooseEndKind::Reading;
                    $ends[] = new LooseEnd(
                        'reading:'.$step->id.':'.$ask->field, $kind, $ask->label.': '.$reading->text, $step->id, $ask->past,
                    );
                }
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> steps that were closed and no longer hold: a reading taken back, a hold that was none */
    private function outOfOrder(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->steps as $step) {
            if (!$this->fit->state->isDone($step->id) || $this->fit->isOverruled($step)) {
                continue;
            }
            $wrong = array_filter(
                Gate::at($this->fit)->within($step),
                static fn (Obstacle $one): bool => !in_array($one->code, self::SAID_ELSEWHERE, true)
                    || 'tray-count' === $one->code
                    && StepKind::Remove === $step->deed,
            );
            if ([] !== $wrong) {
                $ends[] = new LooseEnd(
                    'again:'.$step->id, LooseEndKind::Step, $step->words->title, $step->id,
                    implode(' ', array_map(static fn (Obstacle $one): string => $one->text, $wrong)),
                );
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> curves whose last judgement says stop: until one is sound, or a reason stands */
    private function curves(): array
    {
        $ends = [];
        foreach ($this->fit->state->curves as $step => $event) {
            $fact = $event->as(CurveJudged::class);
            if ('stop' === $fact->verdict) {
                $title = CurveKind::tryFrom($this->fit->sheet->step($step)->asking->sum ?? '')?->title() ?? 'Curve';
                $ends[] = new LooseEnd(
                    'curve:'.$step, LooseEndKind::Curve, $title.': '.str_replace('-', ' ', $fact->finding), $step, $fact->said,
                );
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function waiting(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->steps as $step) {
            if ($this->fit->course()->runsByItself($step)) {
                $ends[] = new LooseEnd('wait:'.$step->id, LooseEndKind::Waiting, $step->words->title, $step->id, 'running');
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> follow-ups that fall due once the engine has run, until they stand in the logbook */
    private function due(): array
    {
        if (!$this->hasRun()) {
            return [];
        }
        $ends = [];
        foreach ($this->fit->sheet->doing(StepKind::Book) as $step) {
            if (!$this->fit->state->isDone($step->id)) {
                $check = $step->asking->followUp;
                $ends[] = new LooseEnd('due:'.$check->id, LooseEndKind::Due, $check->title, $step->id, 'not in the logbook yet');
            }
        }

        return $ends;
    }

    private function hasRun(): bool
    {
        foreach ($this->fit->sheet->doing(StepKind::Start) as $step) {
            if ($this->fit->state->isDone($step->id)) {
                return true;
            }
        }

        return false;
    }

    private function anyTouched(StepKind $deed, string $circuit): ?Step
    {
        foreach ($this->fit->sheet->doing($deed, '', '', $circuit) as $step) {
            if ($this->fit->state->isDone($step->id) || $this->fit->state->isStarted($step->id)) {
                return $step;
            }
        }

        return null;
    }

    /** @param list<Step> $steps */
    private function allClosed(array $steps): bool
    {
        foreach ($steps as $step) {
            if (!$this->fit->state->isDone($step->id)) {
                return false;
            }
        }

        return [] !== $steps;
    }

    private function isBackOn(string $item): bool
    {
        return $this->allClosed($this->fit->sheet->doing(StepKind::Refit, $item));
    }

    private function itemName(Step $step): string
    {
        return $this->fit->vehicle->items[$step->target->item]->name ?? $step->target->item;
    }
}
