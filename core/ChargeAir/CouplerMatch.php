<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir;

/**
 * Which hose of a box goes on which joint: as many joints as can be, then with the least over or under size altogether, in mm. Solved
 * exactly (Hungarian method, shortest augmenting paths).
 */
final readonly class CouplerMatch
{
    /** More than any number of hoses together can be over: a joint left open costs this. */
    private const OPEN = 1000.0;

    /**
     * @param array<int, array{int, CouplerFit}> $joined joint => hose and how it sits
     * @param list<int> $open joints nothing fits
     * @param list<int> $over hoses that are left
     * @param list<array{int, int}> $alike hoses that may change places
     */
    private function __construct(public array $joined, public array $open, public array $over, public array $alike, public float $cost)
    {
    }

    /**
     * @param list<PipeJoint> $joints
     * @param list<Coupler> $couplers
     */
    public static function of(array $joints, array $couplers): self
    {
        $fits = array_map(static fn (PipeJoint $joint): array => array_map(
            static fn (Coupler $one): ?CouplerFit => CouplerFit::of($joint, $one), $couplers,
        ), $joints);
        $size = max(count($joints), count($couplers));
        $costs = [];
        for ($i = 0; $i < $size; ++$i) {
            for ($j = 0; $j < $size; ++$j) {
                $fit = $fits[$i][$j] ?? null;
                $costs[$i][$j] = null === $fit ? (isset($joints[$i]) ? self::OPEN : 0.0) : $fit->cost;
            }
        }
        $joined = [];
        $cost = 0.0;
        foreach ([] === $costs ? [] : self::assigned($costs, $size) as $i => $j) {
            $fit = $fits[$i][$j] ?? null;
            if (null !== $fit) {
                $joined[$i] = [$j, $fit];
                $cost += $fit->cost;
            }
        }
        ksort($joined);
        $used = array_column($joined, 0);

        return new self(
            $joined, array_values(array_diff(array_keys($joints), array_keys($joined))),
            array_values(array_diff(array_keys($couplers), $used)), self::alike($couplers, $used), $cost,
        );
    }

    /**
     * @param list<Coupler> $couplers
     * @param list<int> $used
     *
     * @return list<array{int, int}>
     */
    private static function alike(array $couplers, array $used): array
    {
        $pairs = [];
        foreach ($couplers as $i => $one) {
            foreach (array_slice($couplers, $i + 1, null, true) as $j => $other) {
                if ($one->isLike($other) && (in_array($i, $used, true) || in_array($j, $used, true))) {
                    $pairs[] = [$i, $j];
                }
            }
        }

        return $pairs;
    }

    /**
     * Row => column of the least sum over a square table.
     *
     * @param array<int, array<int, float>> $costs
     *
     * @return array<int, int>
     */
    private static function assigned(array $costs, int $n): array
    {
        // Counted from 1; row and column 0 stand for “none yet”.
        $u = $v = array_fill(0, $n + 1, 0.0);
        $row = array_fill(0, $n + 1, 0);
        for ($i = 1; $i <= $n; ++$i) {
            $row[0] = $i;
            $from = self::path($costs, $n, $row, $u, $v);
            $column = $from['end'];
            while (0 !== $column) {
                $before = $from['way'][$column];
                $row[$column] = $row[$before];
                $column = $before;
            }
        }
        $columns = [];
        for ($j = 1; $j <= $n; ++$j) {
            $columns[$row[$j] - 1] = $j - 1;
        }

        return $columns;
    }

    /**
     * The cheapest way from the new row to a column that is free; potentials move with it.
     *
     * @param array<int, array<int, float>> $costs
     * @param array<int, int> $row column => row
     * @param array<int, float> $u
     * @param array<int, float> $v
     *
     * @return array{end: int, way: array<int, int>}
     */
    private static function path(array $costs, int $n, array $row, array &$u, array &$v): array
    {
        $least = array_fill(0, $n + 1, \INF);
        $used = array_fill(0, $n + 1, false);
        $way = array_fill(0, $n + 1, 0);
        $column = 0;
        do {
            $used[$column] = true;
            [$i, $step, $next] = [$row[$column], \INF, 0];
            for ($j = 1; $j <= $n; ++$j) {
                if ($used[$j]) {
                    continue;
                }
                $now = $costs[$i - 1][$j - 1] - $u[$i] - $v[$j];
                if ($now < $least[$j]) {
                    [$least[$j], $way[$j]] = [$now, $column];
                }
                if ($least[$j] < $step) {
                    [$step, $next] = [$least[$j], $j];
                }
            }
            for ($j = 0; $j <= $n; ++$j) {
                if ($used[$j]) {
                    $u[$row[$j]] += $step;
                    $v[$j] -= $step;
                } else {
                    $least[$j] -= $step;
                }
            }
            $column = $next;
        } while (0 !== $row[$column]);

        return ['end' => $column, 'way' => $way];
    }
}
