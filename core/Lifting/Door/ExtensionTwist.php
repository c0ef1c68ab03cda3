<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting\Door;

use NimbleKnuckle\Core\Lifting\Twist;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Torque;
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
use NimbleKnuckle\Core\Tightening\AngleDrawing;

/** The door of the twist of an extension: N·m and mm in, degrees out. */
final readonly class ExtensionTwist implements Sum
{
    /** ° an angle read at the handle may be off before it is worth a word. */
    private const SMALL = 5.0;

    public function about(): About
    {
        return new About('extension-twist', 'Twist of a long extension', 'Lifting and mounts', static fn (): array => [
            Field::quantity('torque', 'Torque', Kind::Torque, '90 N·m')->within(0.1, 3000.0),
            Field::quantity(
                'snug', 'Angle counted from', Kind::Torque, '20 N·m', 'The torque before the angle begins.'
            )->within(0.0, 3000.0)->optional(),
            Field::quantity('length', 'Length of the extension', Kind::Length, '500 mm')->within(1.0, 5000.0),
            Field::quantity('diameter', 'Its diameter', Kind::Length, '12.7 mm', 'The thinnest of the shank.')->within(1.0, 100.0),
            Field::quantity('inner', 'Bore, if hollow', Kind::Length, '6 mm')->within(0.0, 100.0)->optional(),
            Field::quantity('play', 'Play in the joints', Kind::Angle, '3°', 'Before anything turns.')->within(0.0, 180.0)->optional(),
        ], ['snug']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'It twists by', [Headline::figure($r->number('twist'), '°')],
            sprintf('an angle at the handle reads %s° too much', Digits::significant($r->number('overstates'))),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['head', AngleDrawing::of(Angle::degrees($r->number('overstates')))];
    }

    /** @throws InvalidInput */
    private static function read(Inputs $in): Twist
    {
        $torque = $in->torque('torque');
        $snug = $in->has('snug') ? $in->number('snug', Kind::Torque) : 0.0;
        $snug <= $torque->newtonMetres || throw InvalidInput::in('snug', 'The angle begins at a torque below the last one.');
        $diameter = $in->length('diameter');
        $inner = $in->has('inner') ? $in->number('inner', Kind::Length) : 0.0;
        $inner < $diameter->millimetres || throw InvalidInput::in('inner', 'A bore is smaller than the extension around it.');

        return Twist::of($torque, Torque::newtonMetres($snug), $in->length('length'), $diameter, Length::millimetres($inner));
    }

    public function compute(Inputs $in): SumResult
    {
        $twist = self::read($in);
        $play = $in->has('play') ? $in->number('play', Kind::Angle) : 0.0;
        $over = $twist->overstates->degrees;
        $said = sprintf('An angle read at the handle is %s° more than the bolt turns.', Show::n($over, 3));

        return new SumResult($this->about()->name, $in->raw, [
            'twist' => Value::of($twist->twist->degrees, Unit::Degree->value), 'overstates' => Value::of($over, Unit::Degree->value),
            'play' => Value::of($play, Unit::Degree->value),
        ], [
            $over > self::SMALL ? Check::watch('angle', $said.' Read it at the bolt, or count it in.') : Check::ok('angle', $said),
            Check::ok('torque', 'The torque of a click wrench is not changed by a straight extension.'),
        ], $this->working($in, $twist, $play));
    }

    /** @return list<Working> */
    private function working(Inputs $in, Twist $twist, float $play): array
    {
        return [
            Working::by(
                $twist->second, 'Polar second moment', 'mm⁴', 'strength of materials',
                with: sprintf('D %s mm', Show::n($in->number('diameter', Kind::Length))),
            ),
            Working::by(
                $twist->turned, 'Twist', '', 'strength of materials, of steel; radians made degrees',
                result: Show::n($twist->twist->degrees).'°',
            ),
            Working::by(
                $twist->over, 'An angle at the handle overstates by', '', 'only what comes after snug is counted',
                result: Show::n($twist->overstates->degrees).'°',
            ),
            ...(0.0 === $play ? [] : [new Working(
                'Play, apart', 'taken up once', Show::n($play).'°', Show::n($play).'°', 'before the angle is counted',
            )]),
        ];
    }
}
