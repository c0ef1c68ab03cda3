<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting\Door;

use NimbleKnuckle\Core\Lifting\EngineMount;
use NimbleKnuckle\Core\Lifting\Hardness;
use NimbleKnuckle\Core\Lifting\MountDrawing;
use NimbleKnuckle\Core\Lifting\MountShare;
use NimbleKnuckle\Core\Quantity\Digits;
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

/** The door of mounts under torque: mm, N/mm and N·m in, degrees, N, percent and Hz out. */
final readonly class MountShares implements Sum
{
    /** Where no inertia is given: m × 0.2² m². */
    private const RADIUS = 0.2;

    public function about(): About
    {
        return new About('mount-share', 'What each mount takes', 'Lifting and mounts', static fn (): array => [
            Field::text(
                'mounts', 'Mounts', 'left -300 200 120 180 rubber; right 320 180 120 180 rubber; rod 0 -250 260 60 pu',
                'Name, place in mm sideways and up, stiffness sideways and up in N/mm, rubber or pu.',
            ),
            Field::quantity(
                'torque', 'Torque to be held', Kind::Torque, '900 N·m', 'Crank torque times all gearing inside the unit.'
            )->within(0.1, 100_000.0),
            Field::text(
                'engine', 'Engine', '180 kg 8 4 800', 'Mass, inertia about the roll axis in kg m², cylinders, idle in rpm.',
            )->optional(),
            Field::text('changed', 'Mounts after the change', 'left -300 200 240 360 pu; right 320 180 120 180 rubber')->optional(),
            Field::quantity('hardness', 'Shore A, old', Kind::Number, '55')->optional(),
            Field::quantity('hardness_new', 'Shore A, new', Kind::Number, '75', 'Same shape only.')->optional(),
        ], ['mounts' => 'left -300 200 120 180 rubber; right 320 180 120 180 rubber; rod 0 -250 260 60 rubber', 'engine',
            'changed' => 'left -300 200 120 180 rubber; right 320 180 120 180 rubber; rod 0 -250 520 120 pu']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'It rolls by', [Headline::figure($r->number('angle'), '°')],
            implode(', ', array_map(
                static fn (float|string $one): string => Digits::significant((float) $one).' %', $r->values['share']->entries(),
            )),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        $mounts = self::mounts($in, 'mounts');

        return ['mounts', MountDrawing::of($mounts, MountShare::of($mounts, $in->torque('torque')))];
    }

    /**
     * @return non-empty-list<EngineMount>
     *
     * @throws InvalidInput
     */
    private static function mounts(Inputs $in, string $field): array
    {
        $columns = new Entries([
            'x' => Kind::Length, 'y' => Kind::Length, 'kx' => Kind::Stiffness, 'ky' => Kind::Stiffness,
        ], ['kind' => ['rubber', 'pu', 'polyurethane']]);
        $mounts = array_map(static fn (Entry $one): EngineMount => new EngineMount(
            $one->name, $one->number('x'), $one->number('y'), $one->number('kx'), $one->number('ky'),
            'rubber' === $one->word('kind', 'rubber'),
        ), $columns->of($in, $field));
        foreach ($mounts as $mount) {
            $mount->kx >= 0.0 && $mount->ky >= 0.0 || throw InvalidInput::in($field, 'A stiffness is not less than nothing.');
        }
        $spread = MountShare::stiffnessOf($mounts);
        $spread > 0.0 || throw InvalidInput::in($field, 'These mounts hold no torque: they lie in one place, or give way freely.');

        return $mounts;
    }

    public function compute(Inputs $in): SumResult
    {
        $torque = $in->torque('torque');
        $mounts = self::mounts($in, 'mounts');
        $before = MountShare::of($mounts, $torque);
        $engine = $in->has('engine') ? $this->engine($in) : null;
        $values = self::values($before, '');
        $checks = [Check::ok('roll', sprintf('The engine rolls by %s°.', Show::n($before->roll->degrees, 3)))];
        $working = self::working($before, $mounts, 'now');
        null === $engine || [$values, $checks, $working] = self::shaken($before, $engine, '', [$values, $checks, $working]);
        if ($in->has('changed')) {
            $changed = self::mounts($in, 'changed');
            $after = MountShare::of($changed, $torque);
            $values += self::values($after, '_after');
            $working = [...$working, ...self::working($after, $changed, 'after')];
            null === $engine || [$values, $checks, $working] = self::shaken($after, $engine, '_after', [$values, $checks, $working]);
        }
        [$more, $lines] = $this->hardness($in);

        return new SumResult($this->about()->name, $in->raw, $values + $more, $checks, [...$working, ...$lines]);
    }

    /**
     * @return array{float, float} inertia in kg m², shake at idle in Hz
     *
     * @throws InvalidInput
     */
    private function engine(Inputs $in): array
    {
        $columns = new Entries([
            'mass?' => Kind::Mass, 'inertia?' => Kind::Number, 'cylinders?' => Kind::Number, 'idle?' => Kind::Number,
        ]);
        $engine = $columns->one($in, 'engine');
        $inertia = $engine->maybe('inertia') ?? ($engine->maybe('mass') ?? 0.0) * self::RADIUS ** 2;
        $inertia > 0.0 && ($engine->maybe('mass') ?? 1.0) > 0.0 || throw InvalidInput::in(
            'engine', 'The engine weighs something: give its mass, or its inertia.',
        );
        [$cylinders, $idle] = [$engine->maybe('cylinders') ?? 0.0, $engine->maybe('idle') ?? 0.0];
        $idle < 10_000.0 && $cylinders < 25.0 || throw InvalidInput::in(
            'engine', 'Check cylinders and idle: mass, inertia, cylinders, idle.',
        );

        return [$inertia, $idle * $cylinders / 120];
    }

    /** @return array<string, Value> */
    private static function values(MountShare $share, string $suffix): array
    {
        return [
            'angle'.$suffix => Value::of($share->roll->degrees, Unit::Degree->value),
            'share'.$suffix => Value::listOf(array_map(static fn (float $one): float => 100 * $one, $share->shares), Unit::Percent->value),
            'force'.$suffix => Value::listOf(
                array_map(static fn (array $one): float => hypot(...$one), $share->forces), Unit::Newton->value,
            ),
            'force_x'.$suffix => Value::listOf(array_column($share->forces, 0), Unit::Newton->value),
            'force_y'.$suffix => Value::listOf(array_column($share->forces, 1), Unit::Newton->value),
        ];
    }

    /**
     * @param array{float, float} $engine inertia and shake
     * @param array{array<string, Value>, list<Check>, list<Working>} $all
     *
     * @return array{array<string, Value>, list<Check>, list<Working>}
     */
    private static function shaken(MountShare $share, array $engine, string $suffix, array $all): array
    {
        [$inertia, $shake] = $engine;
        [$values, $checks, $working] = $all;
        $frequency = $share->frequency($inertia);
        $values['frequency'.$suffix] = Value::of($frequency, 'Hz');
        $working[] = Working::by($share->frequencyFormula($inertia), 'Roll frequency', 'Hz', 'one degree of freedom');
        if ($shake > 0.0) {
            $through = $share->transmissibility($shake, $inertia);
            $values['transmissibility'.$suffix] = Value::of($through, Unit::One->value);
            $said = sprintf(
                'At idle, %s Hz, %s of the shake comes through%s', Show::n($shake, 3), Show::n($through, 3),
                '' === $suffix ? '' : ' after the change',
            );
            $checks[] = $through > 1.0
                ? Check::watch('idle', $said.': more than without mounts. Softer ones, or another idle.')
                : Check::ok('idle', $said.'.');
            $working[] = Working::by(
                $share->throughFormula($shake, $inertia), 'Comes through at idle', '',
                'damping of rubber 0.08, of polyurethane 0.10: working values', 3,
                sprintf('r = %s / %s, ζ %s', Show::n($shake), Show::n($frequency), Show::n($share->damping, 2)),
            );
        }

        return [$values, $checks, $working];
    }

    /**
     * @param list<EngineMount> $mounts
     *
     * @return list<Working>
     */
    private static function working(MountShare $share, array $mounts, string $when): array
    {
        $lines = [new Working(
            'Roll, '.$when, 'θ = T / Kθ', sprintf('Kθ %s N·m/rad about (%s, %s)', Show::n($share->stiffness), ...array_map(
                static fn (float $one): string => Show::n($one, 3), $share->centre,
            )), Show::n($share->roll->degrees).'°', 'springs in the plane, about their elastic centre',
        )];
        foreach ($mounts as $i => $mount) {
            $lines[] = new Working(
                '' === $mount->name ? sprintf('Mount %d', $i + 1) : ucfirst($mount->name), '(kx dy² + ky dx²) / Kθ',
                sprintf('kx %s, ky %s N/mm', Show::n($mount->kx), Show::n($mount->ky)),
                sprintf('%s %%, %s N', Show::n(100 * $share->shares[$i], 3), Show::n(hypot(...$share->forces[$i]), 3)),
                'its moment over the torque',
            );
        }

        return $lines;
    }

    /** @return array{array<string, Value>, list<Working>} */
    private function hardness(Inputs $in): array
    {
        if (!$in->has('hardness') || !$in->has('hardness_new')) {
            return [[], []];
        }
        [$old, $new] = array_map(static fn (string $f): float => $in->between($f, Kind::Number, 10.0, 95.0), ['hardness', 'hardness_new']);
        $ratio = Hardness::modulus($new) / Hardness::modulus($old);
        $other = Hardness::modulusByErf($new) / Hardness::modulusByErf($old);
        $isRange = max($old, $new) > Hardness::HIGH || min($old, $new) < Hardness::LOW;

        return [
            ['ratio' => Value::of($ratio, Unit::One->value)] + ($isRange ? ['ratio_other' => Value::of($other, Unit::One->value)] : []),
            [new Working(
                'Stiffer by', Hardness::modulusFormula($new)->written(),
                sprintf('%s to %s Shore A', Show::n($old), Show::n($new)),
                $isRange
                    ? sprintf('%s to %s times', Show::n(min($ratio, $other), 3), Show::n(max($ratio, $other), 3))
                    : Show::n($ratio, 3).' times',
                'Gent 1958, 20 to 80 Shore A; past that a range. Same shape only.',
            )],
        ];
    }
}
