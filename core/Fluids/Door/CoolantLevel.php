<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\TankDrawing;
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
 * How far the level rises when the coolant gets hot, and whether the top-up next morning is still ordinary. Volumes in L,
 * temperatures in °C; growth ≈ V β ΔT with β = 4.7e-4 + 2.2e-6·percent per K, a working value between water and glycol.
 * The mark is in percent of the way from the lower mark to the upper, for a system that stands at the lower one when cold.
 */
final readonly class CoolantLevel implements Sum
{
    public const WATCH_SHARE = 3.0;
    public const STOP_SHARE = 8.0;

    public function name(): string
    {
        return 'coolant-level';
    }

    public function summary(): string
    {
        return 'Coolant level, cold and hot';
    }

    public function fields(): array
    {
        return [
            Field::quantity('volume', 'The circuit holds', Kind::Volume, '6.6 L'),
            Field::quantity('percent', 'Strength', Kind::Percent, '50 %'),
            Field::quantity('cold', 'Cold', Kind::Temperature, '15 °C'),
            Field::quantity('hot', 'Hot', Kind::Temperature, '92 °C'),
            Field::quantity('marks', 'Between the two marks', Kind::Volume, '0.5 L', 'How much coolant fits between them.')->optional(),
            Field::quantity('topped_up', 'Topped up next morning', Kind::Volume, '0.2 L')->optional(),
        ];
    }

    public function group(): string
    {
        return 'Coolant and oil';
    }

    public function example(): array
    {
        return ['volume' => '6.6 L', 'percent' => '50 %', 'cold' => '15 °C', 'hot' => '92 °C', 'marks' => '0.5 L', 'topped_up' => '0.15 L'];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Rises by', [Headline::litres($r->number('growth'), 'L')],
            $r->has('expected_mark') ? sprintf('%.0f %% of the way from the lower mark to the upper', $r->number('expected_mark')) : '',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['tank', TankDrawing::of($r, $in->number('cold', Kind::Temperature), $in->number('hot', Kind::Temperature))];
    }

    public function compute(Inputs $in): SumResult
    {
        $volume = $in->positive('volume', Kind::Volume);
        [$percent, $read] = CoolantMix::strength($in, 'percent', Glycol::Ethylene);
        $cold = $in->between('cold', Kind::Temperature, -60.0, 60.0);
        $hot = $in->between('hot', Kind::Temperature, -60.0, 140.0);
        $hot >= $cold || throw InvalidInput::in(
            'hot', sprintf('“hot” (%s °C) is colder than “cold” (%s °C): swap them.', Show::n($hot), Show::n($cold)),
        );
        $beta = self::expansion($percent);
        $growth = $volume * $beta * ($hot - $cold);
        $values = ['growth' => Value::of($growth, Unit::Litre->value)];
        $working = [
            ...array_filter([$read]),
            new Working(
                'Expansion', 'β = 4.7·10⁻⁴ + 2.2·10⁻⁶ c', sprintf('c = %s %%', Show::n($percent)),
                sprintf('%s per K', Show::n($beta)), 'working value for water and glycol between 20 and 90 °C',
            ),
            new Working(
                'Growth', 'ΔV = V β ΔT',
                sprintf('%s × %s × (%s − %s)', Show::n($volume), Show::n($beta), Show::n($hot), Show::n($cold)),
                sprintf('%s L', Show::n($growth)), 'thermal expansion',
            ),
        ];
        $checks = [];
        if ($in->has('marks')) {
            $marks = $in->positive('marks', Kind::Volume);
            $mark = 100 * $growth / $marks;
            $values['expected_mark'] = Value::of($mark, Unit::Percent->value);
            $working[] = new Working(
                'Stands when hot', 'growth / marks', sprintf('%s / %s', Show::n($growth), Show::n($marks)),
                sprintf('%s %% of the way up from the lower mark', Show::n($mark)), 'at the lower mark when cold',
            );
            if ($mark > 100.0) {
                $checks[] = Check::ok('above-mark', 'Hot it stands above the upper mark and goes back as it cools: draw nothing off.');
            }
        }
        if ($in->has('topped_up')) {
            $topped = $in->between('topped_up', Kind::Volume, 0.0, $volume);
            $share = 100 * $topped / $volume;
            $working[] = new Working(
                'Topped up', 'top-up / V', sprintf('%s / %s', Show::n($topped), Show::n($volume)),
                sprintf('%s %%', Show::n($share)), 'over 3 % watch, over 8 % stop',
            );
            $checks[] = self::judged($share);
        }
        $checks[] = Check::ok('growth', sprintf('It grows by %s L from %s to %s °C.', Show::n($growth, 2), Show::n($cold), Show::n($hot)));

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }

    /** Per kelvin, for a strength in percent by volume. */
    public static function expansion(float $percent): float
    {
        return 4.7e-4 + 2.2e-6 * $percent;
    }

    /** @param float $share the top-up in percent of the volume */
    private static function judged(float $share): Check
    {
        return match (true) {
            $share > self::STOP_SHARE => Check::stop(
                'top-up',
                sprintf('%s %% of the volume is air that was still in there, or a leak: look before it is driven.', Show::n($share, 3)),
            ),
            $share > self::WATCH_SHARE => Check::watch(
                'top-up',
                sprintf('%s %% of the volume: air working its way out. Look again after the next drive.', Show::n($share, 3)),
            ),
            default => Check::ok('top-up', sprintf('%s %% of the volume: ordinary after a fill.', Show::n($share, 2))),
        };
    }
}
