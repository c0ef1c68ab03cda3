<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Gate;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\CurveJudged;
use NimbleKnuckle\Core\Bench\Fact\Mishap;
use NimbleKnuckle\Core\Bench\Fact\PhotoTaken;
use NimbleKnuckle\Core\Bench\Fact\PutIn;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Photo\Pictures;
use NimbleKnuckle\Core\Bench\State\Hold;
use NimbleKnuckle\Core\Bench\State\PieceCount;
use NimbleKnuckle\Core\Bench\Task\ClutchTrials;
use NimbleKnuckle\Core\Law\RigFacts;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Facts;
use NimbleKnuckle\Core\Sheet\Step;

/** A fit answers the law: as its marks say it is now. The tablet answers the same atoms (assets/js/facts.js). */
final readonly class FitFacts implements Facts
{
    public function __construct(private Fit $fit)
    {
    }

    public function answer(Atom $atom, array $of): bool|int|float|string|array
    {
        [$id, $thing] = [(string) ($of[0] ?? ''), (string) ($of[1] ?? '')];
        $step = $this->fit->sheet->step($id);

        return match ($atom) {
            Atom::Raised, Atom::Stance, Atom::StandsOn, Atom::Bare, Atom::Cold, Atom::Battery, Atom::Off, Atom::Undone,
            Atom::Open, Atom::Held, Atom::Support => (new RigFacts($this->fit->actual()))->answer($atom, $id, $thing),
            Atom::Done, Atom::Closed, Atom::Seen, Atom::Touched, Atom::Inside, Atom::WasInside,
            Atom::Tool => $this->ofMarks($atom, $id, $thing),
            Atom::Left => $this->fit->joints()->boltsLeft($id),
            Atom::Faults => array_map(static fn (string $said): array => [$said], $this->fit->joints()->passFaults($id)),
            Atom::AllInside => $this->inside(),
            Atom::Mishaps => $this->mishaps(),
            default => null === $step ? throw new \LogicException(sprintf('No step %s to ask %s of.', $id, $atom->value))
                : $this->ofStep($atom, $step, $thing),
        };
    }

    private function ofMarks(Atom $atom, string $id, string $thing): bool
    {
        $state = $this->fit->state;

        return match ($atom) {
            Atom::Done => $state->isDone($id),
            Atom::Closed => $state->isClosed($id),
            Atom::Seen => isset($state->seen[$id][(int) $thing]),
            Atom::Touched => isset($state->stages[$id]),
            Atom::Inside => isset($state->inside[$id.' '.$thing]),
            Atom::WasInside => isset($state->everInside[$id.' '.$thing]),
            default => isset($state->tools[$id][$thing]),
        };
    }

    /** @return bool|int|float|string|list<list<bool|int|float|string>> */
    private function ofStep(Atom $atom, Step $step, string $thing): bool|int|float|string|array
    {
        return match ($atom) {
            Atom::Title => $step->words->title,
            Atom::Started => $this->fit->state->isStarted($step->id),
            Atom::Rivals => null !== $this->fit->state->rivals($step->id, $thing),
            Atom::Overruled => $this->fit->isOverruled($step),
            Atom::FirstOpen => $this->firstOpen($step),
            Atom::Read, Atom::Outside, Atom::Doubtful, Atom::Written, Atom::Doubt => $this->ofReading($atom, $step, $thing),
            Atom::CameOff, Atom::AllOff, Atom::AllBack, Atom::PiecesSaid => $this->ofPieces($atom, $step, $thing),
            Atom::Pictured => $this->isPictured($step, $thing),
            Atom::WaitLeft => $this->fit->course()->waitLeftNow($step),
            Atom::RoutineBegun => $this->fit->routine($step)?->isBegun() ?? false,
            Atom::RoutineDone => $this->fit->routine($step)?->isAtItsEnd() ?? false,
            Atom::Stage => $this->fit->routine($step)?->stage()->title ?? '',
            Atom::ShortHolds => $this->shortHolds($step),
            Atom::Verdict => ($this->fit->state->curves[$step->id] ?? null)?->as(CurveJudged::class)->verdict ?? '',
            Atom::Finding => str_replace('-', ' ', ($this->fit->state->curves[$step->id] ?? null)?->as(CurveJudged::class)->finding ?? ''),
            default => $this->ofTrials($atom),
        };
    }

    private function ofReading(Atom $atom, Step $step, string $field): bool|string
    {
        $reading = $this->fit->state->reading($step->id, $field);
        if (null === $reading) {
            return Atom::Written === $atom || Atom::Doubt === $atom ? '' : false;
        }
        if (Atom::Written === $atom || Atom::Doubt === $atom) {
            return Atom::Doubt === $atom ? $reading->doubt() : $reading->text;
        }
        $asks = array_filter($this->fit->readings()->asks($step), static fn (Ask $one): bool => $one->field === $field);
        $holds = static fn (Ask $ask): bool => Atom::Outside === $atom ? $ask->isOutside($reading->value) : $reading->mayBeOutside($ask);

        return Atom::Read === $atom || [] !== array_filter($asks, $holds);
    }

    private function ofPieces(Atom $atom, Step $step, string $thing): bool|int|string
    {
        $count = array_values(array_filter(
            $this->fit->pieces()->ofTray($step), static fn (PieceCount $one): bool => $one->thing === $thing,
        ))[0] ?? throw new \LogicException(sprintf('No %s in the tray of %s.', $thing, $step->id));

        return match ($atom) {
            Atom::CameOff => $count->off(),
            Atom::AllOff => $count->cameOffWhole(),
            Atom::AllBack => $count->wentBackWhole(),
            default => $count->inWords(),
        };
    }

    private function ofTrials(Atom $atom): bool|string
    {
        $trials = ClutchTrials::of($this->fit);
        $last = $trials?->last();
        if (null === $trials || null === $last) {
            return Atom::Trial === $atom ? '' : false;
        }

        return match ($atom) {
            Atom::Tried => true,
            Atom::InBand => $trials->isInBand($last),
            default => sprintf(
                'The last trial slips at %s N·m bedded in, and %s N·m is wanted, give or take %s %%.', round($trials->bedded($last), 1),
                round($trials->wanted, 1), round(100 * $trials->band, 1),
            ),
        };
    }

    private function firstOpen(Step $step): string
    {
        foreach ($this->fit->rigs()->rules()->ground->earlier($step) as $earlier) {
            if (!$this->fit->state->isClosed($earlier->id) && !$this->fit->course()->runsByItself($earlier)) {
                return $earlier->id;
            }
        }

        return '';
    }

    private function isPictured(Step $step, string $shot): bool
    {
        foreach ((new Pictures($this->fit))->of($step) as $photo) {
            if ($photo->as(PhotoTaken::class)->shot === $shot) {
                return true;
            }
        }

        return false;
    }

    /** @return list<list<string>> */
    private function inside(): array
    {
        return array_values(array_map(
            static fn (FitEvent $put): array => [$put->step(), $put->as(PutIn::class)->thing], $this->fit->state->inside,
        ));
    }

    /** @return list<list<string>> */
    private function shortHolds(Step $step): array
    {
        $short = array_filter($this->fit->holds($step), static fn (Hold $hold): bool => $hold->isShort() && !$hold->isExcused);

        return array_values(array_map(fn (Hold $hold): array => [
            $hold->stage->title, $hold->inWords(), ...$this->overItsTime($step, $hold),
        ], $short));
    }

    /** @return array{string, string} what would have been read over the whole time, and its unit, where that is too much */
    private function overItsTime(Step $step, Hold $hold): array
    {
        $reading = $this->fit->state->reading($step->id, $hold->stage->ask);
        $change = $hold->overItsTime($reading->value ?? 0.0);
        foreach (null === $reading ? [] : $step->asking->asks as $ask) {
            if ($ask->field === $hold->stage->ask && $ask->limits->isSet && $ask->isOutside($change)) {
                return [(string) round($change, 1), $ask->unit];
            }
        }

        return ['', ''];
    }

    /** @return list<list<string>> */
    private function mishaps(): array
    {
        $open = [];
        foreach ($this->fit->state->mishaps as $event) {
            $fact = $event->as(Mishap::class);
            foreach ($this->fit->mending($event) as $mend) {
                if (!$this->fit->state->isClosed($mend->id)) {
                    $open[] = [
                        $event->id, $fact->step, $fact->item, $fact->joint, Fit::told($event), $mend->id,
                        $mend->words->title,
                    ];

                    break;
                }
            }
        }

        return $open;
    }
}
