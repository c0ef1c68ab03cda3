<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Times\Door;

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
use NimbleKnuckle\Core\Times\Learned;
use NimbleKnuckle\Core\Times\TimeDrawing;

/** The door of learned times: minutes in, minutes out. */
final readonly class TimeLearned implements Sum
{
    private const MOST = 2000;
    /** Over which a plan was wide of the mark. */
    private const WIDE = 1.5;

    public function about(): About
    {
        return new About('time-learned', 'How long it takes here', 'Time', static fn (): array => [
            Field::text('planned', 'As planned: low, likely, high', '20; 30; 50', 'In minutes.'),
            Field::text('done', 'How long it took, job by job', '40; 45; 38', 'In minutes, without the pauses.')->optional(),
        ], ['done']);
    }

    public function headline(SumResult $r): Headline
    {
        return new Headline('Likely here', [Headline::figure($r->number('likely'), 'min')], sprintf(
            '%s to %s in four jobs of five; %s', Show::n($r->number('low'), 3), Show::n($r->number('high'), 3),
            $r->number('from') > 0.0 ? 'from '.Show::n($r->number('from')) : 'as planned',
        ));
    }

    public function drawing(Inputs $in, SumResult $r): array
    {
        [$planned, $done] = [self::planned($in), self::done($in)];

        return ['plot', TimeDrawing::of($planned, $done, Learned::of($planned, $done))];
    }

    public function compute(Inputs $in): SumResult
    {
        [$planned, $done] = [self::planned($in), self::done($in)];
        $learned = Learned::of($planned, $done);
        $n = $learned->from;

        return new SumResult($this->about()->name, $in->raw, [
            'likely' => Value::of($learned->likely, Unit::Minute->value), 'low' => Value::of($learned->low, Unit::Minute->value),
            'high' => Value::of($learned->high, Unit::Minute->value), 'off' => Value::of(100 * ($learned->off - 1), Unit::Percent->value),
            'from' => Value::of((float) $n, Unit::One->value),
        ], [match (true) {
            0 === $n => Check::ok('planned', 'Nothing was measured here yet: this is the plan.'),
            $learned->off > self::WIDE || $learned->off < 1 / self::WIDE => Check::watch('off', sprintf(
                'The plan is off by %s %%, from %s: plan with what it takes here.', Show::n(100 * abs($learned->off - 1), 2),
                self::jobs($n),
            )),
            default => Check::ok('learned', sprintf('From %s here.', self::jobs($n))),
        }], 0 === $n ? [new Working(
            'As planned', 'low, likely, high', 'nothing was measured here yet',
            sprintf('%s, %s, %s min', ...array_map(static fn (float $one): string => Show::n($one), $planned)), 'the plan',
        )] : [
            new Working('Likely', 'exp((4 μ₀ + Σ ln t)/(4 + n))', sprintf('μ₀ of %s min, %s', Show::n($planned[1]), self::jobs($n)),
                Show::n($learned->likely, 3).' min', 'the plan counts as four jobs: working value'),
            new Working('Four in five', 'exp(μ ± 1.2816 σ)', 'σ of the plan, of the jobs, and of what lies between them',
                sprintf('%s to %s min', Show::n($learned->low, 3), Show::n($learned->high, 3)), 'lognormal'),
        ]);
    }

    private static function jobs(int $n): string
    {
        return sprintf('%d %s', $n, 1 === $n ? 'job' : 'jobs');
    }

    /** @return array{float, float, float} */
    private static function planned(Inputs $in): array
    {
        $numbers = $in->numbers('planned', Kind::Duration);
        3 === count($numbers) || throw InvalidInput::in('planned', 'Three figures: low, likely, high, in minutes.');
        [$low, $likely, $high] = $numbers;

        return $low > 0.0 && $low <= $likely && $likely <= $high && $low < $high && $high <= 100_000.0 ? [$low, $likely, $high]
            : throw InvalidInput::in('planned', 'Low, then likely, then high, each no less than the one before.');
    }

    /** @return list<float> */
    private static function done(Inputs $in): array
    {
        $numbers = $in->has('done') ? array_values($in->numbers('done', Kind::Duration)) : [];
        count($numbers) <= self::MOST || throw InvalidInput::in('done', sprintf('%d jobs at most.', self::MOST));
        foreach ($numbers as $i => $minutes) {
            $minutes > 0.0 && $minutes <= 100_000.0 || throw InvalidInput::in('done', sprintf('Job %d took more than nothing.', $i + 1));
        }

        return $numbers;
    }
}
