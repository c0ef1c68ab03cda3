<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch\Door;

use NimbleKnuckle\Core\Clutch\Clutch;
use NimbleKnuckle\Core\Clutch\DiscSpring;
use NimbleKnuckle\Core\Clutch\FrictionFit;
use NimbleKnuckle\Core\Clutch\FrictionRing;
use NimbleKnuckle\Core\Clutch\NextStack;
use NimbleKnuckle\Core\Clutch\SlipTrial;
use NimbleKnuckle\Core\Clutch\SpringStack;
use NimbleKnuckle\Core\Clutch\StackDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
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

/** The door of a slip clutch’s disc springs: mm in, N and N·m out, and the stack to try next. */
final readonly class DiscStackSum implements Sum
{
    private const FRICTION = 0.12;
    private const BEDS_IN = 0.9;
    private const BAND = 0.1;
    private const DEEP = 0.75;
    /** h0/t past which a disc snaps through. */
    private const SNAPS = \M_SQRT2;

    public function about(): About
    {
        return new About('disc-stack', 'At what torque the clutch slips', 'Slip clutch', static fn (): array => [
            Field::text('spring', 'Disc', '50 25.4 3 4.1', 'Outside, inside, thickness, free height in mm.'),
            Field::text('arrangement', 'As they lie', '2p 3s', 'So many alike, so many packs; or each from below: u u d d u u.'),
            Field::quantity('height', 'Set to a height of', Kind::Length, '19.5 mm')->within(0.5, 1000.0)->optional(),
            Field::quantity('travel', 'Or each pressed down by', Kind::Length, '0.6 mm')->within(0.001, 20.0)->optional(),
            Field::quantity('faces', 'Faces that slip', Kind::Number, '2')->within(1.0, 20.0),
            Field::quantity('outer', 'Faces, outside', Kind::Length, '80 mm')->within(10.0, 500.0),
            Field::quantity('inner', 'Faces, inside', Kind::Length, '56 mm')->within(1.0, 499.0),
            Field::quantity('friction', 'Friction', Kind::Number, '0.12', 'Where nothing was tried yet.')->within(0.02, 0.8)->optional(),
            Field::text(
                'trials', 'Tried', '2p 3s 19.5: 140 146 151; 2p 3s 19.3: 160 158 163', 'As they lay, height, and each pull in N·m.',
            )->optional(),
            Field::quantity('target', 'It should slip at', Kind::Torque, '150 N·m')->within(0.5, 5000.0)->optional(),
            Field::quantity('band', 'Give or take', Kind::Percent, '10 %')->within(1.0, 50.0)->optional(),
            Field::text('stock', 'In the box', '8; 0.2 0.3 0.5', 'Discs altogether; shims in mm.')->optional(),
        ], ['height', 'trials' => '2p 3s 19.5: 140 146 151', 'target' => '120 N·m', 'stock']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('It slips at', [Headline::figure($r->number('torque'), 'N·m')], Headline::joined(
            sprintf('%s to %s', Show::n($r->number('low'), 3), Show::n($r->number('high'), 3)),
            [] === $r->entries('next') ? '' : 'next: '.implode(', ', array_map(strval(...), $r->entries('next'))),
        ), true);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['stack', StackDrawing::of(StackReading::stack($in, 'arrangement', $in->text('arrangement')), StackReading::spring($in))];
    }

    public function compute(Inputs $in): SumResult
    {
        $spring = StackReading::spring($in);
        $stack = StackReading::stack($in, 'arrangement', $in->text('arrangement'));
        $ring = self::ring($in);
        $height = self::height($in, $stack, $spring);
        $trials = StackReading::trials($in, $spring);
        $given = FrictionFit::given(self::friction($in));
        $clutch = new Clutch($spring, $ring, [] === $trials ? $given : FrictionFit::of($trials, $spring, $ring));
        $deep = $stack->deepest($spring, $height);
        self::band($in);
        $next = self::next($in, $clutch, $stack, $height);

        return new SumResult(
            $this->about()->name, $in->raw, self::values($clutch, $stack, $height, $next) + [
                'deep' => Value::of(100 * $deep, Unit::Percent->value),
            ],
            [...self::pressed($deep, $spring), ...self::tried($clutch->fit, $trials), ...self::ahead($in, $next)],
            self::working($in, $clutch, $stack, $height, count($trials)),
        );
    }

    /** @return array<string, Value> */
    private static function values(Clutch $clutch, SpringStack $stack, float $height, ?NextStack $next): array
    {
        $torque = $clutch->torque($stack, $height);

        return [
            'force' => Value::of($stack->force($clutch->spring, $height), Unit::Newton->value),
            'torque' => Value::of($torque, Unit::NewtonMetre->value),
            'low' => Value::of($torque * (1 - 2 * $clutch->fit->spread), Unit::NewtonMetre->value),
            'high' => Value::of($torque * (1 + 2 * $clutch->fit->spread), Unit::NewtonMetre->value),
            'friction' => Value::of($clutch->fit->friction, Unit::One->value),
            'spread' => Value::of(100 * $clutch->fit->spread, Unit::Percent->value),
            'bedded' => Value::of(self::BEDS_IN * $torque, Unit::NewtonMetre->value),
            'next' => Value::names(null === $next ? [] : array_values(array_filter([
                $next->stack->said(), $next->shims > 0.0 ? sprintf('%s mm of shims', Show::n($next->shims, 3)) : '',
            ]))),
        ] + (null === $next ? [] : [
            'next_torque' => Value::of($next->torque, Unit::NewtonMetre->value),
            'chance' => Value::of(100 * $next->chance, Unit::Percent->value),
        ]);
    }

    /** @return list<Working> */
    private static function working(Inputs $in, Clutch $clutch, SpringStack $stack, float $height, int $trials): array
    {
        $torque = $clutch->torque($stack, $height);

        return [
            new Working('Force', 'F = n F(s), s = (L₀ − L)/i; EN 16984', sprintf(
                '%s, L₀ %s mm, L %s mm', $stack->said(), Show::n($stack->free($clutch->spring), 3), Show::n($height, 3),
            ), Show::n($stack->force($clutch->spring, $height)).' N', 'Almen and László, E 206 GPa, ν 0.3'),
            new Working(
                'Friction', 0 === $trials ? 'as given' : 'least squares over all pulls',
                0 === $trials ? 'nothing was tried' : sprintf('%d %s', $trials, 1 === $trials ? 'trial' : 'trials'),
                Show::n($clutch->fit->friction, 3),
                sprintf('spread %s %%; 10 %% where nothing was tried', Show::n(100 * $clutch->fit->spread, 2)),
            ),
            new Working('Slips at', 'μ F N ⅔ (ro³ − ri³)/(ro² − ri²)', sprintf(
                '%s faces, %s and %s mm', Show::n($in->number('faces', Kind::Number)), Show::n($in->number('outer', Kind::Length)),
                Show::n($in->number('inner', Kind::Length)),
            ), Show::n($torque, 4).' N·m', 'even pressure'),
            new Working(
                'Once bedded in', Show::n(self::BEDS_IN).' of it', Show::n($torque, 4).' N·m', Show::n(
                    self::BEDS_IN * $torque, 3
                ).' N·m', 'working value',
            ),
        ];
    }

    private static function ring(Inputs $in): FrictionRing
    {
        [$outer, $inner] = [$in->length('outer'), $in->length('inner')];
        $inner->millimetres < $outer->millimetres || throw InvalidInput::in('inner', 'The faces are larger outside than inside.');

        return new FrictionRing($outer->millimetres, $inner->millimetres, $in->number('faces', Kind::Number));
    }

    private static function friction(Inputs $in): float
    {
        return $in->has('friction') ? $in->number('friction', Kind::Number) : self::FRICTION;
    }

    private static function height(Inputs $in, SpringStack $stack, DiscSpring $spring): float
    {
        $each = $in->has('travel') ? $in->number('travel', Kind::Length) : null;
        if (null !== $each && !$in->has('height')) {
            return $stack->free($spring) - count($stack->packs) * $each;
        }
        $in->has('height') || throw InvalidInput::missing('height', '19.5 mm; or how far each is pressed down');
        $height = $in->length('height')->millimetres;
        $free = $stack->free($spring);
        $height < $free || throw InvalidInput::in('height', sprintf(
            'The stack is %s mm high when nothing presses it: at %s mm it lies loose.', Show::n($free, 3), Show::n($height, 3),
        ));

        return $height;
    }

    private static function next(Inputs $in, Clutch $clutch, SpringStack $stack, float $height): ?NextStack
    {
        if (!$in->has('target')) {
            return null;
        }
        [$discs, $shims] = StackReading::stock($in, $stack);

        return NextStack::toward(
            $in->torque('target')->newtonMetres, self::band($in), $clutch, $stack, $height, $discs, $shims,
        );
    }

    private static function band(Inputs $in): float
    {
        return $in->has('band') ? $in->number('band', Kind::Percent) / 100 : self::BAND;
    }

    /** @return list<Check> */
    private static function pressed(float $deep, DiscSpring $spring): array
    {
        $checks = [match (true) {
            $deep >= 1.0 - 1e-9 => Check::stop(
                'flat', 'Pressed flat: it is a solid block, and slips at nothing that can be worked out. Higher.',
            ),
            $deep > self::DEEP => Check::watch('deep', sprintf(
                'Pressed to %s %% of its height: over 75 it stiffens and sets.', Show::n(100 * $deep, 2),
            )),
            default => Check::ok('works', sprintf('Pressed to %s %% of its height.', Show::n(100 * $deep, 2))),
        }];
        if ($spring->h0 / $spring->t > self::SNAPS) {
            $checks[] = Check::watch('snaps', 'A disc this high for its thickness snaps through: its force falls again past a point.');
        }

        return $checks;
    }

    /**
     * @param list<SlipTrial> $trials
     *
     * @return list<Check>
     */
    private static function tried(FrictionFit $fit, array $trials): array
    {
        $checks = array_map(static fn (int $i): Check => Check::watch(
            'few-pulls', sprintf(
                'Trial %d has %d %s: three at the least, threads oiled for each.', $i + 1, count($trials[$i]->pulls),
                1 === count($trials[$i]->pulls) ? 'pull' : 'pulls',
            ),
        ), array_keys(array_filter($trials, static fn (SlipTrial $one): bool => count($one->pulls) < 3)));
        if (null !== $fit->odd) {
            $checks[] = null === $fit->disc
                ? Check::watch(
                    'odd', sprintf('Trial %d is unlike the others, and no one disc the wrong way up explains it.', $fit->odd + 1),
                )
                : Check::watch('wrong-way', sprintf(
                    'Trial %d is as if disc %d from below lay the wrong way up: look before the next.', $fit->odd + 1, $fit->disc + 1,
                ));
        }

        return $checks;
    }

    /** @return list<Check> */
    private static function ahead(Inputs $in, ?NextStack $next): array
    {
        if (!$in->has('target')) {
            return [];
        }

        return [null === $next
            ? Check::watch('no-stack', 'Nothing of the box comes near: other discs, or another height.')
            : Check::ok('next', sprintf(
                'Try %s%s: %s N·m, and a chance of %s %% that it lies in its band.', $next->stack->said(),
                $next->shims > 0.0 ? sprintf(' with %s mm of shims', Show::n($next->shims, 3)) : '', Show::n($next->torque, 3),
                Show::n(100 * $next->chance, 2),
            ))];
    }
}
