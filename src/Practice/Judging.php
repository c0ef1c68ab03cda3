<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use NimbleKnuckle\Core\ChargeAir\Door\LeakSaid;
use NimbleKnuckle\Core\ChargeAir\LeakFault;
use NimbleKnuckle\Core\ChargeAir\LeakModel;
use NimbleKnuckle\Core\ChargeAir\LeakRun;
use NimbleKnuckle\Core\Clutch\Clutch;
use NimbleKnuckle\Core\Clutch\DiscSpring;
use NimbleKnuckle\Core\Clutch\FrictionFit;
use NimbleKnuckle\Core\Clutch\FrictionRing;
use NimbleKnuckle\Core\Clutch\SlipModel;
use NimbleKnuckle\Core\Clutch\SpringStack;
use NimbleKnuckle\Core\Clutch\StackDrawing;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Fluids\Air;
use NimbleKnuckle\Core\Gate\ActuatorFault;
use NimbleKnuckle\Core\Gate\ActuatorModel;
use NimbleKnuckle\Core\Gate\ActuatorTest;
use NimbleKnuckle\Core\Gate\BoostFault;
use NimbleKnuckle\Core\Gate\BoostModel;
use NimbleKnuckle\Core\Gate\BoostRun;
use NimbleKnuckle\Core\Gate\Door\ActuatorSaid;
use NimbleKnuckle\Core\Gate\Door\BoostSaid;
use NimbleKnuckle\Core\Gate\RunDrawing;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Sum\Level;

