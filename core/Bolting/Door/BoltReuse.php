<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting\Door;

use NimbleKnuckle\Core\Bolting\UsedBolt;
use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
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

/** May an old bolt go back in? Its length against a new one and against the maker's limit, mm; permanent stretch in mm and percent. */
final readonly class BoltReuse implements Sum
{
    public function about(): About
    {
        return new About('bolt-reuse', 'Old bolt or new', 'Is it tight, may it go back', static fn (): array => [
            Field::quantity('old', 'Old bolt, measured', Kind::Length, '118.4 mm', 'From under the head to the tip.'),
            Field::quantity('new', 'New bolt, measured', Kind::Length, '118.0 mm', 'The same way, the same caliper.')->optional(),
            Field::quantity('limit', 'Maker’s longest', Kind::Length, '118.8 mm')->optional(),
            Field::quantity('grip', 'Length that stretches', Kind::Length, '100 mm', 'The whole bolt is taken.')->optional(),
            Field::flag('single_use', 'The maker says: new each time'),
            Field::flag('into_yield', 'It is tightened into yield'),
        ], ['new', 'limit', 'grip']);
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
        $old = $in->length('old');
        $in->has('new') || $in->has('limit') || throw InvalidInput::in(
            'limit', 'Measure a new one beside it, or give the maker’s longest.',
        );
        [$stretch, $stretchChecks, $stretchLines] = $in->has('new') ? $this->besideNew($in, $old) : [[], [], []];
        [$margin, $marginChecks, $marginLines] = $in->has('limit') ? $this->underLimit($in->length('limit'), $old) : [[], [], []];

        return new SumResult(
            $this->about()->name, $in->raw, ['old' => Value::of($old->millimetres, Unit::Millimetre->value)] + $stretch + $margin,
            [...$this->rules($in), ...$stretchChecks, ...$marginChecks], [...$stretchLines, ...$marginLines],
        );
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function besideNew(Inputs $in, Length $old): array
    {
        $new = $in->length('new');
        abs($old->minus($new)->millimetres) < 0.1 * $new->millimetres || throw InvalidInput::in(
            'new', 'These are bolts of different lengths: measure one of the same kind.',
        );
        $grip = $in->has('grip') ? $in->length('grip', 5.0, $new->millimetres) : $new;
        $used = UsedBolt::beside($old, $new, $grip);
        [$stretch, $strain] = [$used->stretch->millimetres, $used->strain->percent()];
        $values = ['stretch' => Value::of($stretch, Unit::Millimetre->value), 'strain' => Value::of($strain, Unit::Percent->value)];

        return [$values, [$this->stretched($used)], [Working::by(
            $used->formula, 'Permanent stretch', '',
            sprintf('definition; %s %% is the proof strain, ISO 898-1', Show::n(UsedBolt::PROOF)),
            result: sprintf('%s %%, %s mm', Show::n($strain), Show::n($stretch)),
        )]];
    }

    /** @return array{array<string, Value>, list<Check>, list<Working>} */
    private function underLimit(Length $limit, Length $old): array
    {
        $left = Formula::of('m = limit − old', [
            'limit' => Term::of($limit->millimetres, '', 6), 'old' => Term::of($old->millimetres, '', 6),
        ]);
        $margin = $left->value;
        $check = match (true) {
            $margin < 0.0 => Check::stop('past-limit', sprintf('%s mm over the maker’s longest: a new bolt.', Show::n(-$margin, 2))),
            $margin < UsedBolt::CALIPER => Check::watch(
                'at-limit', 'At the limit, within what a caliper can tell: a new bolt is the safe answer.',
            ),
            default => Check::ok('within-limit', sprintf('%s mm under the maker’s longest.', Show::n($margin, 2))),
        };

        return [['margin' => Value::of($margin, Unit::Millimetre->value)], [$check], [
            Working::by($left, 'Left to the limit', 'mm', 'maker’s limit'),
        ]];
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

    private function stretched(UsedBolt $used): Check
    {
        $longer = Show::n($used->stretch->millimetres, 2);

        return match (true) {
            $used->isAnother() => Check::watch(
                'shorter', 'The old one is shorter than the new: not the same bolt, or measured differently.',
            ),
            $used->hasYielded() => Check::stop(
                'stretched',
                sprintf(
                    '%s mm longer than new, %s %% for good: it has been past yield. A new bolt.', $longer,
                    Show::n($used->strain->percent(), 2),
                ),
            ),
            $used->isLonger() => Check::watch('a-little', sprintf('%s mm longer than new: more than a caliper’s doubt.', $longer)),
            default => Check::ok('as-new', 'As long as a new one.'),
        };
    }
}
