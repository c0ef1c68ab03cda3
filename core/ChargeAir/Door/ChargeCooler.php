<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\ChargeAir\Cooler;
use NimbleKnuckle\Core\ChargeAir\CoolerDrawing;
use NimbleKnuckle\Core\ChargeAir\Gas;
use NimbleKnuckle\Core\Fluids\AirFields;
use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\Entry;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of a charge cooler: °C and kPa over the air outside in, percent and kPa out. */
final readonly class ChargeCooler implements Sum
{
    private const COOLS = 60.0;
    private const DROP = 10.0;
    private const USUAL_RATIO = 0.72;

    public function about(): About
    {
        return new About('charge-cooler', 'What the charge cooler does', 'Charge air', static fn (): array => [
            Field::quantity('before', 'Air before it', Kind::Temperature, '118 °C'),
            Field::quantity('after', 'Air after it', Kind::Temperature, '42 °C'),
            Field::quantity('ambient', 'Air outside', Kind::Temperature, '24 °C'),
            Field::quantity('pressure_before', 'Boost before it', Kind::Pressure, '105 kPa')->within(0.0, 700.0)->optional(),
            Field::quantity('pressure_after', 'Boost after it', Kind::Pressure, '98 kPa')->within(0.0, 700.0)->optional(),
            Field::text(
                'first', 'The one it had', '118 61 24', 'Before, after and outside, on its own run; boosts behind, if read.',
            )->optional(),
            Field::text('compressor', 'Compressor', '2 0.72 25', 'Pressure ratio, efficiency, air into it.')->optional(),
            ...AirFields::all(),
        ], ['pressure_before', 'pressure_after', 'first' => '121 64 24']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('It takes out', [Headline::figure($r->number('effectiveness'), '%')], Headline::joined(
            'of what it could', $r->has('drop') ? sprintf('it costs %s kPa', Show::n($r->number('drop'), 2)) : '',
            $r->has('gain') ? sprintf('%s %% denser than with the first', Show::n($r->number('gain'), 2)) : '',
        ));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['plot', CoolerDrawing::of(
            $in->number('before', Kind::Temperature), $in->number('after', Kind::Temperature), $in->number('ambient', Kind::Temperature),
            $r->has('expected') ? $r->number('expected') : null,
        )];
    }

    public function compute(Inputs $in): SumResult
    {
        [$before, $after, $ambient] = array_map(static fn (string $one): Temperature => Temperature::celsius(
            $in->between($one, Kind::Temperature, -40.0, 400.0),
        ), ['before', 'after', 'ambient']);
        self::ensure($before, $after, $ambient, 'after');
        $outside = AirFields::read($in)->pressure;
        $pressures = self::pressures($in, $outside);
        $cooler = Cooler::of($before, $after, $ambient, $pressures);
        $drop = null === $pressures ? null : $pressures[0]->kilopascals - $pressures[1]->kilopascals;
        $first = $in->has('first') ? self::first($in, $outside) : null;
        $compressed = $in->has('compressor') ? self::compressor($in) : null;
        $expected = null === $compressed ? null : Temperature::celsius($compressed->value - Gas::ZERO);
        $gain = null === $first ? null : 100 * ($cooler->densityRatio->value / $first->densityRatio->value - 1);

        return new SumResult($this->about()->name, $in->raw, array_filter([
            'effectiveness' => Value::of(100 * $cooler->effectiveness->value, Unit::Percent->value),
            'drop' => null === $drop ? null : Value::of($drop, Unit::Kilopascal->value),
            'density_ratio' => Value::of($cooler->densityRatio->value, Unit::One->value),
            'gain' => null === $gain ? null : Value::of($gain, Unit::Percent->value),
            'expected' => null === $expected ? null : Value::of($expected->celsius, Unit::Celsius->value),
        ]), self::judged($cooler, $drop), [
            Working::by(
                $cooler->effectiveness, 'Takes out', '', 'of what the air outside would let it', result: $cooler->effectiveness->percent(3),
            ),
            Working::by(
                $cooler->densityRatio, 'Density after over before', '', 'ideal gas, kPa absolute and kelvins',
                with: null === $pressures ? 'no pressures: as if none were lost' : $cooler->densityRatio->filled(),
            ),
            ...(null === $compressed || null === $expected ? [] : [Working::by(
                $compressed, 'To expect before it', '', 'isentropic efficiency; kelvins', result: Show::n($expected->celsius, 3).' °C',
            )]),
        ]);
    }

    private static function ensure(Temperature $before, Temperature $after, Temperature $ambient, string $field): void
    {
        $before->celsius > $ambient->celsius || throw InvalidInput::in(
            'first' === $field ? $field : 'before', 'The air before it is no warmer than outside: nothing to cool. Read it under load.',
        );
        $before->celsius > $after->celsius || throw InvalidInput::in(
            $field, 'The air is no cooler after it: the two readings are changed over, or it is heat-soaked.',
        );
        $after->celsius >= $ambient->celsius || throw InvalidInput::in(
            $field, 'The air after it is cooler than outside: only with ice or spray. Read the three at one time.',
        );
    }

    /** @return array{Pressure, Pressure}|null absolute */
    private static function pressures(Inputs $in, Pressure $outside): ?array
    {
        if (!$in->has('pressure_before') && !$in->has('pressure_after')) {
            return null;
        }
        foreach (['pressure_before', 'pressure_after'] as $field) {
            $in->has($field) || throw InvalidInput::missing($field, '98 kPa, read at the same moment');
        }
        [$one, $two] = [$in->pressure('pressure_before'), $in->pressure('pressure_after')];
        $two->kilopascals <= $one->kilopascals || throw InvalidInput::in(
            'pressure_after', 'No cooler adds pressure: read both at one time.',
        );

        return [
            Pressure::kilopascals(
                $one->kilopascals + $outside->kilopascals,
            ), Pressure::kilopascals($two->kilopascals + $outside->kilopascals),
        ];
    }

    private static function first(Inputs $in, Pressure $outside): Cooler
    {
        $entry = (new Entries([
            'before' => Kind::Temperature, 'after' => Kind::Temperature, 'ambient' => Kind::Temperature,
            'pressure_before?' => Kind::Pressure, 'pressure_after?' => Kind::Pressure,
        ]))->one($in, 'first');
        [$before, $after, $ambient] = array_map(static fn (string $one): Temperature => Temperature::celsius($entry->number($one)), [
            'before', 'after', 'ambient',
        ]);
        self::ensure($before, $after, $ambient, 'first');
        [$one, $two] = [$entry->maybe('pressure_before'), $entry->maybe('pressure_after')];
        null === $one || null !== $two && $two <= $one || throw InvalidInput::in(
            'first', 'Its boosts are before, then after, and never more.',
        );

        return Cooler::of($before, $after, $ambient, null === $one || null === $two ? null : [
            Pressure::kilopascals($one + $outside->kilopascals), Pressure::kilopascals($two + $outside->kilopascals),
        ]);
    }

    private static function compressor(Inputs $in): Formula
    {
        $entry = self::compressorEntry($in);
        [$ratio, $efficiency] = [$entry->number('ratio'), $entry->maybe('efficiency') ?? self::USUAL_RATIO];
        $efficiency = $efficiency > 1.0 ? $efficiency / 100 : $efficiency;
        $ratio >= 1.0 && $ratio <= 6.0 && $efficiency >= 0.3 && $efficiency <= 1.0 || throw InvalidInput::in(
            'compressor', 'A pressure ratio from 1 to 6, an efficiency from 0.3 to 1, and the air into it: “2 0.72 25”.',
        );

        return Cooler::compressedFormula(Temperature::celsius(self::inlet($in)), $ratio, $efficiency);
    }

    private static function compressorEntry(Inputs $in): Entry
    {
        $columns = new Entries(['ratio' => Kind::Number, 'efficiency?' => Kind::Number, 'inlet?' => Kind::Temperature]);

        return $columns->one($in, 'compressor');
    }

    private static function inlet(Inputs $in): float
    {
        return self::compressorEntry($in)->maybe('inlet') ?? $in->number('ambient', Kind::Temperature);
    }

    /** @return non-empty-list<Check> */
    private static function judged(Cooler $cooler, ?float $drop): array
    {
        $percent = 100 * $cooler->effectiveness->value;
        $checks = [$percent < self::COOLS
            ? Check::watch(
                'weak', sprintf('%s %% of what it could: little air through it, oil in it, or it is too small.', Show::n($percent, 3)),
            )
            : Check::ok('cools', sprintf('%s %% of what it could.', Show::n($percent, 3)))];
        if (null !== $drop) {
            $checks[] = $drop > self::DROP
                ? Check::watch('drop', sprintf('%s kPa lost in it: the turbo has to make them up.', Show::n($drop, 3)))
                : Check::ok('passes', sprintf('%s kPa lost in it.', Show::n($drop, 2)));
        }

        return $checks;
    }
}
