<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BlowerType;
use NimbleKnuckle\Core\BeltDrive\PulleyChange;
use NimbleKnuckle\Core\BeltDrive\PulleyDrawing;
use NimbleKnuckle\Core\Fluids\Air;
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

/** The door of another pulley: mm and rpm in, rpm, m/s and kPa out. */
final readonly class PulleyChangeSum implements Sum
{
    public function about(): About
    {
        return new About('pulley-change', 'Another pulley: speed and boost', 'What turns', static fn (): array => [
            Field::quantity('crank', 'Crank pulley', Kind::Length, '152 mm', 'Its diameter.')->within(20.0, 1000.0),
            Field::quantity(
                'crank_new', 'Crank pulley after', Kind::Length, '160 mm', 'Where that one is changed too.'
            )->within(20.0, 1000.0)->optional(),
            Field::quantity('old', 'Driven pulley before', Kind::Length, '74 mm')->within(20.0, 1000.0),
            Field::quantity('new', 'Driven pulley after', Kind::Length, '68 mm')->within(20.0, 1000.0),
            Field::quantity('redline', 'Redline', Kind::Speed, '6800 rpm')->within(500.0, 20_000.0),
            Field::quantity('limit', 'The driven side may turn', Kind::Speed, '16000 rpm', 'By its maker.')
                ->within(100.0, 100_000.0)->optional(),
            Field::quantity(
                'pressure_ratio_old', 'Pressure ratio before', Kind::Number, '1.45', 'Absolute after over absolute before, at the redline.',
            )->within(1.0, 6.0)->optional(),
            Field::choice('type', 'Kind of blower', [
                'positive-displacement' => 'a fixed volume each turn', 'centrifugal' => 'a wheel that throws the air',
            ])->optional(),
            Field::quantity('altitude', 'Altitude', Kind::Altitude, '640 m')->within(-430.0, 6000.0)->optional(),
        ], ['limit', 'pressure_ratio_old', 'altitude']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'It turns', [Headline::figure($r->number('speed'), 'rpm')], Headline::joined(
                sprintf('%s %% %s', Show::n(abs($r->number('overdrive')), 2), $r->number('overdrive') < 0.0 ? 'slower' : 'faster'),
                $r->has('boost') ? sprintf('%s kPa of boost', Show::n($r->number('boost'), 2)) : '',
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        [$crank, $driven] = self::diameters($in);

        return ['pulleys', PulleyDrawing::of($crank, $driven)];
    }

    /** @return array{array{Length, Length}, array{Length, Length}} */
    private static function diameters(Inputs $in): array
    {
        $crank = $in->length('crank');

        return [
            [$crank, $in->has('crank_new') ? $in->length('crank_new') : $crank],
            [$in->length('old'), $in->length('new')],
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        [$crank, $driven] = self::diameters($in);
        $redline = $in->number('redline', Kind::Speed);
        $old = $in->has('pressure_ratio_old') ? $in->number('pressure_ratio_old', Kind::Number) : null;
        $named = $in->has('type') ? $in->oneOf('type', ...array_column(BlowerType::cases(), 'value')) : 'positive-displacement';
        $type = BlowerType::from($named);
        $air = Air::at($in->has('altitude') ? $in->number('altitude', Kind::Altitude) : 0.0);
        $change = PulleyChange::of($crank, $driven, $redline, $old, $type);
        $limit = $in->has('limit') ? $in->number('limit', Kind::Speed) : null;
        $boost = $change->boost($air->pressure);
        null === $change->pressureRatio || $change->pressureRatio->value > 0.0 || throw InvalidInput::in(
            'new', 'Such a pulley would turn the blower backwards: check the diameters.',
        );
        $values = [
            'ratio' => Value::of($change->ratio->value, Unit::One->value), 'speed' => Value::of(
                $change->speed->value, Unit::PerMinute->value
            ),
            'overdrive' => Value::of($change->overdrive->value, Unit::Percent->value), 'belt_speed' => Value::of(
                $change->beltSpeed->value, Unit::MetrePerSecond->value,
            ),
        ];
        if (null !== $change->pressureRatio && null !== $boost) {
            $values['pressure_ratio'] = Value::of($change->pressureRatio->value, Unit::One->value);
            $values['boost'] = Value::of($boost->kilopascals, Unit::Kilopascal->value);
        }

        return new SumResult(
            $this->about()->name, $in->raw, $values, self::judged($change, $limit),
            [...self::working($change, $crank, $driven, $redline), ...self::pressed($change, $old, $type, $air)],
        );
    }

    /** @return list<Check> */
    private static function judged(PulleyChange $change, ?float $limit): array
    {
        $speed = Show::n($change->speed->value, 5).' rpm';
        $checks = [match (true) {
            null === $limit => Check::watch(
                'limit-unknown', sprintf('It turns %s at the redline. What its maker allows was not given.', $speed),
            ),
            $change->speed->value > $limit => Check::stop(
                'over-speed', sprintf('%s at the redline: over the %s rpm it may turn.', $speed, Show::n($limit, 5)),
            ),
            default => Check::ok('speed', sprintf('%s at the redline, %s rpm are allowed.', $speed, Show::n($limit, 5))),
        }];
        if ($change->beltSpeed->value > PulleyChange::FAST) {
            $checks[] = Check::watch(
                'belt-fast',
                sprintf('The belt runs at %s m/s, over 50: it lifts off and flutters.', Show::n($change->beltSpeed->value, 3)),
            );
        }

        return [...$checks, Check::ok(
            'calibration', 'More or less air is other fuel and spark: have the control unit’s calibration answered before it runs.',
        )];
    }

    /**
     * @param array{Length, Length} $crank
     * @param array{Length, Length} $driven
     *
     * @return list<Working>
     */
    private static function working(PulleyChange $change, array $crank, array $driven, float $redline): array
    {
        return [
            Working::by($change->ratio, 'Ratio', '', 'no slip'),
            Working::by($change->ratioBefore, 'Before', '', 'no slip'),
            Working::by($change->speed, 'Speed', 'rpm', 'no slip', 5),
            Working::by($change->overdrive, 'Faster by', '%', 'no slip', 3),
            Working::by($change->beltSpeed, 'Belt speed', 'm/s', 'no slip', 3),
        ];
    }

    /** @return list<Working> */
    private static function pressed(PulleyChange $change, ?float $old, BlowerType $type, Air $air): array
    {
        $boost = $change->boostFormula($air->pressure);

        return null === $boost || null === $change->pressureRatio ? [] : [
            Working::by($change->pressureRatio, 'Pressure ratio', '', 'an estimate: like efficiency, no slip, nothing let off'),
            Working::by($boost, 'Boost', 'kPa', 'ISO 2533', 3),
        ];
    }
}
