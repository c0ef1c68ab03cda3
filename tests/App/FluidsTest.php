<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Devices\Bench\BenchThermometer;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\DeviceRecord;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\App\Devices\Simulator\DeviceEngineCommand;
use NimbleKnuckle\App\Devices\Simulator\SimulatedEngine;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Fluids\FluidBook;
use NimbleKnuckle\App\Fluids\FluidKind;
use NimbleKnuckle\App\Fluids\FluidsController;
use NimbleKnuckle\App\Fluids\FluidSummary;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Sum\InvalidInput;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Ulid;

/** The warm-up watch on the bench, the stages of a filling, and the fluid log. */
#[CoversClass(SimulatedEngine::class)]
#[CoversClass(BenchThermometer::class)]
#[CoversClass(DeviceEngineCommand::class)]
#[CoversClass(ReadingBook::class)]
#[CoversClass(FluidBook::class)]
#[CoversClass(FluidSummary::class)]
#[CoversClass(FluidsController::class)]
final class FluidsTest extends AppTestCase
{
    public function testASoundWarmUpWritesItsReadingDownAndLeavesNothingLoose(): void
    {
        $reading = $this->warmUp(EngineFault::None, 2000);
        self::assertSame(['sound', 'ok'], [$reading->finding, $reading->verdict]);
        $fit = $this->load();
        self::assertEqualsWithDelta(88.0, $fit->state->reading('warm-up', 'opened_at')->value ?? 0.0, 4.0);
        self::assertNotContains('curve:warm-up', $this->ends($fit));
        self::assertNull($fit->state->engineStop());
    }

    public function testTrappedAirIsALooseEndUntilACurveIsSound(): void
    {
        $reading = $this->warmUp(EngineFault::TrappedAir, 500);
        self::assertSame('air-trapped', $reading->finding);
        $fit = $this->load();
        self::assertContains('curve:warm-up', $this->ends($fit));
        self::assertNull($fit->state->reading('warm-up', 'opened_at'));
        $step = $fit->sheet->step('warm-up');
        self::assertNotNull($step);
        self::assertStringContainsString('air trapped', implode(' ', array_column(Gate::at($fit)->within($step), 'text')));
        $this->warmUp(EngineFault::None, 2000);
        self::assertNotContains('curve:warm-up', $this->ends($this->load()));
    }

    public function testOverheatingStopsEveryBenchAtOnceUntilSomebodyHasSeenIt(): void
    {
        $reading = $this->warmUp(EngineFault::StuckClosed, 1800, false);
        self::assertTrue($reading->marked, 'said while it still runs');
        self::assertFalse($reading->done);
        $this->signIn('joss');
        $this->client->request('GET', sprintf('/fits/%s/bench/clean', $this->tarnFit()->id));
        self::assertSelectorTextContains('.full-stop h1', 'Stop the engine now');
        $this->send($this->tarnFit()->id, ['type' => 'stop-seen', 'step' => 'warm-up', 'reading' => $reading->id]);
        $this->client->request('GET', sprintf('/fits/%s/bench/clean', $this->tarnFit()->id));
        self::assertSelectorNotExists('.full-stop');
        self::assertContains('curve:warm-up', $this->ends($this->load()));
    }

    public function testTheEngineOnTheBenchRunsPieceByPieceAndGoesOnAfterAPause(): void
    {
        $this->signIn('joss');
        $probe = $this->probe();
        $steps = sprintf('/fits/%s/steps/warm-up', $this->tarnFit()->id);
        $token = $this->token();
        $this->client->request('POST', $steps.'/device', ['_csrf' => $token, 'device' => $probe->id]);
        $reading = (string) new Ulid();
        for ($i = 1; $i <= 3; ++$i) {
            $this->client->request(
                'POST', $steps.'/engine',
                ['_csrf' => $token, 'device' => $probe->id, 'reading' => $reading, 'seconds' => 40, 'fault' => 'none'],
            );
            self::assertResponseIsSuccessful();
            self::assertSelectorExists('#curve-watch svg.plot');
        }
        $kept = $this->service(ReadingBook::class)->find($reading)->samples ?? [];
        self::assertSame(range(0.0, 118.0, 2.0), array_column($kept, 0), 'no second is lost or said twice');
        $this->client->request('GET', sprintf('/fits/%s/bench/warm-up', $this->tarnFit()->id));
        self::assertSelectorTextContains('.gauge-now', '°C after');
        $this->client->request('POST', $steps.'/engine', ['_csrf' => $token, 'device' => $probe->id, 'reading' => $reading, 'done' => 1]);
        self::assertTrue($this->service(ReadingBook::class)->find($reading)?->done);
        $this->client->request(
            'POST', str_replace('warm-up', 'clean', $steps).'/engine',
            ['_csrf' => $token, 'device' => $probe->id, 'reading' => $reading],
        );
        self::assertResponseStatusCodeSame(404);
    }

