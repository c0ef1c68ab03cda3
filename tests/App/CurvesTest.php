<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\ChargeAtBench;
use NimbleKnuckle\App\Bench\StepSum;
use NimbleKnuckle\App\Devices\Curve\BoostCurve;
use NimbleKnuckle\App\Devices\Curve\CurveBench;
use NimbleKnuckle\App\Devices\Curve\CurveController;
use NimbleKnuckle\App\Devices\Curve\CurveJudge;
use NimbleKnuckle\App\Devices\Curve\CurveRows;
use NimbleKnuckle\App\Devices\Curve\CurveVerdict;
use NimbleKnuckle\App\Devices\Curve\LeakCurve;
use NimbleKnuckle\App\Devices\Curve\PumpCurve;
use NimbleKnuckle\App\Devices\Curve\StepCurves;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Known\BoostSums;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\ChargeAir\Leak;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Sum\InvalidInput;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Ulid;

/** Leak test, gate actuator and boost run at the bench: handed in, sent, simulated, judged, and what a stop holds up. */
#[CoversClass(BoostCurve::class)]
#[CoversClass(BoostSums::class)]
#[CoversClass(ChargeAtBench::class)]
#[CoversClass(CurveBench::class)]
#[CoversClass(CurveController::class)]
#[CoversClass(CurveJudge::class)]
#[CoversClass(StepCurves::class)]
#[CoversClass(CurveRows::class)]
#[CoversClass(CurveVerdict::class)]
#[CoversClass(LeakCurve::class)]
#[CoversClass(PumpCurve::class)]
#[CoversClass(ReadingDocument::class)]
final class CurvesTest extends AppTestCase
{
    private const BY = 'Joss Wending';
    private const SOUND = "0 0\n30 0\n60 0\n70 0\n77.5 1\n85 2\n92.5 3\n100 4\n92.5 3.1\n85 2\n77.5 1.1\n60 0\n0 0";

    public function testARunOverItsLimitCoversTheBenchAndIsALooseEndUntilABetterOneIsIn(): void
    {
        $record = $this->gate();
        $bench = $this->service(CurveBench::class);
        $over = self::ridden(static fn (float $t): float => min(125.0, 45 * $t));
        $reading = $bench->handIn($record, 'gate-drive-full', $over, ['target' => '100'], self::BY);
        self::assertSame(['over-limit', 'stop', 'boost'], [$reading->finding, $reading->verdict, $reading->kind]);
        $this->signIn('joss');
        $this->client->request('GET', $this->at($record, 'gate-drive-full'));
        self::assertSelectorTextContains('.full-stop h1', 'Off the throttle now');
        $fit = $this->fit($record);
        self::assertContains(
            'Boost run: over limit', array_map(static fn (LooseEnd $one): string => $one->what, SignOff::of($fit)->looseEnds())
        );
        self::assertStringContainsString('gentler run', self::within($fit, 'gate-drive-full'));
        self::assertEqualsWithDelta(125.0, $fit->state->readingOf('boost_full')->value ?? 0.0, 0.5, 'its peak is the reading of the step');
        $this->send($record->id, ['type' => 'stop-seen', 'step' => 'gate-drive-full', 'reading' => $reading->id]);
        $this->client->request('GET', $this->at($record, 'gate-drive-full'));
        self::assertSelectorNotExists('.full-stop');
        $better = $bench->handIn(
            $record, 'gate-drive-full', self::ridden(static fn (float $t): float => min(100.0, 45 * $t)), ['target' => '100 kPa'], self::BY,
        );
        self::assertSame('sound', $better->finding);
        $fit = $this->fit($record);
        self::assertNotContains(
            'Boost run: over limit', array_map(static fn (LooseEnd $one): string => $one->what, SignOff::of($fit)->looseEnds())
        );
        self::assertStringNotContainsString('gentler run', self::within($fit, 'gate-drive-full'));
        $this->client->request('GET', $this->at($record, 'gate-drive-full'));
        self::assertSelectorExists('.draw polyline.before', 'drawn against the last');
    }

