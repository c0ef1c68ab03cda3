<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\TrayLine;

/** The count of every kind of piece: what came off, fell, was found, broke, is new, lies in the tray, went back on. */
final readonly class Pieces
{
    public function __construct(private Sheet $sheet, private FitState $state)
    {
    }

    /** The count of one line of a tray, for its removal and its refit alike. */
    public function of(Step $step, TrayLine $line): PieceCount
    {
        $off = $this->side(StepKind::Remove, $step);
        $on = $this->side(StepKind::Refit, $step);
        $tally = ['early' => 0, 'foundLate' => 0, 'late' => 0, 'earlyBroken' => 0, 'lateBroken' => 0, 'fresh' => 0, 'settled' => 0];
        foreach ($this->state->fates as $fate) {
            $at = $fate->event->step();
            if ($fate->event->string('thing') === $line->thing && ($at === $off?->id || $at === $on?->id)) {
                $late = $fate->late || $at === $on?->id;
                $key = match (true) {
                    EventType::Replaced === $fate->event->type => 'fresh',
                    $fate->isSettled() => 'settled',
                    $fate->isBroken() => $late ? 'lateBroken' : 'earlyBroken',
                    $fate->isLost() => $late ? 'late' : 'early',
                    !$late && $fate->foundLate => 'foundLate',
                    default => '',
                };
                '' === $key || ++$tally[$key];
            }
        }

        return new PieceCount(
            $line->thing, $line->count, null === $off ? $line->count : $this->countOf($off, $line),
            null === $on ? 0 : $this->countOf($on, $line),
            new DroppedPieces($tally['early'], $tally['late'], $tally['foundLate']), new BrokenPieces(
                $tally['earlyBroken'], $tally['lateBroken']
            ),
            new InsteadOfPieces($tally['fresh'], $tally['settled']), null === $off || $this->state->isDone($off->id),
        );
    }

    /** @return list<PieceCount> every line of a step's tray */
    public function ofTray(Step $step): array
    {
        return array_map(fn (TrayLine $line): PieceCount => $this->of($step, $line), $step->needs->tray);
    }

    private function side(StepKind $deed, Step $step): ?Step
    {
        return $step->deed === $deed ? $step : $this->sheet->doing($deed, $step->target->item)[0] ?? null;
    }

    /** How many of a thing are counted at a step. */
    public function countOf(Step $step, TrayLine $line): int
    {
        return (isset($this->state->countedAll[$step->id]) ? $line->count : 0) + $this->state->count($step->id, $line->thing);
    }

    /** How many pieces are counted at a step. */
    public function counted(Step $step): int
    {
        return array_sum(array_map(fn (TrayLine $line): int => $this->countOf($step, $line), $step->needs->tray));
    }

    public function expected(Step $step): int
    {
        return array_sum(array_map(static fn (TrayLine $line): int => $line->count, $step->needs->tray));
    }
}
