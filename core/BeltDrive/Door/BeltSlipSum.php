<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\BeltSlip;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\BeltDrive\SlipDrawing;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Core\Sum\Working;

/** The door of the belt that may slip: degrees, N, kW and rpm in, N and a margin out. */
final readonly class BeltSlipSum implements Sum
{
    /** Of what is needed: under it, it is said. */
    public const IN_HAND = 1.3;

    public function name(): string
    {
        return 'belt-slip';
    }

    public function summary(): string
    {
        return 'Does the belt slip';
    }

    public function group(): string
    {
        return 'What turns';
    }

    public function fields(): array
    {
        return [
            Field::quantity('ribs', 'Ribs', Kind::Number, '8', '0 where it runs on its back.'),
            Field::quantity('wrap', 'Wrap', Kind::Angle, '171°'),
            Field::quantity('slack_tension', 'Tension of the slack side', Kind::Force, '320 N'),
            Field::quantity('power', 'Power taken', Kind::Power, '38 kW', 'By what this pulley drives, at this speed.'),
            Field::quantity('speed', 'Speed of this pulley', Kind::Speed, '14000 rpm'),
            Field::quantity('d', 'Diameter of this pulley', Kind::Length, '74 mm'),
            Field::quantity(
                'friction', 'Friction', Kind::Number, '0.35', 'Rubber on steel, a working value; wet or oily is far less.',
            )->optional(),
        ];
    }

    public function example(): array
    {
        return [
            'ribs' => '8', 'wrap' => '171°', 'slack_tension' => '320 N', 'power' => '38 kW', 'speed' => '14000 rpm', 'd' => '74 mm',
        ];
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
                $in->angle('wrap', 1.0, 350.0), $r->number('needed'), $r->number('available'),
                $in->number('slack_tension', Kind::Force),
            ),
        ];
    }

    public function compute(Inputs $in): SumResult
    {
        $ribs = $in->between('ribs', Kind::Number, 0.0, 24.0);
        $wrap = $in->angle('wrap', 1.0, 350.0);
        $slack = Force::newtons($in->between('slack_tension', Kind::Force, 1.0, 10_000.0));
        $power = $in->between('power', Kind::Power, 0.001, 500.0);
        $speed = $in->between('speed', Kind::Speed, 1.0, 100_000.0);
        $d = $in->length('d', 10.0, 1000.0);
        $friction = $in->has('friction') ? $in->between('friction', Kind::Number, 0.01, 1.5) : BeltSlip::FRICTION;
        $side = $ribs > 0.0 ? Side::Ribs : Side::Back;
        $slip = BeltSlip::of($wrap, $slack, $power, $speed, $d, $friction, $side);

        return new SumResult($this->name(), $in->raw, [
            'needed' => Value::of($slip->needed->newtons, Unit::Newton->value),
            'available' => Value::of($slip->available->newtons, Unit::Newton->value),
            'margin' => Value::of($slip->margin, Unit::One->value),
        ], [self::judged($slip)], [
            new Working(
                'Friction', Side::Ribs === $side ? 'μ′ = μ/sin 20°' : 'μ′ = μ', 'μ '.Show::n($friction),
                Show::n($slip->friction), 'wedge of a 40° groove, ISO 9982',
            ),
            new Working('Needed', 'F = P/v, v = π d n', sprintf(
                'P %s kW, d %s mm, n %s rpm', Show::n($power), Show::n($d->millimetres), Show::n($speed),
            ), Show::n($slip->needed->newtons).' N', 'power is force by speed'),
            new Working(
                'Before it slips', 'T₂(e^(μ′θ) − 1)',
                sprintf('T₂ %s N, θ %s°', Show::n($slack->newtons), Show::n($wrap->degrees)),
                Show::n($slip->available->newtons).' N', 'Euler and Eytelwein',
            ),
            new Working('Margin', 'before it slips/needed', sprintf(
                '%s/%s N', Show::n($slip->available->newtons), Show::n($slip->needed->newtons),
            ), Show::n($slip->margin), 'under 1.3 is said, a working value'),
        ]);
    }

    private static function judged(BeltSlip $slip): Check
    {
        return match (true) {
            $slip->margin < 1.0 => Check::stop(
                'slips',
                sprintf(
                    'It slips: %s of what is needed. More wrap, more ribs, more tension, or a larger pulley.',
                    Show::n($slip->margin, 2),
                ),
            ),
            $slip->margin < self::IN_HAND => Check::watch(
                'near', sprintf('%s of what is needed: a damp or glazed belt slips.', Show::n($slip->margin, 3)),
            ),
            default => Check::ok('holds', sprintf('%s of what is needed.', Show::n($slip->margin, 3))),
        };
    }
}
