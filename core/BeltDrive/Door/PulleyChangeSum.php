<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BlowerType;
use NimbleKnuckle\Core\BeltDrive\PulleyChange;
use NimbleKnuckle\Core\BeltDrive\PulleyDrawing;
use NimbleKnuckle\Core\Quantity\Air;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
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

/** The door of another pulley: mm and rpm in, rpm, m/s and kPa out. */
final readonly class PulleyChangeSum implements Sum
{
    public function name(): string
    {
        return 'pulley-change';
    }

    public function summary(): string
    {
        return 'Another pulley: speed and boost';
    }

    public function group(): string
    {
        return 'What turns';
    }

    public function fields(): array
    {
        return [
            Field::quantity('crank', 'Crank pulley', Kind::Length, '152 mm', 'Its diameter.'),
            Field::quantity('crank_new', 'Crank pulley after', Kind::Length, '160 mm', 'Where that one is changed too.')->optional(),
            Field::quantity('old', 'Driven pulley before', Kind::Length, '74 mm'),
            Field::quantity('new', 'Driven pulley after', Kind::Length, '68 mm'),
            Field::quantity('redline', 'Redline', Kind::Speed, '6800 rpm'),
            Field::quantity('limit', 'The driven side may turn', Kind::Speed, '16000 rpm', 'By its maker.')->optional(),
            Field::quantity(
                'pressure_ratio_old', 'Pressure ratio before', Kind::Number, '1.45', 'Absolute after over absolute before, at the redline.',
            )->optional(),
            Field::choice('type', 'Kind of blower', [
                'positive-displacement' => 'a fixed volume each turn', 'centrifugal' => 'a wheel that throws the air',
            ])->optional(),
            Field::quantity('altitude', 'Altitude', Kind::Altitude, '640 m')->optional(),
        ];
    }

    public function example(): array
    {
        return [
            'crank' => '152 mm', 'old' => '74 mm', 'new' => '68 mm', 'redline' => '6800 rpm', 'limit' => '16000 rpm',
            'pressure_ratio_old' => '1.45', 'altitude' => '640 m',
        ];
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
        $crank = $in->length('crank', 20.0, 1000.0);

        return [
            [$crank, $in->has('crank_new') ? $in->length('crank_new', 20.0, 1000.0) : $crank],
            [$in->length('old', 20.0, 1000.0), $in->length('new', 20.0, 1000.0)],
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        [$crank, $driven] = self::diameters($in);
        $redline = $in->between('redline', Kind::Speed, 500.0, 20_000.0);
        $old = $in->has('pressure_ratio_old') ? $in->between('pressure_ratio_old', Kind::Number, 1.0, 6.0) : null;
        $named = $in->has('type') ? $in->oneOf('type', ...array_column(BlowerType::cases(), 'value')) : 'positive-displacement';
        $type = BlowerType::from($named);
        $air = Air::at($in->has('altitude') ? $in->between('altitude', Kind::Altitude, -430.0, 6000.0) : 0.0);
        $change = PulleyChange::of($crank, $driven, $redline, $old, $type);
        $limit = $in->has('limit') ? $in->between('limit', Kind::Speed, 100.0, 100_000.0) : null;
        $boost = $change->boost($air->pressure);
        null === $change->pressureRatio || $change->pressureRatio > 0.0 || throw InvalidInput::in(
            'new', 'Such a pulley would turn the blower backwards: check the diameters.',
        );
        $values = [
            'ratio' => Value::of($change->ratio, Unit::One->value), 'speed' => Value::of($change->speed, Unit::PerMinute->value),
            'overdrive' => Value::of($change->overdrive, Unit::Percent->value), 'belt_speed' => Value::of(
                $change->beltSpeed, Unit::MetrePerSecond->value,
            ),
        ];
        if (null !== $change->pressureRatio && null !== $boost) {
            $values['pressure_ratio'] = Value::of($change->pressureRatio, Unit::One->value);
            $values['boost'] = Value::of($boost->kilopascals, Unit::Kilopascal->value);
        }

        return new SumResult(
            $this->name(), $in->raw, $values, self::judged($change, $limit),
            [...self::working($change, $crank, $driven, $redline), ...self::pressed($change, $old, $type, $air)],
        );
    }

    /** @return list<Check> */
    private static function judged(PulleyChange $change, ?float $limit): array
    {
        $speed = Show::n($change->speed, 5).' rpm';
        $checks = [match (true) {
            null === $limit => Check::watch(
                'limit-unknown', sprintf('It turns %s at the redline. What its maker allows was not given.', $speed),
            ),
            $change->speed > $limit => Check::stop(
                'over-speed', sprintf('%s at the redline: over the %s rpm it may turn.', $speed, Show::n($limit, 5)),
            ),
            default => Check::ok('speed', sprintf('%s at the redline, %s rpm are allowed.', $speed, Show::n($limit, 5))),
        }];
        if ($change->beltSpeed > PulleyChange::FAST) {
            $checks[] = Check::watch(
                'belt-fast',
                sprintf('The belt runs at %s m/s, over 50: it lifts off and flutters.', Show::n($change->beltSpeed, 3)),
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
        $sizes = sprintf('%s/%s mm', Show::n($crank[1]->millimetres), Show::n($driven[1]->millimetres));

        return [
            new Working('Ratio', 'crank/driven', $sizes, Show::n($change->ratio), 'no slip'),
            new Working('Before', 'crank/driven', sprintf(
                '%s/%s mm', Show::n($crank[0]->millimetres), Show::n($driven[0]->millimetres),
            ), Show::n($change->ratioBefore), 'no slip'),
            new Working('Speed', 'redline · ratio', Show::n($redline).' rpm', Show::n($change->speed, 5).' rpm', 'no slip'),
            new Working('Faster by', 'ratio/before − 1', sprintf(
                '%s/%s', Show::n($change->ratio), Show::n($change->ratioBefore),
            ), Show::n($change->overdrive, 3).' %', 'no slip'),
            new Working('Belt speed', 'π · crank · redline/60', $sizes, Show::n($change->beltSpeed, 3).' m/s', 'no slip'),
        ];
    }

    /** @return list<Working> */
    private static function pressed(PulleyChange $change, ?float $old, BlowerType $type, Air $air): array
    {
        $boost = $change->boost($air->pressure);
        if (null === $old || null === $boost || null === $change->pressureRatio) {
            return [];
        }

        return [
            new Working(
                'Pressure ratio', BlowerType::Centrifugal === $type ? '1 + (PR₀ − 1)(n/n₀)²' : 'PR₀ · n/n₀',
                sprintf('PR₀ %s', Show::n($old)),
                Show::n($change->pressureRatio), 'an estimate: like efficiency, no slip, nothing let off',
            ),
            new Working(
                'Boost', '(PR − 1) · air outside', Show::n($air->pressure->kilopascals).' kPa outside',
                Show::n($boost->kilopascals, 3).' kPa', 'ISO 2533',
            ),
        ];
    }
}
