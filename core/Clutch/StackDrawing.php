<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

/** A stack cut through, disc by disc as each lies, to scale with itself. Frame of 640 by 340. */
final readonly class StackDrawing
{
    private const WIDE = 300.0;
    private const HIGH = 250.0;
    private const LEFT = 90.0;
    private const FOOT = 310.0;

    /** @param list<array{d: string, pack: int}> $discs two cuts each */
    private function __construct(public array $discs, public float $top, public float $foot, public float $middle, public string $said)
    {
    }

    public static function of(SpringStack $stack, DiscSpring $spring): self
    {
        $high = max(1.0, $stack->free($spring));
        $scale = min(self::WIDE / $spring->outer, self::HIGH / $high);
        // Discs are thin: their height is drawn larger where there is room.
        $up = self::HIGH / $high;
        [$t, $h0] = [$up * $spring->t, $up * $spring->h0];
        $middle = self::LEFT + self::WIDE / 2;
        [$ro, $ri] = [$scale * $spring->outer / 2, $scale * $spring->inner / 2];
        $y = self::FOOT;
        $discs = [];
        foreach ($stack->packs as $pack => $count) {
            for ($n = 0; $n < $count; ++$n) {
                // Wide side down: the outer edge is the lower.
                [$outer, $inner] = 0 === $pack % 2 ? [0.0, $h0] : [$h0, 0.0];
                foreach ([-1, 1] as $side) {
                    $discs[] = ['pack' => $pack, 'd' => sprintf(
                        'M%.1F %.1F L%.1F %.1F v%.1F L%.1F %.1F Z', $middle + $side * $ro, $y - $outer, $middle + $side * $ri,
                        $y - $inner, -$t, $middle + $side * $ro, $y - $outer - $t,
                    )];
                }
                $y -= $t;
            }
            $y -= $h0;
        }

        return new self($discs, $y, self::FOOT, $middle, sprintf('%d discs, %s', $stack->discs(), $stack->said()));
    }
}
