<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive\Door;

use NimbleKnuckle\Core\BeltDrive\Alignment;
use NimbleKnuckle\Core\BeltDrive\AlignmentDrawing;
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

/** The door of pulleys in one plane: mm in, degrees out, and which to move by how much. */
final readonly class BeltLine implements Sum
{
    /** mm of run-out of a pulley, and of rib offset between old and new, over which it is said: working values. */
    private const RUNS_OUT = 0.25;
    private const OFFSET = 0.5;

    public function name(): string
    {
        return 'belt-line';
    }

    public function summary(): string
    {
        return 'Do the pulleys line up';
    }

    public function group(): string
    {
        return 'What turns';
    }

    public function fields(): array
    {
        return [
            Field::quantity(
                'gap', 'It stands off the straight edge by', Kind::Length, '1.6 mm',
                'Straight edge on the fixed pulley. 0 where it touches.',
            ),
            Field::flag('proud', 'It stands past it instead'),
            Field::quantity('gap_far', 'At its other edge', Kind::Length, '1.6 mm')->optional(),
            Field::quantity('across', 'From the one edge to the other', Kind::Length, '60 mm')->optional(),
            Field::quantity('span', 'Free span to it', Kind::Length, '240 mm'),
            Field::quantity('rim', 'Its rim outside the first rib', Kind::Length, '3 mm')->optional(),
            Field::quantity('rim_fixed', 'Rim of the fixed one outside its first rib', Kind::Length, '3 mm')->optional(),
            Field::quantity('run_out', 'Run-out of the pulley', Kind::Length, '0.1 mm', 'By a gauge on its face.')->optional(),
            Field::quantity('rib_old', 'Mounting face to first rib, old', Kind::Length, '11.2 mm')->optional(),
            Field::quantity('rib_new', 'Mounting face to first rib, new', Kind::Length, '11.4 mm')->optional(),
        ];
    }

    public function example(): array
    {
        return ['gap' => '1.6 mm', 'span' => '240 mm', 'run_out' => '0.1 mm', 'rib_old' => '11.2 mm', 'rib_new' => '11.4 mm'];
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
        $near = $side * $in->between('gap', Kind::Length, 0.0, 100.0);
        !$in->has('across') || $in->has('gap_far') || throw InvalidInput::missing('gap_far', '1.6 mm');
        $far = $in->has('gap_far') ? $side * $mm('gap_far', 0.0) : $near;

        return Alignment::of(
            Length::millimetres($near), Length::millimetres($far), $in->has('across') ? $in->length('across', 5.0, 500.0) : null,
            $in->length('span', 20.0, 2000.0), Length::millimetres($mm('rim', 0.0) - $mm('rim_fixed', 0.0)),
        );
    }

    public function compute(Inputs $in): SumResult
    {
        $alignment = self::alignment($in);

        return new SumResult($this->name(), $in->raw, [
            'angle' => Value::of($alignment->angle->degrees, Unit::Degree->value),
            'offset' => Value::of($alignment->offset->millimetres, Unit::Millimetre->value),
            'tilt' => Value::of($alignment->tilt, Unit::Degree->value),
        ], [self::judged($alignment), ...self::pulley($in), ...self::leans($alignment)], [
            new Working(
                'Offset', 'mean of the gaps − (rim − rim of the fixed one)', 'as measured',
                Show::n($alignment->offset->millimetres, 3).' mm', 'straight edge',
            ),
            new Working(
                'Angle', 'atan(offset/span)', sprintf('span %s mm', Show::n($in->number('span', Kind::Length))),
                Show::n($alignment->angle->degrees, 3).'°', 'up to 0.5°, a working value',
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
        $out = $in->has('run_out') ? $in->between('run_out', Kind::Length, 0.0, 20.0) : null;
        if (null !== $out) {
            $checks[] = $out > self::RUNS_OUT
                ? Check::stop('runs-out', sprintf('It runs out by %s mm: clean its seat, or it is bent.', Show::n($out, 2)))
                : Check::ok('true', sprintf('It runs true within %s mm.', Show::n($out, 2)));
        }
        if ($in->has('rib_new') || $in->has('rib_old')) {
            $off = $in->between('rib_new', Kind::Length, 0.0, 300.0) - $in->between('rib_old', Kind::Length, 0.0, 300.0);
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