/** Something to judge by eye, drawn by lot on the simulations of the bench. The same seed gives the same thing. */
final readonly class Judging
{
    public const NEXT = ['go-on' => 'Go on', 'look' => 'Look again before going on', 'stop' => 'Stop, and mend it first'];
    private const CALL = 70;
    private const ACT = 30;
    private const HEIGHTS = [19.5, 19.35, 19.6];
    private const TRIALS = ['first', 'second', 'third'];

    public static function shown(JudgeKind $kind, int $seed): PracticeCase
    {
        return match ($kind) {
            JudgeKind::Leak => self::leak($seed),
            JudgeKind::Actuator => self::actuator($seed),
            JudgeKind::Boost => self::boost($seed),
            JudgeKind::Stack => self::stack($seed),
            JudgeKind::Crank => SparkJudging::crank($seed),
            JudgeKind::Plugs => SparkJudging::plugs($seed),
        };
    }

    /**
     * Points of a hundred: seventy for what it is, thirty for what is done then.
     *
     * @return array{int, list<string>}
     */
    public static function score(PracticeCase $shown, string $called, string $next): array
    {
        $isRight = $called === $shown->is;
        $isDone = $next === $shown->next;

        return [($isRight ? self::CALL : 0) + ($isDone ? self::ACT : 0), [
            $isRight ? '70 for the call.' : sprintf('0 for the call: you said %s.', $shown->calls[$called] ?? 'nothing'),
            $isDone ? '30 for what is done then.' : sprintf('0 for what is done then: %s.', mb_strtolower(self::NEXT[$shown->next] ?? '')),
        ]];
    }

    private static function leak(int $seed): PracticeCase
    {
        $luck = new Luck($seed);
        $fault = $luck->oneOf(LeakFault::cases());
        [$litres, $from] = [round($luck->between(3.0, 14.0), 1), round($luck->between(60.0, 150.0))];
        $samples = (new LeakModel($litres, $from, $fault, $seed))->samples();
        $run = LeakRun::of(
            $samples, Volume::litres($litres), Temperature::celsius(20.0), Pressure::kilopascals(Air::SEA_LEVEL),
        );
        $check = LeakSaid::of($run, Pressure::kilopascals($from), 0.0);
        $plot = Plot::over(
            'Pressure over seconds while it is shut', 's', [0.0, LeakModel::LASTS], 'kPa',
            [0.0, 1.15 * max(array_column($samples, 1))],
        )->line($samples, 'trace');

        return new PracticeCase(
            $plot, [], sprintf('%s L, pumped up to %s kPa.', Show::n($litres), Show::n($from)),
            array_column(array_map(static fn (LeakFault $one): array => [$one->value, $one->label()], LeakFault::cases()), 1, 0),
            $fault->value, self::next($check->level), $check->text,
        );
    }

    private static function actuator(int $seed): PracticeCase
    {
        $luck = new Luck($seed);
        $fault = $luck->oneOf(ActuatorFault::cases());
        $model = new ActuatorModel($fault, $seed);
        $test = $model->test();
        $ways = array_column($test['samples'], 1);
        $plot = Plot::over(
            'Rod over pressure, pumped up and let down', 'kPa', [0.0, 1.08 * max(1.0, ...array_column($test['samples'], 0))], 'mm',
            [min(0.0, ...$ways), 1.15 * max($model->full, ...$ways)],
        )->line($test['samples'], 'trace');
        $check = ActuatorSaid::of(ActuatorTest::of($test['samples'], $model->label, $model->full, $test['hold']));
        [$from, $to, $seconds] = $test['hold'];

        return new PracticeCase(
            $plot, [], sprintf(
                'Its label says %s kPa, it should move %s mm. Held: %s kPa, after %s s %s kPa.', Show::n($model->label, 3),
                Show::n($model->full, 3), Show::n($from, 3), Show::n($seconds, 2), Show::n($to, 3),
            ), array_column(array_map(static fn (ActuatorFault $one): array => [$one->value, $one->label()], ActuatorFault::cases()), 1, 0),
            $fault->value, self::next($check->level), $check->text,
        );
    }

    private static function boost(int $seed): PracticeCase
    {
        $luck = new Luck($seed);
        $faults = array_values(array_filter(BoostFault::cases(), static fn (BoostFault $one): bool => BoostFault::Leak !== $one));
        $fault = $luck->oneOf($faults);
        $target = round($luck->between(60.0, 130.0));
        $limit = round(1.4 * $target);
        $samples = (new BoostModel($target, $fault, $seed))->samples();
        $run = BoostRun::of($samples, static fn (float $rpm): float => $target, $limit);
        $check = null === $run ? null : BoostSaid::of($run);

        return new PracticeCase(
            RunDrawing::of($samples, static fn (float $rpm): float => $target, $limit), [],
            sprintf('It aims at %s kPa and is never to pass %s.', Show::n($target), Show::n($limit)),
            array_column(array_map(static fn (BoostFault $one): array => [$one->value, $one->label()], $faults), 1, 0), $fault->value,
            self::next(null === $check ? Level::Watch : $check->level), null === $check ? '' : $check->text,
        );
    }

    private static function stack(int $seed): PracticeCase
    {
        $luck = new Luck($seed);
        [$spring, $ring] = [new DiscSpring(50.0, 25.4, 3.0, 4.1), new FrictionRing(80.0, 56.0, 2.0)];
        $model = new SlipModel($seed);
        $odd = $luck->oneOf(['none', ...self::TRIALS]);
        $said = SpringStack::of([2, 2, 2]);
        $trials = [];
        foreach (self::HEIGHTS as $i => $height) {
            // What lay in truth, where one disc was turned over.
            $lay = self::TRIALS[$i] === $odd ? $said->flipped($luck->oneOf([0, 5])) : $said;
            $trials[] = [
                'drawing' => StackDrawing::of($said, $spring), 'said' => $said->said(), 'height' => $height,
                'pulls' => implode(' ', $model->pulls($lay, $height, $spring, $ring, $i)),
            ];
        }
        $clutch = new Clutch($spring, $ring, FrictionFit::given($model->friction));

        return new PracticeCase(
            null, $trials, 'Written down as they were said to lie.', [
                'none' => 'they agree', 'first' => 'trial 1 has a disc the wrong way up',
                'second' => 'trial 2 has a disc the wrong way up', 'third' => 'trial 3 has a disc the wrong way up',
            ], $odd, 'none' === $odd ? 'go-on' : 'stop', sprintf(
                'With the friction of these linings the three should slip at %s N·m.', implode(', ', array_map(
                    static fn (float $height): string => Show::n($clutch->torque($said, $height), 3), self::HEIGHTS,
                )),
            ),
        );
    }

    private static function next(Level $level): string
    {
        return match ($level) {
            Level::Stop => 'stop',
            Level::Watch => 'look',
            default => 'go-on',
        };
    }
}
