<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\WarmUp\Curve;
use NimbleKnuckle\Core\Fluids\WarmUp\CurveDrawing;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/**
 * What a warm-up curve says of the cooling circuit: sound, stuck-open, stuck-closed, air-trapped, overheating, or not-yet
 * while it cannot be told. Samples in s and °C. Before the thermostat opens, the slope falls along a straight line with the
 * temperature (one lump of heat losing to the air); the knee is where it falls under half of that line near the rating.
 */
final readonly class WarmUp implements Sum
{
    private const JUMP = 6.0;
    private const JUMP_SECONDS = 20.0;
    private const TOOTH = 3.0;
    /** From one tooth of a saw to the next; what a thermostat does by itself comes more slowly. */
    private const TOOTH_SECONDS = 75.0;
    private const TEETH = 3;
    /** A dip that is smaller than this share of the one before is a swing that settles. */
    private const SETTLES = 0.8;
    private const COMES_BACK_SECONDS = 180.0;
    /** From here up a knee is looked for, and below it a curve that levels off is a thermostat that does not shut. */
    private const NEAR = 8.0;
    private const SHORT_OF = 5.0;
    private const SLOW_SECONDS = 1200.0;
    private const SLOW_SHORT = 15.0;
    private const FULL_AFTER = 12.0;
    private const PAST_FULL = 3.0;
    private const HOT = 108.0;
    private const HOT_AFTER = 20.0;

    public function name(): string
    {
        return 'warm-up';
    }

    public function summary(): string
    {
        return 'Judge a warm-up';
    }

    public function fields(): array
    {
        return [
            Field::list('samples', 'Curve', '0 18; 120 33; 240 47; 360 60; 480 72; 600 84; 660 88; 720 88; 840 '
                .'89', 'Seconds and °C: JSON rows, or one row a line.'),
            Field::quantity('opens', 'Thermostat opens at', Kind::Temperature, '88 °C', 'Stamped on it.'),
            Field::quantity('full', 'Fully open at', Kind::Temperature, '100 °C', 'Taken as 12 K more where it is not known.')->optional(),
            Field::quantity('ambient', 'Air', Kind::Temperature, '18 °C')->optional(),
        ];
    }

    public function group(): string
    {
        return 'Coolant and oil';
    }

    public function example(): array
    {
        return [
            'samples' => '0 18; 60 25; 120 33; 180 40; 240 47; 300 54; 360 60; 420 67; 480 73; 540 80; 600 86; 640 90; 660 89; '
                .'700 89; 760 90; 820 91; 880 91',
            'opens' => '88 °C',
            'ambient' => '18 °C',
        ];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            '', [['number' => str_replace('-', ' ', $r->checks[0]->code), 'unit' => '']],
            ($r->has('opened_at') ? sprintf(
                'opened at %s °C, holds %s °C, ', Headline::degrees($r->number('opened_at')),
                Headline::degrees($r->number('plateau')),
            ) : '').sprintf('%s K a minute', Digits::significant($r->number('rate'), 2)),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plot', CurveDrawing::of($in->rows('samples', 2, 2), $in->number('opens', Kind::Temperature), $r)];
    }

    /** Where the engine must be stopped, °C, for a thermostat that opens there. */
    public static function limit(float $opens): float
    {
        return max(self::HOT, $opens + self::HOT_AFTER);
    }

    public function compute(Inputs $in): SumResult
    {
        $opens = $in->between('opens', Kind::Temperature, 50.0, 120.0);
        $full = $in->has('full') ? $in->between('full', Kind::Temperature, 50.0, 140.0) : $opens + self::FULL_AFTER;
        $full > $opens || throw InvalidInput::in('full', 'It is fully open above where it opens: look at “full” and “opens”.');
        $curve = Curve::of($in->rows('samples', 2, 2));
        $ambient = $in->has('ambient') ? $in->between('ambient', Kind::Temperature, -50.0, 60.0) : null;
        $half = max(20.0, 2.5 * $curve->spacing);
        [$from, $to] = $this->warming($curve, $opens);
        $rate = $curve->slopeBetween($from, $to) ?? ($curve->duration() > 0 ? ($curve->last() - $curve->start()) / $curve->duration() : 0.0);
        $trend = $curve->trend($from, $to, $half);
        $knee = null === $trend ? null : $this->knee($curve, $opens, $full, $trend, $half);
        $checks = $this->findings($curve, $opens, $full, $rate, $trend, $knee, $ambient);

        return $this->answer($in, $curve, $opens, $rate, $trend, $knee, $checks);
    }

    /** @return array{int, int} the stretch in which it plainly warms: past the first quarter of the way, up to near the rating */
    private function warming(Curve $curve, float $opens): array
    {
        $start = $curve->start();
        $from = $curve->firstAt($start + 0.25 * ($opens - $start)) ?? 0;
        $to = $curve->firstAt($opens - self::NEAR) ?? $curve->count() - 1;

        return $from < $to ? [$from, $to] : [0, max($to, min(2, $curve->count() - 1))];
    }

    /** @param array{float, float} $trend */
    private function knee(Curve $curve, float $opens, float $full, array $trend, float $half): ?int
    {
        $near = $curve->firstAt($opens - self::NEAR);
        if (null === $near || $curve->start() > $opens - 2 * self::NEAR) {
            return null;
        }
        for ($i = $near; $i < $curve->count() - 1; ++$i) {
            $expected = $trend[0] - $trend[1] * $curve->temperatures[$i];
            if ($expected < 0.005 || $curve->temperatures[$i] > $full + self::PAST_FULL) {
                return null;
            }
            $slope = $curve->slopeAround($i, $half);
            if (null !== $slope && $slope < 0.5 * $expected && $curve->times[$curve->count() - 1] - $curve->times[$i] > $half / 2) {
                return $i;
            }
        }

        return null;
    }

    /**
     * @param array{float, float}|null $trend
     *
     * @return non-empty-list<Check> the finding first
     */
    private function findings(Curve $curve, float $opens, float $full, float $rate, ?array $trend, ?int $knee, ?float $ambient): array
    {
        $hot = $curve->highest() >= self::limit($opens);
        $stop = Check::stop(
            'overheating',
            sprintf(
                'Overheating: %s °C. Stop the engine now, leave the cap on, let it cool before anything is opened.',
                Show::n($curve->highest(), 4),
            ),
        );
        $cause = $this->air($curve, $opens, $rate) ?? $this->closed($curve, $full, $knee);
        if (null !== $cause) {
            return $hot ? [$cause, $stop] : [$cause];
        }
        if ($hot) {
            return [$stop];
        }
        $open = null === $knee && null !== $trend ? $this->open($curve, $opens, $rate, $trend, $ambient) : null;
        if (null !== $open) {
            return [$open];
        }
        if (null === $knee) {
            return [Check::ok(
                'not-yet',
                sprintf(
                    'Not yet to be told at %s °C: run it on, the thermostat of %s °C has not been seen to open.',
                    Show::n($curve->last(), 3), Show::n($opens, 3),
                ),
            )];
        }

        return [Check::ok(
            'sound',
            sprintf(
                'Sound: it opened at %s °C and holds about %s °C.', Show::n($curve->temperatures[$knee], 3),
                Show::n($this->plateau($curve, $knee), 3),
            ),
        )];
    }

    /**
     * Air shows before the thermostat opens by any jump. Once it has opened, cold coolant comes out of the radiator in slugs: a dip that
     * comes back is none. Many dips, close together and no smaller from one to the next, are.
     */
    private function air(Curve $curve, float $opens, float $rate): ?Check
    {
        $text = 'Air trapped, or the level is low: %s. Stop, let it cool, bleed again and look at the level.';
        $first = $curve->firstAt($opens - self::SHORT_OF);
        $opened = null === $first ? \INF : $curve->times[$first];
        $all = $curve->dips(self::TOOTH);
        $dips = array_values(array_filter($all, static fn (array $dip): bool => $dip['at'] >= $opened));
        foreach ($curve->jumps(self::JUMP, self::JUMP_SECONDS, $rate) as $jump) {
            if ($jump['at'] < $opened - 1e-9 && $jump['from'] < $opens - self::SHORT_OF || $this->isSpike($curve, $jump, $dips)) {
                return Check::stop(
                    'air-trapped',
                    sprintf(
                        $text,
                        sprintf(
                            'the reading jumped from %s to %s °C within %s s', Show::n($jump['from'], 3), Show::n($jump['to'], 3),
                            Show::n(self::JUMP_SECONDS),
                        ),
                    ),
                );
            }
        }
        $teeth = self::saw($all, $opens);

        return $teeth >= self::TEETH ? Check::stop('air-trapped', sprintf($text, sprintf('the curve is a saw of %d teeth', $teeth))) : null;
    }

    /**
     * A jump while it is hot that is no dip: up from where it held, or down and not back within some minutes.
     *
     * @param array{from: float, to: float, at: float} $jump
     * @param list<array{from: float, low: float, back: float, at: float, until: float}> $dips
     */
    private function isSpike(Curve $curve, array $jump, array $dips): bool
    {
        foreach ($dips as $dip) {
            $isFall = $jump['to'] < $jump['from'];
            $within = $jump['at'] >= $dip['at'] - ($isFall ? self::JUMP_SECONDS : 0.0)
                && $jump['at'] <= $dip['until'] + self::COMES_BACK_SECONDS;
            $cameBack = $dip['back'] >= $dip['low'] + 0.5 * ($dip['from'] - $dip['low']);
            $mayYet = $curve->times[$curve->count() - 1] - $dip['at'] < self::COMES_BACK_SECONDS;
            if ($within && ($cameBack || $mayYet) && max($jump['from'], $jump['to']) <= $dip['from'] + self::JUMP) {
                return false;
            }
        }

        return true;
    }

    /**
     * How many dips follow one another closely without growing smaller.
     *
     * @param list<array{from: float, low: float, back: float, at: float, until: float}> $dips
     */
    private static function saw(array $dips, float $opens): int
    {
        $most = $teeth = 0;
        $last = null;
        foreach ($dips as $dip) {
            $isFan = $dip['from'] > $opens + self::NEAR;
            $depth = $dip['from'] - $dip['low'];
            $isNext = null !== $last
                && $dip['at'] - $last['at'] <= self::TOOTH_SECONDS
                && $depth > self::SETTLES * ($last['from'] - $last['low']);
            $teeth = $isFan ? 0 : ($isNext ? $teeth + 1 : 1);
            $most = max($most, $teeth);
            $last = $dip;
        }

        return $most;
    }

    private function closed(Curve $curve, float $full, ?int $knee): ?Check
    {
        return null === $knee && $curve->highest() > $full + self::PAST_FULL && $curve->start() < $full - 2 * self::NEAR
            ? Check::stop(
                'stuck-closed',
                sprintf(
                    'Stuck closed: it went on past %s °C, where it should stand fully open, without slowing. Stop the engine, '
                        .'the thermostat does not open.',
                    Show::n($full, 3),
                ),
            )
            : null;
    }

    /** @param array{float, float} $trend */
    private function open(Curve $curve, float $opens, float $rate, array $trend, ?float $ambient): ?Check
    {
        if ($curve->highest() >= $opens - self::SHORT_OF || $curve->duration() < 180.0) {
            return null;
        }
        $start = $curve->start();
        $levels = $trend[1] > 1e-9 ? $trend[0] / $trend[1] : \INF;
        $tail = $curve->count() - 1;
        while ($tail > 0 && $curve->times[$curve->count() - 1] - $curve->times[$tail] < max(120.0, 4 * $curve->spacing)) {
            --$tail;
        }
        $flat = null !== ($end = $curve->slopeBetween($tail, $curve->count() - 1)) && $end < 0.15 * max(
            $rate, ($curve->highest() - $start) / $curve->duration(),
        );
        $settling = $levels < $opens - self::SHORT_OF && $curve->last() > $start + 0.7 * ($levels - $start);
        if (!$flat && !$settling) {
            return $curve->duration() >= self::SLOW_SECONDS && $curve->highest() < $opens - self::SLOW_SHORT
                ? Check::watch(
                    'stuck-open',
                    sprintf(
                        'Perhaps stuck open: %s minutes, and only %s °C. Feel the radiator hose: warm already means it does not shut.',
                        Show::n($curve->duration() / 60, 2), Show::n($curve->highest(), 3),
                    ),
                )
                : null;
        }
        $at = $flat ? $curve->median($tail) : $levels;

        return Check::stop(
            'stuck-open',
            sprintf(
                'Stuck open: it levels off at %s °C%s and never comes to the %s °C at which it should open. It runs cold, wears '
                    .'and drinks.',
                Show::n($at, 3), null === $ambient ? '' : sprintf(', %s K over the air,', Show::n($at - $ambient, 2)),
                Show::n($opens, 3),
            ),
        );
    }

    private function plateau(Curve $curve, int $knee): float
    {
        return $curve->median($knee + (int) floor(0.3 * ($curve->count() - $knee)));
    }

    /**
     * @param array{float, float}|null $trend
     * @param non-empty-list<Check> $checks
     */
    private function answer(Inputs $in, Curve $curve, float $opens, float $rate, ?array $trend, ?int $knee, array $checks): SumResult
    {
        $values = ['rate' => Value::of($rate * 60, 'degC/min'), 'highest' => Value::of($curve->highest(), Unit::Celsius->value)];
        $working = [
            new Working(
                'Rate', 'least-squares slope while it warms',
                sprintf('%d samples over %s s', $curve->count(), Show::n($curve->duration())),
                sprintf('%s K a minute', Show::n($rate * 60, 3)), 'least squares',
            ),
            new Working(
                'Stop at', 'the higher of 108 °C and opens + 20 K', sprintf('opens %s °C', Show::n($opens)),
                sprintf('%s °C', Show::n(self::limit($opens))), 'working value; the maker\'s limit goes before it',
            ),
        ];
        if (null !== $trend && $trend[1] > 1e-9) {
            $working[] = new Working(
                'Would level off at', 'slope = a − b T, nought at a / b',
                sprintf('a = %s K/s, b = %s /s', Show::n($trend[0], 3), Show::n($trend[1], 3)),
                sprintf('%s °C', Show::n($trend[0] / $trend[1], 3)), 'one lump of heat losing to the air',
            );
        }
        if (null !== $knee) {
            $plateau = $this->plateau($curve, $knee);
            $opened = $curve->temperatures[$knee];
            $values = [
                'opened_at' => Value::of($opened, Unit::Celsius->value), 'plateau' => Value::of($plateau, Unit::Celsius->value),
                'opened_after' => Value::of($curve->times[$knee] - $curve->times[0], Unit::Second->value),
                'overshoot' => Value::of(max(0.0, $curve->highest() - $plateau), Unit::Kelvin->value),
            ] + $values;
            $working[] = new Working(
                'Opened', 'slope under half of a − b T', sprintf('after %s s', Show::n($curve->times[$knee] - $curve->times[0], 3)),
                sprintf('%s °C', Show::n($opened, 3)), 'the knee of the curve',
            );
            $working[] = new Working(
                'Holds', 'median after the knee', sprintf('highest %s °C', Show::n($curve->highest(), 3)),
                sprintf('%s °C', Show::n($plateau, 3)), 'median',
            );
        } elseif ('stuck-open' === $checks[0]->code) {
            $values = ['plateau' => Value::of($curve->median((int) floor(0.85 * $curve->count())), Unit::Celsius->value)] + $values;
        }

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }
}
