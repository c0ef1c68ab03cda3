<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit;

use NimbleKnuckle\Core\Luck;

/**
 * A hub as it is drawn on by a screw: the force grows with what is on the shaft, friction is what it happens to be that day, the
 * hand goes in jerks, and where the hub bottoms the torque jumps. mm and N·m.
 */
final readonly class PressModel
{
    /** Friction of the day over what was worked out with the high one. */
    private const FRICTION = [0.62, 1.08];
    private const STEP = [0.1, 0.25];
    private const NOISE = 0.035;
    /** Rests of the hand: the torque falls back and comes again. */
    private const RESTS = 0.05;
    private const LIMIT = 400;

    public function __construct(private float $torque, private float $travel, private PressFault $fault, private int $seed)
    {
    }

    /** @return non-empty-list<array{float, float}> by the way */
    public function samples(): array
    {
        $luck = new Luck($this->seed);
        $friction = $luck->between(...self::FRICTION) * (PressFault::Loose === $this->fault ? $luck->between(0.08, 0.24) : 1.0);
        $lead = $luck->between(0.1, 0.3);
        $stops = PressFault::Short === $this->fault
            ? $luck->between(0.6, 0.93) * $this->travel : $this->travel + $luck->between(-0.25, 0.25);
        $picks = $luck->between(0.2, 0.55) * $this->travel;
        $step = max($luck->between(...self::STEP), $this->travel / self::LIMIT);
        $samples = [[0.0, 0.1 * $this->torque * $friction]];
        for ($way = $step; $way < $stops; $way += $step * $luck->between(0.7, 1.3)) {
            $on = min(1.0, 0.3 + 0.7 * $way / ($lead * $this->travel)) * (0.75 + 0.25 * $way / $this->travel);
            $harder = PressFault::Crooked === $this->fault && $way > $picks
                ? 1 + 3.2 * ($way - $picks) / (0.2 * $this->travel) : 1.0;
            $now = $this->torque * $friction * $on * $harder * (1 + self::NOISE * $luck->normal());
            $samples[] = [$way, max(0.0, $luck->between(0.0, 1.0) < self::RESTS ? 0.85 * $now : $now)];
            if (PressFault::Crooked === $this->fault && $now > 2.4 * $this->torque) {
                return $samples;
            }
        }

        return PressFault::Short === $this->fault ? $samples : self::bottomed($samples, $stops, $luck);
    }

    /**
     * @param non-empty-list<array{float, float}> $samples
     *
     * @return non-empty-list<array{float, float}>
     */
    private static function bottomed(array $samples, float $stops, Luck $luck): array
    {
        $last = $samples[count($samples) - 1][1];
        $hard = $last * $luck->between(2.8, 4.5);
        for ($i = 1, $n = 4; $i <= $n; ++$i) {
            $samples[] = [$stops + 0.04 * $i, $last + ($hard - $last) * $i / $n];
        }

        return $samples;
    }
}
