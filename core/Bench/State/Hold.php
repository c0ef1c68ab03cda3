<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Fluids\Fill\FillStage;

/** One timed stage: how long it stood in seconds, what ended it, and whether somebody said why it was cut short. */
final readonly class Hold
{
    /** Seconds a hand is early by without anybody calling it short. */
    private const NEAR = 1.0;

    public function __construct(public FillStage $stage, public StandDuration $stood, public ?FitEvent $end, public bool $isExcused)
    {
    }

    public function isShort(): bool
    {
        return $this->stood->seconds < $this->stage->seconds - self::NEAR;
    }

    /** What a change read over the time it stood would be over the time it should have stood. */
    public function overItsTime(float $change): float
    {
        return $change * $this->stage->seconds / max(1.0, min($this->stage->seconds, $this->stood->seconds));
    }

    /** In words: “0:11 of 2:00”. */
    public function inWords(): string
    {
        return sprintf('%s of %s', self::clock($this->stood->seconds), self::clock($this->stage->seconds));
    }

    private static function clock(float $seconds): string
    {
        return sprintf('%d:%02d', (int) floor($seconds / 60), (int) floor($seconds) % 60);
    }
}
