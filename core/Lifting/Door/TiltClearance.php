<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting\Door;

use NimbleKnuckle\Core\Lifting\Tilt;
use NimbleKnuckle\Core\Lifting\TiltDrawing;
use NimbleKnuckle\Core\Lifting\TiltPoint;
use NimbleKnuckle\Core\Quantity\Kind;
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

/** The door of an engine lifted at one point: mm and degrees in, degrees and mm out. */
final readonly class TiltClearance implements Sum
{
    public function about(): About
    {
        return new About('tilt-clearance', 'How far the engine may go up', 'Lifting and mounts', static fn (): array => [
            Field::text('pivot', 'It turns about', '0 0', 'Forward and up in mm, nose of the engine to the right: the mount that stays.'),
            Field::text('lifted', 'It is lifted at', '600 50', 'Forward and up in mm.'),
            Field::quantity('rise', 'Lifted by', Kind::Length, '40 mm')->within(0.01, 2000.0),
            Field::text(
                'points', 'What comes near', 'fan 650 300 25 180; hose 500 420 30 90',
                'Name, forward, up, gap in mm, and which way the obstacle lies: 0 forward, 90 up, 180 back.',
            ),
        ], ['points' => 'fan 650 300 25 180; hose 500 420 60 90']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'It may go up', [Headline::figure($r->number('limit'), 'mm')],
            sprintf('it tips by %s°', Show::n($r->number('angle'), 3)),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['tilt', TiltDrawing::of(
            self::point($in, 'pivot'), self::point($in, 'lifted'), deg2rad($r->number('angle')), self::points($in),
        )];
    }

    /** @return array{float, float} */
    private static function point(Inputs $in, string $field): array
    {
        $entry = (new Entries(['x' => Kind::Length, 'y' => Kind::Length]))->one($in, $field);

        return [$entry->number('x'), $entry->number('y')];
    }

    /** @return non-empty-list<TiltPoint> */
    private static function points(Inputs $in): array
    {
        $columns = new Entries([
            'x' => Kind::Length, 'y' => Kind::Length, 'gap' => Kind::Length, 'direction' => Kind::Angle,
        ]);

        return array_map(static fn (Entry $one): TiltPoint => new TiltPoint(
            '' === $one->name ? 'point' : $one->name, $one->number('x'), $one->number('y'), $one->number('gap'), $one->number('direction'),
        ), $columns->of($in, 'points'));
    }

    public function compute(Inputs $in): SumResult
    {
        [$pivot, $lifted, $points] = [self::point($in, 'pivot'), self::point($in, 'lifted'), self::points($in)];
        $rise = $in->number('rise', Kind::Length);
        abs($lifted[0] - $pivot[0]) > 1e-6 || throw InvalidInput::in('lifted', 'It must lie in front of or behind what it turns about.');
        $reach = Tilt::reach($pivot, $lifted);
        $rise <= $reach || throw InvalidInput::in('rise', sprintf('That point can rise %s mm at most.', Show::n($reach, 3)));
        $tilt = Tilt::of($pivot, $lifted, $rise, $points);

        return new SumResult($this->about()->name, $in->raw, [
            'angle' => Value::of($tilt->angle->degrees, Unit::Degree->value),
            'gaps' => Value::listOf($tilt->gaps, Unit::Millimetre->value),
            'limit' => Value::of($tilt->limit, Unit::Millimetre->value),
            'which' => Value::names([$points[$tilt->first]->name ?? '']),
        ], self::judged($tilt, $points), self::working($pivot, $lifted, $rise, $tilt, $points));
    }

    /**
     * @param list<TiltPoint> $points
     *
     * @return list<Check>
     */
    private static function judged(Tilt $tilt, array $points): array
    {
        return array_map(static function (TiltPoint $point, float $gap): Check {
            $said = sprintf('%s: %s mm left', ucfirst($point->name), Show::n($gap, 3));

            return match (true) {
                $gap < 0.0 => Check::stop('gap', sprintf('%s hits: %s mm too far.', ucfirst($point->name), Show::n(-$gap, 3))),
                $gap < Tilt::LEAST => Check::watch('gap', $said.', under 5 mm. Take it off first, or go less far.'),
                default => Check::ok('gap', $said.'.'),
            };
        }, $points, $tilt->gaps);
    }

    /**
     * @param array{float, float} $pivot
     * @param array{float, float} $lifted
     * @param list<TiltPoint> $points
     *
     * @return list<Working>
     */
    private static function working(array $pivot, array $lifted, float $rise, Tilt $tilt, array $points): array
    {
        $radius = hypot($lifted[0] - $pivot[0], $lifted[1] - $pivot[1]);
        $lines = [new Working(
            'It tips by', 'asin((dy + rise)/r) − asin(dy/r)',
            sprintf('dy %s, rise %s, r %s mm', Show::n($lifted[1] - $pivot[1]), Show::n($rise), Show::n($radius)),
            Show::n($tilt->angle->degrees).'°', 'plane rotation',
        )];
        foreach ($points as $i => $point) {
            $lines[] = new Working(
                ucfirst($point->name), 'gap − movement towards the obstacle',
                sprintf('%s mm, at %s°', Show::n($point->gap), Show::n($point->direction)), Show::n($tilt->gaps[$i]).' mm',
                'plane rotation',
            );
        }

        return [...$lines, new Working(
            'It may go up', sprintf('until the first gap is %s mm', Show::n(Tilt::LEAST)),
            $points[$tilt->first]->name ?? 'none comes down to it',
            Show::n($tilt->limit).' mm', 'that gap is a working value',
        )];
    }
}
