<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\Alignment;
use NimbleKnuckle\Core\BeltDrive\AlignmentDrawing;
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

/** The door of pulleys in one plane: mm in, degrees out, and which to move by how much. */
final readonly class BeltLine implements Sum
{
    /** mm of run-out of a pulley, and of rib offset between old and new, over which it is said: working values. */
    private const RUNS_OUT = 0.25;
    private const OFFSET = 0.5;

    public function about(): About
    {
        return new About('belt-line', 'Do the pulleys line up', 'What turns', static fn (): array => [
            Field::quantity(
                'gap', 'It stands off the straight edge by', Kind::Length, '1.6 mm',
                'Straight edge on the fixed pulley. 0 where it touches.',
            )->within(0.0, 100.0),
            Field::flag('proud', 'It stands past it instead'),
            Field::quantity('gap_far', 'At its other edge', Kind::Length, '1.6 mm')->optional(),
            Field::quantity('across', 'From the one edge to the other', Kind::Length, '60 mm')->within(5.0, 500.0)->optional(),
            Field::quantity('span', 'Free span to it', Kind::Length, '240 mm')->within(20.0, 2000.0),
            Field::quantity('rim', 'Its rim outside the first rib', Kind::Length, '3 mm')->optional(),
            Field::quantity('rim_fixed', 'Rim of the fixed one outside its first rib', Kind::Length, '3 mm')->optional(),
            Field::quantity(
                'run_out', 'Run-out of the pulley', Kind::Length, '0.1 mm', 'By a gauge on its face.'
            )->within(0.0, 20.0)->optional(),
            Field::quantity('rib_old', 'Mounting face to first rib, old', Kind::Length, '11.2 mm')->within(0.0, 300.0)->optional(),
            Field::quantity('rib_new', 'Mounting face to first rib, new', Kind::Length, '11.4 mm')->within(0.0, 300.0)->optional(),
        ], ['run_out', 'rib_old', 'rib_new']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('The belt runs off by', [Headline::figure($r->number('angle'), '°')], sprintf(
            'move it %s mm %s', Show::n(abs($r->number('offset')), 2), $r->number('offset') > 0.0 ? 'forward' : 'back',
        ));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['line', AlignmentDrawing::of(self::alignment($in))];
    }

    private static function alignment(Inputs $in): Alignment
    {
        $mm = static fn (string $field, float $usual): float => $in->has($field) ? $in->between($field, Kind::Length, 0.0, 100.0) : $usual;
        $side = $in->flag('proud') ? -1.0 : 1.0;
        $near = $side * $in->number('gap', Kind::Length);
        !$in->has('across') || $in->has('gap_far') || throw InvalidInput::missing('gap_far', '1.6 mm');
        $far = $in->has('gap_far') ? $side * $mm('gap_far', 0.0) : $near;

        return Alignment::of(
            Length::millimetres($near), Length::millimetres($far), $in->has('across') ? $in->length('across') : null,
            $in->length('span'), Length::millimetres($mm('rim', 0.0) - $mm('rim_fixed', 0.0)),
        );
    }

    public function compute(Inputs $in): SumResult
    {
        $alignment = self::alignment($in);

        return new SumResult($this->about()->name, $in->raw, [
            'angle' => Value::of($alignment->angle->degrees, Unit::Degree->value),
            'offset' => Value::of($alignment->offset->millimetres, Unit::Millimetre->value),
            'tilt' => Value::of($alignment->tilt, Unit::Degree->value),
        ], [self::judged($alignment), ...self::pulley($in), ...self::leans($alignment)], [
            new Working(
                'Offset', 'mean of the gaps − (rim − rim of the fixed one)', 'as measured',
                Show::n($alignment->offset->millimetres, 3).' mm', 'straight edge',
            ),
            Working::by(
                Alignment::angleFormula($alignment->offset->millimetres, $in->length('span')), 'Angle', '°',
                sprintf('up to %s°, a working value', Show::n(Alignment::MOST)), 3,
            ),
        ]);
    }

    private static function judged(Alignment $alignment): Check
    {
        $degrees = $alignment->angle->degrees;
        $move = sprintf(
            'Move it %s mm %s.', Show::n(abs($alignment->offset->millimetres), 2),
            $alignment->offset->millimetres > 0.0 ? 'forward' : 'back',
        );

        return match (true) {
            $degrees > Alignment::MOST => Check::stop(
                'off', sprintf('%s° is too much: the belt climbs and chirps. %s', Show::n($degrees, 2), $move),
            ),
            $degrees > Alignment::SAID => Check::watch('near', sprintf('%s°: it may chirp. %s', Show::n($degrees, 2), $move)),
            default => Check::ok('line', sprintf('%s°: in line.', Show::n($degrees, 2))),
        };
    }

    /** @return list<Check> */
    private static function leans(Alignment $alignment): array
    {
        return abs($alignment->tilt) > Alignment::MOST ? [Check::stop('leans', sprintf(
            'It leans by %s°: bracket, bearing or bolt. Shims do not mend that.', Show::n(abs($alignment->tilt), 2),
        ))] : [];
    }

    /** @return list<Check> what was measured on the pulley itself */
    private static function pulley(Inputs $in): array
    {
        $checks = [];
        $out = $in->has('run_out') ? $in->number('run_out', Kind::Length) : null;
        if (null !== $out) {
            $checks[] = $out > self::RUNS_OUT
                ? Check::stop('runs-out', sprintf('It runs out by %s mm: clean its seat, or it is bent.', Show::n($out, 2)))
                : Check::ok('true', sprintf('It runs true within %s mm.', Show::n($out, 2)));
        }
        if ($in->has('rib_new') || $in->has('rib_old')) {
            $off = $in->number('rib_new', Kind::Length) - $in->number('rib_old', Kind::Length);
            $checks[] = abs($off) > self::OFFSET
                ? Check::stop(
                    'other-offset',
                    sprintf('Its first rib stands %s mm elsewhere than the old one’s: the wrong pulley.', Show::n(abs($off), 2)),
                )
                : Check::ok('same-offset', 'Its ribs stand where the old one’s did.');
        }

        return $checks;
    }
}
