<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\StepSum;
use NimbleKnuckle\App\Devices\Curve\CurveBench;
use NimbleKnuckle\App\Devices\Curve\CurveController;
use NimbleKnuckle\App\Devices\Curve\CurveJudge;
use NimbleKnuckle\App\Devices\Curve\HubCurve;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
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
use NimbleKnuckle\Core\Bench\Known\TurningSums;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\Task\PressTask;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Ulid;

/** A hub pressed on at the bench, and what else the bench works out of what turns. */
#[CoversClass(BoostSums::class)]
#[CoversClass(CurveBench::class)]
#[CoversClass(CurveController::class)]
#[CoversClass(CurveJudge::class)]
#[CoversClass(HubCurve::class)]
#[CoversClass(PressTask::class)]
#[CoversClass(TurningSums::class)]
final class PressTest extends AppTestCase
{
    private const SIZES = [
        'blower_snout' => 20.02, 'blower_snout_back' => 20.02, 'blower_bore' => 20.0, 'blower_bore_back' => 20.0,
        'blower_hub_outside' => 40.0, 'blower_fit_length' => 22.0,
    ];
    private const STEP = 'blower-hub-on';

    public function testTheScrewIsToFeelWhatTheSumsSay(): void
    {
        $record = $this->planned('ostrel-vane-s6', 'blower-pulley');
        $fit = $this->read($record, 'blower-sizes', self::SIZES);
        $step = $fit->sheet->step(self::STEP) ?? self::fail('no such step');
        $task = PressTask::of($fit, $step) ?? self::fail('nothing to press');
        $force = $this->worked($fit, self::STEP)->number('force');
        self::assertEqualsWithDelta($force, $task->force, 1e-6);
        // M10 at its nut, μ 0.12: F (0.16 P + 0.58 d₂ μ + rk μ)/1000 with the face of its hexagon.
        self::assertSame('M10', $task->screw);
        self::assertEqualsWithDelta(22 / 1.5, $task->turns, 1e-9);
        self::assertGreaterThan($task->force * (0.16 * 1.5 + 0.58 * 9.026 * 0.12) / 1000, $task->torque);
        self::assertLessThan($task->force * (0.16 * 1.5 + 0.58 * 9.026 * 0.12 + 8.0 * 0.12) / 1000, $task->torque);
        // What was measured of another part says nothing here; a shaft no larger than its bore is pressed by nothing.
        $slack = ['blower_snout' => 20.0, 'blower_snout_back' => 20.0] + self::SIZES;
        self::assertNull(PressTask::of($this->read($record, 'blower-sizes', $slack), $step));
        self::assertNull(PressTask::of($this->read($record, 'blower-sizes', array_slice(self::SIZES, 0, 4)), $step));
        self::assertSame([], PressTask::measured($fit, $fit->sheet->step('blower-belt-on') ?? self::fail('no such step')));
    }

    public function testACurveIsHandedInJudgedAndHoldsTheStepUp(): void
    {
        $record = $this->measured();
        $this->signIn('joss');
        $this->hand($record, "mm;Nm\n0;3\n5;14\n8;30\n10;80\n");
        self::assertSelectorTextContains('.judged .level.stop', 'picking up');
        $fit = $this->service(Recorder::class)->load($record);
        self::assertStringContainsString('draw it off', implode(' ', array_column(Gate::at($fit)->within(
            $fit->sheet->step(self::STEP) ?? self::fail('no such step'),
        ), 'text')));
        self::assertContains('Pressed on: picking up', array_column(SignOff::of($fit)->looseEnds(), 'what'));
        // A sound one after it lets it go.
        $this->hand($record, "0 3\n5 14\n21.8 15\n22 40\n");
        self::assertSelectorTextContains('.judged .level.ok', 'seated');
        self::assertSelectorExists('.draw svg[aria-label*="newton metres"]');
        $ends = SignOff::of($this->service(Recorder::class)->load($record))->looseEnds();
        self::assertNotContains('Pressed on: picking up', array_column($ends, 'what'));
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'nothing' => ['', 'rows'];
        yield 'words' => ["0 1\n1 x\n2 3\n3 4", 'row'];
        yield 'too few' => ["0 1\n1 2", '4 to 4000 rows'];
        yield 'back' => ["0 1\n2 2\n1 3\n3 4", 'Row 3 goes back'];
        yield 'less than nothing' => ["0 1\n1 -2\n2 3\n3 4", 'Row 2'];
        yield 'one number' => ["0 1\n1 2\n2\n3 4", 'ow 3'];
    }

