<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Trace;

use NimbleKnuckle\Core\Bolting\Bolt;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\Springs;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Trace\Door\TraceJudge;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\JointData;
use NimbleKnuckle\Core\Trace\JointModel;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\SimulatedPuller;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Trace\TraceReading;
use NimbleKnuckle\Core\Trace\TraceSpec;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

#[Group('slow')]
#[CoversClass(TraceJudge::class)]
#[CoversClass(Trace::class)]
#[CoversClass(TraceReading::class)]
#[CoversClass(TraceSpec::class)]
#[CoversClass(JointData::class)]
#[CoversClass(JointModel::class)]
#[CoversClass(SimulatedPuller::class)]
final class TraceTest extends TestCase
{
    /** thread, grade, shank, threaded, member, figure, degrees to run down */
    private const JOINTS = [
        ['M6', '8.8', 0.0, 14.0, Member::Aluminium, 9.0, 540.0],
        ['M8', '8.8', 10.0, 12.0, Member::Aluminium, 22.0, 540.0],
        ['M10', '8.8', 30.0, 16.0, Member::Steel, 48.0, 720.0],
        ['M12x1.25', '10.9', 30.0, 16.0, Member::Aluminium, 85.0, 720.0],
        ['M8', '10.9', 0.0, 20.0, Member::CastIron, 28.0, 360.0],
    ];
    private const SEEDS = 40;

    /** @return iterable<string, array{Fault}> */
    public static function faults(): iterable
    {
        foreach (Fault::cases() as $fault) {
            yield $fault->label() => [$fault];
        }
    }

    #[DataProvider('faults')]
    public function testTheSimulatedFaultsAreNamedRightly(Fault $fault): void
    {
        $right = 0;
        $seen = [];
        $seeds = Sample::seeds(self::SEEDS, 'pulls '.$fault->value);
        foreach (self::JOINTS as $i => $joint) {
            foreach ($seeds as $seed) {
                $code = $this->pulled($joint, $fault, $seed * 31 + $i)->checks[0]->code;
                $right += $code === $fault->finding() ? 1 : 0;
                $seen[$code] = ($seen[$code] ?? 0) + 1;
            }
        }
        $floor = Sample::floor(Fault::None === $fault ? 0.98 : 0.97, count(self::JOINTS) * count($seeds));
        self::assertGreaterThanOrEqual($floor, $right, json_encode($seen, \JSON_THROW_ON_ERROR));
    }

    #[DataProvider('faults')]
    public function testMostAreNamedWithoutKnowingTheJointToo(Fault $fault): void
    {
        $seen = [];
        $seeds = Sample::seeds(50, 'pulls unknown '.$fault->value);
        foreach ($seeds as $seed) {
            $code = $this->pulled(self::JOINTS[1], $fault, $seed, false)->checks[0]->code;
            $seen[$code] = ($seen[$code] ?? 0) + 1;
        }
        // What is on the bottom of its hole and what is merely short and stiff rise alike: that is said, and neither guessed.
        self::assertGreaterThanOrEqual(
            Sample::floor(0.96, count($seeds)), $seen[Fault::Bottomed === $fault ? 'cannot-tell' : $fault->finding()] ?? 0,
            json_encode($seen, \JSON_THROW_ON_ERROR),
        );
    }

    public function testASecondPassOnATightBoltIsSound(): void
    {
        foreach (self::JOINTS as $i => $joint) {
            for ($seed = 1; $seed <= 20; ++$seed) {
                self::assertSame('sound', $this->pulled($joint, Fault::None, $seed + $i, true, 0.6)->checks[0]->code);
            }
        }
    }

    public function testTheSameSeedGivesTheSameTrace(): void
    {
        $trace = fn (int $seed): array => (new SimulatedPuller($this->model(self::JOINTS[0], Fault::None, $seed), $seed))->tighten();
        self::assertSame($trace(5), $trace(5));
        self::assertNotSame($trace(5), $trace(6));
    }

    public function testTheModelIsContinuousAndRisesUntilItYields(): void
    {
        $model = $this->model(self::JOINTS[2], Fault::None, 3);
        $last = $model->torqueAt(0.0);
        for ($angle = 0.5; $angle < $model->touch() + 20; $angle += 0.5) {
            $now = $model->torqueAt($angle);
            self::assertGreaterThanOrEqual($last - 1e-9, $now);
            self::assertLessThan(0.05 * $model->target, $now - $last);
            $last = $now;
        }
    }

    public function testALineIsReadAsItWasDrawn(): void
    {
        $samples = [];
        for ($a = 0; $a <= 360; $a += 10) {
            $samples[] = [$a, 1.0];
        }
        for ($a = 365; $a <= 425; $a += 5) {
            $samples[] = [$a, 1 + 24 * ($a - 365) / 60];
        }
        $result = $this->judged($samples, ['torque' => 25]);
        self::assertSame('sound', $result->checks[0]->code);
        self::assertEqualsWithDelta(0.4, $result->number('slope'), 1e-6);
        self::assertEqualsWithDelta(365.0, $result->number('snug_angle'), 1.0);
        self::assertEqualsWithDelta(25.0, $result->number('final_torque'), 1e-9);
        self::assertSame('short', $this->judged(array_slice($samples, 0, -4), ['torque' => 25])->checks[0]->code);
        self::assertSame('over', $this->judged($samples, ['torque' => 20])->checks[0]->code);
        self::assertSame('cross-threaded', $this->judged($samples, ['torque' => 25], ['turns' => 3])->checks[0]->code);
        self::assertSame('bottomed', $this->judged($samples, ['torque' => 25], ['slope' => 0.2])->checks[0]->code);
        $falls = $samples;
        for ($a = 430; $a <= 470; $a += 5) {
            $falls[] = [$a, 25 - 0.3 * ($a - 425)];
        }
        self::assertSame('stripping', $this->judged($falls, ['torque' => 30])->checks[0]->code);
        self::assertSame(Level::Stop, $this->judged($falls, ['torque' => 30])->verdict);
    }