    public function testARunNeverAimsOverTheLimitAndSaysWhatItAimsAt(): void
    {
        $bench = $this->service(CurveBench::class);
        $rows = self::ridden(static fn (float $t): float => 90.0);
        foreach (['' => 'Say what this run aims at', '130' => 'over the limit of 110',
            'much' => 'What this run aims at'] as $target => $why) {
            try {
                $bench->handIn($this->gate(), 'gate-drive-full', $rows, ['target' => (string) $target], self::BY);
                self::fail('it was taken');
            } catch (InvalidInput $e) {
                self::assertStringContainsString($why, $e->getMessage());
            }
        }
        $bare = $this->planned('wastegate-actuator');
        $this->expectExceptionMessage('never pass');
        $bench->handIn($bare, 'gate-drive-full', $rows, ['target' => '100'], self::BY);
    }

    public function testTheOldActuatorMayBeBadAndTheNewOneMayNot(): void
    {
        $record = $this->gate();
        $bench = $this->service(CurveBench::class);
        $still = "0 0\n30 0\n60 0\n100 0\n60 0\n0 0";
        $old = $bench->handIn($record, 'gate-before', $still, [], self::BY);
        self::assertSame(['never-moves', 'watch'], [$old->finding, $old->verdict]);
        self::assertSame('', self::within($this->fit($record), 'gate-before', 'curve'));
        $new = $bench->handIn($record, 'gate-bare', $still, [], self::BY);
        self::assertSame(['never-moves', 'stop'], [$new->finding, $new->verdict]);
        self::assertNotSame('', self::within($this->fit($record), 'gate-bare', 'curve'));
        $bench->handIn($record, 'gate-bare', self::SOUND, ['hold' => '100 99 10'], self::BY);
        $fit = $this->fit($record);
        self::assertSame('', self::within($fit, 'gate-bare', 'curve'));
        self::assertEqualsWithDelta(70.0, $fit->state->readingOf('gate_bare')->value ?? 0.0, 0.3);
        self::assertEqualsWithDelta(7.5, $fit->state->readingOf('gate_rate')->value ?? 0.0, 0.1);
        self::assertSame('holds', $fit->readings()->answer('gate_holds'));
        self::assertStringContainsString('from the curve', $fit->state->readingOf('gate_bare')->text ?? '');
        $bench->handIn($record, 'gate-bare', self::SOUND, ['hold' => '100 60 10'], self::BY);
        self::assertSame('loses', $this->fit($record)->readings()->answer('gate_holds'));
    }

    /** @return iterable<string, array{string, array<string, string>, string}> */
    public static function unread(): iterable
    {
        yield 'a hold that grows' => [self::SOUND, ['hold' => '90 95 10'], 'How it held is three numbers'];
        yield 'a hold of words' => [self::SOUND, ['hold' => 'well'], 'How it held'];
        yield 'a label of words' => [self::SOUND, ['label' => 'red'], 'What its label says'];
        yield 'a label of nothing' => [self::SOUND, ['label' => '0.2'], 'from 1 to 400 kPa'];
        yield 'three rows' => ["0 0\n1 0\n2 0", [], '4 to 4000 rows'];
        yield 'a rod of a metre' => ["0 0\n40 0\n60 1000\n0 0", [], 'Row 3'];
    }

    /** @param array<string, string> $given */
    #[DataProvider('unread')]
    public function testWhatIsNoPumpIsRefusedByItsName(string $rows, array $given, string $why): void
    {
        $record = $this->gate();
        $this->signIn('joss');
        $this->client->request('POST', sprintf('/fits/%s/steps/gate-bare/curve', $record->id), [
            '_csrf' => $this->token(), 'rows' => $rows, 'given' => $given, 'do' => 'hand-in',
        ]);
        $this->client->followRedirect();
        self::assertSelectorTextContains('body', $why);
        self::assertSame([], $this->fit($record)->state->curves);
    }