    #[DataProvider('faults')]
    public function testACurveThatIsNoneIsRefusedAndNamesTheRow(string $rows, string $said): void
    {
        $record = $this->measured();
        $this->signIn('joss');
        $this->hand($record, $rows);
        self::assertSelectorNotExists('.judged');
        self::assertStringContainsStringIgnoringCase($said, $this->client->getCrawler()->filter('body')->text());
    }

    public function testNothingIsPressedBeforeItIsMeasuredNorElsewhere(): void
    {
        $record = $this->planned('ostrel-vane-s6', 'blower-pulley');
        $press = $this->service(CurveBench::class);
        $said = [self::STEP => 'measure shaft', 'blower-belt-on' => 'takes no curve', 'no-such' => 'takes no curve'];
        foreach ($said as $at => $why) {
            try {
                $press->handIn($record, $at, "0 3\n5 14\n21.8 15\n22 40", [], 'Joss Wending');
                self::fail('it was taken at '.$at);
            } catch (InvalidInput $e) {
                self::assertStringContainsString($why, $e->getMessage());
            }
        }
    }

    public function testTheSimulatedPressIsThereWhereTheWorkshopKeepsOne(): void
    {
        $record = $this->measured();
        $this->signIn('joss');
        $crawler = $this->client->request('GET', sprintf('/fits/%s/bench/%s', $record->id, self::STEP));
        self::assertCount(4, $crawler->filter('#curve-fault option'));
        $reading = $this->service(CurveBench::class)->simulate($record, self::STEP, 'none', 7, [], 'Joss Wending');
        self::assertSame(['ok', 'seated', 'press'], [$reading->verdict, $reading->finding, $reading->kind]);
        $this->db()->executeStatement("DELETE FROM device WHERE kind = 'press'");
        $this->client->request('GET', sprintf('/fits/%s/bench/%s', $record->id, self::STEP));
        self::assertSelectorNotExists('#curve-fault');
        self::assertSelectorExists('#curve-rows', 'a curve can be handed in without any device');
        $this->expectException(InvalidInput::class);
        $this->service(CurveBench::class)->simulate($record, self::STEP, 'none', 7, [], 'Joss Wending');
    }

    public function testAPressThatSendsIsTakenInHandAndItsCurveJudged(): void
    {
        $record = $this->measured();
        $book = $this->service(DeviceBook::class);
        [$device, $token] = $book->add('arbor press', DeviceKind::Press);
        $this->signIn('joss');
        $crawler = $this->client->request('GET', sprintf('/fits/%s/bench/%s', $record->id, self::STEP));
        self::assertCount(1, $crawler->selectButton('Use the arbor press'));
        $id = (string) new Ulid();
        $book->take($device, $record->id, self::STEP, 'Joss Wending');
        self::assertSame(2, $this->sent($token, $id, 0, [[0, 3], [5, 14]], false)['kept'] ?? 0);
        self::assertSame([], $this->service(Recorder::class)->load($record)->state->curves, 'it is not done');
        self::assertStringContainsString('[mm, N·m]', $this->sent($token, $id, 2, [[6, 14, 3]], false)['error']['message'] ?? '');
        $whole = $this->sent($token, $id, 2, [[21.8, 15], [22, 40]], true);
        self::assertSame(['seated', true], [$whole['finding'] ?? '', $whole['done'] ?? false]);
        $this->sent($token, $id, 2, [[21.8, 15], [22, 40]], true);
        $judged = array_filter(
            $this->service(
                Recorder::class,
            )->load($record)->state->log, static fn (FitEvent $one): bool => EventType::CurveJudged === $one->type,
        );
        self::assertCount(1, $judged, 'sent twice it is judged once');
        $this->client->request('GET', sprintf('/fits/%s/bench/%s', $record->id, self::STEP));
        self::assertSelectorTextContains('.judged .level.ok', 'seated');
        $fresh = $this->service(DeviceBook::class);
        $fresh->take($fresh->named('arbor press') ?? self::fail('it is gone'), $record->id, 'blower-belt-on', 'Joss Wending');
        $elsewhere = $this->sent($token, (string) new Ulid(), 0, [[0, 3], [5, 14]], false);
        self::assertStringContainsString('takes no curve', $elsewhere['error']['message'] ?? '');
    }

