<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Spark;

/** Plugs side by side in cylinder order, each with its face and its gap to scale. Frame of 640 by 300. */
final readonly class SetDrawing
{
    private const WIDTH = 640.0;
    /** Drawn units to a mm of gap. */
    private const SCALE = 34.0;

    /** @param list<array{x: float, wide: float, gap: float, mm: float, cylinder: int, look: string, isOdd: bool}> $plugs */
    private function __construct(public array $plugs, public string $said)
    {
    }

    /**
     * @param non-empty-list<int> $cylinders
     * @param non-empty-list<float> $gaps
     * @param list<?PlugLook> $looks
     */
    public static function of(array $cylinders, array $gaps, array $looks, PlugSet $set): self
    {
        $each = self::WIDTH / count($cylinders);
        $scale = min(self::SCALE, 60 / max(0.1, ...$gaps));
        $plugs = [];
        foreach ($cylinders as $i => $cylinder) {
            $plugs[] = [
                'x' => $each * ($i + 0.5), 'wide' => min(70.0, 0.7 * $each), 'gap' => $scale * $gaps[$i], 'mm' => $gaps[$i],
                'cylinder' => $cylinder, 'look' => ($looks[$i] ?? null)->value ?? '',
                'isOdd' => in_array($i, [...$set->oddGaps, ...$set->oddLooks], true),
            ];
        }

        return new self($plugs, implode('; ', array_map(static fn (array $one): string => trim(sprintf(
            'cylinder %d, %s mm %s', $one['cylinder'], $one['mm'], $one['look'],
        )), $plugs)));
    }
}
