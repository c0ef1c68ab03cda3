<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Fluids\ProtectDrawing;
use NimbleKnuckle\Core\Fluids\WaterVapour;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/**
 * Where a coolant freezes and boils: °C for a strength in percent by volume, a cap in kPa gauge and a height in m. Boiling
 * under pressure from the water's activity a = 101.325 / Pw(Tb0), then a·Pw(T) = P. Source: ASHRAE Fundamentals, Antoine.
 *
 * @throws \NimbleKnuckle\Core\Sum\InvalidInput past the table
 */
final readonly class CoolantProtect implements Sum
{
    private const WEAK = 25.0;

    public function name(): string
    {
        return 'coolant-protect';
    }

    public function summary(): string
    {
        return 'Where coolant freezes and boils';
    }

    public function fields(): array
    {
        return [
            Field::choice('base', 'Made of', ['eg' => 'ethylene glycol', 'pg' => 'propylene glycol']),
            Field::quantity('percent', 'Strength', Kind::Percent, '50 %', 'Read off the refractometer.'),
            Field::quantity('cap', 'Cap opens at', Kind::Pressure, '120 kPa', 'As printed on the cap; nothing for no cap.')->optional(),
            ...Air::fields(),
            Field::quantity('coldest', 'Coldest night', Kind::Temperature, '-20 °C')->optional(),
        ];
    }

    public function group(): string
    {
        return 'Coolant and oil';
    }

    public function example(): array
    {
        return ['base' => 'eg', 'percent' => '50 %', 'cap' => '120 kPa', 'altitude' => '300 m', 'coldest' => '-20 °C'];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Freezes at', [Headline::celsius($r->number('freeze'))],
            sprintf(
                'boils at %s °C under the cap, %s °C with it off', Headline::degrees($r->number('boil_capped')),
                Headline::degrees($r->number('boil_open')),
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'plot',
            ProtectDrawing::of(
                $r, Glycol::named($in->text('base')), CoolantMix::strength($in, 'percent', Glycol::named($in->text('base')))[0],
                $in->has('cap') ? $in->number('cap', Kind::Pressure) : 0.0, Air::from($in),
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $base = Glycol::named($in->text('base'));
        [$percent, $read] = CoolantMix::strength($in, 'percent', $base);
        $cap = $in->has('cap') ? $in->between('cap', Kind::Pressure, 0.0, 300.0) : 0.0;
        $air = Air::from($in);
        [$freeze, $normal] = [$base->freezing($percent), $base->normalBoiling($percent)];
        $activity = Air::SEA_LEVEL / WaterVapour::pressure($normal);
        $open = WaterVapour::temperature($air->pressure / $activity);
        $capped = WaterVapour::temperature(($air->pressure + $cap) / $activity);

        return new SumResult($this->name(), $in->raw, [
            'freeze' => Value::of($freeze, Unit::Celsius->value),
            'boil_open' => Value::of($open, Unit::Celsius->value),
            'boil_capped' => Value::of($capped, Unit::Celsius->value),
        ], $this->checks($in, $percent, $freeze, $open, $capped), [
            ...array_filter([$read]),
            new Working(
                'Freezing begins', 'table, linear between rows', sprintf('%s, %s %%', $base->inWords(), Show::n($percent)),
                sprintf('%s °C', Show::n($freeze)), 'ASHRAE Fundamentals',
            ),
            new Working(
                'Boils in the open by the sea', 'table, linear between rows',
                sprintf('%s, %s %%', $base->inWords(), Show::n($percent)), sprintf('%s °C', Show::n($normal)),
                'ASHRAE Fundamentals',
            ),
            $air->working,
            new Working(
                'Activity of the water', 'a = 101.325 / Pw(Tb0)', sprintf('101.325 / %s', Show::n(WaterVapour::pressure($normal))),
                Show::n($activity), 'Raoult, from the table itself',
            ),
            new Working(
                'Boils with the cap off', 'a Pw(T) = p', sprintf('%s × Pw = %s kPa', Show::n($activity), Show::n($air->pressure)),
                sprintf('%s °C', Show::n($open)), 'Antoine equation for water',
            ),
            new Working(
                'Boils under the cap', 'a Pw(T) = p + cap',
                sprintf('%s × Pw = %s + %s kPa', Show::n($activity), Show::n($air->pressure), Show::n($cap)),
                sprintf('%s °C', Show::n($capped)), 'Antoine equation for water',
            ),
        ]);
    }

    /** @return list<Check> */
    private function checks(Inputs $in, float $percent, float $freeze, float $open, float $capped): array
    {
        $checks = [];
        if ($in->has('coldest')) {
            $coldest = $in->between('coldest', Kind::Temperature, -70.0, 30.0);
            $checks[] = match (true) {
                $freeze > $coldest => Check::stop(
                    'freezes',
                    sprintf(
                        'It freezes at %s °C, before the coldest night of %s °C: make it stronger.', Show::n($freeze, 3),
                        Show::n($coldest, 3),
                    ),
                ),
                $freeze > $coldest - 5.0 => Check::watch(
                    'margin', sprintf('It freezes at %s °C: under 5 °C below the coldest night.', Show::n($freeze, 3)),
                ),
                default => Check::ok('protected', sprintf('It stays liquid to %s °C.', Show::n($freeze, 3))),
            };
        }
        if ($percent < self::WEAK) {
            $checks[] = Check::watch('weak', 'Under 25 % the inhibitors are thin too: rust and scale, whatever the frost.');
        }
        $checks[] = Check::ok(
            'hot',
            sprintf(
                'With the cap off it boils at %s °C, under the cap at %s °C: a hot system opened boils over at once.',
                Show::n($open, 4), Show::n($capped, 4),
            ),
        );

        return $checks;
    }
}
