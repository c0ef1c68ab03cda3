<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/**
 * The access map as a drawing, in units of its frame: a box an item, a line from each to what has to come off first. No line crosses a
 * box: across, a line that passes a column has a slot of its own there; down, all lines run in the margin beside the boxes.
 */
final readonly class AccessMap
{
    private const WIDE = 190.0;
    private const GAP = 46.0;
    private const HIGH = 64.0;
    private const SLOT = 12.0;
    private const APART = 10.0;
    private const ROUNDS = 6;
    private const LANE = 9.0;
    private const NARROW = 360.0;
    private const LOW = 50.0;

    /**
     * @param list<AccessBox> $boxes
     * @param list<non-empty-list<array{float, float}>> $lines corners, from what is in front to what lies behind it
     */
    private function __construct(public array $boxes, public array $lines, public float $wide, public float $high)
    {
    }

    /** Outermost on the left, a column for each layer: for a wide screen. */
    public static function across(VehicleSheet $sheet): self
    {
        $columns = AccessColumns::of($sheet, self::ROUNDS);
        $high = static fn (string $id): float => isset($sheet->items[$id]) ? self::HIGH : self::SLOT;
        $y = $columns->heights($high, self::APART);
        $boxes = [];
        foreach ($columns->columns as $c => $ids) {
            foreach ($ids as $id) {
                if (isset($sheet->items[$id])) {
                    $boxes[] = new AccessBox($sheet->items[$id], $c * (self::WIDE + self::GAP), $y[$id], self::WIDE, self::HIGH);
                }
            }
        }
        $lines = [];
        foreach ($columns->paths as [$path, $out, $in]) {
            $line = [];
            foreach ($path as $i => [$id, $c]) {
                $left = $c * (self::WIDE + self::GAP);
                $at = $y[$id] + (isset($sheet->items[$id]) ? self::HIGH * (0 === $i ? $out : $in) : self::SLOT / 2);
                0 === $i || $line[] = [$left, $at];
                array_key_last($path) === $i || $line[] = [$left + self::WIDE, $at];
            }[] === $line || $lines[] = $line;
        }
        $bottom = 0.0;
        foreach ($y as $id => $top) {
            $bottom = max($bottom, $top + $high((string) $id));
        }

        return new self($boxes, $lines, max(1, count($columns->columns)) * (self::WIDE + self::GAP) - self::GAP, $bottom);
    }

    /** One under the other, what comes off first on top, the lines in the left margin: for a narrow screen. */
    public static function down(VehicleSheet $sheet): self
    {
        $order = self::oneByOne($sheet);
        $place = array_flip(array_map(static fn (Item $item): string => $item->id, $order));
        $last = [];
        foreach ($order as $item) {
            foreach ($item->access->behind as $front) {
                $last[$front] = max($last[$front] ?? 0, $place[$item->id]);
            }
        }
        $lanes = self::lanes($place, $last);
        $margin = ([] === $lanes ? 0 : max($lanes) + 1) * self::LANE + 6;
        $step = self::LOW + 10;
        $boxes = $lines = [];
        foreach ($order as $i => $item) {
            $boxes[] = new AccessBox($item, $margin, $i * $step, self::NARROW - $margin, self::LOW);
            foreach ($item->access->behind as $front) {
                $x = $margin - 6 - (($lanes[$front] ?? 0) + 0.5) * self::LANE;
                $from = $place[$front] * $step + self::LOW * 0.7;
                $to = $i * $step + self::LOW * 0.3;
                $lines[] = [[$margin, $from], [$x, $from], [$x, $to], [$margin, $to]];
            }
        }

        return new self($boxes, $lines, self::NARROW, max(1.0, count($order) * $step - 10));
    }

    /** @return list<Item> each behind what must come off first, and as near behind it as can be */
    private static function oneByOne(VehicleSheet $sheet): array
    {
        $order = [];
        $place = static function (Item $item) use (&$place, &$order, $sheet): void {
            if (isset($order[$item->id]) || [] !== array_diff($item->access->behind, array_keys($order))) {
                return;
            }
            $order[$item->id] = $item;
            foreach ($sheet->hiddenBy($item->id) as $behind) {
                $place($sheet->items[$behind]);
            }
        };
        array_map($place, $sheet->items);

        // What lies in a circle stands at the end; the editor refuses it, a file may hold it.
        return array_values($order + $sheet->items);
    }

    /**
     * A lane for all that runs to one item; two share one where they do not meet. The innermost first.
     *
     * @param array<string, int> $place item => its row
     * @param array<string, int> $last item => the lowest row its line runs to
     *
     * @return array<string, int>
     */
    private static function lanes(array $place, array $last): array
    {
        uksort($last, static fn (string $a, string $b): int => ($last[$a] - $place[$a]) <=> ($last[$b] - $place[$b]));
        $taken = $lanes = [];
        foreach ($last as $front => $end) {
            $lane = 0;
            while ([] !== array_filter(
                $taken[$lane] ?? [], static fn (array $span): bool => $span[0] <= $end && $place[$front] <= $span[1],
            )) {
                ++$lane;
            }
            $taken[$lane][] = [$place[$front], $end];
            $lanes[$front] = $lane;
        }

        return $lanes;
    }
}
