<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\AirFields;
use NimbleKnuckle\Core\Fluids\DialDrawing;
use NimbleKnuckle\Core\Fluids\Vacuum;
use NimbleKnuckle\Core\Fluids\VacuumHold;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\UnitSystem;
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

/** The door of the vacuum fill: kPa gauge positive downwards, L, °C, m and min in; kPa, L and Pa·L/s out. */
final readonly class VacuumFill implements Sum
{
    public function about(): About
    {
        return new About('vacuum-fill', 'Vacuum fill', 'Coolant and oil', static fn (): array => [
            ...AirFields::all(),
            Field::quantity(
                'temperature', 'What is in it is at', Kind::Temperature, '20 °C', 'Warm coolant boils under a shallower vacuum.',
            )->within(-40.0, 130.0),
            Field::quantity('volume', 'The system holds', Kind::Volume, '6.6 L'),
            Field::quantity('pulled', 'Gauge shows', Kind::Pressure, '25 inHg', 'Vacuum, as a positive number.')->within(0.0, 110.0),
            Field::quantity('hold_end', 'Gauge after the hold', Kind::Pressure, '24.8 inHg')->within(0.0, 110.0)->optional(),
            Field::quantity('hold_minutes', 'Held for', Kind::Duration, '5 min')->optional(),
        ], ['altitude' => '300 m', 'hold_end', 'hold_minutes']);
    }

    public function headline(SumResult $r): Headline
    {
        $units = UnitSystem::heardIn(...array_values(array_filter($r->inputs, is_string(...))));

        return new Headline(
            'Pull to', [Headline::figure($r->number('aim'), 'kPa')],
            Headline::joined(
                $units->said($r->number('aim'), Unit::Kilopascal, Unit::InchMercury),
                sprintf(
                    'boils at %s kPa; %s L of air stay in%s', Digits::significant($r->number('limit')),
                    Digits::significant($r->number('air_left'), 2),
                    $r->has('leak_rate') ? sprintf(', leak %s Pa·L/s', Digits::significant($r->number('leak_rate'), 2)) : '',
                ),
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'dial',
            DialDrawing::of(
                $in->number($in->has('hold_end') ? 'hold_end' : 'pulled', Kind::Pressure), $r->number('aim'), $r->number('limit'),
                $in->has('hold_end') ? $in->number('pulled', Kind::Pressure) : null,
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $vacuum = Vacuum::of(
            AirFields::read($in), $in->temperature('temperature'), $in->volume('volume'), $in->pressure('pulled'),
        );

        return $this->said($vacuum, $in->has('hold_end') || $in->has('hold_minutes') ? self::hold($in, $vacuum) : null, $in->raw);
    }

    /**
     * What was calculated elsewhere, with its working.
     *
     * @param array<string, mixed> $raw
     */
    public function said(Vacuum $vacuum, ?VacuumHold $hold, array $raw = []): SumResult
    {
        return new SumResult($this->about()->name, $raw, [
            'limit' => Value::of($vacuum->limit->kilopascals, Unit::Kilopascal->value),
            'aim' => Value::of($vacuum->aim()->kilopascals, Unit::Kilopascal->value),
            'air_left' => Value::of($vacuum->airLeft()->litres, Unit::Litre->value),
        ] + (null === $hold ? [] : ['leak_rate' => Value::of($hold->leakRate(), 'Pa·L/s')]), [
            $this->depth($vacuum), ...(null === $hold ? [] : [$this->held($hold)]),
        ], [...$this->working($vacuum), ...(null === $hold ? [] : [Working::by(
            $hold->leakFormula(), 'Leak', '', 'pressure-rise method',
            result: sprintf('%s Pa·L/s, %s kPa in 5 min', Show::n($hold->leakRate()), Show::n($hold->inFiveMinutes()->kilopascals)),
        )])]);
    }

    /** @return list<Working> */
    private function working(Vacuum $vacuum): array
    {
        return [
            AirFields::working($vacuum->air),
            new Working(
                'Water boils at', 'Pw(T)', sprintf('T = %s °C', Show::n($vacuum->temperature->celsius)),
                Show::n($vacuum->vapour->kilopascals).' kPa', 'Antoine equation for water',
            ),
            Working::by($vacuum->limitFormula(), 'Deepest vacuum', 'kPa', 'below it what is in there boils'),
            Working::by($vacuum->aimFormula(), 'Pull to', 'kPa', 'short of boiling by a working value'),
            Working::by(
                $vacuum->airLeftFormula(), 'Air left', 'L', "Boyle's law, back at air pressure",
                result: sprintf('%s L', Show::n($vacuum->airLeft()->litres)),
            ),
        ];
    }

    private function depth(Vacuum $vacuum): Check
    {
        [$pulled, $limit, $aim] = [$vacuum->pulled->kilopascals, $vacuum->limit->kilopascals, $vacuum->aim()->kilopascals];

        return match (true) {
            $vacuum->isTooHot() => Check::stop(
                'too-hot',
                sprintf('At %s °C it boils without any vacuum: let it cool first.', Show::n($vacuum->temperature->celsius)),
            ),
            $vacuum->isBelowBoiling() => Check::stop(
                'below-boiling',
                sprintf(
                    '%s kPa is deeper than the %s kPa at which it boils here: the gauge or the altitude is wrong.',
                    Show::n($pulled), Show::n($limit),
                ),
            ),
            $vacuum->isDeeperThanAim() => Check::ok(
                'deep',
                sprintf(
                    '%s kPa: deeper than the aim of %s, short of boiling at %s.', Show::n($pulled, 3), Show::n($aim, 3),
                    Show::n($limit, 3),
                ),
            ),
            default => Check::ok('depth', sprintf('Pull to about %s kPa; it would boil at %s.', Show::n($aim, 3), Show::n($limit, 3))),
        };
    }

    /** @throws InvalidInput */
    private static function hold(Inputs $in, Vacuum $vacuum): VacuumHold
    {
        $in->has('hold_end') || throw InvalidInput::missing('hold_end', 'what the gauge showed at the end');
        $in->has('hold_minutes') || throw InvalidInput::missing('hold_minutes', '5 min');
        $end = $in->pressure('hold_end');
        $hold = VacuumHold::of($vacuum->volume, $vacuum->pulled, $end, $in->duration('hold_minutes'));
        !$hold->isMisread() || throw InvalidInput::in(
            'hold_end',
            sprintf(
                'The vacuum cannot grow from %s to %s kPa by itself: read “hold_end” again.', Show::n($vacuum->pulled->kilopascals),
                Show::n($end->kilopascals),
            ),
        );

        return $hold;
    }

    private function held(VacuumHold $hold): Check
    {
        $inFive = Show::n($hold->inFiveMinutes()->kilopascals, 3);

        return match (true) {
            $hold->leaks() => Check::stop(
                'leaks', sprintf('It loses %s kPa in 5 minutes: find the leak before any coolant goes in.', $inFive),
            ),
            $hold->seeps() => Check::watch(
                'seeps',
                sprintf('It loses %s kPa in 5 minutes: the filler\'s own cone first, then each joint that was opened.', $inFive),
            ),
            default => Check::ok('holds', sprintf(
                'It holds: %s kPa lost in %s min.', Show::n(max(0.0, $hold->lost->kilopascals), 2), Show::n($hold->held->minutes, 3),
            )),
        };
    }
}
