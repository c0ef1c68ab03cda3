<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

/** Disc springs on one another: those that lie alike make a pack, packs turn against each other. mm and N. */
final readonly class SpringStack
{
    private const MOST = 40;

    /** @param non-empty-list<int> $packs discs in each, in order */
    private function __construct(public array $packs)
    {
    }

    /** @param non-empty-list<int> $packs */
    public static function of(array $packs): self
    {
        return new self($packs);
    }

    /** “2p 3s”, or each disc as it lies: “u u d d”, “up down”, “((  ))”; null where it is neither. */
    public static function read(string $text): ?self
    {
        $text = mb_strtolower(trim($text));
        if (1 === preg_match('~\A(\d{1,2})\s*p\s*[x×*·,]?\s*(\d{1,2})\s*s\z~u', $text, $m)) {
            return (int) $m[1] > 0 && (int) $m[2] > 0 && (int) $m[1] * (int) $m[2] <= self::MOST
                ? new self(array_fill(0, (int) $m[2], (int) $m[1])) : null;
        }
        $ways = strtr(
            preg_replace('~up~', 'u', preg_replace('~down|dn~', 'd', $text) ?? '') ?? '', ['(' => 'u', ')' => 'd', '<' => 'u', '>' => 'd'],
        );
        $ways = preg_replace('~[\s,;/-]+~', '', $ways) ?? '';
        if ('' === $ways || strlen($ways) > self::MOST || 1 !== preg_match('~\A[ud]+\z~', $ways)) {
            return null;
        }
        preg_match_all('~u+|d+~', $ways, $packs);
        $sizes = array_map(strlen(...), $packs[0]);

        return [] === $sizes ? null : new self($sizes);
    }

    public function discs(): int
    {
        return array_sum($this->packs);
    }

    /**
     * Each disc as it lies, from below.
     *
     * @return non-empty-list<bool> true with its wide side down
     */
    public function ways(): array
    {
        $ways = [];
        foreach ($this->packs as $i => $count) {
            for ($n = 0; $n < $count; ++$n) {
                $ways[] = 0 === $i % 2;
            }
        }

        return [] === $ways ? [true] : $ways;
    }

    /** With one disc turned over. */
    public function flipped(int $disc): self
    {
        $ways = $this->ways();
        $ways[$disc] = !($ways[$disc] ?? false);

        return self::read(implode('', array_map(static fn (bool $up): string => $up ? 'u' : 'd', $ways))) ?? $this;
    }

    public function free(DiscSpring $spring): float
    {
        return array_sum(array_map(static fn (int $n): float => $spring->l0 + ($n - 1) * $spring->t, $this->packs));
    }

    /** At a height, N. Unequal packs carry the same. */
    public function force(DiscSpring $spring, float $height): float
    {
        $down = $this->free($spring) - $height;
        $n = max($this->packs);
        if (min($this->packs) === $n) {
            return $n * $spring->force(min($down / count($this->packs), $spring->most()));
        }
        // False position, the end that stays weighed down (Illinois).
        [$low, $high] = [0.0, $n * $spring->force($spring->most())];
        [$less, $more] = [-$down, $this->pressed($spring, $high) - $down];
        if ($more <= 0.0) {
            return $high;
        }
        $force = 0.0;
        for ($i = 0, $side = 0; $i < 80 && $high - $low > 1e-10 * $high; ++$i) {
            $force = ($low * $more - $high * $less) / ($more - $less);
            $off = $this->pressed($spring, $force) - $down;
            if (abs($off) < 1e-11) {
                break;
            }
            if ($off < 0.0) {
                [$low, $less, $more, $side] = [$force, $off, -1 === $side ? $more / 2 : $more, -1];
            } else {
                [$high, $more, $less, $side] = [$force, $off, 1 === $side ? $less / 2 : $less, 1];
            }
        }

        return $force;
    }

    /** How far a force presses the whole of it, mm. */
    public function pressed(DiscSpring $spring, float $force): float
    {
        $down = 0.0;
        foreach (array_count_values($this->packs) as $n => $count) {
            $down += $count * $spring->pressed($force / $n);
        }

        return $down;
    }

    /** Of the cone height, the disc that is pressed furthest. */
    public function deepest(DiscSpring $spring, float $height): float
    {
        if (min($this->packs) === max($this->packs)) {
            return ($this->free($spring) - $height) / count($this->packs) / $spring->h0;
        }

        return $spring->pressed($this->force($spring, $height) / min($this->packs)) / $spring->h0;
    }

    public function said(): string
    {
        return min($this->packs) === max($this->packs)
            ? sprintf('%dp %ds', $this->packs[0], count($this->packs))
            : implode(' ', array_map(static fn (bool $up): string => $up ? 'u' : 'd', $this->ways()));
    }

    /** How many discs lie otherwise than in another stack, place by place, and how many come or go. */
    public function changes(self $other): int
    {
        [$mine, $others] = [$this->ways(), $other->ways()];
        $changed = abs(count($mine) - count($others));
        foreach ($mine as $i => $up) {
            $changed += isset($others[$i]) && $others[$i] !== $up ? 1 : 0;
        }

        return $changed;
    }
}
