<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting\Door;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Lifting\Beam;
use NimbleKnuckle\Core\Lifting\Leg;
use NimbleKnuckle\Core\Lifting\Sling;
use NimbleKnuckle\Core\Lifting\SlingDrawing;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Mass;
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

/** The door of what hangs on a hook: kg and degrees in, N and margins out. An unrated part is a stop whatever it looks like. */
final readonly class LiftLinks implements Sum
{
    /** Of the whole load, under which a leg is slack. */
    private const SLACK = 0.001;
    private const LEAST = 1.0;
    private const ENOUGH = 1.5;
    /** ° from upright */
    private const STEEPEST = 60.0;

    public function about(): About
    {
        return new About('lift-links', 'Hooks, legs and bar: will they carry it?', 'Lifting and mounts', static fn (): array => [
            Field::quantity('mass', 'On the hook', Kind::Mass, '180 kg')->within(0.1, 20_000.0),
            Field::text('legs', 'Legs', '30° 250 kg; 30° 250 kg', 'Angle from upright, rating at that angle.')->optional(),
            Field::text('bar', 'Support bar', '1500 mm 600 mm 500 kg', 'Span, where it hangs from one foot, rating.')->optional(),
            Field::text(
                'parts', 'Parts in line', 'shackle 500 kg; hook 400 kg', 'Name and rating of each. No rating: leave it out.',
            )->optional(),
        ], ['legs', 'parts' => 'shackle 500 kg; engine hook 400 kg']);
    }

    public function headline(SumResult $r): Headline
    {
        $margins = array_filter($r->values['margin']->entries(), is_float(...));

        return new Headline(
            'Weakest carries', [Headline::figure([] === $margins ? 0.0 : min($margins), 'times what hangs on it')],
            sprintf('%s N on the hook', Show::n($r->number('load'), 4)),
        );
    }

    public function drawing(Inputs $in, SumResult $r): ?array
    {
        $legs = self::legs($in);
        $beam = self::beam($in);

        return [] === $legs && null === $beam ? null : ['sling', SlingDrawing::of($legs, $beam)];
    }

    /**
     * @return list<Leg>
     *
     * @throws InvalidInput
     */
    private static function legs(Inputs $in): array
    {
        if (!$in->has('legs')) {
            return [];
        }
        $legs = array_map(static fn (Entry $one): Leg => new Leg(
            Angle::degrees(abs($one->number('angle'))), self::rating($one),
        ), (new Entries(['angle' => Kind::Angle, 'rating?' => Kind::Mass]))->of($in, 'legs'));
        foreach ($legs as $leg) {
            $leg->angle->degrees < 89.0 || throw InvalidInput::in(
                'legs', 'A leg stands under 89° from upright: one that lies flat carries nothing upward.',
            );
        }
        1 !== count($legs) || $legs[0]->angle->degrees < 0.5 || throw InvalidInput::in(
            'legs', 'A single leg hangs upright: give the second leg, or 0°.',
        );

        return $legs;
    }

    private static function rating(Entry $entry): ?Mass
    {
        $rating = $entry->maybe('rating');

        return null === $rating || $rating <= 0.0 ? null : Mass::kilograms($rating);
    }

    /** @throws InvalidInput */
    private static function beam(Inputs $in): ?Beam
    {
        if (!$in->has('bar')) {
            return null;
        }
        $columns = new Entries([
            'span' => Kind::Length, 'at' => Kind::Length, 'rating?' => Kind::Mass, 'width?' => Kind::Length, 'height?' => Kind::Length,
            'wall?' => Kind::Length,
        ]);
        $entry = $columns->one(self::flattened($in), 'bar');
        [$span, $at] = [$entry->number('span'), $entry->number('at')];
        $span > 0.0 && $at >= 0.0 && $at <= $span || throw InvalidInput::in('bar', 'What hangs on it hangs between its feet.');

        return new Beam($span, $at, self::rating($entry), $entry->maybe('width'), $entry->maybe('height'), $entry->maybe('wall'));
    }

    /** The section of a bar stands in a record of its own. */
    private static function flattened(Inputs $in): Inputs
    {
        $bar = $in->raw['bar'];
        if (!is_array($bar) || !is_array($bar['section'] ?? null)) {
            return $in;
        }
        $flat = $bar + $bar['section'];
        unset($flat['section']);

        return Inputs::of(['bar' => $flat], [Field::text('bar', '', '')]);
    }

    public function compute(Inputs $in): SumResult
    {
        $mass = Mass::kilograms($in->number('mass', Kind::Mass));
        [$legs, $beam] = [self::legs($in), self::beam($in)];
        $tensions = Sling::tensions($mass, $legs);
        $checks = $margins = [];
        foreach ($legs as $i => $leg) {
            [$margins[], $one] = self::judged(
                sprintf('Leg %d', $i + 1), $leg->rating, Force::newtons($tensions[$i]->value), $mass->weight()
            );
            array_push($checks, $one, ...self::steep($i + 1, $leg));
        }
        if (null !== $beam) {
            [$margins[], $checks[]] = self::judged('Bar', $beam->rating, $mass->weight(), $mass->weight());
        }
        $parts = $in->has('parts') ? (new Entries(['rating?' => Kind::Mass]))->of($in, 'parts') : [];
        foreach ($parts as $i => $part) {
            $name = '' === $part->name ? sprintf('Part %d', $i + 1) : ucfirst($part->name);
            [$margins[], $checks[]] = self::judged($name, self::rating($part), $mass->weight(), $mass->weight());
        }[] !== $margins || throw InvalidInput::in('parts', 'Say what it hangs on: legs, a bar, or the parts in line.');

        return new SumResult($this->about()->name, $in->raw, [
            'load' => Value::of($mass->weight()->newtons, Unit::Newton->value),
            'tension' => Value::listOf(array_map(static fn (Formula $one): float => $one->value, $tensions), Unit::Newton->value),
            'margin' => Value::listOf($margins, Unit::One->value),
        ], $checks, self::working($mass, $legs, $tensions, $beam));
    }

    /** @return array{float, Check} its margin; of a leg that hangs slack that of the whole load, which it gets when that swings */
    private static function judged(string $name, ?Mass $rating, Force $load, Force $whole): array
    {
        if (null === $rating) {
            return [0.0, Check::stop('unrated', $name.' has no rating. Nothing is lifted on it.')];
        }
        if ($load->newtons < self::SLACK * $whole->newtons) {
            return [$rating->weight()->over($whole), Check::watch(
                'slack', $name.' hangs slack: the other one carries it all, and it swings under that. Hang it so that both pull.',
            )];
        }
        $margin = $rating->weight()->over($load);
        $said = sprintf('%s carries %s times what hangs on it', $name, Show::n($margin, 3));

        return [$margin, match (true) {
            $margin < self::LEAST => Check::stop('margin', $said.': too little. A stronger one.'),
            $margin < self::ENOUGH => Check::watch('margin', $said.', under one and a half.'),
            default => Check::ok('margin', $said.'.'),
        }];
    }

    /** @return list<Check> */
    private static function steep(int $number, Leg $leg): array
    {
        return $leg->angle->degrees <= self::STEEPEST ? [] : [Check::stop(
            'angle', sprintf('Leg %d stands %s° from upright, past 60°: longer legs.', $number, Show::n($leg->angle->degrees, 3)),
        )];
    }

    /**
     * @param list<Leg> $legs
     * @param list<Formula> $tensions
     *
     * @return list<Working>
     */
    private static function working(Mass $mass, array $legs, array $tensions, ?Beam $beam): array
    {
        $load = Show::n($mass->weight()->newtons);
        $lines = [new Working(
            'Load', 'F = m g', sprintf('%s × %s', Show::n($mass->kilograms), Show::n(Mass::GRAVITY, 8)), $load.' N', 'standard gravity'
        )];
        foreach ($legs as $i => $leg) {
            $lines[] = Working::by(
                $tensions[$i], sprintf('Leg %d', $i + 1), 'N',
                count($legs) > 2 ? 'only two of several legs are counted on' : 'balance of forces',
                with: sprintf('F %s N, θ %s°', $load, Show::n($leg->angle->degrees)),
            );
        }
        $bending = $beam?->bending($mass->weight());
        null === $bending || $lines[] = Working::by(
            $bending, 'Bending of the bar', 'MPa', 'for information; the rating decides',
            with: sprintf('F %s N at %s of %s mm', $load, Show::n($beam->at), Show::n($beam->span)),
        );

        return $lines;
    }
}
