<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

use NimbleKnuckle\Core\ChargeAir\ChargeSection;
use NimbleKnuckle\Core\ChargeAir\Coupler;
use NimbleKnuckle\Core\ChargeAir\HoseHold;
use NimbleKnuckle\Core\ChargeAir\PipeJoint;
use NimbleKnuckle\Core\ChargeAir\Wetting;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;

/**
 * The charge path of a vehicle, from filter to throttle: parts in the way of the air, and where each two of them meet. mm, kPa over
 * the air outside, N·m. What is on the bench to be fitted stands beside it as a box.
 */
final readonly class ChargeLine
{
    /** Degrees of the flank of a bead: working value. */
    public const FLANK = 25.0;
    private const MOST = 30;

    /**
     * @param non-empty-list<Part> $parts
     * @param list<Join> $joins one between each two
     * @param float $boost the most there ever is; 0 where nobody said
     * @param Breath $breath what the engine takes at its most
     * @param list<Coupler> $hoses of the box
     * @param list<BoxClamp> $clamps of the box
     */
    private function __construct(
        public array $parts, public array $joins, public float $boost, public Breath $breath, public array $hoses, public array $clamps,
    ) {
    }

    public static function read(Node $node): self
    {
        $parts = $node->each('parts', Part::read(...));
        count($parts) >= 2 && count($parts) <= self::MOST || throw $node->refuse('parts', sprintf('two parts to %d are a path.',
            self::MOST));
        count(array_unique(array_map(static fn (Part $one): string => $one->name, $parts))) === count($parts)
            || throw $node->refuse('parts', 'two of them have one name: each needs its own.');
        $given = $node->nodes('joins');
        count($given) <= count($parts) - 1 || throw $node->refuse('joins', sprintf('%d parts meet %d times.', count($parts),
            count($parts) - 1));
        $joins = [];
        for ($i = 0; $i < count($parts) - 1; ++$i) {
            $joins[] = Join::read($given[$i] ?? Node::of([]), $parts[$i], $parts[$i + 1]);
        }
        $boost = $node->float('boost', 0.0);
        $boost >= 0.0 && $boost <= 1000.0 || throw $node->refuse('boost', 'from 0 to 1000 kPa over the air outside.');
        $box = $node->has('box') ? $node->node('box') : Node::of([]);

        return new self(
            $parts, $joins, $boost, Breath::read($node->has('engine') ? $node->node('engine') : Node::of([])),
            $box->each('hoses', self::hose(...)), $box->each('clamps', BoxClamp::read(...)),
        );
    }

    /** Whether boost stands between part i and the next; where no part makes it, everywhere. */
    public function isCharged(int $join): bool
    {
        foreach ($this->parts as $i => $part) {
            if (PartKind::Compressor === $part->kind) {
                return $join >= $i;
            }
        }

        return true;
    }

    /** @return array<int, PipeJoint> join => the ends a hose goes over, where there is one */
    public function ends(): array
    {
        $ends = [];
        foreach ($this->joins as $i => $join) {
            if (!$join->isBolted) {
                $ends[$i] = $join->ends($this->parts[$i], $this->parts[$i + 1]);
            }
        }

        return $ends;
    }

    /** @return array<int, PipeJoint> join => the ends hoses of the box are needed for */
    public function open(): array
    {
        return array_filter($this->ends(), fn (int $i): bool => !$this->joins[$i]->stays, \ARRAY_FILTER_USE_KEY);
    }

    /** @return list<ChargeSection> under boost, in the way of the air */
    public function sections(): array
    {
        $sections = [];
        foreach ($this->parts as $i => $part) {
            $section = $this->isCharged($i) && PartKind::Compressor !== $part->kind ? $part->section() : null;
            null === $section || $sections[] = $section;
        }

        return $sections;
    }

    /** Litres between compressor and throttle. */
    public function volume(): float
    {
        return array_sum(array_map(static fn (ChargeSection $one): float => $one->volume(), $this->sections()));
    }

    /**
     * What each end of each hose under boost holds; those nobody said the clamp of are left out.
     *
     * @param float $boost kPa
     *
     * @return list<EndHold>
     */
    public function holds(float $boost, Wetting $wetting): array
    {
        $holds = [];
        foreach ($boost > 0.0 ? $this->joins : [] as $i => $join) {
            $band = $join->isBolted || !$this->isCharged($i) ? null : $join->clamp?->band();
            if (null === $band) {
                continue;
            }
            foreach ([0, 1] as $side) {
                $part = $this->parts[$i + $side];
                [$d, $hasBead] = [0 === $side ? $part->out : $part->in, $part->beads[1 - $side]];
                $holds[] = new EndHold($i, $side, $join->name, $d, $hasBead, $join->isTied, HoseHold::of(
                    Length::millimetres($d), Pressure::kilopascals($boost), $band, $wetting->friction(), $hasBead ? self::FLANK : 0.0,
                ));
            }
        }

        return $holds;
    }

    /** The end boost pushes off first; null where no clamp is known. */
    public function weakest(float $boost, Wetting $wetting): ?EndHold
    {
        $holds = $this->holds($boost, $wetting);
        usort($holds, static fn (EndHold $one, EndHold $other): int => $one->hold->margin <=> $other->hold->margin);

        return $holds[0] ?? null;
    }

    private static function hose(Node $node): Coupler
    {
        $size = static function (string $key, float $low, float $high, float $else) use ($node): float {
            $value = $node->float($key, $else);

            return $value >= $low && $value <= $high ? $value : throw $node->refuse($key, sprintf('from %s to %s.', $low, $high));
        };
        $a = $size('a', 5.0, 300.0, 0.0);

        return new Coupler(
            $node->string('name'), $a, $size('b', 5.0, 300.0, $a), $size('angle', 0.0, 180.0, 0.0), $size('wall', 1.0, 15.0, Coupler::WALL),
        );
    }
}
