<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\Core\BeltDrive\BeltDrawing;
use NimbleKnuckle\Core\BeltDrive\Door\BeltFitSum;
use NimbleKnuckle\Core\BeltDrive\Door\BeltPathSum;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\BeltDrive\DriveState;
use NimbleKnuckle\Core\Sum\Check;

/** What the board shows of a belt: its drawing, its length, where the arm stands, what is wrong, and where a doubt lies. */
final readonly class BoardView
{
    private const DOUBTS = 3;
    private const WHAT = ['x' => 'to the right', 'y' => 'up', 'd' => 'the diameter'];

    /**
     * @param list<Check> $checks
     * @param list<array{pulley: string, what: string, off: float}> $doubts
     */
    private function __construct(
        public DriveState $state, public BeltDrawing $drawing, public array $checks, public array $doubts, public float $misfit,
        public bool $behind,
    ) {
    }

    public static function of(Drive $drive, bool $behind): self
    {
        $state = DriveState::of($drive);
        $misfit = $state->misfit();
        $checks = null === $state->path ? [Check::stop('no-belt', $state->why)] : BeltPathSum::judged($state->path);
        if (null !== $state->arm) {
            $checks = [BeltFitSum::judged($state->arm), ...$checks];
        }
        $doubts = 0.0 === $misfit ? [] : array_slice($state->doubts($misfit), 0, self::DOUBTS);

        return new self($state, $state->drawing($behind), $checks, array_map(static fn (array $one): array => [
            'pulley' => $one['pulley'], 'what' => self::WHAT[$one['what']] ?? '', 'off' => $one['off'],
        ], $doubts), $misfit, $behind);
    }

    /** What the browser needs to draw the belt while a pulley is dragged. */
    public function section(): string
    {
        return sprintf('%F %F', $this->state->drive->section->be, $this->state->drive->section->tb);
    }
}
