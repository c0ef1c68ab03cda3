<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

/** Who stands in which column of the access map and in which order, so that few lines cross. Units of its frame. */
final readonly class AccessColumns
{
    /**
     * @param list<list<string>> $columns ids from top to bottom; what is no item is the slot of a line that passes
     * @param list<array{list<array{string, int}>, float, float}> $paths each line from column to column, and where on the first and on the
     *                                                                   last box it ends, as a share of their height
     * @param array<string, list<string>> $beside id => what it is joined to in the columns next to it
     */
    private function __construct(public array $columns, public array $paths, private array $beside)
    {
    }

    public static function of(VehicleSheet $sheet, int $rounds): self
    {
        $columns = $column = [];
        foreach ($sheet->layers() as $c => $items) {
            foreach ($items as $item) {
                $columns[$c][] = $item->id;
                $column[$item->id] = $c;
            }
        }
        $links = $beside = [];
        foreach ($sheet->items as $item) {
            foreach ($item->access->behind as $front) {
                if ($column[$front] >= $column[$item->id]) {
                    continue;
                }
                $path = [[$front, $column[$front]]];
                for ($c = $column[$front] + 1; $c < $column[$item->id]; ++$c) {
                    $columns[$c][] = $slot = sprintf('%s>%s@%d', $front, $item->id, $c);
                    $path[] = [$slot, $c];
                }
                $path[] = [$item->id, $column[$item->id]];
                for ($i = 1; $i < count($path); ++$i) {
                    $beside[$path[$i - 1][0]][] = $path[$i][0];
                    $beside[$path[$i][0]][] = $path[$i - 1][0];
                }
                $links[] = $path;
            }
        }
        $columns = self::sorted(array_values($columns), $beside, $rounds);

        return new self($columns, self::ends($links, $columns), $beside);
    }

    /**
     * Top edges: each as near to what it is joined to as the others let it, and none past the tallest column.
     *
     * @param callable(string): float $high
     *
     * @return array<string, float>
     */
    public function heights(callable $high, float $apart): array
    {
        $y = [];
        $tallest = 0.0;
        foreach ($this->columns as $ids) {
            $at = 0.0;
            foreach ($ids as $id) {
                $y[$id] = $at;
                $at += $high($id) + $apart;
            }
            $tallest = max($tallest, $at - $apart);
        }
        for ($round = 0; $round < 8; ++$round) {
            foreach (0 === $round % 2 ? $this->columns : array_reverse($this->columns) as $ids) {
                $y = $this->settled($ids, $y, $high, $apart, $tallest) + $y;
            }
        }

        return $y;
    }

    /**
     * @param list<string> $ids
     * @param array<string, float> $y
     * @param callable(string): float $high
     *
     * @return array<string, float>
     */
    private function settled(array $ids, array $y, callable $high, float $apart, float $bottom): array
    {
        $new = [];
        $under = 0.0;
        foreach ($ids as $id) {
            $near = array_map(static fn (string $other): float => $y[$other] + $high($other) / 2, $this->beside[$id] ?? []);
            $new[$id] = max($under, [] === $near ? $y[$id] : array_sum($near) / count($near) - $high($id) / 2);
            $under = $new[$id] + $high($id) + $apart;
        }
        foreach (array_reverse($ids) as $id) {
            $new[$id] = min($new[$id], $bottom - $high($id));
            $bottom = $new[$id] - $apart;
        }

        return $new;
    }

    /**
     * @param list<list<string>> $columns
     * @param array<string, list<string>> $beside
     *
     * @return list<list<string>>
     */
    private static function sorted(array $columns, array $beside, int $rounds): array
    {
        for ($round = 0; $round < $rounds; ++$round) {
            $place = self::places($columns);
            foreach (0 === $round % 2 ? array_keys($columns) : array_reverse(array_keys($columns)) as $c) {
                $middle = [];
                foreach ($columns[$c] as $id) {
                    $near = array_map(static fn (string $other): float => $place[$other], $beside[$id] ?? []);
                    $middle[$id] = [] === $near ? $place[$id] : array_sum($near) / count($near);
                }
                usort($columns[$c], static fn (string $a, string $b): int => [$middle[$a], $place[$a]] <=> [$middle[$b], $place[$b]]);
                $place = self::places([$c => $columns[$c]]) + $place;
            }
        }

        return $columns;
    }

    /**
     * @param array<int, list<string>> $columns
     *
     * @return array<string, float> 0 on top to 1
     */
    private static function places(array $columns): array
    {
        $place = [];
        foreach ($columns as $ids) {
            foreach ($ids as $i => $id) {
                $place[$id] = ($i + 1) / (count($ids) + 1);
            }
        }

        return $place;
    }

    /**
     * Lines of one box end beside each other in the order of where they go.
     *
     * @param list<list<array{string, int}>> $links
     * @param list<list<string>> $columns
     *
     * @return list<array{list<array{string, int}>, float, float}>
     */
    private static function ends(array $links, array $columns): array
    {
        $place = self::places($columns);
        $out = $in = [];
        foreach ($links as $n => $path) {
            $out[$path[0][0]][$n] = $place[$path[1][0]];
            $in[$path[count($path) - 1][0]][$n] = $place[$path[count($path) - 2][0]];
        }
        $share = static function (array $ends, int $n): float {
            asort($ends);

            return (array_search($n, array_keys($ends), true) + 1) / (count($ends) + 1);
        };
        $paths = [];
        foreach ($links as $n => $path) {
            $paths[] = [$path, $share($out[$path[0][0]], $n), $share($in[$path[count($path) - 1][0]], $n)];
        }

        return $paths;
    }
}