    public function testAThermometerIsOnlyOfUseWhereSomethingWarmsUp(): void
    {
        $this->service(DeviceBook::class)->take($this->probe(), $this->tarnFit()->id, 'clean', 'Joss Wending');
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/does not warm/');
        $this->service(SimulatedEngine::class)->run($this->probe(), (string) new Ulid(), 20.0, EngineFault::None, false);
    }

    public function testTheEngineCommandPrintsAndSends(): void
    {
        $printed = json_decode(
            $this->command(
                'device:engine', ['--print' => true, '--seed' => '4', '--fault' => 'fan-dead', '--ambient' => '25'],
            )->getDisplay(),
            true,
        );
        self::assertIsArray($printed);
        self::assertSame('warm-up', $printed['sum']);
        self::assertNotSame(0, $this->command('device:engine', ['--fault' => 'sneeze', '--print' => true])->getStatusCode());
        self::assertSame(2, $this->command('device:engine', ['--opens' => 'hot', '--print' => true])->getStatusCode());
        $this->service(DeviceBook::class)->take($this->probe(), $this->tarnFit()->id, 'warm-up', 'Joss Wending');
        $sent = $this->command(
            'device:engine', ['device' => 'coolant probe', '--speed' => '0', '--seed' => '4', '--fault' => 'stuck-open'],
        );
        self::assertSame(1, $sent->getStatusCode());
        self::assertStringContainsString('stuck-open:', $sent->getDisplay());
    }

    public function testAStageThatWouldBeSkippedIsRefusedAndTheOneToComeIsNamed(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit()->id;
        $answer = $this->send($fit, ['type' => 'stage-begun', 'step' => 'vacuum-pull', 'stage' => 'hold']);
        self::assertIsArray($answer['error']);
        self::assertStringContainsString(
            '“Cone in, everything else closed” comes first',
            is_string($answer['error']['message']) ? $answer['error']['message'] : '',
        );
        self::assertArrayHasKey(
            'kept',
            $this->send(
                $fit, ['type' => 'stage-begun', 'step' => 'vacuum-pull', 'stage' => 'connect'],
                ['type' => 'stage-begun', 'step' => 'vacuum-pull', 'stage' => 'pull'],
            ),
        );
        self::assertArrayHasKey('error', $this->send($fit, ['type' => 'stage-begun', 'step' => 'clean', 'stage' => 'pull']));
        $this->client->request('GET', sprintf('/fits/%s/bench/vacuum-pull', $fit));
        self::assertSelectorTextContains('.stage-title', 'Pull to target');
        self::assertSelectorExists('.draw svg.dial');
    }