    /**
     * @param list<list<float|int>> $samples
     *
     * @return array{kept?: int, finding?: string, done?: bool, error?: array{field: string, message: string}}
     */
    private function sent(string $token, string $id, int $from, array $samples, bool $done): array
    {
        $this->client->request(
            'POST', '/api/readings', server: ['HTTP_AUTHORIZATION' => 'Bearer '.$token, 'CONTENT_TYPE' => 'application/json'],
            content: json_encode([
                'format' => 'nimble-knuckle/reading@1', 'id' => $id, 'kind' => 'press', 'from' => $from, 'samples' => $samples,
                'done' => $done,
            ], \JSON_THROW_ON_ERROR),
        );
        /** @var array{kept?: int, finding?: string, done?: bool, error?: array{field: string, message: string}} $answer */
        $answer = json_decode((string) $this->client->getResponse()->getContent(), true, 8, \JSON_THROW_ON_ERROR);

        return $answer;
    }

    public function testOtherSumsAreWorkedOutOfWhatTheBenchKnows(): void
    {
        $belt = $this->planned('ostrel-vane-s6', 'serpentine-belt');
        $fit = $this->read($belt, 'belt-worn', ['belt_cracks' => 4.0, 'belt_face' => 2.0, 'belt_seal' => 1.0]);
        $wear = $this->sum($fit, 'belt-worn');
        self::assertSame(['cracks' => 4.0, 'glazed' => 'yes'], $wear['query'] ?? []);
        self::assertSame('Renew soon', $wear['headline']->lead ?? '');
        $failing = $this->read($belt, 'belt-worn', ['belt_cracks' => 14.0, 'belt_seal' => 2.0]);
        self::assertTrue($this->worked($failing, 'belt-worn')->hasCheck('seal'));

        $chain = $this->planned('pelliver-dray-18', 'chain-tensioner');
        $fit = $this->read($chain, 'chain-listen', ['rattle_before' => 4 / 60]);
        self::assertSame([], $this->sum($fit, 'chain-measure')['query'] ?? null);
        $fit = $this->read($chain, 'chain-measure', ['plunger_travel' => 6.0, 'plunger_limit' => 12.0], $fit->state->log);
        self::assertTrue($this->worked($fit, 'chain-measure')->hasCheck('tensioner'));

        $gate = $this->planned('veldra-tarn-20t', 'wastegate-actuator');
        $wanted = $this->read($gate, 'gate-wanted', ['gate_wanted' => 70.0]);
        self::assertSame([], $this->sum($wanted, 'gate-set')['query'] ?? null, 'nobody pumped it up yet');
        $fit = $this->read(
            $gate, 'gate-bare', ['gate_bare' => 48.0, 'gate_rate' => 7.5, 'rod_pitch' => 1.0, 'rod_step' => 2.0], $wanted->state->log,
        );
        self::assertSame(3.0, $this->worked($fit, 'gate-set')->number('turns'), 'half turns, as it was answered');
        $cooler = $this->planned('askerby-roan-30t', 'intercooler');
        $old = $this->read($cooler, 'cooler-before', ['air_in_old' => 118.0, 'air_out_old' => 64.0, 'air_outside_old' => 24.0]);
        self::assertFalse($this->worked($old, 'cooler-before')->has('gain'));
        $new = ['air_in_new' => 118.0, 'air_out_new' => 42.0, 'air_outside_new' => 24.0];
        $both = $this->read($cooler, 'cooler-after', $new, $old->state->log);
        self::assertEqualsWithDelta(100 * (337.15 / 315.15 - 1), $this->worked($both, 'cooler-after')->number('gain'), 1e-6);
        $shut = $this->read($cooler, 'charge-test', ['charge_volume' => 12.0, 'test_from' => 100.0, 'test_to' => 80.0]);
        self::assertEqualsWithDelta(0.643, $this->worked($shut, 'charge-test')->number('hole'), 0.001);
        self::assertSame([], $this->sum($old, 'charge-test')['query'] ?? null);
        $blower = $this->planned('ostrel-vane-s6', 'blower-pulley');
        $fit = $this->read($blower, 'blower-choice', ['blower_pulley_new' => 68.0]);
        self::assertEqualsWithDelta(6800 * 150 / 68, $this->worked($fit, 'blower-choice')->number('speed'), 1e-6);
        $fit = $this->read($blower, 'blower-true', ['rib_offset_old' => 11.2, 'rib_offset_new' => 11.8, 'pulley_run_out' => 0.3]);
        $line = $this->worked($fit, 'blower-true');
        self::assertSame([true, true], [$line->hasCheck('other-offset'), $line->hasCheck('runs-out')]);
    }

