<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\ChargeAir\Gas;
use NimbleKnuckle\Core\ChargeAir\Leak;
use NimbleKnuckle\Core\ChargeAir\LeakDrawing;
use NimbleKnuckle\Core\Fluids\AirFields;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of a charge path that loses pressure: L, kPa and s in, mm² and g/s out. */
final readonly class LeakDecay implements Sum
{
    private const USUAL = 20.0;
    /** kPa: one kelvin of cooling gives 0.7. */
    private const LITTLE = 1.0;
    /** Percent of what the engine breathes. */
    private const NOTICED = 0.5;
    private const MUCH = 2.0;

    public function about(): About
    {
        return new About('leak-decay', 'How large is the leak', 'Charge air', static fn (): array => [
            Field::quantity('volume', 'Shut in', Kind::Volume, '12 L', 'Pipes, cooler and what hangs on them.')->within(0.2, 500.0),
            Field::quantity('from', 'Gauge at first', Kind::Pressure, '100 kPa')->within(1.0, 700.0),
            Field::quantity('to', 'Gauge then', Kind::Pressure, '80 kPa')->within(0.0, 700.0),
            Field::quantity('seconds', 'After', Kind::Duration, '30 s'),
            Field::quantity('temperature', 'Air in it', Kind::Temperature, '20 °C')->within(-30.0, 120.0)->optional(),
            Field::quantity(
                'boost', 'Boost it will see', Kind::Pressure, '110 kPa', 'As much as at first where nothing is given.',
            )->optional(),
            Field::quantity('flow', 'What the engine breathes then', Kind::MassFlow, '238 g/s')->within(0.1, 5000.0)->optional(),
            ...AirFields::all(),
        ], ['flow']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('As one round hole of', [Headline::figure($r->number('hole'), 'mm')], sprintf(
            'it loses %s g/s at boost', Show::n($r->number('loss'), 3),
        ), true);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plot', LeakDrawing::of(
            self::leak($in), $in->pressure('from'), $in->pressure('to'), $in->seconds('seconds', 1.0, 36_000.0),
        )];
    }

    private static function leak(Inputs $in): Leak
    {
        [$from, $to] = [$in->pressure('from'), $in->pressure('to')];
        $seconds = $in->seconds('seconds', 1.0, 36_000.0);
        $to->kilopascals <= $from->kilopascals || throw InvalidInput::in(
            'to', 'The pressure rises: the air in it still warms up, or the supply is not shut. Shut it, wait, read twice again.',
        );
        $to->kilopascals < $from->kilopascals - 1e-9 || throw InvalidInput::in(
            'to', 'The two readings are the same: it holds as well as this gauge can tell. Wait longer to find less.',
        );

        return Leak::of(
            $in->volume('volume'), $from, $to, $seconds,
            Temperature::celsius($in->has('temperature') ? $in->number('temperature', Kind::Temperature) : self::USUAL),
            AirFields::read($in)->pressure,
        );
    }

    public function compute(Inputs $in): SumResult
    {
        $leak = self::leak($in);
        $boost = $in->pressure($in->has('boost') ? 'boost' : 'from', 1.0, 700.0);
        $loss = $leak->loss($boost);
        $share = $in->has('flow') ? 100 * $loss / $in->number('flow', Kind::MassFlow) : null;
        $drop = $in->number('from', Kind::Pressure) - $in->number('to', Kind::Pressure);

        return new SumResult($this->about()->name, $in->raw, [
            'area' => Value::of($leak->area, 'mm²'), 'hole' => Value::of($leak->hole, Unit::Millimetre->value),
            'loss' => Value::of($loss, Unit::GramPerSecond->value),
        ] + (null === $share ? [] : ['share' => Value::of($share, Unit::Percent->value)]) + [
            'half_time' => Value::of($leak->halfTime, Unit::Second->value),
        ], self::judged($share, $drop), [
            AirFields::working(AirFields::read($in)),
            new Working(
                'Hole', 'A = V/(R T t C) ∫ dp/ψ(p)', sprintf(
                    'V %s L, t %s s, %s kPa lost', Show::n($in->number('volume', Kind::Volume)),
                    Show::n($in->seconds('seconds', 1.0, 36_000.0)), Show::n($drop),
                ), Show::n($leak->area, 4).' mm²',
                sprintf(
                    'isothermal; isentropic flow ψ, choked over %s; discharge %s, a working value', Show::n(Gas::CHOKED),
                    Show::n(Leak::DISCHARGE),
                ),
            ),
            new Working('Lost at boost', 'C A ψ', 'at '.Show::n($boost->kilopascals).' kPa', Show::n($loss, 3).' g/s', 'the same hole'),
            new Working(
                'Half is gone after', 'the same, down to half', Show::n($in->number('from', Kind::Pressure) / 2).' kPa',
                Show::n($leak->halfTime, 3).' s', 'the same hole',
            ),
        ]);
    }

    /** @return non-empty-list<Check> */
    private static function judged(?float $share, float $drop): array
    {
        $checks = match (true) {
            null === $share => [Check::ok('sized', 'Say what the engine breathes, and it is held against that.')],
            $share > self::MUCH => [Check::stop('leaks', sprintf('%s %% of what it breathes: find it.', Show::n($share, 2)))],
            $share > self::NOTICED => [
                Check::watch('leaks-some', sprintf('%s %% of what it breathes. Soap and listen.', Show::n($share, 2))),
            ],
            default => [Check::ok('tight', sprintf('%s %% of what it breathes.', Show::n($share, 2)))],
        };
        if ($drop < self::LITTLE) {
            $checks[] = Check::watch('little', 'Less than 1 kPa: one degree of cooling gives 0.7. Wait longer.');
        }

        return $checks;
    }
}
