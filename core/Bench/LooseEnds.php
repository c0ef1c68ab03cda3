<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** Derives the loose ends of a fit from what was done and what was not. */
final readonly class LooseEnds
{
    public function __construct(private Fit $fit)
    {
    }

    /** @return list<LooseEnd> waived ones included */
    public function all(): array
    {
        return [...$this->dropped(), ...$this->removed(), ...$this->loose(), ...$this->trays(), ...$this->circuits(), ...$this->readings(), ...$this->curves(), ...$this->waiting(), ...$this->due()];
    }

    /** @return list<LooseEnd> */
    private function dropped(): array
    {
        $ends = [];
        foreach ($this->fit->state->dropped as $event) {
            $ends[] = new LooseEnd('dropped:'.$event->id, LooseEndKind::Dropped, $event->string('what'), $event->string('step'), 'not found yet');
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function removed(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->doing(Deed::Remove) as $step) {
            if ($this->fit->state->isDone($step->id) && !$this->isBackOn($step->item)) {
                $back = $this->fit->sheet->doing(Deed::Refit, $step->item)[0] ?? $step;
                $ends[] = new LooseEnd('item:'.$step->item, LooseEndKind::Removed, $this->itemName($step), $back->id, sprintf('%d pieces in its tray', $this->fit->counted($step)));
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> joints that were undone or touched and are not final */
    private function loose(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->doing(Deed::Tighten) as $step) {
            $joint = $this->fit->vehicle->joints[$step->joint] ?? null;
            $touched = isset($this->fit->state->stages[$step->joint]) || (null !== $joint && '' !== $joint->item && $this->wasTakenOff($joint->item));
            $left = $this->fit->boltsLeft($step->joint);
            if (null !== $joint && $touched && $left > 0) {
                $ends[] = new LooseEnd('joint:'.$joint->id, LooseEndKind::Joint, $joint->name, $step->id, sprintf('%d of %d to go', $left, $joint->count()));
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function trays(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->doing(Deed::Refit) as $refit) {
            $removal = $this->fit->sheet->doing(Deed::Remove, $refit->item)[0] ?? null;
            if (null === $removal || !$this->fit->state->isDone($refit->id)) {
                continue;
            }
            [$out, $in] = [max($this->fit->counted($removal), $this->fit->expected($refit)), $this->fit->counted($refit)];
            if ($out !== $in) {
                $ends[] = new LooseEnd('tray:'.$refit->item, LooseEndKind::Tray, 'Tray of the '.$this->itemName($refit), $refit->id, sprintf('%d came off, %d went back', $out, $in));
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function circuits(): array
    {
        $ends = [];
        foreach ($this->fit->vehicle->circuits as $circuit) {
            $opened = $this->anyTouched(Deed::Drain, $circuit->id);
            $filled = $this->allClosed([...$this->fit->sheet->doing(Deed::Fill, '', '', $circuit->id), ...$this->fit->sheet->doing(Deed::Bleed, '', '', $circuit->id)]);
            if (null !== $opened && !$filled) {
                $fill = $this->fit->sheet->doing(Deed::Fill, '', '', $circuit->id)[0] ?? $opened;
                $ends[] = new LooseEnd('circuit:'.$circuit->id, LooseEndKind::Circuit, $circuit->name, $fill->id, 'opened, not filled and bled');
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> readings past their limits in steps that were closed all the same */
    private function readings(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->steps as $step) {
            foreach ($step->asks as $ask) {
                $reading = $this->fit->state->reading($step->id, $ask->field);
                if (null !== $reading && $ask->isOutside($reading->value)) {
                    $ends[] = new LooseEnd('reading:'.$step->id.':'.$ask->field, LooseEndKind::Reading, $ask->label.': '.$reading->text, $step->id, $ask->past);
                }
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> curves whose last judgement says stop: until one is sound, or a reason stands */
    private function curves(): array
    {
        $ends = [];
        foreach ($this->fit->state->curves as $step => $event) {
            if ('stop' === $event->string('verdict')) {
                $ends[] = new LooseEnd('curve:'.$step, LooseEndKind::Curve, 'Warm-up: '.str_replace('-', ' ', $event->string('finding')), $step, $event->string('said'));
            }
        }

        return $ends;
    }

    /** @return list<LooseEnd> */
    private function waiting(): array
    {
        $ends = [];
        foreach ($this->fit->sheet->steps as $step) {
            if ($this->fit->runsByItself($step)) {
                $ends[] = new LooseEnd('wait:'.$step->id, LooseEndKind::Waiting, $step->title, $step->id, 'running');
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
        foreach ($this->fit->sheet->doing(Deed::Book) as $step) {
            if (!$this->fit->state->isDone($step->id)) {
                $ends[] = new LooseEnd('due:'.$step->followUp->id, LooseEndKind::Due, $step->followUp->title, $step->id, 'not in the logbook yet');
            }
        }

        return $ends;
    }

    private function hasRun(): bool
    {
        foreach ($this->fit->sheet->doing(Deed::Start) as $step) {
            if ($this->fit->state->isDone($step->id)) {
                return true;
            }
        }

        return false;
    }

    private function anyTouched(Deed $deed, string $circuit): ?Step
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
        return $this->allClosed($this->fit->sheet->doing(Deed::Refit, $item));
    }

    private function wasTakenOff(string $item): bool
    {
        foreach ($this->fit->sheet->doing(Deed::Remove, $item) as $step) {
            if ($this->fit->state->isDone($step->id)) {
                return true;
            }
        }

        return false;
    }

    private function itemName(Step $step): string
    {
        return $this->fit->vehicle->items[$step->item]->name ?? $step->item;
    }
}