    public function testTheLogIsKeptJudgedAndShown(): void
    {
        $this->signIn('joss');
        $enter = function (string $circuit, array $fields): void {
            $this->client->request('POST', '/vehicles/ostrel-vane-s6/fluids/'.$circuit, ['_csrf' => $this->token()] + $fields);
        };
        $enter('coolant', ['kind' => 'filled', 'litres' => '8 qt', 'percent' => '50', 'family' => 'SI-2', 'km' => '10000']);
        self::assertResponseStatusCodeSame(303);
        $enter('coolant', ['kind' => 'topped-up', 'litres' => '0.9']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('#coolant .level.stop', 'stop');
        self::assertSelectorTextContains('#coolant', 'must not mix');
        self::assertSame('si-2', $this->service(FluidBook::class)->familyIn('ostrel-vane-s6'));
        $enter('oil', ['kind' => 'filled', 'litres' => '5.5', 'after' => '20 mm', 'km' => '10000']);
        $enter('oil', ['kind' => 'topped-up', 'litres' => '0.5', 'before' => '10 mm', 'after' => '20 mm', 'km' => '12500']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('#oil', '50 mL');
        self::assertSelectorTextContains('#oil .figure-number', '0.20');
        self::assertEqualsWithDelta(7.57, $this->service(FluidBook::class)->of('ostrel-vane-s6', 'coolant')[0]->litres ?? 0.0, 0.01);
    }

    /** @param array<string, string> $fields */
    #[DataProvider('wrongEntries')]
    public function testAnEntryThatCannotBeComesBackAsItWasFilled(string $circuit, array $fields, string $hint): void
    {
        $this->signIn('joss');
        $this->client->request(
            'POST', '/vehicles/ostrel-vane-s6/fluids/'.$circuit,
            ['_csrf' => $this->token(), 'note' => 'kept all the same'] + $fields,
        );
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#'.$circuit.' .notice.bad', $hint);
        self::assertStringContainsString('value="kept all the same"', (string) $this->client->getResponse()->getContent());
        self::assertSame([], $this->service(FluidBook::class)->of('ostrel-vane-s6', $circuit));
    }

    /** @return iterable<string, array{string, array<string, string>, string}> */
    public static function wrongEntries(): iterable
    {
        yield 'no amount' => ['coolant', ['kind' => 'topped-up'], 'how much went in'];
        yield 'no strength' => ['coolant', ['kind' => 'strength'], 'the strength'];
        yield 'coolant on a dipstick' => ['coolant', ['kind' => 'dip', 'after' => '3 mm'], 'what was done'];
        yield 'no dip' => ['oil', ['kind' => 'dip'], 'dipstick showed'];
        yield 'a pour that lowers it' => [
            'oil', ['kind' => 'topped-up', 'litres' => '1', 'before' => '20', 'after' => '10'], 'swap the two',
        ];
        yield 'litres by weight' => ['oil', ['kind' => 'filled', 'litres' => '4 kg'], 'volume'];
    }

    public function testSigningOffOverAFilledCircuitWritesItDown(): void
    {
        $entries = $this->service(FluidBook::class)->of('corrin-drover-27d', 'coolant');
        self::assertCount(1, $entries, 'the demo finished one water pump');
        self::assertSame(FluidKind::Filled, $entries[0]->kind);
        self::assertGreaterThan(1.0, $entries[0]->litres);
        self::assertNotSame('', $entries[0]->fitId);
        self::assertEqualsWithDelta(50.0, $entries[0]->percent ?? 0.0, 10.0);
    }

    /** @param list<float> $litres */
    #[DataProvider('outcomes')]
    public function testALookAtTheLevelWritesItsTopUpDown(string $outcome, array $litres): void
    {
        $this->signIn('joss');
        $due = $this->db()->fetchAssociative("SELECT fit_id, follow_up FROM due WHERE kind = 'level' AND closed_at IS NULL");
        self::assertIsArray($due);
        $this->send(
            is_string($due['fit_id']) ? $due['fit_id'] : '',
            ['type' => 'follow-up-closed', 'follow_up' => $due['follow_up'], 'outcome' => $outcome],
        );
        $entries = array_values(
            array_filter(
                $this->service(FluidBook::class)->of('corrin-drover-27d', 'coolant'),
                static fn ($e): bool => FluidKind::ToppedUp === $e->kind,
            ),
        );
        self::assertSame($litres, array_map(static fn ($e): ?float => $e->litres, $entries));
    }

    /** @return iterable<string, array{string, list<float>}> */
    public static function outcomes(): iterable
    {
        yield 'litres' => ['topped up 0.25 L, dry below', [0.25]];
        yield 'a comma' => ['0,3 litres', [0.3]];
        yield 'millilitres' => ['200 ml of the same mix', [0.2]];
        yield 'nothing' => ['at the mark, nothing to add', []];
        yield 'another number' => ['looked at 7.30 in the morning', []];
    }

    private function warmUp(EngineFault $fault, int $seconds, bool $done = true): ReadingRecord
    {
        $probe = $this->probe();
        $this->service(DeviceBook::class)->take($probe, $this->tarnFit()->id, 'warm-up', 'Joss Wending');
        $engine = $this->service(SimulatedEngine::class);
        $id = (string) new Ulid();
        $reading = $engine->run($probe, $id, 60.0, $fault, false);
        for ($ran = 60; $ran < $seconds; $ran += 120) {
            $reading = $engine->run($probe, $id, 120.0, $fault, false);
        }

        return $done ? $engine->run($probe, $id, 0.0, $fault, true) : $reading;
    }

    private function probe(): DeviceRecord
    {
        return $this->service(DeviceBook::class)->all(DeviceKind::Thermometer)[0];
    }

    private function load(): Fit
    {
        return $this->service(Recorder::class)->load($this->tarnFit());
    }

    /** @return list<string> */
    private function ends(Fit $fit): array
    {
        return array_map(static fn (LooseEnd $end): string => $end->id, SignOff::of($fit)->looseEnds());
    }
}
