<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\ChargeAir\ChargePath;
use NimbleKnuckle\Core\ChargeAir\ChargeSection;
use NimbleKnuckle\Core\ChargeAir\PathDrawing;
use NimbleKnuckle\Core\Fluids\AirFields;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of the charge path: mm, kPa and °C in, m/s and kPa out. */
final readonly class ChargePathSum implements Sum
{
    private const FILLED = 0.95;

    public function about(): About
    {
        return new About('charge-path', 'Where the charge pipes choke', 'Charge air', static fn (): array => [
            Field::text('engine', 'Engine', '2.0 L 6500 rpm 95', 'Litres, speed, and how well it fills in percent; or what it breathes.')
                ->optional(),
            Field::quantity('flow', 'It breathes', Kind::MassFlow, '238 g/s')->within(1.0, 5000.0)->optional(),
            Field::quantity('boost', 'Boost', Kind::Pressure, '110 kPa')->within(0.0, 700.0),
            Field::quantity('temperature', 'Air in the pipes', Kind::Temperature, '45 °C')->within(-40.0, 300.0),
            Field::text(
                'sections', 'Pipes, in the way of the air', 'hot pipe 57 900 90/85 45/85; cold pipe 63.5 700 90/95',
                'Name, inside, length in mm; each bend as degrees/radius of its centre line.',
            ),
            Field::text('sizes', 'Sizes on the shelf', '57; 63.5; 70', 'Inside, in mm: what one size up would save.')->optional(),
            ...AirFields::all(),
        ], ['engine', 'sections' => 'hot pipe 50.8 600 90/76; cooler tank 76 120; cold pipe 57 900 90/85 45/85',
            'sizes' => '50.8; 57; 63.5']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('The pipes cost', [Headline::figure($r->number('loss'), 'kPa')], Headline::joined(
            sprintf('most of it the %s', $r->entries('worst')[0] ?? ''),
            $r->has('saves') ? sprintf('a size up there saves %s kPa', Show::n($r->number('saves'), 2)) : '',
        ), true);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['tube', PathDrawing::of(SectionReading::all($in), $this->path($in))];
    }

    private function path(Inputs $in): ChargePath
    {
        return ChargePath::of(SectionReading::all($in), self::flow($in), self::absolute($in), self::celsius($in));
    }

    public function compute(Inputs $in): SumResult
    {
        $sections = SectionReading::all($in);
        $path = $this->path($in);
        $flow = self::flow($in);
        $worst = $sections[$path->worst];
        $larger = $this->larger($in, $worst->d);
        $wide = array_map(
            static fn (ChargeSection $one): ChargeSection => $one === $worst && null !== $larger ? $one->wide($larger) : $one, $sections,
        );
        $saves = null === $larger ? null : $path->loss - ChargePath::of($wide, $flow, self::absolute($in), self::celsius($in))->loss;
        $fill = $path->fillTime($in->number('boost', Kind::Pressure), $flow, self::celsius($in));

        return new SumResult($this->about()->name, $in->raw, array_filter([
            'velocity' => Value::listOf(array_column($path->parts, 'velocity'), Unit::MetrePerSecond->value),
            'mach' => Value::listOf(array_column($path->parts, 'mach'), Unit::One->value),
            'section_loss' => Value::listOf(array_column($path->parts, 'loss'), Unit::Kilopascal->value),
            'flow' => Value::of(1000 * $flow, Unit::GramPerSecond->value), 'loss' => Value::of($path->loss, Unit::Kilopascal->value),
            'volume' => Value::of($path->volume, Unit::Litre->value), 'fill_time' => Value::of($fill, Unit::Second->value),
            'worst' => Value::names([$worst->name]), 'saves' => null === $saves ? null : Value::of($saves, Unit::Kilopascal->value),
        ]), self::judged($path, $sections, $saves, $larger), [
            AirFields::working(AirFields::read($in)),
            new Working('It breathes', $in->has('flow') ? 'as given' : 'η ρ V n/120',
                $in->has('flow') ? $in->text('flow') : sprintf(
                    'p %s kPa absolute', Show::n(self::absolute($in)),
                ), Show::n(1000 * $flow, 4).' g/s', 'four-stroke'),
            ...array_map(static fn (ChargeSection $one, array $part): Working => new Working(
                ucfirst($one->name), 'Δp = (f l/D + Σk) ρ v²/2, and the step to the next', sprintf(
                    '%s mm, v %s m/s, Mach %s', Show::n($one->d), Show::n($part['velocity'], 3), Show::n($part['mach'], 2),
                ), Show::n($part['loss'], 3).' kPa', 'Haaland; bends after Weisbach; steps after Borda and Carnot',
            ), $sections, $path->parts),
            Working::by(
                $path->fillFormula($in->number('boost', Kind::Pressure), $flow, self::celsius($in)), 'Time to fill', 'ms', 'ideal gas', 3,
            ),
        ]);
    }

    /** kg/s */
    private static function flow(Inputs $in): float
    {
        if ($in->has('flow')) {
            return $in->number('flow', Kind::MassFlow) / 1000;
        }
        $in->has('engine') || throw InvalidInput::missing('engine', '2.0 L 6500 rpm 95');
        $engine = (new Entries(['litres' => Kind::Volume, 'rpm' => Kind::Speed, 'efficiency?' => Kind::Number]))->one($in, 'engine');
        $filled = $engine->maybe('efficiency') ?? self::FILLED;
        $filled = $filled > 2.0 ? $filled / 100 : $filled;
        $engine->number('litres') > 0.0 && $engine->number('litres') < 30.0 && $engine->number('rpm') > 100.0 && $filled > 0.2
            && $filled < 1.6 || throw InvalidInput::in('engine', 'Litres up to 30, a speed over 100 rpm, 20 to 160 % filled.');

        return ChargePath::breathed($engine->number('litres'), $engine->number('rpm'), $filled, self::absolute($in), self::celsius($in));
    }

    private static function absolute(Inputs $in): float
    {
        return AirFields::read($in)->pressure->kilopascals + $in->number('boost', Kind::Pressure);
    }

    private static function celsius(Inputs $in): float
    {
        return $in->number('temperature', Kind::Temperature);
    }

    private function larger(Inputs $in, float $d): ?float
    {
        $sizes = $in->has('sizes') ? $in->numbers('sizes', Kind::Length) : [];
        sort($sizes);
        foreach ($sizes as $size) {
            if ($size > $d + 0.5) {
                return $size;
            }
        }

        return null;
    }

    /**
     * @param non-empty-list<ChargeSection> $sections
     *
     * @return non-empty-list<Check>
     */
    private static function judged(ChargePath $path, array $sections, ?float $saves, ?float $larger): array
    {
        $mach = $path->parts[$path->fastest]['mach'] ?? 0.0;
        $fast = $sections[$path->fastest]->name;
        $checks = [$mach > ChargePath::FAST
            ? Check::watch('fast', sprintf('Mach %s in the %s: over 0.3 the losses run away.', Show::n($mach, 2), $fast))
            : Check::ok('speed', sprintf('Mach %s at the most, in the %s.', Show::n($mach, 2), $fast))];
        if (null !== $saves && null !== $larger) {
            $checks[] = Check::ok('saves', sprintf(
                'The %s at %s mm would save %s kPa.', $sections[$path->worst]->name, Show::n($larger, 3), Show::n($saves, 2),
            ));
        }

        return $checks;
    }
}
