<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting\Door;

use NimbleKnuckle\Core\Lifting\MountWear;
use NimbleKnuckle\Core\Lifting\MountWearDrawing;
use NimbleKnuckle\Core\Quantity\Digits;
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

/** The door of the mounts' wear: heights and rock in mm; sag in mm and what is left of the rock in percent out. */
final readonly class MountTired implements Sum
{
    public function about(): About
    {
        return new About('mount-tired', 'Mount tired or sound', 'Lifting and mounts', static fn (): array => [
            Field::quantity(
                'rock_before', 'Rock before', Kind::Length, '34 mm', 'End to end at a ruler on top of the engine.'
            )->within(0.1, 500.0),
            Field::quantity('rock_after', 'Rock after', Kind::Length, '18 mm')->within(0.0, 500.0),
            Field::text('old', 'Old mounts, height under load, mm', '58; 61', 'Between the same faces, engine at rest.')->optional(),
            Field::text('new', 'New mounts, the same way, mm', '64; 63', 'In the same order.')->optional(),
        ], ['old', 'new']);
    }

    public function headline(SumResult $r): Headline
    {
        return $r->has('most') ? new Headline(
            'Sagged by up to', [Headline::figure($r->number('most'), 'mm')],
            sprintf('%s %% of the rock is left', Digits::significant($r->number('rock'), 2)),
        ) : new Headline('Of the rock is left', [Headline::figure($r->number('rock'), '%')]);
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        [$old, $new] = self::heights($in);
        $pairs = [];
        foreach ($old as $i => $was) {
            $pairs['mount '.($i + 1)] = [$was, $new[$i]];
        }

        return ['wear', MountWearDrawing::of($pairs + ['rock' => self::rocked($in)])];
    }

    /**
     * @return array{list<Length>, list<Length>} old, new
     *
     * @throws InvalidInput
     */
    private static function heights(Inputs $in): array
    {
        if (!$in->has('old') && !$in->has('new')) {
            return [[], []];
        }
        $read = static fn (string $field): array => array_map(
            static fn (float $mm): Length => $mm > 0.0 && $mm < 500.0 ? Length::millimetres($mm) : throw InvalidInput::in(
                $field, 'The height of a mount is more than 0 and less than 500 mm.',
            ), $in->numbers($field, Kind::Length),
        );
        [$old, $new] = [$read('old'), $read('new')];
        count($old) === count($new) || throw InvalidInput::in(
            'new', sprintf('%d old heights and %d new ones: give one for each mount, in the same order.', count($old), count($new)),
        );

        return [$old, $new];
    }

    /**
     * @return array{Length, Length} before, after
     *
     * @throws InvalidInput
     */
    private static function rocked(Inputs $in): array
    {
        return [$in->length('rock_before'), $in->length('rock_after')];
    }

    public function compute(Inputs $in): SumResult
    {
        [$old, $new] = self::heights($in);
        $wear = MountWear::of($old, $new, ...self::rocked($in));

        $rock = ['rock' => Value::of($wear->rock->percent(), Unit::Percent->value)];

        return new SumResult($this->about()->name, $in->raw, $rock + ([] === $old ? [] : [
            'sags' => Value::listOf(
                array_map(static fn (Length $sag): float => $sag->millimetres, $wear->sags), Unit::Millimetre->value,
            ),
            'most' => Value::of($wear->most()->millimetres, Unit::Millimetre->value),
        ]), [...([] === $old ? [] : [self::sagged($wear)]), self::rocks($wear->rock->ofOne)], self::working($wear, $old, $new, $in));
    }

    private static function sagged(MountWear $wear): Check
    {
        $most = $wear->most()->millimetres;
        $said = sprintf('%s mm lower than new', Show::n(max(0.0, $most), 2));

        return match (true) {
            $most > MountWear::TIRED => Check::stop('sag', sprintf('Tired: one mount stood %s under its load. They go together.', $said)),
            $most > MountWear::SETTLED => Check::watch(
                'sag', sprintf('Settled: the lowest stood %s. Look again at the next service.', $said),
            ),
            default => Check::ok('sag', sprintf('Sound: the lowest stood %s.', $said)),
        };
    }

    private static function rocks(float $left): Check
    {
        $said = sprintf('%s %% of the rock is left', Show::n(100 * $left, 2));

        return match (true) {
            $left > MountWear::SAME => Check::stop('rock', $said.': no better. Torque rod, gearbox mount or a bracket is the one.'),
            $left > MountWear::BETTER => Check::watch('rock', $said.': not the mounts alone. Look at torque rod and gearbox mount.'),
            default => Check::ok('rock', $said.'.'),
        };
    }

    /**
     * @param list<Length> $old
     * @param list<Length> $new
     *
     * @return list<Working>
     */
    private static function working(MountWear $wear, array $old, array $new, Inputs $in): array
    {
        $lines = [];
        foreach ($wear->sags as $i => $sag) {
            $lines[] = new Working(
                'Sag of mount '.($i + 1), 'height new − height old',
                sprintf('%s − %s', Show::n($new[$i]->millimetres), Show::n($old[$i]->millimetres)), Show::n($sag->millimetres).' mm',
                sprintf(
                    'measured; over %s mm settled, over %s mm tired, working values', Show::n(MountWear::SETTLED),
                    Show::n(MountWear::TIRED),
                ),
            );
        }
        $lines[] = new Working(
            'Rock that is left', 'after / before',
            sprintf('%s / %s', Show::n($in->number('rock_after', Kind::Length)), Show::n($in->number('rock_before', Kind::Length))),
            Show::n($wear->rock->percent(), 3).' %', sprintf(
                'measured at a ruler; %s %% and %s %% are working values', Show::n(100 * MountWear::BETTER), Show::n(100 * MountWear::SAME),
            ),
        );

        return $lines;
    }
}
