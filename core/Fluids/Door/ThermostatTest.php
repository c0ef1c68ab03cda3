<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\PanDrawing;
use NimbleKnuckle\Core\Fluids\PanTest;
use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
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

/** The door of the pan test: where a thermostat begins to open, stands fully open and shuts again, °C. */
final readonly class ThermostatTest implements Sum
{
    /** Percent of the opening the maker gives. */
    private const LEAST_LIFT = 90.0;

    public function about(): About
    {
        return new About('thermostat-test', 'Thermostat in a pan of water', 'Coolant and oil', static fn (): array => [
            Field::quantity('opens', 'Stamped', Kind::Temperature, '88 °C', 'The number on its rim.')->within(50.0, 120.0),
            Field::quantity(
                'opened', 'Begins to open at', Kind::Temperature, '87 °C',
                'Hang it on a thread in its gap: it drops off when it opens.',
            )->within(0.0, 130.0),
            Field::quantity('full_open', 'Fully open at', Kind::Temperature, '98 °C')->within(0.0, 130.0)->optional(),
            Field::quantity('closed', 'Shut again at', Kind::Temperature, '83 °C')->within(0.0, 130.0)->optional(),
            Field::quantity('lift', 'Opens by', Kind::Length, '8 mm')->within(0.0, 50.0)->optional(),
            Field::quantity('lift_wanted', 'Opening the maker gives', Kind::Length, '8 mm')->optional(),
        ], ['opened' => '86 °C', 'full_open', 'closed' => '82 °C']);
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
        return ['plot', PanDrawing::of(self::read($in))];
    }

    /** @throws InvalidInput */
    private static function read(Inputs $in): PanTest
    {
        $test = new PanTest(
            $in->temperature('opens'), $in->temperature('opened'),
            $in->has('full_open') ? $in->temperature('full_open') : null,
            $in->has('closed') ? $in->temperature('closed') : null,
        );
        null === $test->span() || $test->span() >= 0.0 || throw InvalidInput::in(
            'full_open', 'It cannot be fully open before it begins to open: swap the two.',
        );
        null === $test->hysteresis() || $test->hysteresis() >= 0.0 || throw InvalidInput::in(
            'closed', 'It shuts again below where it opened, not above: swap the two, or read them again.',
        );

        return $test;
    }

    public function compute(Inputs $in): SumResult
    {
        $test = self::read($in);
        [$lift, $liftChecks, $liftLines] = $in->has('lift') && $in->has('lift_wanted') ? $this->lift(
            $in->length('lift'), $in->length('lift_wanted'),
        ) : [[], [], []];
        $values = ['off' => $test->off(), 'span' => $test->span(), 'hysteresis' => $test->hysteresis()];

        return new SumResult(
            $this->about()->name, $in->raw, array_map(
                static fn (float $kelvins): Value => Value::of($kelvins, Unit::Kelvin->value),
                array_filter($values, static fn (?float $kelvins): bool => null !== $kelvins),
            ) + $lift,
            [...$this->stamp($test), ...$this->opening($test), ...$this->shutting($test), ...$liftChecks],
            [...$this->working($test), ...$liftLines],
        );
    }

    /** @return list<Check> */
    private function stamp(PanTest $test): array
    {
        $side = sprintf('It begins %s K %s its stamp', Show::n(abs($test->off()), 3), $test->off() > 0 ? 'above' : 'below');

        return [
            ...($test->isPastBoiling() ? [Check::watch('past-boiling', sprintf(
                '%s °C in an open pan of water: the thermometer reads high, or it was not water.', Show::n($test->hottest()->celsius),
            ))] : []),
            match (true) {
                $test->isFarOff() => Check::stop('off-stamp', $side.': the wrong one, or worn. Do not fit it.'),
                $test->isOff() => Check::watch(
                    'off-stamp', $side.': at the edge of what is ordinary. Check the thermometer in boiling water.',
                ),
                default => Check::ok('on-stamp', 'It begins where its stamp says.'),
            },
        ];
    }

    /** @return list<Check> */
    private function opening(PanTest $test): array
    {
        return match (true) {
            null === $test->span() => [],
            $test->isSlow() => [Check::watch('slow', 'It takes long from begin to full: the wax is tired or the seat drags.')],
            $test->isQuick() => [Check::watch('quick', sprintf(
                'Only %s K from begin to full: was the water stirred, and heated slowly?', Show::n($test->span(), 2),
            ))],
            default => [Check::ok('full', 'It opens fully within an ordinary span.')],
        };
    }

    /** @return list<Check> */
    private function shutting(PanTest $test): array
    {
        return match (true) {
            null === $test->closed => [],
            $test->staysOpen() => [Check::stop(
                'stays-open', 'It hardly shuts again: it would keep the engine cold. Do not fit it.',
            )],
            $test->lags() => [Check::watch('lags', 'It shuts late: warm-up will be slow after each opening.')],
            default => [Check::ok('shuts', 'It shuts again as it should.')],
        };
    }

    /** @return list<Working> */
    private function working(PanTest $test): array
    {
        return [
            Working::by($test->offFormula(), 'Off its stamp', 'K', 'pan test'),
            ...array_filter([
                null === $test->spanFormula() ? null : Working::by($test->spanFormula(), 'From begin to full', 'K', 'pan test'),
                null === $test->hysteresisFormula() ? null
                    : Working::by($test->hysteresisFormula(), 'Shuts below where it opened', 'K', 'pan test'),
            ]),
        ];
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function lift(Length $lift, Length $wanted): array
    {
        $opening = Formula::of('100 measured / wanted', ['measured' => $lift->millimetres, 'wanted' => $wanted->millimetres]);
        $share = $opening->value;

        return [['lift_share' => Value::of($share, Unit::Percent->value)], [$share < self::LEAST_LIFT ? Check::stop(
            'lift', 'It does not open far enough: the engine would overheat under load. Do not fit it.',
        ) : Check::ok('lift', 'It opens far enough.')], [Working::by($opening, 'Opening', '%', 'maker gives the opening')]];
    }
}
