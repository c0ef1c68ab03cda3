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
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Core\Sum\Drawn;
use NimbleKnuckle\Tests\Core\Trace\OtherBench;

/** What every sum answers: words, working and drawing of a few, each boundary, each refusal, whole tables of some. */
final readonly class SumPins
{
    private const WHOLE = 2;
    private const SHORT = 14;
    private const BASES = 2;
    /** Inputs that are tried for what there is to say. */
    private const TALKS = 60;
    private const DRAWN_LONGEST = 900;
    private const FAR = ['-5', '0', '0.00001', '4999', '1e9', 'x', 'ring 121', '33.7 °C'];
    private const UNITS = ['Nm' => 1.0, 'ft-lb' => 1.3558179483, 'in-lb' => 0.1129848290, 'kgf·m' => 9.80665, 'N·cm' => 0.01];

    /** @return iterable<string, string> a few answers whole, more of them in short, where each begins to be another, what is refused */
    public static function of(string $name): iterable
    {
        $sum = Doors::book(new \DateTimeImmutable('2026-11-25'))->named($name);
        foreach (Drawn::inputs($name, self::WHOLE, 11) as $inputs) {
            yield 'whole '.self::asked($inputs) => self::whole($sum, $inputs);
        }
        yield from self::shortOf($sum, Drawn::inputs($name, self::SHORT));
        yield from self::thresholds($sum);
        yield from self::far($sum);
        yield from self::sentences($sum);
        yield from self::shortOf($sum, match ($name) {
            'torque-check' => self::slips(),
            'thread-gauge' => self::gauged(),
            'clamp-size' => self::clamped(),
            'thermostat-test' => self::panned(),
            'bolt-reuse' => self::reused(),
            'trace-judge' => self::traced(),
            'warm-up' => self::warmed(),
            'wrench-pick' => self::kits(),
            default => [],
        });
    }

    /** @param array<string, mixed> $inputs */
    private static function answer(Sum $sum, array $inputs): SumResult|InvalidInput
    {
        try {
            return $sum->compute(Inputs::of($inputs, $sum->about()->fields()));
        } catch (InvalidInput $e) {
            return $e;
        }
    }

    /** @param array<string, mixed> $inputs */
    private static function asked(array $inputs): string
    {
        $said = [];
        foreach ($inputs as $field => $value) {
            $value = is_array($value) && count($value) > 9 ? [...array_slice($value, 0, 2), count($value).' in all'] : $value;
            $said[] = $field.' '.Text::of($value);
        }

        return implode(', ', $said);
    }

    /** @param array<string, mixed> $inputs */
    private static function whole(Sum $sum, array $inputs): string
    {
        $answer = self::answer($sum, $inputs);
        if ($answer instanceof InvalidInput) {
            return Text::short($answer);
        }
        $lines = [$sum->headline($answer)->asLine(), Text::short($answer), ...array_map(Text::of(...), $answer->checks)];
        foreach ($answer->working as $one) {
            $lines[] = sprintf('%s: %s | %s | %s | %s', $one->label, $one->formula, $one->with, $one->result, $one->source);
        }
        $drawn = Text::of($sum->drawing(Inputs::of($inputs, $sum->about()->fields()), $answer));
        $lines[] = 'drawn '.mb_substr($drawn, 0, self::DRAWN_LONGEST);

        return implode("\n", $lines);
    }

    /**
     * @param iterable<array<string, string>>|iterable<array<string, mixed>> $all
     *
     * @return iterable<string, string>
     */
    private static function shortOf(Sum $sum, iterable $all): iterable
    {
        $told = [];
        /** @var array<string, mixed> $inputs */
        foreach ($all as $inputs) {
            $told[self::asked($inputs)] = Text::short(self::answer($sum, $inputs));
        }
        yield from $told;
    }

    /** @return iterable<string, string> */
    private static function far(Sum $sum): iterable
    {
        $first = Drawn::inputs($sum->about()->name, 1, 3)[0];
        foreach ($sum->about()->fields() as $field) {
            $said = [];
            foreach (self::FAR as $far) {
                $answer = self::answer($sum, [$field->name => $far] + $first);
                $said[$answer instanceof InvalidInput ? Text::of($answer) : 'answered'][] = $far;
            }
            $lines = [];
            foreach ($said as $words => $all) {
                $lines[] = implode(' and ', $all).' | '.$words;
            }
            yield 'far '.$field->name => implode("\n", $lines);
        }
    }

    /** @param array<string, string> $inputs */
    private static function said(Sum $sum, array $inputs): string
    {
        $answer = self::answer($sum, $inputs);

        return $answer instanceof InvalidInput ? 'refused '.$answer->field : implode(', ', array_map(
            static fn (Check $check): string => $check->level->value.' '.$check->code, $answer->checks,
        ));
    }

    /** @return iterable<string, string> where along each field another answer begins: the last before it, the first of it */
    private static function thresholds(Sum $sum): iterable
    {
        $sound = array_filter(
            Drawn::inputs($sum->about()->name, 40, 3), static fn (array $inputs): bool => !str_starts_with(
                self::said($sum, $inputs), 'refused'
            ),
        );
        foreach (array_slice($sound, 0, self::BASES) as $n => $inputs) {
            yield 'base '.$n => self::asked($inputs);
            foreach ($sum->about()->fields() as $field) {
                $at = static fn (float $value): string => self::said(
                    $sum, [$field->name => rtrim(rtrim(sprintf('%.3F', $value), '0'), '.')] + $inputs,
                );
                $found = 'samples' === $field->name ? [] : Thresholds::of($at);
                if ([] !== $found) {
                    yield sprintf('base %d along %s', $n, $field->name) => implode("\n", $found);
                }
            }
        }
    }

    /** @return iterable<string, string> each sentence as it first comes up, with the figures it then has */
    private static function sentences(Sum $sum): iterable
    {
        $said = [];
        foreach (Drawn::inputs($sum->about()->name, self::TALKS, 29) as $inputs) {
            $answer = self::answer($sum, $inputs);
            if ($answer instanceof InvalidInput) {
                $words = (string) preg_replace('~[^a-z]+~i', ' ', $answer->getMessage());
                $said['refused '.$answer->field.' '.mb_substr($words, 0, 24)] ??= $answer->getMessage();
                continue;
            }
            foreach ($answer->checks as $check) {
                $said['says '.$check->level->value.' '.$check->code] ??= Text::of($check);
            }
            foreach ($answer->working as $one) {
                $said['works out '.$one->label] ??= sprintf('%s | %s | %s | %s', $one->formula, $one->with, $one->result, $one->source);
            }
        }
        ksort($said);
        yield from $said;
    }

    /** @return iterable<array<string, string>> one figure, and what a slip makes of it in another unit */
    private static function slips(): iterable
    {
        foreach ([9.0, 36.0] as $value) {
            foreach (self::UNITS as $from => $a) {
                foreach (self::UNITS as $to => $b) {
                    foreach ([1.0, 2.0, -1.0, 0.0] as $power) {
                        $other = round($value * ($a / $b) ** $power, 1);
                        yield ['stated' => sprintf('%s %s / %s %s', $value, $from, $other, $to)];
                    }
                }
            }
        }
    }

    /** @return iterable<array<string, string>> */
    private static function gauged(): iterable
    {
        for ($diameter = 2.9; $diameter < 26.0; $diameter += 0.37) {
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
            for ($outside = 6.5; $outside < 150.0; $outside += 2.9) {
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
        for ($seed = 1; $seed <= 24; ++$seed) {
            $bench = new OtherBench(2_000 + $seed);
            $samples = $bench->pull(OtherBench::KINDS[$seed % count(OtherBench::KINDS)]);
            yield ['samples' => $samples, 'spec' => $bench->target] + (0 === $seed % 2 ? ['joint' => $bench->joint] : []);
        }
    }
}
