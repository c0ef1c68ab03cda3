<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** A drive with the order in which its belt is laid: numbers at the pulleys, how far the belt lies already, which way the tool turns. */
final readonly class RouteDrawing
{
    /**
     * @param list<int> $numbers by the place of the pulley
     * @param string $laid the belt so far; empty where all of it lies
     * @param int $current the pulley of the step; -1 for none
     */
    private function __construct(
        public BeltDrawing $board, public array $numbers, public string $laid, public int $current, public ?bool $toLeft,
        public string $said,
    ) {
    }

    /** @param ?int $step from 0; null for the whole order at once */
    public static function of(DriveState $state, ?int $step = null): self
    {
        $routing = Routing::of($state->drive);
        $move = null === $step ? null : $routing->steps[$step] ?? null;
        $tensioner = $state->drive->tensioner;

        return new self(
            $state->drawing(), $routing->numbers(),
            null === $move || null === $state->path ? '' : BeltDrawing::laid($state->path, $move->laid),
            $move->at ?? -1, null === $tensioner || null !== $move && !$move->isRelieved ? null : $tensioner->turnsCounterClockwise(),
            $routing->inWords(false),
        );
    }
}
