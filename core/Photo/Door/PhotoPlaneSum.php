<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Photo\Door;

use NimbleKnuckle\Core\Photo\CameraModel;
use NimbleKnuckle\Core\Photo\CircleFit;
use NimbleKnuckle\Core\Photo\Lens;
use NimbleKnuckle\Core\Photo\PhotoPlane;
use NimbleKnuckle\Core\Photo\PlaneDrawing;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
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

/**
 * The door of measuring from a photo: pixels and known marks in; mm and degrees, each with its doubt, out.
 *
 * @phpstan-import-type Asked from Measures
 */
final readonly class PhotoPlaneSum implements Sum
{
    private const MOST_MARKS = 24;
    private const MOST_POINTS = 200;
    private const LEFT_OVER = 0.01;
    /** Of a reading, for a camera held 8° from square: 1 − cos 8°. */
    private const TILTED = 0.01;

    public function about(): About
    {
        return new About('photo-plane', 'Measured in a photo', 'Pictures', static fn (): array => [
            Field::text('marks', 'Known marks', '300 200 0 0; 1032 216 100 0; 1006 690 100 70; 322 682 0 70',
                'Across and down in the photo, px; then where it truly is, mm. Four or more, no three in a line.'),
            Field::text('points', 'Points to measure', '424 330; 716 560; 726 340', 'Across and down in the photo, px.'),
            Field::text(
                'measure', 'What to measure', '1-2; 1-3-2',
                '1-2 a distance, 1-3-2 the angle at 3, circle 1 2 3 4 by its edge, 3 off 1-2 from a line.',
            ),
            Field::text('picture', 'The picture, px', '1600 × 1200', 'Its size: then the lens is told from five marks on.')->optional(),
            Field::flag('square_on', 'The camera stood square on', 'Then two marks, a known distance, are enough.'),
            Field::quantity('distance', 'Camera to the plane', Kind::Length, '500 mm')->within(10.0, 100_000.0)->optional(),
            Field::text('off', 'The thing lies nearer by', '5 mm', 'Farther: with a minus.')->optional(),
        ]);
    }

    public function headline(SumResult $r): Headline
    {
        foreach (['distances' => 'mm', 'circles' => 'mm', 'offsets' => 'mm', 'angles' => '°'] as $name => $unit) {
            if ($r->has($name)) {
                return new Headline(
                    'circles' === $name ? 'Across' : 'Measured', [Headline::figure((float) $r->entries($name)[0], $unit)],
                    sprintf('give or take %s %s', Show::n((float) $r->entries($name.'_doubt')[0], 2), $unit),
                );
            }
        }

        return new Headline('Measured', [Headline::figure($r->number('residual'), 'mm')], 'left over at the marks');
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        $asked = self::asked($in, count(self::points($in)));
        $plane = self::plane($in);
        $lines = array_map(static fn (array $one): array => [$one[0], $one[1]], $asked['pairs']);
        foreach ($asked['offsets'] as [, $from, $to]) {
            $lines[] = [$from, $to];
        }
        foreach ($asked['triples'] as [$from, $at, $to]) {
            array_push($lines, [$from, $at], [$at, $to]);
        }
        $marks = array_map(static fn (array $one): array => [$one[2], $one[3]], self::marks($in));

        return ['plane', PlaneDrawing::of(
            $marks, $plane->points(),
            array_map(static fn (array $one): CircleFit => $plane->circle($one)[2], $asked['circles']), $lines,
            $plane->isDown(),
        )];
    }

    public function compute(Inputs $in): SumResult
    {
        $plane = self::plane($in);
        $asked = self::asked($in, count(self::points($in)));
        $values = ['residual' => Value::of($plane->residual, Unit::Millimetre->value)];
        $measured = [
            'distances' => array_map(static fn (array $one): array => $plane->distance($one[0], $one[1]), $asked['pairs']),
            'angles' => array_map(static fn (array $one): array => $plane->angle($one[0], $one[1], $one[2]), $asked['triples']),
            'circles' => array_map(static fn (array $one): array => self::circle($plane, $one), $asked['circles']),
            'offsets' => array_map(static fn (array $one): array => $plane->offset(...$one), $asked['offsets']),
        ];
        foreach (2 === count(self::marks($in)) ? ['distances', 'circles', 'offsets'] : [] as $name) {
            $measured[$name] = array_map(self::tilted(...), $measured[$name]);
        }
        foreach ($measured as $name => $each) {
            $unit = 'angles' === $name ? Unit::Degree->value : Unit::Millimetre->value;
            if ([] !== $each) {
                $values[$name] = Value::listOf(array_column($each, 0), $unit);
                $values[$name.'_doubt'] = Value::listOf(array_column($each, 1), $unit);
            }
        }
        $values += self::places($plane, $asked['circles']);
        $off = self::off($in);
        null === $off || $values['off_plane'] = Value::of($off, Unit::Percent->value);
        $lens = $plane->sight->lens;
        $isLensKnown = null !== $lens && count(self::marks($in)) >= CameraModel::LENS_FROM;
        $values += $isLensKnown ? ['lens' => Value::of(100 * $lens->k, Unit::Percent->value)] : [];

        return new SumResult(
            $this->about()->name, $in->raw, $values, self::judged($plane, $off, count(self::marks($in)), self::span($in)),
            self::worked($plane, count(self::marks($in)), array_column(array_merge(...array_values($measured)), 1)),
        );
    }

    /**
     * Where each point lies and each circle has its middle.
     *
     * @param list<list<int>> $circles
     *
     * @return array<string, Value>
     */
    private static function places(PhotoPlane $plane, array $circles): array
    {
        $at = $plane->points();
        $middles = array_map(static fn (array $one): CircleFit => $plane->circle($one)[2], $circles);
        $lists = ['point_x' => array_column($at, 0), 'point_y' => array_column($at, 1)] + ([] === $middles ? [] : [
            'circle_x' => array_map(static fn (CircleFit $one): float => $one->x, $middles),
            'circle_y' => array_map(static fn (CircleFit $one): float => $one->y, $middles),
        ]);

        return array_map(static fn (array $numbers): Value => Value::listOf($numbers, Unit::Millimetre->value), $lists);
    }

    /**
     * @param list<float> $doubts
     *
     * @return list<Working>
     */
    private static function worked(PhotoPlane $plane, int $marks, array $doubts): array
    {
        $lens = $plane->sight->lens;
        $said = match (true) {
            null === $lens => [],
            $marks < CameraModel::LENS_FROM => [new Working(
                'The lens', 'x = c + (1 + k ρ²)(x′ − c)', sprintf('%d marks do not tell it', $marks),
                sprintf('give or take %s %% in the corner, in the doubt', Show::n(100 * Lens::MOST, 2)),
                'one radial term, a working value',
            )],
            default => [new Working(
                'The lens', 'x = c + (1 + k ρ²)(x′ − c)', sprintf('%d marks, held towards none', $marks),
                sprintf('k = %s %% in the corner', Show::n(100 * $lens->k, 2)), 'one radial term, least squares',
            )],
        };

        return [
            new Working(
                'Onto the plane', 2 === $marks ? 'turned and scaled' : 'normalised direct linear transformation',
                sprintf('%d marks', $marks),
                sprintf('%s mm left over', Show::n($plane->residual, 2)), 'Hartley and Zisserman, 4.4',
            ),
            ...$said,
            new Working('Doubt', '√Σ(∂/∂c)²', 'one pixel in each coordinate of marks and points', sprintf(
                'from %s to %s', Show::n(min([\INF, ...$doubts]), 2), Show::n(max([0.0, ...$doubts]), 2),
            ), 'first order'),
        ];
    }

    /**
     * One distance is known and the camera stood square on: as near as a hand holds it.
     *
     * @param array{float, float} $one
     *
     * @return array{float, float}
     */
    private static function tilted(array $one): array
    {
        return [$one[0], hypot($one[1], self::TILTED * $one[0])];
    }

    /** @return non-empty-list<Check> */
    private static function judged(PhotoPlane $plane, ?float $off, int $marks, float $span): array
    {
        $checks = [];
        if ($marks > 4 && $plane->residual > self::LEFT_OVER * $span) {
            $checks[] = Check::watch('left-over', sprintf(
                'The marks miss one another by %s mm: one is read or named wrong, the card is bent, or the lens bends it.',
                Show::n($plane->residual, 2),
            ));
        }
        if (null !== $off && abs($off) >= 0.5) {
            $checks[] = Check::watch('off-plane', sprintf(
                'Off the plane of the marks it reads %s %% too %s: bring the card level with it, or stand farther off.',
                Show::n(abs($off), 2), $off > 0.0 ? 'long' : 'short',
            ));
        }
        if (2 === $marks) {
            $checks[] = Check::watch(
                'square-on',
                'One distance alone: it holds where the camera stood square on it. Held 8° off it is 1 % wrong, 15° off 3 %.',
            );
        }
        $checks[] = Check::ok('estimate', 'Holds in the plane of the marks alone. Read off a photo it is an estimate, no specification.');

        return $checks;
    }

    /** Percent it reads too long, square on; null where that was not said. */
    private static function off(Inputs $in): ?float
    {
        if (!$in->has('distance') || !$in->has('off')) {
            return null;
        }
        $far = $in->length('distance')->millimetres;
        // Nearer or farther: a length by itself is never below zero.
        $text = trim((string) $in->written('off'));
        $isFarther = 1 === preg_match('~\A[-−]~u', $text);
        try {
            $off = Notation::read(Kind::Length, ltrim($text, '-−+ '))->value() * ($isFarther ? -1 : 1);
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('off', $e->getMessage());
        }

        return $off < $far ? 100 * $off / ($far - $off)
            : throw InvalidInput::in('off', 'It cannot lie behind the camera: nearer by less than the distance.');
    }

    /**
     * @param list<int> $points
     *
     * @return array{float, float}
     */
    private static function circle(PhotoPlane $plane, array $points): array
    {
        try {
            return array_slice($plane->circle($points), 0, 2);
        } catch (\DomainException) {
            throw InvalidInput::in('measure', 'The points of a circle lie on a line: take them around its edge.');
        }
    }

    private static function plane(Inputs $in): PhotoPlane
    {
        [$points, $marks, $lens] = [self::points($in), self::marks($in), self::lens($in)];
        try {
            $plane = new PhotoPlane($marks, $points, $lens);
        } catch (\DomainException) {
            throw InvalidInput::in('marks', 'These marks hold no plane: four that lie apart, no three of them in a line.');
        }
        $plane->isInOrder() || throw InvalidInput::in('marks', 'The marks are in the wrong order: go round both in the same way.');
        foreach (array_keys($points) as $i) {
            $plane->isSeen($i) || throw InvalidInput::in('points', sprintf('Point %d lies beyond the horizon of that plane.', $i + 1));
        }

        return $plane;
    }

    private static function lens(Inputs $in): ?Lens
    {
        if (!$in->has('picture')) {
            return null;
        }
        preg_match_all('~\d+(?:\.\d+)?~', (string) $in->written('picture'), $found);
        $size = array_map(floatval(...), $found[0]);
        2 === count($size) && min($size) >= 16.0 && max($size) <= 30_000.0 || throw InvalidInput::in(
            'picture', 'Its width and height in px, as in 1600 × 1200.',
        );

        return new Lens($size);
    }

    /** @return non-empty-list<array{float, float, float, float}> */
    private static function marks(Inputs $in): array
    {
        $rows = $in->rows('marks', 4, 4);
        $isSquare = $in->flag('square_on');
        count($rows) >= 4 && count($rows) <= self::MOST_MARKS || 2 === count($rows) && $isSquare || throw InvalidInput::in(
            'marks', sprintf('Four marks or more, %d at most; or two, where the camera stood square on.', self::MOST_MARKS),
        );

        return array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0, $row[2] ?? 0.0, $row[3] ?? 0.0], $rows);
    }

    /** @return non-empty-list<array{float, float}> */
    private static function points(Inputs $in): array
    {
        $rows = $in->rows('points', 2, 2);
        count($rows) <= self::MOST_POINTS || throw InvalidInput::in('points', sprintf('%d points at most.', self::MOST_POINTS));

        return array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0], $rows);
    }

    /** mm the marks lie apart at the most. */
    private static function span(Inputs $in): float
    {
        $marks = self::marks($in);
        [$x, $y] = [array_column($marks, 2), array_column($marks, 3)];

        return hypot(max($x) - min($x), max($y) - min($y));
    }

    /** @return Asked points, from nothing */
    private static function asked(Inputs $in, int $points): array
    {
        return Measures::read($in, 'measure', $points);
    }
}