    public function testAnAngleIsCountedFromTheSnugTorque(): void
    {
        $line = static fn (int $to): array => array_map(static fn (int $a): array => [$a, 0.8 * $a], range(0, $to));
        self::assertSame('sound', $this->judged($line(100), ['snug' => 20, 'angle' => 75])->checks[0]->code);
        self::assertSame('short', $this->judged($line(80), ['snug' => 20, 'angle' => 75])->checks[0]->code);
        self::assertSame('over', $this->judged($line(120), ['snug' => 20, 'angle' => 75])->checks[0]->code);
        self::assertEqualsWithDelta(25.0, $this->judged($line(100), '20 N·m + 75 deg')->number('snug_angle'), 0.01);
        $yields = array_map(static fn (int $a): array => [$a, $a < 60 ? 0.8 * $a : 48 + 0.1 * ($a - 60)], range(0, 110));
        $result = $this->judged($yields, ['snug' => 20, 'angle' => 85]);
        self::assertSame('yielding', $result->checks[0]->code);
        self::assertSame(Level::Watch, $result->verdict, 'By angle it may be meant to yield.');
    }

    public function testAJoltIsSeenWhereTimesAreGiven(): void
    {
        $samples = [];
        foreach (range(0, 60) as $i) {
            $samples[] = [$i, 0.4 * $i + ($i > 40 ? 4.0 : 0.0), 10.0 * $i];
        }
        self::assertSame('jerked', $this->judged($samples, ['torque' => 28])->checks[0]->code);
        self::assertNotSame(
            'jerked',
            $this->judged(array_map(static fn (array $s): array => [$s[0], $s[1]], $samples), ['torque' => 28])->checks[0]->code,
        );
    }

    /** @param array<string, mixed> $inputs */
    #[DataProvider('refused')]
    public function testBadTracesNameTheField(array $inputs, string $field): void
    {
        try {
            Doors::book()->run('trace-judge', $inputs);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        $good = [[0, 0], [1, 1], [2, 2], [3, 3], [4, 4], [5, 5], [6, 6]];
        yield 'too few' => [['samples' => [[0, 0], [1, 1]], 'spec' => 5], 'samples'];
        yield 'no numbers' => [['samples' => [['a', 'b']], 'spec' => 5], 'samples'];
        yield 'one number a row' => [['samples' => [[1], [2]], 'spec' => 5], 'samples'];
        yield 'no torque' => [['samples' => array_map(static fn (array $s): array => [$s[0], 0], $good), 'spec' => 5], 'samples'];
        yield 'no angle' => [['samples' => array_map(static fn (array $s): array => [0, $s[1]], $good), 'spec' => 5], 'samples'];
        yield 'turned back' => [
            ['samples' => array_reverse(array_map(static fn (array $s): array => [20 * $s[0], $s[1]], $good)), 'spec' => 5],
            'samples',
        ];
        yield 'a spec of nothing' => [['samples' => $good, 'spec' => ['torque' => 0]], 'spec'];
        yield 'a spec that is none' => [['samples' => $good, 'spec' => 'tight'], 'spec'];
        yield 'an angle without snug' => [['samples' => $good, 'spec' => ['angle' => 90]], 'spec'];
        yield 'a joint that is none' => [['samples' => $good, 'spec' => 5, 'joint' => 'M8'], 'joint'];
        yield 'a thread unknown' => [['samples' => $good, 'spec' => 5, 'joint' => ['thread' => 'X9']], 'joint'];
    }

    /** @param array{string, string, float, float, Member, float, float} $joint */
    private function pulled(array $joint, Fault $fault, int $seed, bool $known = true, float $start = 0.0): SumResult
    {
        [$bolt, $springs] = $this->parts($joint);
        $samples = (new SimulatedPuller($this->model($joint, $fault, $seed, $start), $seed))->tighten();

        return (new TraceJudge())->said(Judgement::of(
            Trace::of($samples), TraceSpec::torque($joint[5], $start * $joint[5]),
            $known ? JointData::of($bolt, $springs, $joint[6]) : JointData::unknown(),
        ));
    }

    /** @param array{string, string, float, float, Member, float, float} $joint */
    private function model(array $joint, Fault $fault, int $seed, float $start = 0.0): JointModel
    {
        [$bolt, $springs] = $this->parts($joint);

        return JointModel::of($bolt, $springs, $joint[5], $joint[6], $fault, $seed, $start * $joint[5]);
    }

    /**
     * @param array{string, string, float, float, Member, float, float} $joint
     *
     * @return array{Bolt, Springs}
     */
    private function parts(array $joint): array
    {
        $bolt = Bolt::named($joint[0], $joint[1]);

        return [$bolt, Springs::of($bolt->thread, Length::millimetres($joint[2]), Length::millimetres($joint[3]), $joint[4])];
    }

    /** @param list<array<int, float|int>> $samples */
    private function judged(array $samples, mixed $spec, mixed $joint = null): SumResult
    {
        return Doors::book()->run('trace-judge', ['samples' => $samples, 'spec' => $spec] + (null === $joint ? [] : ['joint' => $joint]));
    }
}
