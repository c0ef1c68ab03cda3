<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Door;

use NimbleKnuckle\Core\Fluids\HoseDrawing;
use NimbleKnuckle\Core\Quantity\Digits;
use NimbleKnuckle\Core\Quantity\Kind;
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

/**
 * Which clamp for this hose: by its outside diameter once it is on the spigot, mm. The rubber keeps its cross-section as it
 * is stretched: OD = √(d² + OD0² − ID0²). Ranges and bands of worm-drive clamps after DIN 3017; the band wants its bead or
 * 5 mm to the hose end, and to lie near the middle of its range.
 */
final readonly class ClampSize implements Sum
{
    /** smallest, largest, band, working torque N·m */
    private const WORM = [
        [8.0, 12.0, 9.0, 1.5], [10.0, 16.0, 9.0, 2.0], [12.0, 20.0, 9.0, 2.5], [16.0, 25.0, 9.0, 3.0], [20.0, 32.0, 9.0, 3.0],
        [25.0, 40.0, 9.0, 3.0],
        [30.0, 45.0, 9.0, 3.0], [32.0, 50.0, 12.0, 4.0], [40.0, 60.0, 12.0, 4.0], [50.0, 70.0, 12.0, 5.0], [60.0, 80.0, 12.0, 5.0],
        [70.0, 90.0, 12.0, 5.0],
        [80.0, 100.0, 12.0, 5.0], [90.0, 110.0, 12.0, 5.0], [100.0, 120.0, 12.0, 5.0], [110.0, 130.0, 12.0, 5.0],
    ];
    /** The same for T-bolt clamps: narrow ranges, wide bands; working values after DIN 3017-3 practice. */
    private const T_BOLT = [
        [17.0, 19.0, 18.0, 3.0], [19.0, 21.0, 18.0, 3.0], [21.0, 23.0, 18.0, 3.0], [23.0, 26.0, 18.0, 3.0], [26.0, 29.0, 18.0, 3.0],
        [29.0, 32.0, 20.0, 5.0],
        [32.0, 36.0, 20.0, 5.0], [36.0, 40.0, 20.0, 5.0], [40.0, 44.0, 20.0, 5.0], [44.0, 48.0, 22.0, 5.0], [48.0, 52.0, 22.0, 5.0],
        [52.0, 56.0, 22.0, 5.0],
        [56.0, 60.0, 22.0, 5.0], [60.0, 64.0, 22.0, 5.0], [64.0, 68.0, 24.0, 8.0], [68.0, 74.0, 24.0, 8.0], [74.0, 80.0, 24.0, 8.0],
        [80.0, 86.0, 24.0, 8.0],
        [86.0, 92.0, 24.0, 8.0], [92.0, 98.0, 24.0, 8.0], [98.0, 104.0, 24.0, 8.0], [104.0, 113.0, 24.0, 8.0],
        [113.0, 122.0, 24.0, 8.0], [122.0, 130.0, 24.0, 8.0],
    ];
    /** A spring band grips from a little under its size to a little over, shares of it: working values. */
    private const SPRING_GRIPS = [0.95, 1.03];
    private const SPRING_BAND = 12.0;
    private const SOURCES = [
        'worm' => 'DIN 3017-1', 'spring' => 'working value: 95 to 103 % of its size',
        'tbolt' => 'working values, DIN 3017-3 practice',
    ];
    private const NAMES = ['worm' => 'worm-drive', 'spring' => 'spring band', 'tbolt' => 'T-bolt'];
    private const END_ROOM = 5.0;
    private const LEAST_WALL = 0.5;

    public function name(): string
    {
        return 'clamp-size';
    }

    public function summary(): string
    {
        return 'Hose clamp size';
    }

    public function fields(): array
    {
        return [
            Field::quantity('outside', 'Hose outside', Kind::Length, '40 mm', 'Across the hose, off the spigot.'),
            Field::quantity('inside', 'Hose inside', Kind::Length, '32 mm')->optional(),
            Field::quantity('spigot', 'Spigot', Kind::Length, '33 mm', 'Across the plain part behind the bead.')->optional(),
            Field::quantity(
                'behind_bead', 'Room behind the bead', Kind::Length, '20 mm', 'From the bead to where the hose ends.',
            )->optional(),
            Field::choice('kind', 'Kind', ['worm' => 'worm drive', 'spring' => 'spring band', 'tbolt' => 'T-bolt'])->optional(),
            Field::flag('soft', 'Silicone hose', 'It flows out through slots under the screw: a lined band or a spring.'),
        ];
    }

    public function group(): string
    {
        return 'Coolant and oil';
    }

    public function example(): array
    {
        return ['outside' => '40 mm', 'inside' => '32 mm', 'spigot' => '33 mm', 'behind_bead' => '20 mm', 'kind' => 'worm'];
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Range', [['number' => sprintf('%.0f–%.0f', $r->number('smallest'), $r->number('largest')), 'unit' => 'mm']],
            sprintf(
                'for %s mm across, %.0f mm band%s', Digits::significant($r->number('fitted')), $r->number('band'),
                $r->has('torque') ? sprintf(', screw about %s N·m', Digits::of(Kind::Torque, $r->number('torque'))) : '',
            ),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        return ['hose', HoseDrawing::of($r, $in->maybe('inside', Kind::Length), $in->maybe('spigot', Kind::Length))];
    }

    public function compute(Inputs $in): SumResult
    {
        $outside = $in->between('outside', Kind::Length, 6.0, 150.0);
        $kind = $in->has('kind') ? $in->oneOf('kind', 'worm', 'spring', 'tbolt') : 'worm';
        [$on, $working, $checks] = $this->fitted($in, $outside);
        [$min, $max, $band, $torque] = self::nearest($on, $kind);
        $values = [
            'fitted' => Value::of($on, Unit::Millimetre->value), 'smallest' => Value::of($min, Unit::Millimetre->value),
            'largest' => Value::of($max, Unit::Millimetre->value), 'band' => Value::of($band, Unit::Millimetre->value),
        ];
        $working[] = new Working(
            'Range', 'the one whose middle lies nearest', sprintf('%s in %s to %s', Show::n($on), Show::n($min), Show::n($max)),
            sprintf('%s to %s mm, band %s mm', Show::n($min), Show::n($max), Show::n($band)), self::SOURCES[$kind],
        );
        if ('spring' !== $kind) {
            $values['torque'] = Value::of($torque, Unit::NewtonMetre->value);
            $working[] = new Working(
                'Screw', 'by band and size', sprintf('band %s mm', Show::n($band)), sprintf('about %s N·m', Show::n($torque)),
                'working value; what is stamped on the clamp goes before it; again when it has been hot',
            );
        }
        if ($in->flag('soft') && 'worm' === $kind) {
            $checks[] = Check::watch(
                'soft-hose', 'Silicone creeps through an open slotted band: take a lined band, or a spring or T-bolt clamp.',
            );
        }
        if ($in->has('behind_bead')) {
            $room = $in->between('behind_bead', Kind::Length, 0.0, 200.0);
            $needed = $band + self::END_ROOM;
            $values['room_needed'] = Value::of($needed, Unit::Millimetre->value);
            $working[] = new Working(
                'Room it needs', 'band + 5 mm', sprintf('%s + 5', Show::n($band)), sprintf('%s mm', Show::n($needed)),
                'the band behind the bead, 5 mm of hose past it',
            );
            $checks[] = $room < $needed ? Check::stop(
                'no-room',
                sprintf(
                    'Only %s mm behind the bead, and it needs %s: push the hose further on, or cut it square and longer.',
                    Show::n($room), Show::n($needed),
                ),
            ) : Check::ok('room', 'The band fits behind the bead.');
        }
        $checks[] = Check::ok(
            'clamp',
            sprintf(
                '%s %s to %s mm, behind the bead, %s.',
                ['worm' => 'Worm drive', 'spring' => 'Spring band for', 'tbolt' => 'T-bolt'][$kind], Show::n($min), Show::n($max),
                'spring' === $kind ? 'ears where the pliers reach' : 'screw where a driver reaches',
            ),
        );

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }

    /**
     * @return array{float, float, float, float} smallest, largest, band in mm, torque of the screw in N·m
     *
     * @throws InvalidInput where none closes on it
     */
    private static function nearest(float $on, string $kind): array
    {
        [$low, $high] = self::SPRING_GRIPS;
        $sizes = match ($kind) {
            'tbolt' => self::T_BOLT,
            'spring' => array_map(static fn (int $n): array => [$low * $n, $high * $n, self::SPRING_BAND, 0.0], range(8, 80)),
            default => self::WORM,
        };
        $around = array_values(array_filter($sizes, static fn (array $c): bool => $on >= $c[0] && $on <= $c[1]));
        usort(
            $around,
            static fn (array $a, array $b): int => abs(($a[0] + $a[1]) / 2 - $on) / ($a[1] - $a[0]) <=> abs(($b[0] + $b[1]) / 2 - $on) / ($b[1] - $b[0]),
        );
        $ends = sprintf('%s to %s', Show::n(min(array_column($sizes, 0)), 2), Show::n(max(array_column($sizes, 1)), 3));

        return $around[0] ?? throw InvalidInput::in('outside', sprintf(
            'No %s clamp closes on %s mm: their ranges go from %s mm. Measure the hose again, or take another kind.',
            self::NAMES[$kind], Show::n($on), $ends,
        ));
    }

    /** @return array{float, list<Working>, list<Check>} across the hose once it is on, mm */
    private function fitted(Inputs $in, float $outside): array
    {
        $inside = $in->has('inside') ? $in->between('inside', Kind::Length, 3.0, 150.0) : 0.0;
        $inside <= $outside - 2 * self::LEAST_WALL || throw InvalidInput::in('inside', sprintf(
            'The hose is %s mm inside and %s mm outside: that leaves it no wall. Measure both again, or swap them.',
            Show::n($inside), Show::n($outside),
        ));
        if (!$in->has('inside') || !$in->has('spigot')) {
            return [
                $outside,
                [new Working(
                    'Across the hose', 'as measured', sprintf('%s mm', Show::n($outside)), sprintf('%s mm', Show::n($outside)),
                    'measure it on the spigot where you can',
                )],
                [],
            ];
        }
        $spigot = $in->between('spigot', Kind::Length, 3.0, 150.0);
        $on = $spigot <= $inside ? $outside : sqrt($spigot ** 2 + $outside ** 2 - $inside ** 2);
        $stretch = 100 * ($spigot / $inside - 1);

        return [$on, [new Working(
            'Across the hose once it is on', 'OD = √(d² + OD0² − ID0²)',
            sprintf('√(%s² + %s² − %s²)', Show::n($spigot), Show::n($outside), Show::n($inside)), sprintf('%s mm', Show::n($on)),
            'the rubber keeps its cross-section',
        )], [match (true) {
            $stretch < -2.0 => Check::stop(
                'loose',
                sprintf(
                    'The hose is %s mm larger than the spigot: no clamp cures that. Take the right hose.',
                    Show::n($inside - $spigot, 2),
                ),
            ),
            $stretch > 12.0 => Check::stop('tight', sprintf('The hose would be stretched by %s %%: too small.', Show::n($stretch, 2))),
            $stretch > 7.0 => Check::watch(
                'tight', sprintf('The hose is stretched by %s %%: hard to push on, water helps.', Show::n($stretch, 2)),
            ),
            default => Check::ok('fit', sprintf('The hose is stretched by %s %%.', Show::n(max(0.0, $stretch), 2))),
        }]];
    }
}
