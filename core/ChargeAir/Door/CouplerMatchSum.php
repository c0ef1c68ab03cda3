<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\ChargeAir\BoxDrawing;
use NimbleKnuckle\Core\ChargeAir\Coupler;
use NimbleKnuckle\Core\ChargeAir\CouplerFit;
use NimbleKnuckle\Core\ChargeAir\CouplerMatch;
use NimbleKnuckle\Core\ChargeAir\PipeJoint;
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

/** The door of a box of hoses: pipe ends and hoses in mm in, which goes where out. */
final readonly class CouplerMatchSum implements Sum
{
    private const MOST = 60;

    public function about(): About
    {
        return new About('coupler-match', 'Which hose goes where', 'Charge air', static fn (): array => [
            Field::text(
                'ends', 'Pipe ends to be joined', 'turbo out 50.8 57 90 bead; throttle 63.5 63.5',
                'Name, the two outside diameters in mm, the angle between them, “bead” where there is one.',
            ),
            Field::text(
                'couplers', 'Hoses of the box', 'elbow 51 57 90; straight 63 63',
                'Name, the two inside diameters in mm, angle, wall (4.5 mm).',
            ),
            Field::text('clamps', 'Clamps of the box', 'small 55 70; large 65 80', 'Name, from and to in mm.')->optional(),
        ], ['ends' => 'turbo out 50.8 57 90 bead; cooler in 57 57; throttle 63.5 60.3',
            'couplers' => 'reducer 60 63; elbow 57 51 90; straight 57 57; spare 76 76', 'clamps' => 'small 55 66; large 63 75']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline(
            'Joined', [Headline::figure($r->number('joined'), 'of '.Show::n($r->number('joints')))],
            [] === $r->entries('missing') ? 'every joint has its hose' : 'missing: '.implode(', ', $r->entries('missing')),
        );
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        [$joints, $couplers] = [self::joints($in), self::couplers($in)];

        return ['box', BoxDrawing::of($joints, $couplers, CouplerMatch::of($joints, $couplers))];
    }

    /** @return non-empty-list<PipeJoint> */
    private static function joints(Inputs $in): array
    {
        $entries = new Entries(['a' => Kind::Length, 'b?' => Kind::Length, 'angle?' => Kind::Angle], ['bead' => ['bead', 'yes', 'no']]);

        return array_map(static fn (Entry $one, int $i): PipeJoint => new PipeJoint(
            '' === $one->name ? 'joint '.($i + 1) : $one->name, self::size('ends', $one->number('a')),
            self::size('ends', $one->maybe('b') ?? $one->number('a')), in_array($one->word('bead', 'no'), ['bead', 'yes'], true),
            $one->maybe('angle') ?? 0.0,
        ), self::few($entries->of($in, 'ends'), 'ends'), array_keys($entries->of($in, 'ends')));
    }

    /** @return non-empty-list<Coupler> */
    private static function couplers(Inputs $in): array
    {
        $entries = new Entries(['a' => Kind::Length, 'b?' => Kind::Length, 'angle?' => Kind::Angle, 'wall?' => Kind::Length]);

        return array_map(static fn (Entry $one, int $i): Coupler => new Coupler(
            '' === $one->name ? 'hose '.($i + 1) : $one->name, self::size('couplers', $one->number('a')),
            self::size(
                'couplers', $one->maybe('b') ?? $one->number('a'),
            ), $one->maybe('angle') ?? 0.0, $one->maybe('wall') ?? Coupler::WALL,
        ), self::few($entries->of($in, 'couplers'), 'couplers'), array_keys($entries->of($in, 'couplers')));
    }

    /**
     * @param non-empty-list<Entry> $entries
     *
     * @return non-empty-list<Entry>
     */
    private static function few(array $entries, string $field): array
    {
        return count($entries) <= self::MOST ? $entries : throw InvalidInput::in($field, sprintf('%d at most.', self::MOST));
    }

    private static function size(string $field, float $mm): float
    {
        return $mm >= 5.0 && $mm <= 300.0 ? $mm : throw InvalidInput::in($field, 'A diameter is from 5 to 300 mm.');
    }

    public function compute(Inputs $in): SumResult
    {
        [$joints, $couplers] = [self::joints($in), self::couplers($in)];
        $match = CouplerMatch::of($joints, $couplers);
        $name = static fn (int $i): string => $couplers[$i]->name;
        $clamps = ClampChoice::read($in);

        return new SumResult($this->about()->name, $in->raw, [
            'joined' => Value::of(
                (float) count($match->joined), Unit::One->value,
            ), 'joints' => Value::of((float) count($joints), Unit::One->value),
            'joint' => Value::names(array_map(static fn (int $i): string => $joints[$i]->name, array_keys($match->joined))),
            'coupler' => Value::names(array_values(array_map(static fn (array $one): string => $name($one[0]), $match->joined))),
            'turned' => Value::listOf(
                array_values(array_map(static fn (array $one): float => $one[1]->isTurned ? 1.0 : 0.0, $match->joined)), Unit::One->value,
            ),
            'over' => Value::listOf(
                array_merge(
                    ...array_map(static fn (array $one): array => $one[1]->over, array_values($match->joined)),
                ), Unit::Millimetre->value,
            ),
            'misfit' => Value::of($match->cost, Unit::One->value),
            'left' => Value::names(array_map($name, $match->over)),
            'missing' => Value::names(array_map(static fn (int $i): string => self::wanted($joints[$i]), $match->open)),
            'alike' => Value::names(array_map(static fn (array $two): string => $name($two[0]).' = '.$name($two[1]), $match->alike)),
            'clamp' => Value::names($clamps->names($match, $joints, $couplers)),
        ], [...self::judged($match, $joints, $couplers), ...$clamps->checks($match, $joints, $couplers)], array_map(
            static fn (int $i, array $one): Working => new Working(
                $joints[$i]->name, 'outside of the pipe − inside of the hose', self::way($joints[$i], $couplers[$one[0]], $one[1]),
                implode(' and ', array_map(static fn (float $mm): string => Show::n($mm, 2).' mm', $one[1]->over)),
                '−0.3 mm to 3 % fits, to 6 % tight, down to −1 mm loose: working values',
            ), array_keys($match->joined), $match->joined,
        ));
    }

    private static function way(PipeJoint $joint, Coupler $coupler, CouplerFit $fit): string
    {
        return sprintf(
            '%s and %s into %s %s and %s%s', Show::n($joint->a), Show::n($joint->b), $coupler->name,
            Show::n($fit->isTurned ? $coupler->b : $coupler->a), Show::n($fit->isTurned ? $coupler->a : $coupler->b),
            $fit->isTurned ? ', turned round' : '',
        );
    }

    private static function wanted(PipeJoint $joint): string
    {
        return sprintf('%s: %s to %s mm%s', $joint->name, Show::n($joint->a), Show::n($joint->b), $joint->angle > 0.0
            ? sprintf(', %s°', Show::n($joint->angle)) : '');
    }

    /**
     * @param list<PipeJoint> $joints
     * @param list<Coupler> $couplers
     *
     * @return list<Check>
     */
    private static function judged(CouplerMatch $match, array $joints, array $couplers): array
    {
        $checks = array_map(static fn (int $i): Check => Check::stop(
            'missing', sprintf('Nothing of the box fits %s.', self::wanted($joints[$i])),
        ), $match->open);
        foreach ($match->joined as $i => [$j, $fit]) {
            $said = sprintf('%s: %s%s', ucfirst($joints[$i]->name), $couplers[$j]->name, $fit->isTurned ? ', turned round' : '');
            $checks[] = match ($fit->end) {
                'loose' => Check::watch('loose', $said.', loose: it seals by its clamp alone.'),
                'tight' => Check::watch('tight', $said.', tight: warm it, wet it with water, no oil.'),
                default => Check::ok('fits', $said.'.'),
            };
            if (!$joints[$i]->hasBead) {
                $checks[] = Check::watch('no-bead', sprintf('%s has no bead: see what holds it.', ucfirst($joints[$i]->name)));
            }
        }

        return $checks;
    }
}
