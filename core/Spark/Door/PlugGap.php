<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Spark\Door;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Spark\PlugGapDrawing;
use NimbleKnuckle\Core\Spark\SparkGap;
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

/** The door of a plug's gap: kPa, degrees, °C, mm and kV in, kV and mm out. An estimate. */
final readonly class PlugGap implements Sum
{
    private const WEAR = 0.1;

    public function about(): About
    {
        return new About('plug-gap', 'Which gap the coil can fire', 'Spark and starting', static fn (): array => [
            Field::quantity('boost', 'Boost', Kind::Pressure, '100 kPa', 'Nothing for an engine without.')->within(0.0, 500.0),
            Field::quantity('ratio', 'Compression ratio', Kind::Number, '9.5')->within(4.0, 20.0),
            Field::quantity('advance', 'Spark before top centre', Kind::Angle, '18°')->within(0.0, 70.0),
            Field::quantity('charge_temperature', 'Charge air', Kind::Temperature, '50 °C')->within(-40.0, 200.0),
            Field::text('range', 'Gap as stated', '0.7-0.8 mm', 'The maker’s range, or one figure.'),
            Field::text('coil', 'Coil gives', '35 kV', 'Where somebody states it; else the demand alone is worked out.')->optional(),
            Field::quantity('wear', 'It wears by', Kind::Length, '0.1 mm')->within(0.0, 1.0)->optional(),
        ], ['range' => '0.6-0.8 mm', 'coil' => '40 kV']);
    }

    public function headline(SumResult $r): Headline
    {
        $fresh = $r->number($r->has('demand_new') ? 'demand_new' : 'demand_high');

        return new Headline(
            $r->has('gap') ? 'Gap it to' : 'It asks for about',
            [$r->has('gap') ? Headline::figure($r->number('gap'), 'mm') : Headline::figure($fresh, 'kV')],
            sprintf(
                'about %s kV new, %s kV worn: an estimate', Show::n($fresh, 3), Show::n($r->number('demand_worn'), 3),
            ), true,
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        [$low, $high] = self::range($in);
        $chosen = $r->has('gap') ? $r->number('gap') : $high;

        return ['plot', PlugGapDrawing::of(self::spark($in), $low, $high, self::wear($in), self::coil($in), $chosen)];
    }

    public function compute(Inputs $in): SumResult
    {
        [$spark, $coil, $wear] = [self::spark($in), self::coil($in), self::wear($in)];
        [$low, $high] = self::range($in);
        $gap = null === $coil ? null : $spark->largest($low, $high, $wear, $coil);
        $worn = ($gap ?? (null === $coil ? $high : $low)) + $wear;
        $demand = array_map($spark->demand(...), [$low, $high, $worn]);

        return new SumResult($this->about()->name, $in->raw, [
            'pressure' => Value::of($spark->pressure, Unit::Kilopascal->value),
            'temperature' => Value::of($spark->celsius, Unit::Celsius->value), 'demand' => Value::listOf($demand, Unit::Kilovolt->value),
            'demand_low' => Value::of($demand[0], Unit::Kilovolt->value), 'demand_high' => Value::of($demand[1], Unit::Kilovolt->value),
            'demand_worn' => Value::of($demand[2], Unit::Kilovolt->value),
        ] + (null === $gap ? [] : [
            'gap' => Value::of($gap, Unit::Millimetre->value), 'demand_new' => Value::of($spark->demand($gap), Unit::Kilovolt->value),
        ]), self::judged($gap, $coil, $low, $high), [
            ...(null === $spark->compressed ? [] : [Working::by(
                $spark->compressed, 'At the spark', '', 'from bottom centre: an upper bound, valves close later',
                with: sprintf(
                    'r %s, %s° before top, rod 3.5 times the crank’s radius', Show::n($in->number('ratio', Kind::Number)),
                    Show::n($in->number('advance', Kind::Angle)),
                ),
                result: sprintf('%s kPa, %s °C', Show::n($spark->pressure, 3), Show::n($spark->celsius, 3)),
            )]),
            new Working(
                'Asked for', SparkGap::DEMAND.' kV, x = (p/101.325)(293.15/T) d', sprintf('d %s and %s mm', Show::n($low),
                    Show::n($high)),
                sprintf('%s and %s kV', Show::n($demand[0], 3), Show::n($demand[1], 3)), 'Meek and Craggs; ±20 %',
            ),
            new Working(
                'Worn', 'the same, wider by what it wears', sprintf('%s mm', Show::n($worn, 3)), Show::n($demand[2], 3).' kV',
                null === $coil ? 'no coil was stated: demand alone' : 'the coil has a quarter over',
            ),
        ]);
    }

    /** @return non-empty-list<Check> */
    private static function judged(?float $gap, ?float $coil, float $low, float $high): array
    {
        return [match (true) {
            null === $coil => Check::ok('demand', 'No coil was stated: this is what it asks for, an estimate.'),
            null === $gap => Check::stop('no-gap', 'No gap of this range leaves the coil a quarter over once it is worn.'),
            $gap >= $high - 1e-6 && $high > $low + 1e-6 => Check::ok('high-end',
                'The high end: a larger flame to begin with, and it fires.'),
            default => Check::watch('low-end', 'Not the whole range: what is in the cylinder asks for more than this coil can.'),
        }, Check::ok('estimate', 'An estimate. The maker’s figure goes before it.')];
    }

    private static function spark(Inputs $in): SparkGap
    {
        return SparkGap::at(
            $in->number('boost', Kind::Pressure), $in->number('ratio', Kind::Number),
            $in->number('advance', Kind::Angle), $in->number('charge_temperature', Kind::Temperature),
        );
    }

    private static function wear(Inputs $in): float
    {
        return $in->has('wear') ? $in->number('wear', Kind::Length) : self::WEAR;
    }

    /** kV; a bare number is kV. */
    private static function coil(Inputs $in): ?float
    {
        if (!$in->has('coil')) {
            return null;
        }
        $raw = $in->raw['coil'] ?? '';
        $text = is_scalar($raw) ? trim((string) $raw) : '';
        try {
            $coil = is_numeric(str_replace(',', '.', $text)) ? (float) str_replace(',', '.', $text)
                : Notation::read(Kind::Voltage, $text)->value() / 1000;
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('coil', $e->getMessage());
        }

        return $coil >= 1.0 && $coil <= 100.0 ? $coil : throw InvalidInput::in('coil', 'A coil gives from 1 to 100 kV.');
    }

    /** @return array{float, float} mm */
    private static function range(Inputs $in): array
    {
        $raw = $in->raw['range'] ?? null;
        if (is_array($raw)) {
            $raw = implode('-', array_map(static fn (mixed $one): string => is_scalar($one) ? (string) $one : '', $raw)).' mm';
        }
        $text = is_scalar($raw) ? trim((string) $raw) : '';
        '' !== $text || throw InvalidInput::missing('range', '0.7-0.8 mm');
        try {
            $stated = Notation::readStated(Kind::Length, is_numeric($text) ? $text.' mm' : $text);
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('range', $e->getMessage());
        }
        [$low, $high] = [$stated->low->value(), $stated->isRange() ? $stated->high->value() : $stated->low->value()];

        return $low >= 0.1 && $high <= 3.0 && $low <= $high ? [$low, $high] : throw InvalidInput::in(
            'range', 'A gap is from 0.1 to 3 mm, the smaller first.',
        );
    }
}
