<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

/** The count of one kind of piece. Early is before its removal was closed, late is after: then it was missed from the tray. */
final readonly class PieceCount
{
    public function __construct(
        public string $thing,
        public int $expected,
        public int $tray,
        public int $back,
        public DroppedPieces $fallen,
        public BrokenPieces $broken,
        public InsteadOfPieces $instead,
        public bool $isOff,
    ) {
    }

    /** How many came off, whatever became of them. */
    public function off(): int
    {
        return $this->tray + $this->fallen->early + $this->fallen->found + $this->broken->early;
    }

    /** How many there are to go back on. */
    public function atHand(): int
    {
        $gone = $this->instead->settled + $this->fallen->late + $this->broken->late;

        return $this->tray + $this->fallen->found + $this->instead->fresh - $gone;
    }

    /** How many the tray can be counted up to while the part comes off. */
    public function room(): int
    {
        return $this->expected - $this->fallen->early - $this->fallen->found - $this->broken->early;
    }

    public function lost(): int
    {
        return $this->fallen->early + $this->fallen->late;
    }

    public function broken(): int
    {
        return $this->broken->early + $this->broken->late;
    }

    public function cameOffWhole(): bool
    {
        return $this->off() === $this->expected;
    }

    /** Nothing is left in the tray, and as many are back, or settled otherwise, as came off. */
    public function wentBackWhole(): bool
    {
        return $this->back === $this->atHand() && $this->back + $this->instead->settled >= $this->off();
    }

    /** @return array<string, int> what became of it in a word => of how many */
    public function fates(): array
    {
        return [
            'fell' => $this->lost(), 'broke' => $this->broken(), 'new' => $this->instead->fresh,
            'settled otherwise' => $this->instead->settled,
        ];
    }

    /** In words: “10 came off, 1 fell, 9 went back”. */
    public function inWords(): string
    {
        $parts = [sprintf('%d came off', $this->off())];
        foreach ($this->fates() as $word => $count) {
            0 === $count || $parts[] = sprintf('%d %s', $count, $word);
        }

        return implode(', ', [...$parts, sprintf('%d went back', $this->back)]);
    }
}
