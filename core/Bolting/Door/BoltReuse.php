<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

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

/** May an old bolt go back in? Its length against a new one and against the maker's limit, mm; permanent stretch in mm and percent. */
final readonly class BoltReuse implements Sum
{
    /** Permanent stretch of the grip past which a bolt has been over its proof stress, percent (0.2 % proof). */
    private const PROOF = 0.2;
    private const CALIPER = 0.05;

    public function name(): string
    {
        return 'bolt-reuse';
    }

    public function summary(): string
    {
        return 'Old bolt or new';
    }

    public function fields(): array
    {
        return [
            Field::quantity('old', 'Old bolt, measured', Kind::Length, '118.4 mm', 'From under the head to the tip.'),
            Field::quantity('new', 'New bolt, measured', Kind::Length, '118.0 mm', 'The same way, the same caliper.')->optional(),
            Field::quantity('limit', 'Maker’s longest', Kind::Length, '118.8 mm')->optional(),
            Field::quantity('grip', 'Length that stretches', Kind::Length, '100 mm', 'The whole bolt is taken.')->optional(),
            Field::flag('single_use', 'The maker says: new each time'),
            Field::flag('into_yield', 'It is tightened into yield'),
        ];
    }

    public function group(): string
    {
        return 'Is it tight, may it go back';
    }

    public function example(): array
    {
        return ['old' => '118.4 mm', 'new' => '118.0 mm', 'limit' => '118.8 mm', 'grip' => '100 mm'];
    }

    public function headline(SumResult $r): Headline
    {
        return $r->has('stretch') ? new Headline(
            'Longer for good by', [Headline::figure($r->number('stretch'), 'mm')], '',
        ) : new Headline('Left to the limit', [Headline::figure($r->number('margin'), 'mm')], '');
    }

    public function drawing(Inputs $in, SumResult $r): ?array
    {
        return null;
    }

    public function compute(Inputs $in): SumResult
    {
        $old = $in->positive('old', Kind::Length);
        $in->has('new') || $in->has('limit') || throw InvalidInput::in(
            'limit', 'Measure a new one beside it, or give the maker’s longest.',
        );
        $values = ['old' => Value::of($old, Unit::Millimetre->value)];
        $checks = $this->rules($in);
        $working = [];
        if ($in->has('new')) {
            $new = $in->positive('new', Kind::Length);
            abs($old - $new) < 0.1 * $new || throw InvalidInput::in(
                'new', 'These are bolts of different lengths: measure one of the same kind.',
            );
            $grip = $in->has('grip') ? $in->between('grip', Kind::Length, 5.0, $new) : $new;
            $stretch = $old - $new;
            $values += [
                'stretch' => Value::of($stretch, Unit::Millimetre->value),
                'strain' => Value::of(100 * $stretch / $grip, Unit::Percent->value),
            ];
            $working[] = new Working(
                'Permanent stretch', 'ε = (old − new) / grip',
                sprintf('(%s − %s) / %s', Show::n($old, 6), Show::n($new, 6), Show::n($grip)),
                sprintf('%s mm, %s %%', Show::n($stretch), Show::n(100 * $stretch / $grip)),
                'definition; 0.2 % is the proof strain, ISO 898-1',
            );
            $checks[] = $this->stretched($stretch, 100 * $stretch / $grip);
        }
        if ($in->has('limit')) {
            $limit = $in->positive('limit', Kind::Length);
            $values['margin'] = Value::of($limit - $old, Unit::Millimetre->value);
            $working[] = new Working(
                'Left to the limit', 'm = limit − old', sprintf('%s − %s', Show::n($limit, 6), Show::n($old, 6)),
                sprintf('%s mm', Show::n($limit - $old)), 'maker’s limit',
            );
            $checks[] = match (true) {
                $old > $limit => Check::stop(
                    'past-limit', sprintf('%s mm over the maker’s longest: a new bolt.', Show::n($old - $limit, 2)),
                ),
                $limit - $old < self::CALIPER => Check::watch(
                    'at-limit', 'At the limit, within what a caliper can tell: a new bolt is the safe answer.',
                ),
                default => Check::ok('within-limit', sprintf('%s mm under the maker’s longest.', Show::n($limit - $old, 2))),
            };
        }

        return new SumResult($this->name(), $in->raw, $values, $checks, $working);
    }

    /** @return list<Check> */
    private function rules(Inputs $in): array
    {
        return array_values(array_filter([
            $in->flag('single_use') ? Check::stop('single-use', 'The maker says new each time: its length does not matter.') : null,
            $in->flag('into_yield') && !$in->has('limit') ? Check::stop(
                'into-yield', 'Tightened into yield and no limit to measure against: a new bolt.',
            ) : null,
        ]));
    }

    private function stretched(float $stretch, float $strain): Check
    {
        return match (true) {
            $stretch < -self::CALIPER => Check::watch(
                'shorter', 'The old one is shorter than the new: not the same bolt, or measured differently.',
            ),
            $strain > self::PROOF => Check::stop(
                'stretched',
                sprintf(
                    '%s mm longer than new, %s %% for good: it has been past yield. A new bolt.', Show::n($stretch, 2),
                    Show::n($strain, 2),
                ),
            ),
            $stretch > self::CALIPER => Check::watch(
                'a-little', sprintf('%s mm longer than new: more than a caliper’s doubt.', Show::n($stretch, 2)),
            ),
            default => Check::ok('as-new', 'As long as a new one.'),
        };
    }
}
