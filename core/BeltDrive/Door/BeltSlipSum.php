<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BeltSlip;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\BeltDrive\SlipDrawing;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\About;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of the belt that may slip: degrees, N, kW and rpm in, N and a margin out. */
final readonly class BeltSlipSum implements Sum
{
    /** Of what is needed: under it, it is said. */
    public const IN_HAND = 1.3;

    public function about(): About
    {
        return new About('belt-slip', 'Does the belt slip', 'What turns', static fn (): array => [
            Field::quantity('ribs', 'Ribs', Kind::Number, '8', '0 where it runs on its back.')->within(0.0, 24.0),
            Field::quantity('wrap', 'Wrap', Kind::Angle, '171°')->within(1.0, 350.0),
            Field::quantity('slack_tension', 'Tension of the slack side', Kind::Force, '320 N')->within(1.0, 10_000.0),
            Field::quantity(
                'power', 'Power taken', Kind::Power, '38 kW', 'By what this pulley drives, at this speed.'
            )->within(0.001, 500.0),
            Field::quantity('speed', 'Speed of this pulley', Kind::Speed, '14000 rpm')->within(1.0, 100_000.0),
            Field::quantity('d', 'Diameter of this pulley', Kind::Length, '74 mm')->within(10.0, 1000.0),
            Field::quantity(
                'friction', 'Friction', Kind::Number, '0.35', 'Rubber on steel, a working value; wet or oily is far less.',
            )->within(0.01, 1.5)->optional(),
        ]);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('It holds', [Headline::figure($r->number('margin'), '×')], sprintf(
            '%s N needed, %s N before it slips', Show::n($r->number('needed'), 3), Show::n($r->number('available'), 3),
        ), true);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return [
            'slip',
            SlipDrawing::of(
                $in->angle('wrap'), $r->number('needed'), $r->number('available'),
                $in->number('slack_tension', Kind::Force),
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $ribs = $in->number('ribs', Kind::Number);
        $wrap = $in->angle('wrap');
        $slack = Force::newtons($in->number('slack_tension', Kind::Force));
        $power = $in->number('power', Kind::Power);
        $speed = $in->number('speed', Kind::Speed);
        $d = $in->length('d');
        $friction = $in->has('friction') ? $in->number('friction', Kind::Number) : BeltSlip::FRICTION;
        $side = $ribs > 0.0 ? Side::Ribs : Side::Back;
        $slip = BeltSlip::of($wrap, $slack, $power, $speed, $d, $friction, $side);

        return new SumResult($this->about()->name, $in->raw, [
            'needed' => Value::of($slip->needed->value, Unit::Newton->value),
            'available' => Value::of($slip->available->value, Unit::Newton->value),
            'margin' => Value::of($slip->margin->value, Unit::One->value),
        ], [self::judged($slip)], [
            Working::by($slip->friction, 'Friction', '', 'wedge of a 40° groove, ISO 9982', with: 'μ '.Show::n($friction)),
            Working::by($slip->needed, 'Needed', 'N', 'power is force by speed', with: sprintf(
                'P %s kW, d %s mm, n %s rpm', Show::n($power), Show::n($d->millimetres), Show::n($speed),
            )),
            Working::by(
                $slip->available, 'Before it slips', 'N', 'Euler and Eytelwein',
                with: sprintf('T₂ %s N, θ %s°', Show::n($slack->newtons), Show::n($wrap->degrees)),
            ),
            Working::by($slip->margin, 'Margin', '', 'under 1.3 is said, a working value'),
        ]);
    }

    private static function judged(BeltSlip $slip): Check
    {
        return match (true) {
            $slip->margin->value < 1.0 => Check::stop(
                'slips',
                sprintf(
                    'It slips: %s of what is needed. More wrap, more ribs, more tension, or a larger pulley.',
                    Show::n($slip->margin->value, 2),
                ),
            ),
            $slip->margin->value < self::IN_HAND => Check::watch(
                'near', sprintf('%s of what is needed: a damp or glazed belt slips.', Show::n($slip->margin->value, 3)),
            ),
            default => Check::ok('holds', sprintf('%s of what is needed.', Show::n($slip->margin->value, 3))),
        };
    }
}
