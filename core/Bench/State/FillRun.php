<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\StageBegun;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Fluids\Fill\FillStage;

/**
 * Where a fill routine stands: worked out from the marks alone, so that whatever was switched off meanwhile, it goes on at
 * the same second. Times in s.
 */
final readonly class FillRun
{
    /** @param list<FitEvent> $begun every stage that was begun, in order */
    private function __construct(public FillRoutine $routine, public array $begun)
    {
    }

    /** @param list<FitEvent> $begun */
    public static function of(FillRoutine $routine, array $begun): self
    {
        return new self(
            $routine,
            array_values(array_filter($begun, static fn (FitEvent $e): bool => null !== $routine->place($e->as(StageBegun::class)->stage))),
        );
    }

    public function isBegun(): bool
    {
        return [] !== $this->begun;
    }

    public function place(): int
    {
        return $this->isBegun() ? $this->routine->place($this->begun[count($this->begun) - 1]->as(StageBegun::class)->stage) ?? 0 : 0;
    }

    public function stage(): FillStage
    {
        return $this->routine->stages[$this->place()] ?? $this->routine->last();
    }

    public function next(): ?FillStage
    {
        return $this->routine->stages[$this->place() + 1] ?? null;
    }

    public function isAtItsEnd(): bool
    {
        return $this->isBegun() && null === $this->next();
    }

    public function since(): ?\DateTimeImmutable
    {
        return $this->isBegun() ? $this->begun[count($this->begun) - 1]->happened() : null;
    }

    /** Seconds the stage still has to stand; 0 where it has stood or need not. */
    public function secondsLeft(\DateTimeImmutable $now): float
    {
        $since = $this->since();

        return null === $since ? 0.0 : max(0.0, $this->stage()->seconds - ((float) $now->format('U.u') - (float) $since->format('U.u')));
    }

    /** The instant the stage has stood its time, in s since 1970 by the server's clock; 0 where it need not stand. */
    public function until(): float
    {
        $since = $this->since();

        return null === $since || 0 === $this->stage()->seconds ? 0.0 : (float) $since->format('U.u') + $this->stage()->seconds;
    }

    /** Whether a reading was taken after the stage was begun. */
    public function isReadSince(?Reading $reading): bool
    {
        $begun = $this->begun[count($this->begun) - 1] ?? null;

        return null !== $reading && null !== $begun && $reading->event->receipt->at >= $begun->receipt->at;
    }

    /** The how-manieth time this stage is done. */
    public function round(): int
    {
        return max(1, count(array_filter($this->begun, fn (FitEvent $e): bool => $e->as(StageBegun::class)->stage === $this->stage()->id)));
    }
}
