<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Joint\StageKind;
use NimbleKnuckle\Core\Bench\Joint\TighteningStage;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\Task\WrenchTask;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\SimulatedPuller;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\JointMechanics;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(TighteningStages::class)]
#[CoversClass(TighteningStage::class)]
#[CoversClass(StageKind::class)]
#[CoversClass(WrenchTask::class)]
#[CoversClass(JointMechanics::class)]
final class TighteningStagesTest extends TestCase
{
    private int $made = 0;

    /**
     * @param array<string, mixed> $more
     * @param list<string> $labels
     */
    #[DataProvider('ladders')]
    public function testTheStagesFollowWhatTheJointAsksFor(array $more, array $labels): void
    {
        $ladder = TighteningStages::of(self::joint($more));
        self::assertSame($labels, array_map(static fn (TighteningStage $r): string => $r->label, $ladder->rungs));
        self::assertSame(range(1, count($labels)), array_map(static fn (TighteningStage $r): int => $r->stage, $ladder->rungs));
        self::assertSame('snug', $ladder->rung($ladder->snug())->label);
        self::assertSame('off', $ladder->label(0));
        self::assertSame('final', $ladder->label($ladder->final()));
        self::assertTrue($ladder->has(0));
        self::assertFalse($ladder->has($ladder->final() + 1));
        $this->expectException(\OutOfBoundsException::class);
        $ladder->rung($ladder->final() + 1);
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function ladders(): iterable
    {
        yield 'two passes' => [[], ['started', 'snug', 'pass 1', 'at the figure']];
        yield 'one pass' => [['passes' => [100]], ['started', 'snug', 'at the figure']];
        yield 'an angle in pulls of the swing there is' => [
            ['passes' => [100], 'angle' => 90, 'swing' => 40],
            ['started', 'snug', 'at the figure', 'pull 1 of 3', 'pull 2 of 3', 'pull 3 of 3'],
        ];
        yield 'an angle and no word of the swing' => [
            ['passes' => [100], 'angle' => 90], ['started', 'snug', 'at the figure', 'pull 1 of 1'],
        ];
        yield 'a check round' => [['passes' => [100], 'check' => true], ['started', 'snug', 'at the figure', 'checked']];
        yield 'drawn down against a gap' => [
            ['passes' => [100], 'gap' => 1.5],
            ['started', 'drawn down, round 1', 'drawn down, round 2', 'drawn down, round 3', 'snug', 'at the figure'],
        ];
    }

    public function testTheDegreesOfPullsAndRoundsAddUp(): void
    {
        $sum = static fn (TighteningStages $l, StageKind $kind): float => array_sum(
            array_map(static fn (TighteningStage $r): float => $kind === $r->kind ? $r->degrees : 0.0, $l->rungs),
        );
        foreach ([30, 75, 90, 120, 180] as $angle) {
            foreach ([15, 30, 40, 60] as $swing) {
                $ladder = TighteningStages::of(self::joint(['angle' => $angle, 'swing' => $swing]));
                self::assertEqualsWithDelta($angle, $sum($ladder, StageKind::Angle), 1e-9);
                foreach ($ladder->rungs as $rung) {
                    self::assertLessThanOrEqual(StageKind::Angle === $rung->kind ? $swing + 1e-9 : 360.0, $rung->degrees);
                }
            }
        }
        self::assertEqualsWithDelta(
            360 * 2.5 / 1.0, $sum(TighteningStages::of(self::joint(['gap' => 2.5])), StageKind::Drawn), 1e-9,
            'M6 has a pitch of one millimetre',
        );
    }

    public function testSharesAreWhatTheLastTorqueLeft(): void
    {
        $ladder = TighteningStages::of(self::joint(['angle' => 60, 'swing' => 30]));
        self::assertSame([0.0, 0.0, 60.0, 100.0, 100.0, 100.0], array_map($ladder->shareAt(...), range(1, 6)));
        self::assertSame([1, 2, 3, 4, 6], $ladder->goes(), 'all pulls of an angle are one go');
    }

    public function testAnAngleHasItsLastPullBeforeItIsFinal(): void
    {
        $joint = ['passes' => [100], 'angle' => 60, 'swing' => 30];
        $marks = array_map(static fn (int $stage): array => [1, $stage], range(1, 4));
        self::assertSame(3, $this->fit($joint, $marks)->joints()->boltsLeft('thermostat-cover-bolts'));
        self::assertSame(2, $this->fit($joint, [...$marks, [1, 5]])->joints()->boltsLeft('thermostat-cover-bolts'));
    }

    public function testAWrenchThatMeasuresHasATaskFromSnugOn(): void
    {
        $fit = $this->fit(['passes' => [60, 100]]);
        $joint = $fit->vehicle->joints['thermostat-cover-bolts'];
        self::assertNull(WrenchTask::next($fit, $joint), 'started and run down by hand');
        $fit = $this->fit(['passes' => [60, 100]], self::upTo(2));
        $task = WrenchTask::next($fit, $joint);
        self::assertNotNull($task);
        self::assertEqualsWithDelta(0.6 * 9.0, $task->spec->torque, 1e-9);
        self::assertStringContainsString('to 5.4 N·m', $task->inWords());
        foreach ([Fault::None, Fault::Bottomed] as $fault) {
            $hand = new SimulatedPuller($task->model($fault, 5), 5);
            self::assertSame(
                Fault::None === $fault,
                $task->isMetBy(Judgement::of(Trace::of($hand->tighten()), $task->spec, $task->expected())),
            );
        }
    }

    public function testAnAngleIsOneTaskForAllItsPulls(): void
    {
        $fit = $this->fit(['passes' => [100], 'angle' => 60, 'swing' => 30, 'into_yield' => true], self::upTo(3));
        $joint = $fit->vehicle->joints['thermostat-cover-bolts'];
        $task = WrenchTask::next($fit, $joint);
        self::assertNotNull($task);
        self::assertSame([4, 5], $task->stages);
        self::assertSame(60.0, $task->spec->angle);
        self::assertTrue($task->mechanics->goesIntoYield());
        $hand = new SimulatedPuller($task->model(Fault::None, 2), 2);
        self::assertTrue(
            $task->isMetBy(Judgement::of(Trace::of($hand->turn(60.0)), $task->spec, $task->expected())),
            'yielding is what is meant here',
        );
    }

    /** Each pass starts at what the one before left; of an angle the pulls that were made by hand have raised it by the springs. */
    public function testATaskStartsFromWhatTheLastOneLeft(): void
    {
        $first = $this->task(['passes' => [60, 100]], self::upTo(2));
        self::assertSame([1, [3], 3, 0.0], [$first->bolt, $first->stages, $first->stage(), $first->spec->from]);
        $second = $this->task(['passes' => [60, 100]], [...self::upTo(3), [1, 4]]);
        self::assertSame([2, [4]], [$second->bolt, $second->stages]);
        self::assertEqualsWithDelta([9.0, 5.4], [$second->spec->torque, $second->spec->from], 1e-9);
        // A check round starts just under its own figure: it must be seen to move.
        $check = $this->task(['passes' => [100], 'check' => true], self::upTo(3));
        self::assertEqualsWithDelta([9.0, 0.97 * 9.0], [$check->spec->torque, $check->spec->from], 1e-9);
        $angle = ['passes' => [100], 'angle' => 60, 'swing' => 30];
        $whole = $this->task($angle, self::upTo(3));
        self::assertEqualsWithDelta([9.0, 60.0, 9.0], [$whole->spec->torque, $whole->spec->angle, $whole->spec->from], 1e-9);
        $half = $this->task($angle, self::upTo(4));
        self::assertSame([[5], 5], [$half->stages, $half->stage()]);
        $raised = 9.0 + 30.0 * $half->mechanics->expected()->slope;
        self::assertEqualsWithDelta([$raised, 30.0, $raised], [$half->spec->torque, $half->spec->angle, $half->spec->from], 1e-9);
        self::assertGreaterThan(10.0, $raised);
        self::assertSame([0.0, $half->mechanics->expected()->slope], [$half->expected()->runDown, $half->expected()->slope]);
        self::assertStringContainsString('bolt 1', $whole->inWords());
    }

    public function testGripIsTakenFromTheSheetOrSaidToBeAssumed(): void
    {
        $assumed = JointMechanics::of(self::joint([]));
        self::assertNotNull($assumed);
        self::assertTrue($assumed->gripAssumed);
        self::assertEqualsWithDelta(20 - 1.2 * 6, $assumed->springs->threaded->millimetres, 1e-9);
        $told = JointMechanics::of(self::joint(['grip' => ['shank' => 4, 'threaded' => 9, 'member' => 'steel']]));
        self::assertNotNull($told);
        self::assertFalse($told->gripAssumed);
        self::assertEqualsWithDelta(13.0, $told->springs->grip()->millimetres, 1e-9);
        self::assertGreaterThan(0.0, $told->estimate()?->torque->newtonMetres);
        self::assertNull($told->byAngle());
        self::assertNull(JointMechanics::of(self::joint(['thread' => ''])));
    }

    /**
     * @param array<string, mixed> $more
     * @param list<array{int, int}> $marks bolt and stage
     */
    private function fit(array $more, array $marks = []): Fit
    {
        $vehicle = self::tarn($more);

        return new Fit(
            Sheets::thermostat(vehicle: $vehicle), $vehicle,
            FitState::fold(
                array_map(
                    fn (array $mark): FitEvent => $this->made(
                        ['joint' => 'thermostat-cover-bolts', 'bolt' => $mark[0], 'stage' => $mark[1], 'step' => 'housing-tight'],
                    ),
                    $marks,
                ),
            ),
        );
    }

    /**
     * @param array<string, mixed> $more
     * @param list<array{int, int}> $marks
     */
    private function task(array $more, array $marks): WrenchTask
    {
        $fit = $this->fit($more, $marks);

        return WrenchTask::next($fit, $fit->vehicle->joints['thermostat-cover-bolts']) ?? self::fail('no task');
    }

    /** @return list<array{int, int}> all three bolts, stage by stage */
    private static function upTo(int $stage): array
    {
        $marks = [];
        foreach (range(1, $stage) as $s) {
            array_push($marks, [1, $s], [2, $s], [3, $s]);
        }

        return $marks;
    }

    /** @param array<string, mixed> $more */
    private static function joint(array $more): Joint
    {
        return self::tarn($more)->joints['thermostat-cover-bolts'];
    }

    /** @param array<string, mixed> $more */
    private static function tarn(array $more): VehicleSheet
    {
        return Sheets::vehicle('veldra-tarn-20t', static function (array $document) use ($more): array {
            $joints = is_array($document['joints']) ? $document['joints'] : [];
            $joints[0] = $more + (is_array($joints[0]) ? $joints[0] : []);

            return ['joints' => $joints] + $document;
        });
    }

    /** @param array<string, mixed> $payload */
    private function made(array $payload): FitEvent
    {
        return FitEvent::of(
            sprintf('01ARZ3NDEKTSV4RRFF%08d', ++$this->made), EventType::FastenerMarked, $payload, 'Joss Pellam',
            new \DateTimeImmutable('2026-11-01T10:00:00Z'),
        );
    }
}
