<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\Core\BeltDrive\BeltDrawing;
use NimbleKnuckle\Core\BeltDrive\Door\BeltFitSum;
use NimbleKnuckle\Core\BeltDrive\Door\BeltPathSum;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\BeltDrive\DriveState;
use NimbleKnuckle\Core\Drawing\Frame;
use NimbleKnuckle\Core\Sum\Check;

/** What the board shows of a belt: its drawing, its length, where the arm stands, what is wrong, and where a doubt lies. */
final readonly class BoardView
{
    private const DOUBTS = 3;
    private const WHAT = ['x' => 'to the right', 'y' => 'up', 'd' => 'the diameter'];

    /**
     * @param list<Check> $checks
     * @param list<array{pulley: string, what: string, off: float}> $doubts
     * @param list<BeltDrawing> $shadows the other belts of the engine, drawn behind this one
     * @param Frame $frame of this belt, or of all
     */
    private function __construct(
        public DriveState $state, public BeltDrawing $drawing, public array $checks, public array $doubts, public float $misfit,
        public bool $behind, public array $shadows, public Frame $frame,
    ) {
    }

    /** @param list<Drive> $others belts of the same engine, from the same point; all of them are in the picture then */
    public static function of(Drive $drive, bool $behind, array $others = []): self
    {
        $state = DriveState::of($drive);
        $misfit = $state->misfit();
        $checks = null === $state->path ? [Check::stop('no-belt', $state->why)] : BeltPathSum::judged($state->path);
        if (null !== $state->arm) {
            $checks = [BeltFitSum::judged($state->arm), ...$checks];
        }
        $doubts = 0.0 === $misfit ? [] : array_slice($state->doubts($misfit), 0, self::DOUBTS);

        $drawing = $state->drawing($behind);
        $shadows = array_map(static fn (Drive $one): BeltDrawing => DriveState::of($one)->drawing($behind), $others);

        return new self($state, $drawing, $checks, array_map(static fn (array $one): array => [
            'pulley' => $one['pulley'], 'what' => self::WHAT[$one['what']] ?? '', 'off' => $one['off'],
        ], $doubts), $misfit, $behind, $shadows, array_reduce(
            $shadows, static fn (Frame $frame, BeltDrawing $one): Frame => $frame->with($one->frame), $drawing->frame,
        ));
    }

    /** What the browser needs to draw the belt while a pulley is dragged. */
    public function section(): string
    {
        return sprintf('%F %F', $this->state->drive->section->be, $this->state->drive->section->tb);
    }
}