    /**
     * @return array{name: string, summary: string, query: array<string, string|float>, result: ?SumResult, missing: string,
     *               headline: ?Headline, drawing: array{0: string, 1: object}|null}|null
     */
    private function sum(Fit $fit, string $step): ?array
    {
        return $this->service(StepSum::class)->of($fit->sheet->step($step) ?? self::fail('no step '.$step), $fit);
    }

    private function worked(Fit $fit, string $step): SumResult
    {
        return $this->sum($fit, $step)['result'] ?? self::fail('nothing was worked out at '.$step);
    }

    private function planned(string $vehicle, string $procedure): FitRecord
    {
        return $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get($vehicle), [$procedure], ['blower-size' => 'smaller'], 'Joss Wending',
            new \DateTimeImmutable(),
        );
    }

    private function measured(): FitRecord
    {
        $record = $this->planned('ostrel-vane-s6', 'blower-pulley');
        $this->service(Recorder::class)->record($record, $this->events('blower-sizes', self::SIZES), Authority::Server);

        return $record;
    }

    /**
     * @param array<string, float> $values
     * @param list<FitEvent> $before
     */
    private function read(FitRecord $record, string $step, array $values, array $before = []): Fit
    {
        return new Fit($record->sheet(), $record->vehicleSheet(), FitState::fold([...$before, ...$this->events($step, $values)]));
    }

    /**
     * @param array<string, float> $values
     *
     * @return list<FitEvent>
     */
    private function events(string $step, array $values): array
    {
        return array_map(static fn (string $field, float $value): FitEvent => FitEvent::of(
            (string) new Ulid(), EventType::Measured,
            ['step' => $step, 'field' => $field, 'text' => $value.' mm', 'value' => $value, 'unit' => 'mm'], 'Joss Wending',
            new \DateTimeImmutable(),
        ), array_keys($values), $values);
    }

    private function hand(FitRecord $record, string $rows): void
    {
        $this->client->request(
            'POST', sprintf('/fits/%s/steps/%s/curve', $record->id, self::STEP), ['_csrf' => $this->token(), 'rows' => $rows],
        );
        self::assertResponseRedirects();
        $this->client->followRedirect();
    }
}
