<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Line;

/**
 * A charge path laid out straight, from filter to throttle: lengths and diameters to one scale, each part with its ends, beads, bends
 * and what it carries, each hose with its clamps. What has no length is drawn as a stub.
 */
final readonly class LineDrawing
{
    public const MIDDLE = 118.0;
    public const HEIGHT = 276.0;
    /** Drawn units to a mm. */
    private const SCALE = 0.62;
    private const EDGE = 20.0;
    /** mm drawn of what has no length. */
    private const STUB = 165.0;
    /** mm of a hose nobody measured. */
    private const HOSE = 85.0;
    /** mm a hose covers of each pipe, and where on that its clamp sits. */
    private const COVERS = 40.0;
    private const BAND = 16.0;
    private const LEAST_GAP = 8.0;

    /**
     * @param list<array{name: string, kind: string, x: float, width: float, in: float, out: float, bore: string, length: float,
     *     bends: list<array{x: float, angle: float}>, beads: list<float>, carries: string}> $parts
     * @param list<array{name: string, n: int, x: float, width: float, left: float, right: float, clamps: list<float>, angle: float,
     *     isBolted: bool, isKnown: bool, isCharged: bool, level: string}> $joins
     */
    private function __construct(public array $parts, public array $joins, public float $width, public string $said)
    {
    }

    /** @param array<int, string> $levels join => stop, watch, ok; none where nothing is known */
    public static function of(ChargeLine $line, array $levels): self
    {
        $x = self::EDGE;
        $parts = $joins = [];
        foreach ($line->parts as $i => $part) {
            $long = self::SCALE * ($part->length > 0.0 ? $part->length : self::STUB);
            $parts[] = self::part($part, $x, $long, [0 === $i ? false : $part->beads[0], isset($line->joins[$i]) && $part->beads[1]]);
            $x += $long;
            $join = $line->joins[$i] ?? null;
            if (null !== $join) {
                $gap = self::SCALE * max(self::LEAST_GAP, $join->length - 2 * self::COVERS);
                $joins[] = self::join($join, $i, $x + $gap / 2, $line, $levels[$i] ?? '');
                $x += $join->isBolted ? 0.0 : $gap;
            }
        }

        return new self($parts, $joins, $x + self::EDGE, implode('; ', array_map(static fn (array $one): string => sprintf(
            '%s, %s%s', $one['name'], $one['bore'], $one['length'] > 0.0 ? sprintf(', %s mm long', round($one['length'])) : '',
        ), $parts)));
    }

    /**
     * @param array{bool, bool} $beads
     *
     * @return array{name: string, kind: string, x: float, width: float, in: float, out: float, bore: string, length: float,
     *     bends: list<array{x: float, angle: float}>, beads: list<float>, carries: string}
     */
    private static function part(Part $part, float $x, float $long, array $beads): array
    {
        $bends = [];
        foreach ($part->bends as $n => [$angle]) {
            $bends[] = ['x' => $x + $long * ($n + 1) / (count($part->bends) + 1), 'angle' => $angle];
        }
        $same = abs($part->in - $part->out) < 0.05;

        return [
            'name' => $part->name, 'kind' => $part->kind->value, 'x' => $x, 'width' => $long, 'in' => self::SCALE * $part->in,
            'out' => self::SCALE * $part->out, 'bore' => $same ? self::mm($part->out) : sprintf('%s to %s',
                rtrim(self::mm($part->in), ' m'), rtrim(self::mm($part->out), ' m')),
            'length' => $part->length, 'bends' => $bends,
            'beads' => array_values(array_filter([$beads[0] ? $x + 7 : null, $beads[1] ? $x + $long - 7 : null])),
            'carries' => implode(', ', $part->carries),
        ];
    }

    /**
     * @return array{name: string, n: int, x: float, width: float, left: float, right: float, clamps: list<float>, angle: float,
     *     isBolted: bool, isKnown: bool, isCharged: bool, level: string}
     */
    private static function join(Join $join, int $i, float $middle, ChargeLine $line, string $level): array
    {
        $long = self::SCALE * ($join->length > 0.0 ? $join->length : self::HOSE);
        $wall = 2 * self::SCALE * ($join->hose->wall ?? 4.5);

        return [
            'name' => $join->name, 'n' => $i + 1, 'x' => $middle - $long / 2, 'width' => $long,
            'left' => self::SCALE * $line->parts[$i]->out + $wall, 'right' => self::SCALE * $line->parts[$i + 1]->in + $wall,
            'clamps' => null === $join->clamp ? [] : [
                $middle - $long / 2 + self::SCALE * self::BAND, $middle + $long / 2 - self::SCALE * self::BAND,
            ],
            'angle' => $join->angle, 'isBolted' => $join->isBolted, 'isKnown' => null !== $join->hose,
            'isCharged' => $line->isCharged($i), 'level' => $level,
        ];
    }

    private static function mm(float $mm): string
    {
        return rtrim(rtrim(sprintf('%.1F', $mm), '0'), '.').' mm';
    }
}
