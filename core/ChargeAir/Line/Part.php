<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

use NimbleKnuckle\Core\ChargeAir\ChargeSection;
use NimbleKnuckle\Core\Document\Node;

/** One part of a charge path, from where the air goes in to where it comes out. mm, outside diameters; degrees. */
final readonly class Part
{
    private const WALL = 1.5;
    private const MOST_BENDS = 12;

    public float $in;
    public float $out;
    public float $wall;
    /** 0 where nobody measured. */
    public float $length;

    /**
     * @param array{float, float, float, float} $sizes diameter where the air goes in, where it comes out, wall, length
     * @param list<array{float, float}> $bends angle and radius of the centre line, in the way of the air
     * @param array{bool, bool} $beads at its two ends
     * @param list<string> $carries “sensor”, “bung, plugged”, “bypass valve”
     * @param string $item which item of the vehicle sheet it is; empty for none
     */
    private function __construct(
        public string $name, public PartKind $kind, array $sizes, public array $bends, public array $beads, public array $carries,
        public string $item,
    ) {
        [$this->in, $this->out, $this->wall, $this->length] = $sizes;
    }

    public static function read(Node $node): self
    {
        $size = static fn (string $key, float $low, float $high): float => self::within($node, $key, $low, $high);
        [$in, $out] = [$node->has('in') ? $size('in', 5.0, 300.0) : null, $node->has('out') ? $size('out', 5.0, 300.0) : null];
        null !== $in || null !== $out || throw $node->refuse('in', 'say how wide it is where the air goes in or comes out, in mm.');
        $bead = $node->string('bead', 'both');
        in_array($bead, ['both', 'in', 'out', 'none'], true) || throw $node->refuse('bead', 'say both, in, out or none.');

        return new self(
            $node->string('name'), $node->enum('kind', PartKind::class, PartKind::Pipe), [
                (float) ($in ?? $out), (float) ($out ?? $in), $node->has('wall') ? $size('wall', 0.3, 20.0) : self::WALL,
                $node->has('length') ? $size('length', 1.0, 5000.0) : 0.0,
            ],
            self::bends($node), ['both' === $bead || 'in' === $bead, 'both' === $bead || 'out' === $bead],
            $node->strings('carries'), $node->string('item', ''),
        );
    }

    /** Where it has a length: as a section the air flows through; of a reducer the middle. */
    public function section(): ?ChargeSection
    {
        return $this->length <= 0.0 ? null : new ChargeSection(
            $this->name, max(1.0, ($this->in + $this->out) / 2 - 2 * $this->wall), $this->length, $this->bends,
        );
    }

    /** Whether air only goes through, or something is done to it. */
    public function isPipe(): bool
    {
        return PartKind::Pipe === $this->kind;
    }

    /** @return list<array{float, float}> */
    private static function bends(Node $node): array
    {
        $bends = [];
        foreach ($node->list('bends') as $i => $bend) {
            is_array($bend) && isset($bend[0], $bend[1]) && is_numeric($bend[0]) && is_numeric($bend[1])
                && $bend[0] > 0 && $bend[0] <= 180 && $bend[1] >= 10 && $bend[1] <= 2000
                || throw $node->refuse('bends', sprintf('bend %d is an angle to 180° and a radius of 10 to 2000 mm: 90/85.', $i + 1));
            $bends[] = [(float) $bend[0], (float) $bend[1]];
        }
        count($bends) <= self::MOST_BENDS || throw $node->refuse('bends', sprintf('%d at most.', self::MOST_BENDS));

        return $bends;
    }

    private static function within(Node $node, string $key, float $low, float $high): float
    {
        $value = $node->float($key);

        return $value >= $low && $value <= $high ? $value : throw $node->refuse($key, sprintf('from %s to %s mm.', $low, $high));
    }
}
