<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\PanDrawing;
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
 * A thermostat in a pan of water with a thermometer: where it begins to open, stands fully open and shuts again, °C, held
 * against its stamp. The bands are working values: begins within 3 K of the stamp is good, over 6 K off is a wrong or worn
 * one; fully open 8 to 18 K above; shut again at most 8 K below where it opened.
 */
final readonly class ThermostatTest implements Sum
{
    private const GOOD = 3.0;
    private const BAD = 6.0;
    private const SLOWEST = 18.0;
    private const WIDEST = 8.0;
    private const QUICKEST = 4.0;
    private const HARDLY_SHUTS = 20.0;
    /** An open pan of water gets no hotter, but for what a thermometer reads wrong. */
    private const BOILS = 100.5;

    public function name(): string
    {
        return 'thermostat-test';
    }

    public function summary(): string
    {
        return 'Thermostat in a pan of water';
    }

    public function fields(): array
    {
        return [
            Field::quantity('opens', 'Stamped', Kind::Temperature, '88 °C', 'The number on its rim.'),
            Field::quantity(
                'opened', 'Begins to open at', Kind::Temperature, '87 °C',
                'Hang it on a thread in its gap: it drops off when it opens.',
            ),
            Field::quantity('full_open', 'Fully open at', Kind::Temperature, '98 °C')->optional(),
            Field::quantity('closed', 'Shut again at', Kind::Temperature, '83 °C')->optional(),
            Field::quantity('lift', 'Opens by', Kind::Length, '8 mm')->optional(),
            Field::quantity('lift_wanted', 'Opening the maker gives', Kind::Length, '8 mm')->optional(),
        ];
    }

    public function group(): string
    {
        return 'Coolant and oil';
    }

    public function example(): array
    {
        return ['opens' => '88 °C', 'opened' => '86 °C', 'full_open' => '98 °C', 'closed' => '82 °C'];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Off its stamp by', [Headline::figure($r->number('off'), 'K')],
            $r->has('hysteresis') ? sprintf('shuts %s K below where it opened', Digits::significant($r->number('hysteresis'), 2)) : '',
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'plot',
            PanDrawing::of(
                $in->number('opens', Kind::Temperature), $in->number('opened', Kind::Temperature),
                $in->maybe('full_open', Kind::Temperature), $in->maybe('closed', Kind::Temperature),
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $opens = $in->between('opens', Kind::Temperature, 50.0, 120.0);
        $opened = $in->between('opened', Kind::Temperature, 0.0, 130.0);
        $off = $opened - $opens;
        $values = ['off' => Value::of($off, Unit::Kelvin->value)];
        $working = [new Working(
            'Off its stamp', 'begins − stamp', sprintf('%s − %s', Show::n($opened), Show::n($opens)),
            sprintf('%s K', Show::n($off)), 'pan test',
        )];
        $hottest = max($opened, $in->has('full_open') ? $in->between('full_open', Kind::Temperature, 0.0, 130.0) : 0.0);
        $checks = $hottest > self::BOILS ? [Check::watch(
            'past-boiling',
            sprintf('%s °C in an open pan of water: the thermometer reads high, or it was not water.', Show::n($hottest)),
        )] : [];
        $checks[] = match (true) {
            abs($off) > self::BAD => Check::stop(
                'off-stamp',
                sprintf(
                    'It begins %s K %s its stamp: the wrong one, or worn. Do not fit it.', Show::n(abs($off), 3),
                    $off > 0 ? 'above' : 'below',
                ),
            ),
            abs($off) > self::GOOD => Check::watch(
                'off-stamp',
                sprintf(
                    'It begins %s K %s its stamp: at the edge of what is ordinary. Check the thermometer in boiling water.',
                    Show::n(abs($off), 3), $off > 0 ? 'above' : 'below',
                ),
            ),
            default => Check::ok('on-stamp', 'It begins where its stamp says.'),
        };
        if ($in->has('full_open')) {
            $full = $in->between('full_open', Kind::Temperature, 0.0, 130.0);
            $full >= $opened || throw InvalidInput::in('full_open', 'It cannot be fully open before it begins to open: swap the two.');
            $values['span'] = Value::of($full - $opened, Unit::Kelvin->value);
            $working[] = new Working(
                'From begin to full', 'full − begins', sprintf('%s − %s', Show::n($full), Show::n($opened)),
                sprintf('%s K', Show::n($full - $opened)), 'pan test',
            );
            $checks[] = match (true) {
                $full - $opened > self::SLOWEST => Check::watch(
                    'slow', 'It takes long from begin to full: the wax is tired or the seat drags.',
                ),
                $full - $opened < self::QUICKEST => Check::watch(
                    'quick',
                    sprintf('Only %s K from begin to full: was the water stirred, and heated slowly?', Show::n($full - $opened, 2)),
                ),
                default => Check::ok('full', 'It opens fully within an ordinary span.'),
            };
        }
        if ($in->has('closed')) {
            $closed = $in->between('closed', Kind::Temperature, 0.0, 130.0);
            $closed <= $opened || throw InvalidInput::in(
                'closed', 'It shuts again below where it opened, not above: swap the two, or read them again.',
            );
            $values['hysteresis'] = Value::of($opened - $closed, Unit::Kelvin->value);
            $working[] = new Working(
                'Shuts below where it opened', 'begins − shut', sprintf('%s − %s', Show::n($opened), Show::n($closed)),
                sprintf('%s K', Show::n($opened - $closed)), 'pan test',
            );
            $checks[] = match (true) {
                $opened - $closed > self::HARDLY_SHUTS => Check::stop(
                    'stays-open', 'It hardly shuts again: it would keep the engine cold. Do not fit it.',
                ),
                $opened - $closed > self::WIDEST => Check::watch('lags', 'It shuts late: warm-up will be slow after each opening.'),
                default => Check::ok('shuts', 'It shuts again as it should.'),
            };
        }
        if ($in->has('lift') && $in->has('lift_wanted')) {
            [$lift, $wanted] = [$in->between('lift', Kind::Length, 0.0, 50.0), $in->positive('lift_wanted', Kind::Length)];
            $values['lift_share'] = Value::of(100 * $lift / $wanted, Unit::Percent->value);
            $working[] = new Working(
                'Opening', 'measured / wanted', sprintf('%s / %s', Show::n($lift), Show::n($wanted)),
                sprintf('%s %%', Show::n(100 * $lift / $wanted)), 'maker gives the opening',
            );
            $checks[] = $lift < 0.9 * $wanted ? Check::stop(
                'lift', 'It does not open far enough: the engine would overheat under load. Do not fit it.',
            ) : Check::ok('lift', 'It opens far enough.');
        }

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }
}
