<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit\Door;

use NimbleKnuckle\Core\PressFit\FitDrawing;
use NimbleKnuckle\Core\PressFit\Measured;
use NimbleKnuckle\Core\PressFit\PartMaterial;
use NimbleKnuckle\Core\PressFit\PressFit;
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

/** The door of the press fit: mm and °C in, MPa, N, N·m and °C out. */
final readonly class PressFitSum implements Sum
{
    public const CLEARANCE = 0.05;
    private const STRESSED = 0.8;
    private const RUBBER = 110.0;
    private const SOFT = 150.0;
    /** °C at which steel glows: more is told as more. */
    private const GLOWS = 700;
    /** MPa, over which no steel of a hub or shaft is sold. */
    private const ANY_STEEL = 2_000.0;
    private const COLDEST = -190.0;
    /** Taper or ovality over this share of the interference is said. */
    private const UNEVEN = 0.25;

    public function about(): About
    {
        return new About('press-fit', 'Press fit of a hub or damper', 'What turns', static fn (): array => [
            Field::text(
                'shaft', 'Shaft', '32.000',
                'One diameter, or readings: at each place along, across once or more; “32.002 32.001; 32.000 31.999”.',
            ),
            Field::text('bore', 'Bore of the hub', '31.965', 'The same.'),
            Field::quantity(
                'hub', 'Outside of the hub', Kind::Length, '60 mm', 'Of the part that is stretched, not of the ring on rubber.',
            )->within(5.0, 2000.0),
            Field::quantity('hollow', 'Bore of the shaft', Kind::Length, '12 mm')->within(0.0, 1000.0)->optional(),
            Field::quantity('length', 'Length of the fit', Kind::Length, '30 mm')->within(1.0, 500.0),
            Field::text('temperature', 'Measured at', '20 °C', 'One for both, or shaft; hub.')->optional(),
            Field::text('roughness', 'Roughness Rz, shaft; hub', '4 µm; 6 µm')->optional(),
            Field::text(
                'materials', 'Shaft; hub', 'steel 400; cast iron 250',
                'steel, cast iron or aluminium, and where it yields in MPa if that is known.',
            )->optional(),
            Field::text('friction', 'Friction', 'oiled', 'oiled, dry, or a number.')->optional(),
            Field::quantity('clearance', 'Clearance to slip it on', Kind::Length, '0.05 mm')->within(0.0, 2.0)->optional(),
            Field::flag('bonded', 'Rubber in it'),
        ], ['hollow', 'materials' => 'steel 420; steel 355', 'friction']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('Press on with', [Headline::figure($r->number('force') / 1000, 'kN')], Headline::joined(
            sprintf('%s mm tight', Show::n($r->number('interference'), 3)), sprintf(
                'or slip it on at %s °C', Show::n($r->number('heat_to'), 3),
            ),
        ), true);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['press', FitDrawing::of(
            Length::millimetres($this->measured($in, 'shaft')->mean), $in->length('hub'),
            Length::millimetres($in->has('hollow') ? $in->number('hollow', Kind::Length) : 0.0),
            Length::millimetres($r->number('interference')),
        )];
    }

    private function measured(Inputs $in, string $field): Measured
    {
        $raw = $in->raw[$field] ?? null;
        $places = match (true) {
            is_array($raw) => Inputs::of([$field => array_map(
                static fn (mixed $one): mixed => is_array($one) ? $one : [$one], array_values($raw),
            )], [Field::text($field, '', '')])->rows($field, 1, 8),
            is_string($raw) && 1 === preg_match('~[;\[]|\d\s+\d~', $raw) => $in->rows($field, 1, 8),
            default => [[$in->number($field, Kind::Length)]],
        };
        $measured = Measured::of($places);
        $measured->mean > 1.0 && $measured->mean < 1000.0 || throw InvalidInput::in($field, 'A diameter between 1 and 1 000 mm is needed.');

        return $measured;
    }

    public function compute(Inputs $in): SumResult
    {
        [$shaft, $bore] = [$this->measured($in, 'shaft'), $this->measured($in, 'bore')];
        $materials = PartReading::materials($in);
        [$at, $hubAt] = PartReading::pair($in, 'temperature', Kind::Temperature, 20.0);
        [$d, $hole] = [$materials[0]->atTwenty($shaft->mean, $at), $materials[1]->atTwenty($bore->mean, $hubAt)];
        $outside = $in->length('hub');
        $inside = $in->has('hollow') ? $in->number('hollow', Kind::Length) : 0.0;
        $outside->millimetres > $d || throw InvalidInput::in('hub', 'The hub must be larger outside than the shaft.');
        $inside < $d || throw InvalidInput::in('hollow', 'The bore of the shaft must be smaller than the shaft.');
        $fit = PressFit::of(
            [Length::millimetres($d), Length::millimetres($hole), $outside, Length::millimetres($inside)], $materials,
            $in->length('length'), Length::millimetres(array_sum(PartReading::pair($in, 'roughness', Kind::Length, 0.0))),
            PartReading::friction($in),
            Length::millimetres($in->has('clearance') ? $in->number('clearance', Kind::Length) : self::CLEARANCE),
        );

        return new SumResult($this->about()->name, $in->raw, [
            'interference' => Value::of($fit->interference->value, Unit::Millimetre->value),
            'pressure' => Value::of($fit->stress->pressure->value, Unit::Megapascal->value),
            'hoop' => Value::of($fit->stress->hoop->value, Unit::Megapascal->value),
            'equivalent' => Value::of($fit->stress->equivalent->value, Unit::Megapascal->value),
            'shaft_bore' => Value::of($fit->stress->shaftBore->value, Unit::Megapascal->value),
            'force' => Value::of($fit->force->value, Unit::Newton->value),
            'slip_torque' => Value::of($fit->slips->value, Unit::NewtonMetre->value),
            'heat_to' => Value::of($fit->heat->value, Unit::Celsius->value),
            'chill_to' => Value::of($fit->chill->value, Unit::Celsius->value),
            'taper' => Value::listOf([$shaft->taper, $bore->taper], Unit::Millimetre->value),
            'ovality' => Value::listOf([$shaft->ovality, $bore->ovality], Unit::Millimetre->value),
        ], [
            ...self::judged($fit, $materials, $in->flag('bonded')), ...self::even($fit, $shaft, $bore),
        ], self::working($fit));
    }

    /**
     * @param array{PartMaterial, PartMaterial} $materials
     *
     * @return list<Check>
     */
    private static function judged(PressFit $fit, array $materials, bool $bonded): array
    {
        if ($fit->works->millimetres <= 0.0) {
            return [Check::stop('no-interference', sprintf(
                'Nothing holds it: the shaft is %s mm %s than the bore.', Show::n(abs($fit->interference->value), 2),
                $fit->interference->value > 0.0 ? 'larger, no more than its roughness,' : 'smaller',
            ))];
        }
        $checks = [];
        $parts = [['shaft', $fit->stress->shaftBore, $materials[0]], ['hub', $fit->stress->equivalent, $materials[1]]];
        foreach ($parts as [$part, $stress, $material]) {
            $checks[] = match (true) {
                0.0 === $stress->value => null,
                $stress->value > ($material->yield->megapascals ?? self::ANY_STEEL) => Check::stop('stress', sprintf(
                    '%s MPa in the %s would be past %s: it gives way before, and nothing worked out here holds. Measure shaft and '
                        .'bore again.',
                    Show::n($stress->value, 3), $part, null === $material->yield ? 'what any steel stands'
                        : sprintf('its yield of %s MPa', Show::n($material->yield->megapascals, 3)),
                )),
                null === $material->yield => Check::watch('yield-unknown', sprintf(
                    '%s MPa in the %s. Where its %s yields is not known.', Show::n($stress->value, 3), $part, $material->name,
                )),
                $stress->value > self::STRESSED * $material->yield->megapascals => Check::stop('stress', sprintf(
                    '%s MPa in the %s: over 80 %% of the %s MPa it stands.', Show::n($stress->value, 3), $part,
                    Show::n($material->yield->megapascals, 3),
                )),
                default => Check::ok('stress', sprintf(
                    '%s MPa in the %s, of %s MPa.', Show::n($stress->value, 3), $part, Show::n($material->yield->megapascals, 3),
                )),
            };
        }

        return array_values(array_filter([...$checks, ...self::warmed($fit, $materials[1], $bonded)]));
    }

    /** @return list<?Check> whether it can be slipped on instead */
    private static function warmed(PressFit $fit, PartMaterial $hub, bool $bonded): array
    {
        $heat = $fit->heat->value;
        $said = $heat > self::GLOWS ? sprintf('over %d', self::GLOWS) : Show::n($heat, 3);

        return [
            match (true) {
                $bonded && $heat > self::RUBBER => Check::stop('rubber', sprintf(
                    'Slipping it on takes %s °C: over 110 °C the rubber is done for. Press it.', $said,
                )),
                'aluminium' === $hub->name && $heat > self::SOFT => Check::watch('soft', sprintf(
                    'Slipping it on takes %s °C: over 150 °C aluminium goes soft.', $said,
                )),
                default => null,
            },
            $fit->chill->value < self::COLDEST ? Check::ok(
                'chill', $fit->chill->value < Unit::Kelvin->offset() ? 'No cold makes the shaft small enough to slip in.'
                    : sprintf('Chilling the shaft to %s °C cannot be had.', Show::n($fit->chill->value, 3)),
            ) : null,
        ];
    }

    /** @return list<Check> */
    private static function even(PressFit $fit, Measured $shaft, Measured $bore): array
    {
        $checks = [];
        foreach (['shaft' => $shaft, 'bore' => $bore] as $what => $measured) {
            foreach (['tapered' => $measured->taper, 'oval' => $measured->ovality] as $how => $off) {
                if ($off > self::UNEVEN * max(0.0, $fit->interference->value) && $off > 0.0) {
                    $checks[] = Check::watch(
                        $how, sprintf('The %s is %s by %s mm: a large part of the fit.', $what, $how, Show::n($off, 2)),
                    );
                }
            }
        }

        return $checks;
    }

    /** @return list<Working> */
    private static function working(PressFit $fit): array
    {
        return [
            Working::by($fit->interference, 'Interference', 'mm', sprintf(
                'at 20 °C; less %s (Rz + Rz) works', Show::n(PressFit::SMOOTHED),
            )),
            Working::by(
                $fit->stress->pressure, 'Pressure', 'MPa', 'Lamé; DIN 7190-1', with: 'Δ '.Show::n($fit->works->millimetres).' mm',
            ),
            Working::by($fit->stress->hoop, 'Hoop in the hub', 'MPa', 'Lamé'),
            Working::by($fit->stress->equivalent, 'Equivalent', 'MPa', 'von Mises, plane stress'),
            Working::by($fit->stress->shaftBore, 'In the bore of the shaft', 'MPa', 'Lamé; nothing in a solid one'),
            Working::by($fit->force, 'Press force', 'N', 'friction high, a working value'),
            Working::by($fit->slips, 'Carries', 'N·m', 'friction low; the fit alone, no key'),
            Working::by($fit->heat, 'Slips on warm', '°C', 'handbook α', 3),
            Working::by($fit->chill, 'Shaft chilled', '°C', 'handbook α, less when cold', 3),
        ];
    }
}