    public function testTheLeakTestTakesItsCurveOnlyWhileItStandsAndSaysTheSameHoleTwice(): void
    {
        $record = $this->pipes();
        $bench = $this->service(CurveBench::class);
        $leak = Leak::of(
            Volume::litres(4.82), Pressure::kilopascals(100.0), Pressure::kilopascals(70.0), 40.0, Temperature::celsius(20.0),
            Pressure::kilopascals(101.325),
        );
        $rows = implode("\n", array_map(
            static fn (int $t): string => $t.' '.round($leak->after(Pressure::kilopascals(100.0), (float) $t), 4), range(0, 40),
        ));
        foreach ([[], ['plug', 'raise', 'settle']] as $stages) {
            $this->stages($record, $stages);
            try {
                $bench->handIn($record, 'charge-test', $rows, [], self::BY);
                self::fail('it was taken too soon');
            } catch (InvalidInput $e) {
                self::assertStringContainsString('Not yet', $e->getMessage());
            }
        }
        $this->stages($record, ['stand']);
        $reading = $bench->handIn($record, 'charge-test', $rows, [], self::BY);
        self::assertSame(['leaks', 'watch'], [$reading->finding, $reading->verdict]);
        $fit = $this->fit($record);
        self::assertSame('', self::within($fit, 'charge-test', 'hold-short'), 'it lasted longer than the stage has to stand');
        $said = $this->service(StepSum::class)->of($fit->sheet->step('charge-test') ?? self::fail('no step'), $fit);
        $hole = $said['result']?->number('hole') ?? self::fail('nothing was worked out');
        self::assertEqualsWithDelta($leak->hole, $hole, 0.01 * $leak->hole);
        self::assertStringContainsString(sprintf('%.2f', $leak->hole), $reading->said, 'sum and curve name one hole');
        $this->expectExceptionMessage('15 at the least');
        $bench->handIn($record, 'charge-test', "0 100\n1 99\n2 98\n3 97\n4 96\n5 95\n6 94\n7 93\n8 92", [], self::BY);
    }

    public function testAHoseThatLetsGoCoversTheBench(): void
    {
        $record = $this->pipes();
        $this->stages($record, ['plug', 'raise', 'settle', 'stand']);
        $rows = implode("\n", array_map(static fn (int $t): string => $t.' '.($t < 12 ? 100 : 0), range(0, 30)));
        $this->service(CurveBench::class)->handIn($record, 'charge-test', $rows, [], self::BY);
        $this->signIn('joss');
        $this->client->request('GET', $this->at($record, 'charge-test'));
        self::assertSelectorTextContains('.full-stop h1', 'Let it down now');
        self::assertContains('Leak test: lets go', array_map(
            static fn (LooseEnd $one): string => $one->what, SignOff::of($this->fit($record))->looseEnds(),
        ));
    }

