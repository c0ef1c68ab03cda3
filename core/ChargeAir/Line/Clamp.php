<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

use NimbleKnuckle\Core\ChargeAir\BandClamp;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Torque;

/** The clamps of one hose: kind, size in mm, what stands on them in N·m, and how their screw is reached. */
final readonly class Clamp
{
    private const SCREW = 6.0;

    /** @param float $tension N of a spring band, which has no screw; 0 where nobody said */
    private function __construct(
        public BandClamp $kind, public float $from, public float $to, public float $torque, public float $never, public float $screw,
        public float $tension, public string $reach,
    ) {
    }

    public static function read(Node $node): self
    {
        $size = static function (string $key, float $high) use ($node): float {
            $value = $node->float($key, 0.0);

            return $value >= 0.0 && $value <= $high ? $value : throw $node->refuse($key, sprintf('from 0 to %s.', $high));
        };
        $kind = $node->enum('kind', BandClamp::class, BandClamp::TBolt);
        [$torque, $never, $from, $to] = [$size('torque', 40.0), $size('never', 40.0), $size('from', 350.0), $size('to', 350.0)];
        $never <= 0.0 || $torque <= $never || throw $node->refuse('never', 'its figure lies over what it must never pass.');
        $from <= $to || throw $node->refuse('to', 'a clamp goes from the smaller to the larger.');

        return new self(
            $kind, $from, $to, $torque, $never, $node->has('screw') ? max(3.0, $size('screw', 12.0)) : self::SCREW,
            $size('tension', 50_000.0), $node->string('reach', ''),
        );
    }

    /** Null where nobody said how tight it is. */
    public function band(): ?Force
    {
        return match (true) {
            $this->tension > 0.0 => Force::newtons($this->tension),
            $this->torque > 0.0 && BandClamp::Spring !== $this->kind => $this->kind->tension(
                Torque::newtonMetres($this->torque), $this->screw,
            ),
            default => null,
        };
    }

    /** Whether it closes round so much, mm. */
    public function goesRound(float $over): bool
    {
        return $this->to <= 0.0 || $over >= $this->from - 1e-9 && $over <= $this->to + 1e-9;
    }
}
