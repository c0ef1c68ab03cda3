<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

/**
 * Torque over angle as the rising curve nearest to noisy samples, by pooling neighbours that fall (isotonic least squares;
 * Barlow et al., 1972). Degrees and N·m.
 */
final readonly class RisingCurve
{
    /**
     * @param non-empty-list<float> $from the first angle of each pool
     * @param non-empty-list<float> $to its last
     * @param non-empty-list<float> $torques rising
     */
    private function __construct(private array $from, private array $to, private array $torques)
    {
    }

    /**
     * @param non-empty-list<float> $angles rising
     * @param non-empty-list<float> $torques
     */
    public static function of(array $angles, array $torques): self
    {
        $pools = [];
        foreach ($angles as $i => $angle) {
            $pool = [$angle, $angle, $torques[$i] ?? 0.0, 1];
            while ([] !== $pools && $pool[2] <= $pools[count($pools) - 1][2]) {
                [$first, , $torque, $n] = array_pop($pools);
                $pool = [$first, $pool[1], ($pool[2] * $pool[3] + $torque * $n) / ($pool[3] + $n), $pool[3] + $n];
            }
            $pools[] = $pool;
        }

        return new self(array_column($pools, 0), array_column($pools, 1), array_column($pools, 2));
    }

    /** The angle at which it reaches so many N·m, between pools; its ends where it never does. */
    public function angleAt(float $torque): float
    {
        foreach ($this->torques as $i => $reached) {
            if ($reached >= $torque) {
                if (0 === $i) {
                    return $this->from[0];
                }
                $share = ($torque - $this->torques[$i - 1]) / max(1e-12, $reached - $this->torques[$i - 1]);

                return $this->to[$i - 1] + max(0.0, min(1.0, $share)) * ($this->from[$i] - $this->to[$i - 1]);
            }
        }

        return $this->to[count($this->to) - 1];
    }
}
