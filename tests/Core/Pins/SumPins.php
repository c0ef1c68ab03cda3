<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Fluids\WarmUp\EngineData;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineModel;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Core\Sum\Pinned;
use NimbleKnuckle\Tests\Core\Trace\OtherBench;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Many more answers of every sum than are written out in full: fine steps, whole tables, slips of the pen. A mark each few. */
final readonly class SumPins implements Pin
{
    private const RUNS = 200;
    private const TOGETHER = 8;
    private const BASES = 8;
    private const FAR = ['-5', '0', '0.00001', '0.4', '4999', '99999', '1e9', 'x', 'ring 120', 'ring 121', '33 %', '33.7 °C', '21.55 mm'];
    private const UNITS = ['Nm' => 1.0, 'ft-lb' => 1.3558179483, 'in-lb' => 0.1129848290, 'kgf·m' => 9.80665, 'N·cm' => 0.01];

    public static function values(): iterable
    {
        foreach (Pinned::sums() as $sum) {
            yield from self::marked($sum, 'fine', self::fine($sum));
            yield from self::marked($sum, 'ends', self::ends($sum));
            yield from self::thresholds($sum);
            yield from self::marked($sum, 'units', self::inOtherUnits($sum));
        }
        yield from self::marked('torque-check', 'slips', self::slips());
        yield from self::marked('thread-gauge', 'table', self::gauged());
        yield from self::marked('clamp-size', 'table', self::clamped());
        yield from self::marked('thermostat-test', 'bands', self::panned());
        yield from self::marked('bolt-reuse', 'bands', self::reused());
        yield from self::marked('trace-judge', 'benches', self::traced());
        yield from self::marked('warm-up', 'engines', self::warmed());
        yield from self::marked('wrench-pick', 'kits', self::kits());
    }

    /**
     * @param iterable<array<string, mixed>> $all
     *
     * @return iterable<string, mixed>
     */
    private static function marked(string $sum, string $what, iterable $all): iterable
    {
        $answers = [];
        $n = 0;
        foreach ($all as $inputs) {
            $answers[] = Pinned::answer($sum, $inputs);
            if (0 === ++$n % self::TOGETHER) {
                yield sprintf('%s %s %d', $sum, $what, $n) => $answers;
                $answers = [];
            }
        }
        yield sprintf('%s %s rest', $sum, $what) => $answers;
    }

    /** @return iterable<array<string, string>> */
    private static function fine(string $sum): iterable
    {
        $random = new Randomizer(new Mt19937(crc32('fine '.$sum)));
        foreach (Pinned::inputs($sum, self::RUNS, 7) as $inputs) {
            yield array_map(static fn (string $text): string => is_numeric($text) && 0 !== $random->getInt(0, 3)
                ? (string) round((float) $text * (1 + $random->getInt(-400, 400) / 10_000), 4)
                : $text, $inputs);
        }
    }

    /** @return iterable<array<string, string>> every field far outside: what is said names both of its ends */
    private static function ends(string $sum): iterable
    {
        $first = Pinned::inputs($sum, 1, 3)[0];
        foreach (Doors::book()->named($sum)->fields() as $field) {
            foreach (self::FAR as $far) {
                yield [$field->name => $far] + $first;
            }
        }
    }

    /** @return iterable<string, list<string>> where along each field the verdict, a check or a refusal begins */
    private static function thresholds(string $sum): iterable
    {
        $door = Doors::book(new \DateTimeImmutable('2026-11-25'))->named($sum);
        $said = static function (array $inputs) use ($door): string {
            try {
                $result = $door->compute(Inputs::of($inputs, $door->fields()));
            } catch (InvalidInput $e) {
                return $e->field;
            }

            return implode(
                ' ', ['is', ...array_map(static fn (Check $check): string => $check->level->value.' '.$check->code, $result->checks)],
            );
        };
        $sound = array_filter(Pinned::inputs($sum, 40, 3), static fn (array $inputs): bool => str_starts_with($said($inputs), 'is'));
        foreach (array_slice($sound, 0, self::BASES) as $n => $inputs) {
            foreach ($door->fields() as $field) {
                $at = static fn (float $value): string => $said(
                    [$field->name => rtrim(rtrim(sprintf('%.3F', $value), '0'), '.')] + $inputs,
                );
                $found = 'samples' === $field->name ? [] : Thresholds::of($at);
                if ([] !== $found) {
                    yield sprintf('%s from %d along %s', $sum, $n, $field->name) => $found;
                }
            }
        }
    }

    /** @return iterable<array<string, string>> one figure, and what a slip makes of it in another unit */
    private static function slips(): iterable
    {
        foreach ([9.0, 21.7, 36.0, 85.0] as $value) {
            foreach (self::UNITS as $from => $a) {
                foreach (self::UNITS as $to => $b) {
                    foreach ([1.0, 2.0, -1.0, 0.0] as $power) {
                        $other = round($value * ($a / $b) ** $power, 1);
                        yield ['stated' => sprintf('%s %s / %s %s', $value, $from, $other, $to)];
                        yield ['stated' => sprintf('%s %s / %s %s', $value, $from, round($other / 10, 1), $to), 'thread' => 'M10'];
                        yield ['stated' => sprintf('%s %s / %s %s', $value, $from, strrev((string) (int) $other), $to)];
                    }
                }
            }
        }
    }

    /** @return iterable<array<string, string>> */
    private static function gauged(): iterable
    {
        for ($diameter = 2.9; $diameter < 26.0; $diameter += 0.11) {
            foreach (['0.7', '1', '1.25', '1.5', '2', '1.06', '1.41', '0.907'] as $k => $pitch) {
                if (0 === ((int) (100 * $diameter) + $k) % 5) {
                    yield ['diameter' => (string) round($diameter, 2), 'pitch' => $pitch];
                }
            }
        }
    }

    /** @return iterable<array<string, string>> */
    private static function clamped(): iterable
    {
        foreach (['worm', 'spring', 'tbolt'] as $kind) {
            for ($outside = 6.5; $outside < 150.0; $outside += 1.3) {
                yield ['outside' => (string) $outside, 'inside' => (string) round($outside - 7.3, 1), 'kind' => $kind] + (
                    0 === (int) $outside % 2 ? ['spigot' => (string) round($outside - 6.9, 1), 'behind_bead' => '17'] : []
                );
            }
        }
    }

    /** @return iterable<array<string, string>> */
    private static function panned(): iterable
    {
        foreach ([-6.01, -5.99, -3.01, -2.99, 0.0, 2.99, 3.01, 5.99, 6.01, 12.51] as $off) {
            foreach ([3.99, 4.01, 17.99, 18.01] as $span) {
                foreach ([7.99, 8.01, 19.99, 20.01] as $lag) {
                    $opened = 88.0 + $off;
                    yield [
                        'opens' => '88', 'opened' => (string) $opened, 'full_open' => (string) ($opened + $span),
                        'closed' => (string) ($opened - $lag), 'lift' => (string) (7.19 + $off / 600), 'lift_wanted' => '8',
                    ];
                }
            }
        }
    }

    /** @return iterable<array<string, string>> */
    private static function reused(): iterable
    {
        foreach ([89.9, 90.1, 99.94, 99.96, 100.0, 100.04, 100.06, 100.19, 100.21, 109.9, 110.1] as $old) {
            foreach ([null, '50', '99'] as $grip) {
                foreach ([null, $old - 0.01, $old + 0.049, $old + 0.051] as $limit) {
                    yield ['old' => (string) $old, 'new' => '100'] + (null === $grip ? [] : ['grip' => $grip])
                        + (null === $limit ? [] : ['limit' => (string) $limit]);
                }
            }
        }
    }

    /** @return iterable<array<string, mixed>> wrenches as people list them, with something left out of each */
    private static function kits(): iterable
    {
        $wrench = ['name' => 'long one', 'min' => 6.85, 'max' => 135.25, 'drive' => '3/8 in', 'error' => 3, 'calibrated' => '2026-09-01'];
        foreach ([
            [], ['error' => null], ['drive' => null], ['calibrated' => null], ['min' => null], ['name' => null], ['error' => 4],
        ] as $changes) {
            $one = array_filter($changes + $wrench, static fn (mixed $value): bool => null !== $value);
            foreach (['9 N·m', '20 N·m', '120 N·m, 40 N·m'] as $targets) {
                yield ['targets' => $targets, 'kit' => [$one, ['name' => 'short', 'min' => 2, 'max' => 20.45, 'error' => 4]]];
            }
        }
    }

    /** @return iterable<array<string, string>> every field in every unit of its kind: what is said then keeps to those units */
    private static function inOtherUnits(string $sum): iterable
    {
        $first = Pinned::inputs($sum, 1, 3)[0];
        foreach (Doors::book()->named($sum)->fields() as $field) {
            foreach ($field->kind?->units() ?? [] as $unit) {
                foreach (isset($first[$field->name]) ? [$first[$field->name], '7.5'] : ['7.5'] as $value) {
                    yield [$field->name => (float) $value.' '.$unit->symbol()] + $first;
                }
            }
        }
    }

    /** @return iterable<array<string, mixed>> */
    private static function warmed(): iterable
    {
        for ($seed = 1; $seed <= 16; ++$seed) {
            $fault = EngineFault::cases()[$seed % count(EngineFault::cases())];
            $data = EngineData::drawn(new Luck(70 + $seed), $fault);
            yield ['samples' => (new EngineModel($data, $fault, $seed))->whole(5.0), 'opens' => sprintf('%.1f', $data->opens)]
                + (0 === $seed % 2 ? ['ambient' => sprintf('%.1f', $data->ambient)] : []);
        }
    }

    /** @return iterable<array<string, mixed>> */
    private static function traced(): iterable
    {
        for ($seed = 1; $seed <= 40; ++$seed) {
            $bench = new OtherBench(2_000 + $seed);
            $samples = $bench->pull(OtherBench::KINDS[$seed % count(OtherBench::KINDS)]);
            yield ['samples' => $samples, 'spec' => $bench->target] + (0 === $seed % 2 ? ['joint' => $bench->joint] : []);
        }
    }
}
