<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting\Door;

use NimbleKnuckle\Core\Lifting\Gap;
use NimbleKnuckle\Core\Lifting\GapPart;
use NimbleKnuckle\Core\Lifting\StopGapDrawing;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
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

/** The door of a gap hot and rocking: mm, 1e-6/K, K and degrees in, mm out. */
final readonly class Clearance implements Sum
{
    public function about(): About
    {
        return new About('clearance', 'Gap hot and rocking', 'Lifting and mounts', static fn (): array => [
            Field::quantity('cold', 'Gap, cold and at rest', Kind::Length, '12 mm')->within(0.0, 5000.0),
            Field::text(
                'parts', 'What grows', 'moving 450 mm 23 70; frame 300 mm 12 30',
                'Side (moving or frame), length, expansion in 1e-6/K, how much hotter in K. Aluminium 23, steel 12.',
            )->optional(),
            Field::text('roll', 'Engine rocks by', '1.2° 300 mm', 'Angle, and how far the place is from the roll axis.')->optional(),
            Field::quantity('least', 'Least gap wanted', Kind::Length, '5 mm')->within(0.0, 1000.0)->optional(),
        ], ['parts' => 'moving 450 23 70; frame 300 12 30', 'roll' => '1.2° 300', 'least']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('Left at the worst', [Headline::figure($r->number('rocking'), 'mm')], sprintf(
            '%s mm hot at rest', Show::n($r->number('hot'), 3),
        ));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['gap', StopGapDrawing::of([
            'cold' => $in->number('cold', Kind::Length), 'hot' => $r->number('hot'), 'rocking' => $r->number('rocking'),
        ], $in->has('least') ? $in->number('least', Kind::Length) : 0.0)];
    }

    /**
     * @return list<GapPart>
     *
     * @throws InvalidInput
     */
    private static function parts(Inputs $in): array
    {
        $columns = new Entries(
            ['length' => Kind::Length, 'α|alpha' => Kind::Number, 'rise' => Kind::Number], ['side' => ['moving', 'frame']],
        );

        return array_map(static function (Entry $one): GapPart {
            '' !== $one->word('side', '') || throw InvalidInput::in('parts', 'Say of each part which side it is on: moving or frame.');
            abs($one->number('rise')) <= 1500.0 || throw InvalidInput::in('parts', 'Past 1500 K: check the rise.');

            return new GapPart(
                'moving' === $one->word('side', ''), Length::millimetres($one->number('length')), $one->number('α'), $one->number('rise'),
            );
        }, $in->has('parts') ? $columns->of($in, 'parts') : []);
    }

    public function compute(Inputs $in): SumResult
    {
        $parts = self::parts($in);
        $roll = $in->has('roll') ? (new Entries(['angle' => Kind::Angle, 'lever' => Kind::Length]))->one($in, 'roll') : null;
        $least = $in->has('least') ? $in->number('least', Kind::Length) : 0.0;
        $gap = Gap::of(
            Length::millimetres($in->number('cold', Kind::Length)), $parts,
            Angle::degrees(abs($roll?->number('angle') ?? 0.0)),
            Length::millimetres(abs($roll?->number('lever') ?? 0.0)), Length::millimetres($least),
        );

        return new SumResult($this->about()->name, $in->raw, [
            'hot' => Value::of($gap->hot->millimetres, Unit::Millimetre->value),
            'rocking' => Value::of($gap->rocking->value, Unit::Millimetre->value),
            'margin' => Value::of($gap->margin->value, Unit::Millimetre->value),
        ], [self::judged($gap, $least)], self::working($in, $gap, $parts, $roll, $least));
    }

    private static function judged(Gap $gap, float $least): Check
    {
        $left = $gap->rocking->value;

        return match (true) {
            $left < 0.0 => Check::stop('gap', sprintf('They touch: %s mm too little. Move or trim one of them.', Show::n(-$left, 3))),
            $left < $least => Check::watch('gap', sprintf('%s mm is left, and %s mm is wanted.', Show::n($left, 3), Show::n($least, 3))),
            default => Check::ok('gap', sprintf('%s mm is left, hot and rocking.', Show::n($left, 3))),
        };
    }

    /**
     * @param list<GapPart> $parts
     *
     * @return list<Working>
     */
    private static function working(Inputs $in, Gap $gap, array $parts, ?Entry $roll, float $least): array
    {
        $grown = implode(' ', array_map(static fn (GapPart $part): string => sprintf(
            '%s %s', $part->moves ? '−' : '+', Show::n($part->growth()->millimetres, 3),
        ), $parts));
        $angle = null === $roll ? '0' : Show::n(deg2rad(abs($roll->number('angle'))), 4);

        return [
            new Working(
                'Hot', 'cold − Σ moving α L ΔT + Σ frame α L ΔT', trim(Show::n($in->number('cold', Kind::Length)).' '.$grown),
                Show::n($gap->hot->millimetres).' mm', 'linear expansion',
            ),
            Working::by($gap->rocking, 'Rocking', 'mm', 'small angles'),
            Working::by($gap->margin, 'Margin', 'mm', 'definition'),
        ];
    }
}
