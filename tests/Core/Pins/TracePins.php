<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Trace\Door\JointField;
use NimbleKnuckle\Core\Trace\Door\TraceJudge;
use NimbleKnuckle\Core\Trace\Exercise;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\JointData;
use NimbleKnuckle\Core\Trace\JointModel;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\SimulatedPuller;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Trace\TraceDrawing;
use NimbleKnuckle\Core\Trace\TraceSpec;
use NimbleKnuckle\Tests\Core\Trace\OtherBench;

/** Simulated joints as they pull, and traces of two benches as they are read and judged. */
final readonly class TracePins implements Pin
{
    public static function values(): iterable
    {
        for ($seed = 1; $seed <= 12; ++$seed) {
            $exercise = Exercise::drawn($seed);
            yield 'exercise '.$seed => [$exercise->fault, $exercise->target, $exercise->inWords()];
            foreach (Fault::cases() as $i => $fault) {
                if (0 !== ($seed + $i) % 3) {
                    continue;
                }
                $start = 0 === $seed % 4 ? 0.5 * $exercise->target : 0.0;
                $model = JointModel::of($exercise->bolt, $exercise->springs, $exercise->target, 540.0, $fault, $seed, $start);
                $samples = (new SimulatedPuller($model, $seed))->tighten();
                yield sprintf('pull %d %s', $seed, $fault->value) => [
                    self::some($samples), $model->touch(), $model->steepest(), $model->windUp(),
                ];
                yield from self::judged(
                    sprintf('%d %s', $seed, $fault->value), $samples, TraceSpec::torque($exercise->target, $start), $exercise->expected(),
                );
                yield sprintf('score %d %s', $seed, $fault->value) => $exercise->score($samples, $fault);
                yield sprintf('turn %d %s', $seed, $fault->value) => self::judge(
                    (new SimulatedPuller($model, $seed))->turn(60.0), TraceSpec::angle(
                        0.4 * $exercise->target, 60.0
                    ), $exercise->expected(),
                );
            }
        }
        for ($seed = 1; $seed <= 24; ++$seed) {
            $bench = new OtherBench(900 + $seed);
            $samples = $bench->pull(OtherBench::KINDS[$seed % count(OtherBench::KINDS)]);
            yield from self::judged('other '.$seed, $samples, TraceSpec::torque($bench->target), JointField::read($bench->joint));
            // The same pull as a watchmaker's and a lorry's would be, and one that ended far too soon.
            foreach (0 === $seed % 4 ? [0.004, 0.03, 40.0] : [] as $times) {
                $other = array_map(static fn (array $s): array => [$s[0], $s[1] * $times], $samples);
                yield from self::judged($times.' other '.$seed, $other, TraceSpec::torque($bench->target), JointData::unknown());
            }
        }
        yield from self::specs();
        yield from self::joints();
    }

    /** @return iterable<string, mixed> a joint as a person describes it, whole and in part */
    private static function joints(): iterable
    {
        $whole = [
            'thread' => 'M8', 'grade' => '8.8', 'shank' => 10, 'threaded' => 12, 'member' => 'aluminium', 'friction' => 'oiled',
            'turns' => 2,
        ];
        foreach ([
            [], ['shank' => null], ['threaded' => null], ['shank' => null, 'threaded' => null], ['thread' => null], ['turns' => null],
            ['turns' => null, 'run_down' => 500], ['slope' => 0.4], ['thread' => null, 'slope' => 0.4], ['grade' => 'x'], ['shank' => 'x'],
            ['turns' => -1], ['run_down' => 100], ['member' => 'cheese'], [
                'slope' => 0, 'thread' => null,
            ], ['friction' => null], ['grade' => null],
        ] as $n => $changes) {
            try {
                $said = JointField::read(array_filter($changes + $whole, static fn (mixed $one): bool => null !== $one));
            } catch (\NimbleKnuckle\Core\CoreException $e) {
                $said = $e->getMessage();
            }
            yield 'joint '.$n => $said;
        }
    }

    /** @return iterable<string, mixed> */
    private static function specs(): iterable
    {
        foreach ([
            '25', '25 N·m', '40 N·m + 90°', '40 N·m + 90° + 90°', '18 ft-lb + 1/4 turn', '{"torque": 25}',
            '{"snug": "40 N·m", "angle": 75}',
            '{"torque": 25, "tolerance": 2}', '{"target": 30, "from": 12}', '{"torque": 0}', '{"snug": 40, "angle": 0}', '{',
            '{"a": {"b": {"c": {}}}}',
            '0', '-3', 'x', '90°', '{"snug": 40}', '{"torque": 25, "from": -2}', '{"torque": 25, "tolerance": -1}',
            '0.4', 25, 25.5, true, [], '{"snug": 40, "angle": 0.5}',
        ] as $n => $raw) {
            try {
                $spec = TraceSpec::read($raw);
                $said = [$spec, $spec->isByAngle()];
            } catch (\NimbleKnuckle\Core\CoreException $e) {
                $said = $e->getMessage();
            }
            yield 'spec '.$n => $said;
        }
    }

    /**
     * @param list<non-empty-list<float>> $samples
     *
     * @return iterable<string, mixed>
     */
    private static function judged(string $name, array $samples, TraceSpec $spec, JointData $joint): iterable
    {
        yield 'known '.$name => self::judge($samples, $spec, $joint);
        yield 'unknown '.$name => self::judge($samples, $spec, JointData::unknown());
        $every = array_values(array_filter($samples, static fn (int $i): bool => 0 === $i % 7, \ARRAY_FILTER_USE_KEY));
        yield 'thin '.$name => self::judge($every, $spec, $joint);
        0 === crc32($name) % 6 && yield 'drawn '.$name => TraceDrawing::of(
            array_map(static fn (array $s): array => [$s[0], $s[1] ?? 0.0], $every), $spec,
        );
    }

    /**
     * @param list<non-empty-list<float>> $samples
     *
     * @return list<mixed> how many, and one in forty
     */
    private static function some(array $samples): array
    {
        return [count($samples), ...array_column(array_chunk($samples, 40), 0)];
    }

    /** @param list<non-empty-list<float>> $samples */
    private static function judge(array $samples, TraceSpec $spec, JointData $joint): mixed
    {
        try {
            $judged = Judgement::of(Trace::of($samples), $spec, $joint);
        } catch (\NimbleKnuckle\Core\CoreException $e) {
            return $e->getMessage();
        }

        return [
            $judged->symptom, $judged->read, $judged->trace->peak, $judged->trace->reached, $judged->trace->grain->noise,
            $judged->trace->grain->spacing,
            $judged->trace->doubt(), $judged->trace->steepestTenMs(), $judged->trace->slopeAcross($judged->read->drag),
            $judged->rise(), $judged->firstRise(), $judged->jolt(), $judged->fallen(), $judged->turnedSincePeak(), $judged->turned(),
            (new TraceJudge())->said($judged)->checks,
        ];
    }
}
