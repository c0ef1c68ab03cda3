<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Fluids\DialDrawing;
use NimbleKnuckle\Core\Fluids\WaterVapour;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Quantity\UnitSystem;
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
 * How deep a vacuum fill may pull, what air it leaves, and whether the system holds. Vacuum in kPa gauge, positive downwards;
 * volume in L, temperature in °C, height in m, time in min. The deepest before water boils is Patm − Pw(T); the air left is
 * V (Patm − pulled)/Patm; the leak is V Δp/t in Pa·L/s. Source: Boyle's law, Antoine equation for water, ISO 2533.
 */
final readonly class VacuumFill implements Sum
{
    public const AIM = 0.9;
    public const WATCH_LOSS = 1.0;
    public const STOP_LOSS = 3.0;
    private const LOSS_MINUTES = 5.0;
    private const GAUGE_PLAY = 1.0;

    public function name(): string
    {
        return 'vacuum-fill';
    }

    public function summary(): string
    {
        return 'Vacuum fill';
    }

    public function fields(): array
    {
        return [
            ...Air::fields(),
            Field::quantity(
                'temperature', 'What is in it is at', Kind::Temperature, '20 °C', 'Warm coolant boils under a shallower vacuum.',
            ),
            Field::quantity('volume', 'The system holds', Kind::Volume, '6.6 L'),
            Field::quantity('pulled', 'Gauge shows', Kind::Pressure, '25 inHg', 'Vacuum, as a positive number.'),
            Field::quantity('hold_end', 'Gauge after the hold', Kind::Pressure, '24.8 inHg')->optional(),
            Field::quantity('hold_minutes', 'Held for', Kind::Duration, '5 min')->optional(),
        ];
    }

    public function group(): string
    {
        return 'Coolant and oil';
    }

    public function example(): array
    {
        return [
            'altitude' => '300 m',
            'temperature' => '20 °C',
            'volume' => '6.6 L',
            'pulled' => '25 inHg',
            'hold_end' => '24.8 inHg',
            'hold_minutes' => '5 min',
        ];
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
        $air = Air::from($in);
        $temperature = $in->between('temperature', Kind::Temperature, -40.0, 130.0);
        $volume = $in->positive('volume', Kind::Volume);
        $pulled = $in->between('pulled', Kind::Pressure, 0.0, 110.0);
        $vapour = WaterVapour::pressure($temperature);
        $limit = $air->pressure - $vapour;
        $aim = self::AIM * max(0.0, $limit);
        $left = $volume * max(0.0, $air->pressure - $pulled) / $air->pressure;
        $values = [
            'limit' => Value::of($limit, Unit::Kilopascal->value),
            'aim' => Value::of($aim, Unit::Kilopascal->value),
            'air_left' => Value::of($left, Unit::Litre->value),
        ];
        $working = [
            $air->working,
            new Working(
                'Water boils at', 'Pw(T)', sprintf('T = %s °C', Show::n($temperature)), sprintf('%s kPa', Show::n($vapour)),
                'Antoine equation for water',
            ),
            new Working(
                'Deepest vacuum', 'limit = p − Pw(T)', sprintf('%s − %s', Show::n($air->pressure), Show::n($vapour)),
                sprintf('%s kPa', Show::n($limit)), 'below it what is in there boils',
            ),
            new Working(
                'Pull to', 'aim = 0.9 limit', sprintf('0.9 × %s', Show::n(max(0.0, $limit))), sprintf('%s kPa', Show::n($aim)),
                'a tenth short of boiling',
            ),
            new Working(
                'Air left', 'V (p − pulled) / p',
                sprintf('%s × (%s − %s) / %s', Show::n($volume), Show::n($air->pressure), Show::n($pulled), Show::n($air->pressure)),
                sprintf('%s L', Show::n($left)), "Boyle's law, back at air pressure",
            ),
        ];
        $checks = [$this->depth($pulled, $limit, $aim, $temperature)];
        if ($in->has('hold_end') || $in->has('hold_minutes')) {
            [$rate, $line, $check] = $this->hold($in, $volume, $pulled);
            $values['leak_rate'] = Value::of($rate, 'Pa·L/s');
            $working[] = $line;
            $checks[] = $check;
        }

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }

    private function depth(float $pulled, float $limit, float $aim, float $temperature): Check
    {
        return match (true) {
            $limit <= 0.0 => Check::stop(
                'too-hot', sprintf('At %s °C it boils without any vacuum: let it cool first.', Show::n($temperature)),
            ),
            $pulled > $limit => Check::stop(
                'below-boiling',
                sprintf(
                    '%s kPa is deeper than the %s kPa at which it boils here: the gauge or the altitude is wrong.',
                    Show::n($pulled), Show::n($limit),
                ),
            ),
            $pulled > $aim => Check::ok(
                'deep',
                sprintf(
                    '%s kPa: deeper than the aim of %s, short of boiling at %s.', Show::n($pulled, 3), Show::n($aim, 3),
                    Show::n($limit, 3),
                ),
            ),
            default => Check::ok('depth', sprintf('Pull to about %s kPa; it would boil at %s.', Show::n($aim, 3), Show::n($limit, 3))),
        };
    }

    /** @return array{float, Working, Check} */
    private function hold(Inputs $in, float $volume, float $pulled): array
    {
        $in->has('hold_end') || throw InvalidInput::missing('hold_end', 'what the gauge showed at the end');
        $in->has('hold_minutes') || throw InvalidInput::missing('hold_minutes', '5 min');
        $end = $in->between('hold_end', Kind::Pressure, 0.0, 110.0);
        $minutes = $in->positive('hold_minutes', Kind::Duration);
        $lost = $pulled - $end;
        $lost >= -self::GAUGE_PLAY || throw InvalidInput::in(
            'hold_end',
            sprintf('The vacuum cannot grow from %s to %s kPa by itself: read “hold_end” again.', Show::n($pulled), Show::n($end)),
        );
        $inFive = $lost * self::LOSS_MINUTES / $minutes;
        $rate = $volume * $lost * 1000 / ($minutes * 60);
        $line = new Working(
            'Leak', 'V Δp / t', sprintf('%s L × %s kPa / %s min', Show::n($volume), Show::n($lost), Show::n($minutes)),
            sprintf('%s Pa·L/s, %s kPa in 5 min', Show::n($rate), Show::n($inFive)), 'pressure-rise method',
        );

        return [$rate, $line, match (true) {
            $inFive > self::STOP_LOSS => Check::stop(
                'leaks', sprintf('It loses %s kPa in 5 minutes: find the leak before any coolant goes in.', Show::n($inFive, 3)),
            ),
            $inFive > self::WATCH_LOSS => Check::watch(
                'seeps',
                sprintf(
                    'It loses %s kPa in 5 minutes: the filler\'s own cone first, then each joint that was opened.',
                    Show::n($inFive, 3),
                ),
            ),
            default => Check::ok('holds', sprintf('It holds: %s kPa lost in %s min.', Show::n(max(0.0, $lost), 2), Show::n($minutes, 3))),
        }];
    }
}
