<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting\Door;

use NimbleKnuckle\Core\Lifting\Twist;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;
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
use NimbleKnuckle\Core\Tightening\AngleDrawing;

/** The door of the twist of an extension: N·m and mm in, degrees out. */
final readonly class ExtensionTwist implements Sum
{
    /** ° an angle read at the handle may be off before it is worth a word. */
    private const SMALL = 5.0;

    public function name(): string
    {
        return 'extension-twist';
    }

    public function summary(): string
    {
        return 'Twist of a long extension';
    }

    public function group(): string
    {
        return 'Lifting and mounts';
    }

    public function fields(): array
    {
        return [
            Field::quantity('torque', 'Torque', Kind::Torque, '90 N·m'),
            Field::quantity('snug', 'Angle counted from', Kind::Torque, '20 N·m', 'The torque before the angle begins.')->optional(),
            Field::quantity('length', 'Length of the extension', Kind::Length, '500 mm'),
            Field::quantity('diameter', 'Its diameter', Kind::Length, '12.7 mm', 'The thinnest of the shank.'),
            Field::quantity('inner', 'Bore, if hollow', Kind::Length, '6 mm')->optional(),
            Field::quantity('play', 'Play in the joints', Kind::Angle, '3°', 'Before anything turns.')->optional(),
        ];
    }

    public function example(): array
    {
        return ['torque' => '90 N·m', 'snug' => '20 N·m', 'length' => '500 mm', 'diameter' => '12.7 mm'];
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
        $torque = $in->torque('torque', 0.1, 3000.0);
        $snug = $in->has('snug') ? $in->between('snug', Kind::Torque, 0.0, 3000.0) : 0.0;
        $snug <= $torque->newtonMetres || throw InvalidInput::in('snug', 'The angle begins at a torque below the last one.');
        $diameter = $in->length('diameter', 1.0, 100.0);
        $inner = $in->has('inner') ? $in->between('inner', Kind::Length, 0.0, 100.0) : 0.0;
        $inner < $diameter->millimetres || throw InvalidInput::in('inner', 'A bore is smaller than the extension around it.');

        return Twist::of($torque, Torque::newtonMetres($snug), $in->length('length', 1.0, 5000.0), $diameter, Length::millimetres($inner));
    }

    public function compute(Inputs $in): SumResult
    {
        $twist = self::read($in);
        $play = $in->has('play') ? $in->between('play', Kind::Angle, 0.0, 180.0) : 0.0;
        $over = $twist->overstates->degrees;
        $said = sprintf('An angle read at the handle is %s° more than the bolt turns.', Show::n($over, 3));

        return new SumResult($this->name(), $in->raw, [
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
        [$torque, $length] = [Show::n($in->number('torque', Kind::Torque)), Show::n($in->number('length', Kind::Length))];
        $second = Show::n($twist->second);
        $snug = $in->has('snug') ? Show::n($in->number('snug', Kind::Torque)) : '0';

        return [
            new Working(
                'Polar second moment', 'J = π (D⁴ − d⁴) / 32', sprintf('D %s mm', Show::n($in->number('diameter', Kind::Length))),
                $second.' mm⁴', 'strength of materials',
            ),
            new Working(
                'Twist', 'θ = T l / (G J)', sprintf('%s × %s / (80 GPa × %s)', $torque, $length, $second),
                Show::n($twist->twist->degrees).'°', 'strength of materials, G of steel 80 GPa',
            ),
            new Working(
                'An angle at the handle overstates by', '(T − snug) l / (G J)', sprintf('(%s − %s) × %s', $torque, $snug, $length),
                Show::n($twist->overstates->degrees).'°', 'only what comes after snug is counted',
            ),
            ...(0.0 === $play ? [] : [new Working(
                'Play, apart', 'taken up once', Show::n($play).'°', Show::n($play).'°', 'before the angle is counted',
            )]),
        ];
    }
}