    public function testWhereToSoapIsReadOffThePath(): void
    {
        $fit = $this->fit($this->pipes());
        $step = $fit->sheet->step('charge-test') ?? self::fail('no step');
        self::assertSame([
            'turbo outlet', 'plugged bung of the hot pipe', 'cooler in', 'cooler out', 'sensor of the cold pipe',
            'bypass valve of the cold pipe', 'throttle hose',
        ], ChargeAtBench::soap($fit, $step));
        self::assertNotNull(ChargeAtBench::drawing($fit, $step));
        $roan = $this->fit($this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('askerby-roan-30t'), ['intercooler'], [], self::BY, new \DateTimeImmutable(),
        ));
        $step = $roan->sheet->step('charge-test') ?? self::fail('no step');
        self::assertContains('intercooler', ChargeAtBench::soap($roan, $step), 'without a path: what was off');
    }

    public function testEverySimulatedOneIsJudgedAtTheBenchAsItIsTold(): void
    {
        $record = $this->gate();
        $bench = $this->service(CurveBench::class);
        foreach (['none' => 'sound', 'seized' => 'never-moves', 'leaking' => 'leaks', 'sticking' => 'sticks'] as $fault => $finding) {
            self::assertSame($finding, $bench->simulate($record, 'gate-bare', $fault, 11, [], self::BY)->finding, $fault);
        }
        foreach (['none' => 'sound', 'short' => 'short', 'hunting' => 'hunting'] as $fault => $finding) {
            $run = $bench->simulate($record, 'gate-drive-full', $fault, 11, ['target' => '70'], self::BY);
            self::assertSame($finding, $run->finding, $fault);
        }
        $pipes = $this->pipes();
        $this->stages($pipes, ['plug', 'raise', 'settle', 'stand']);
        foreach (['none' => 'tight', 'leaking' => 'leaks', 'still-fed' => 'rises'] as $fault => $finding) {
            self::assertSame($finding, $bench->simulate($pipes, 'charge-test', $fault, 11, [], self::BY)->finding, $fault);
        }
        $this->db()->executeStatement("DELETE FROM device WHERE kind = 'gauge'");
        $this->expectExceptionMessage('no simulated gauge');
        $bench->simulate($pipes, 'charge-test', 'none', 11, [], self::BY);
    }

    public function testALoggerThatSendsSaysWhatItsRunAimsAt(): void
    {
        $record = $this->gate();
        $book = $this->service(DeviceBook::class);
        [$device, $token] = $book->add('paddock logger', DeviceKind::Logger);
        $book->take($device, $record->id, 'gate-drive-full', self::BY);
        $samples = array_map(
            static fn (string $row): array => array_map(floatval(...), explode(' ', $row)),
            explode("\n", self::ridden(static fn (float $t): float => min(80.0, 45 * $t))),
        );
        $sent = fn (mixed $given): int => $this->sent(
            $token, ['samples' => $samples, 'done' => true, 'kind' => 'boost'] + (null === $given ? [] : ['given' => $given]),
        );
        self::assertSame(422, $sent(['target' => [80]]));
        self::assertSame(422, $this->sent($token, ['samples' => [[0, 1, 2]], 'kind' => 'boost', 'given' => ['target' => 80]]));
        self::assertSame(200, $sent(['target' => 80]));
        self::assertSame('sound', $this->fit($record)->state->curves['gate-drive-full']->string('finding'));
        self::assertSame(422, $sent(null), 'nobody said what it aims at');
    }

    public function testALoggerIsNoPump(): void
    {
        $record = $this->gate();
        $book = $this->service(DeviceBook::class);
        [$device, $token] = $book->add('paddock logger', DeviceKind::Logger);
        $book->take($device, $record->id, 'gate-bare', self::BY);
        self::assertSame(422, $this->sent($token, ['samples' => [[0, 2000, 10, 100]], 'kind' => 'boost', 'given' => ['target' => 80]]));
    }

    /** @param array<string, mixed> $piece */
    private function sent(string $token, array $piece): int
    {
        $this->client->request(
            'POST', '/api/readings', server: ['HTTP_AUTHORIZATION' => 'Bearer '.$token, 'CONTENT_TYPE' => 'application/json'],
            content: json_encode(['format' => ReadingDocument::FORMAT, 'id' => (string) new Ulid()] + $piece, \JSON_THROW_ON_ERROR),
        );

        return $this->client->getResponse()->getStatusCode();
    }

    private function gate(): FitRecord
    {
        $record = $this->planned('wastegate-actuator');
        $this->measured($record, 'boost-limit', 'boost_limit', 110.0, 'kPa');
        $this->measured($record, 'gate-wanted', 'gate_wanted', 70.0, 'kPa');

        return $record;
    }

    private function pipes(): FitRecord
    {
        $record = $this->planned('charge-pipes');
        $this->measured($record, 'boost-limit', 'boost_limit', 110.0, 'kPa');

        return $record;
    }

    private function planned(string $procedure): FitRecord
    {
        return $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('veldra-tarn-20t'), [$procedure], [], self::BY, new \DateTimeImmutable(),
        );
    }

    private function measured(FitRecord $record, string $step, string $field, float $value, string $unit): void
    {
        $this->service(Recorder::class)->record($record, [FitEvent::of((string) new Ulid(), EventType::Measured, [
            'step' => $step, 'field' => $field, 'text' => $value.' '.$unit, 'value' => $value, 'unit' => $unit,
        ], self::BY, new \DateTimeImmutable())], Authority::Server);
    }

    /** @param list<string> $stages */
    private function stages(FitRecord $record, array $stages): void
    {
        foreach ($stages as $stage) {
            $this->service(Recorder::class)->record($record, [FitEvent::of((string) new Ulid(), EventType::StageBegun, [
                'step' => 'charge-test', 'stage' => $stage, 'reason' => 'only tried here: '.$stage,
            ], self::BY, new \DateTimeImmutable())], Authority::Server);
            'settle' === $stage && $this->measured($record, 'charge-test', 'test_from', 100.0, 'kPa');
        }
    }

    private function fit(FitRecord $record): Fit
    {
        return $this->service(Recorder::class)->load($record);
    }

    private function at(FitRecord $record, string $step): string
    {
        return sprintf('/fits/%s/bench/%s', $record->id, $step);
    }

    private static function within(Fit $fit, string $step, string $code = 'curve'): string
    {
        $said = '';
        foreach (Gate::at($fit)->within($fit->sheet->step($step) ?? self::fail('no step '.$step)) as $one) {
            $said .= $code === $one->code ? $one->text : '';
        }

        return $said;
    }

    /** @param callable(float): float $boost kPa after so many seconds */
    private static function ridden(callable $boost): string
    {
        return implode("\n", array_map(static fn (int $i): string => sprintf(
            '%.1F %d %.1F 100', $i / 10, 2500 + 55 * $i, $boost($i / 10),
        ), range(0, 60)));
    }
}
