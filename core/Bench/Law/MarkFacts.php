<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\State\FluidBalance;
use NimbleKnuckle\Core\Bench\State\PieceCount;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Flow;
use NimbleKnuckle\Core\Procedure\PutIn;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Facts;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\ItemEnd;

/** A fit answers what a mark can be made of: which steps, trays, fasteners, stages and fields there are, and how far each is. */
final readonly class MarkFacts implements Facts
{
    private const THINGS = [
        Atom::IsStep, Atom::IsJoint, Atom::IsPhoto, Atom::IsDropped, Atom::Fasteners, Atom::LastStage, Atom::BoltStage, Atom::Rung,
        Atom::PhotoMarks, Atom::PhotoStep,
    ];
    private const OF_STEP = [
        Atom::ClosedBy, Atom::ClosedAt, Atom::Passive, Atom::Started, Atom::Protects, Atom::TakesOff, Atom::HasTray, Atom::HasRoutine,
        Atom::NextStage, Atom::Circuit, Atom::Capacity, Atom::TooFew,
    ];
    private const OF_PIECES = [Atom::InTray, Atom::Expected, Atom::Tray, Atom::Back, Atom::Fresh, Atom::AtHand, Atom::ToLose];
    private const OF_PART = [
        Atom::HasCaution, Atom::HasTool, Atom::Asks, Atom::HasStage, Atom::MayBegin, Atom::ForGood, Atom::LooseUnder, Atom::Label,
        Atom::FlowMost, Atom::IsEnd, Atom::EndGuards, Atom::SeenInPicture,
    ];

    public function __construct(private Fit $fit)
    {
    }

    public static function knows(Atom $atom): bool
    {
        return in_array($atom, [...self::THINGS, ...self::OF_STEP, ...self::OF_PIECES, ...self::OF_PART], true);
    }

    public function answer(Atom $atom, array $of): bool|int|float|string|array
    {
        [$id, $thing] = [(string) ($of[0] ?? ''), (string) ($of[1] ?? '')];
        if (in_array($atom, self::THINGS, true)) {
            return $this->ofThing($atom, $id, (int) $thing);
        }
        $step = $this->fit->sheet->step($id) ?? throw new \LogicException(sprintf('No step %s to ask %s of.', $id, $atom->value));

        return match (true) {
            in_array($atom, self::OF_STEP, true) => $this->ofStep($atom, $step),
            in_array($atom, self::OF_PIECES, true) => $this->ofPieces($atom, $step, $thing),
            default => $this->ofPart($atom, $step, $thing),
        };
    }

    private function ofThing(Atom $atom, string $id, int $n): bool|int|string
    {
        $state = $this->fit->state;
        $joint = $this->fit->vehicle->joints[$id] ?? null;

        return match ($atom) {
            Atom::IsStep => null !== $this->fit->sheet->step($id),
            Atom::IsPhoto => isset($state->photos[$id]),
            Atom::IsDropped => isset($state->dropped[$id]),
            Atom::PhotoMarks => count($state->photoMarks[$id] ?? []),
            Atom::PhotoStep => ($state->photos[$id] ?? null)?->step() ?? '',
            Atom::IsJoint => null !== $joint,
            Atom::Fasteners => $joint?->count() ?? 0,
            Atom::BoltStage => $state->stage($id, $n),
            Atom::LastStage => null === $joint ? 0 : TighteningStages::of($joint)->final(),
            default => null === $joint ? '' : TighteningStages::of($joint)->label($n),
        };
    }

    /** @return bool|string|list<list<string>> */
    private function ofStep(Atom $atom, Step $step): bool|string|array
    {
        $state = $this->fit->state;
        $closed = $state->done[$step->id] ?? $state->skipped[$step->id] ?? null;
        $circuit = $this->fit->vehicle->circuits[$step->target->circuit] ?? null;

        return match ($atom) {
            Atom::ClosedBy => $closed?->said() ?? '',
            Atom::ClosedAt => $closed?->at->format('H:i') ?? '',
            Atom::Passive => $step->slot->passive,
            Atom::Started => $state->isStarted($step->id),
            Atom::Protects => Nature::protects($step),
            Atom::TakesOff => StepKind::Remove === $step->deed,
            Atom::HasTray => [] !== $step->needs->tray,
            Atom::HasRoutine => null !== $this->fit->routine($step),
            Atom::NextStage => $this->nextStage($step),
            Atom::Circuit => $circuit->name ?? 'circuit',
            Atom::Capacity => (string) round($circuit->capacity ?? 0.0, 2),
            default => $this->tooFew($step),
        };
    }

    private function ofPieces(Atom $atom, Step $step, string $thing): bool|int
    {
        $count = $this->count($step, $thing);
        $isOn = StepKind::Remove === $step->deed && false === $count?->isOff;

        return match ($atom) {
            Atom::InTray => null !== $count,
            Atom::Expected => $count->expected ?? 0,
            Atom::Tray => $count->tray ?? 0,
            Atom::Back => $count->back ?? 0,
            Atom::Fresh => $count->instead->fresh ?? 0,
            Atom::AtHand => $count?->atHand() ?? 0,
            default => null === $count ? 0 : ($isOn ? $count->expected - $count->lost() - $count->broken() : $count->atHand()),
        };
    }

    private function ofPart(Atom $atom, Step $step, string $part): bool|float|string
    {
        $ask = array_values(array_filter($step->asking->asks, static fn (Ask $one): bool => $one->field === $part))[0] ?? null;

        return match ($atom) {
            Atom::HasCaution => isset($step->words->cautions[(int) $part]),
            Atom::HasTool => in_array($part, $this->fit->ground()->toolsBefore($step), true),
            Atom::Asks => null !== $ask,
            Atom::SeenInPicture => true === $ask?->isSeenInPicture(),
            Atom::Label => $ask->label ?? '',
            Atom::FlowMost => null === $ask || Flow::None === $ask->flow ? 0.0
                : FluidBalance::MOST * ($this->fit->vehicle->circuits[$step->target->circuit]->capacity ?? 0.0),
            Atom::HasStage => null !== $this->fit->routine($step)?->routine->place($part),
            Atom::MayBegin => $this->mayBegin($step, $part),
            Atom::IsEnd => null !== $this->end($step, $part),
            Atom::EndGuards => true === $this->end($step, $part)?->guardsTheStart(),
            Atom::ForGood => [] !== array_filter(
                $step->needs->puts, static fn (PutIn $put): bool => $put->thing === $part && $put->forGood,
            ),
            default => $this->fit->joints()->looseUnder($step, $part)->name ?? '',
        };
    }

    private function count(Step $step, string $thing): ?PieceCount
    {
        foreach ($step->needs->tray as $line) {
            if ($line->thing === $thing) {
                return $this->fit->pieces()->of($step, $line);
            }
        }

        return null;
    }

    private function end(Step $step, string $thing): ?ItemEnd
    {
        return ($this->fit->vehicle->items[$step->target->item] ?? null)?->parting->end($thing);
    }

    private function mayBegin(Step $step, string $stage): bool
    {
        $run = $this->fit->routine($step);
        $place = $run?->routine->place($stage);

        return null !== $run && null !== $place && ($run->isBegun() ? $place <= $run->place() + 1 : 0 === $place);
    }

    private function nextStage(Step $step): string
    {
        $run = $this->fit->routine($step);

        return null === $run ? '' : ($run->isBegun() ? $run->next()->title ?? '' : $run->routine->stages[0]->title);
    }

    /** @return list<list<string>> */
    private function tooFew(Step $step): array
    {
        $few = array_filter($this->fit->pieces()->ofTray($step), static fn (PieceCount $count): bool => $count->expected > (
            StepKind::Remove === $step->deed ? $count->room() : $count->atHand()
        ));

        return array_values(array_map(static fn (PieceCount $count): array => [$count->thing, $count->inWords()], $few));
    }
}
