<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\JointHistoryController;
use NimbleKnuckle\App\Devices\Bench\BenchDevicesController;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\DeviceRecord;
use NimbleKnuckle\App\Devices\GaugeView;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\Intake\ReadingsApiController;
use NimbleKnuckle\App\Devices\Intake\TraceController;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Devices\Simulator\SimulatedWrench;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Task\WrenchTask;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Fault;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Uid\Ulid;

/** Readings from devices, by token, by file and from the simulated wrench. */
#[CoversClass(ReadingsApiController::class)]
#[CoversClass(BenchDevicesController::class)]
#[CoversClass(TraceController::class)]
#[CoversClass(JointHistoryController::class)]
#[CoversClass(DeviceBook::class)]
#[CoversClass(ReadingBook::class)]
#[CoversClass(ReadingDocument::class)]
#[CoversClass(SimulatedWrench::class)]
#[CoversClass(GaugeView::class)]
final class DevicesTest extends AppTestCase
{
    private const STEP = 'housing-tight';

    public function testASoundTraceSentPieceByPieceMarksTheBolt(): void
    {
        [$device, $token] = $this->wrench();
        $fit = $this->tarnFit()->id;
        $this->book()->take($device, $fit, self::STEP, 'Joss Wending');
        $me = $this->api('GET', '/api/devices/me', $token);
        self::assertIsArray($me['in_hand']);
        self::assertSame(3, $me['in_hand']['bolt']);
        self::assertEquals(9.0, $me['in_hand']['torque']);
        $pieces = SimulatedWrench::pieces($this->task(), $id = (string) new Ulid(), Fault::None, 7);
        self::assertGreaterThan(3, count($pieces));
        foreach ($pieces as $i => $piece) {
            $answer = $this->api('POST', '/api/readings', $token, $piece);
            self::assertSame($i === count($pieces) - 1, $answer['done']);
            self::assertSame(
                $answer['kept'], $this->api('POST', '/api/readings', $token, $piece)['kept'], 'the same piece again adds nothing',
            );
        }
        self::assertSame(['sound', true], [$answer['finding'] ?? '', $answer['marked'] ?? false]);
        self::assertSame(0, $this->service(Recorder::class)->load($this->tarnFit())->joints()->boltsLeft('thermostat-cover-bolts'));
        $this->signIn('joss');
        $this->client->request('GET', '/traces/'.$id);
        self::assertSelectorTextContains('.level', 'sound');
        $this->client->request('GET', '/traces/'.$id.'.csv');
        self::assertStringStartsWith("degrees,N·m,ms\n0.", (string) $this->client->getResponse()->getContent());
        $this->client->request('GET', sprintf('/fits/%s/joints/thermostat-cover-bolts/history', $fit));
        self::assertStringContainsString('/traces/'.$id, (string) $this->client->getResponse()->getContent());
    }

    #[DataProvider('faults')]
    public function testAFaultIsNamedAndMarksNothing(Fault $fault): void
    {
        [$device, $token] = $this->wrench();
        $this->book()->take($device, $this->tarnFit()->id, self::STEP, 'Joss Wending');
        $answer = [];
        foreach (SimulatedWrench::pieces($this->task(), (string) new Ulid(), $fault, 7) as $piece) {
            $answer = $this->api('POST', '/api/readings', $token, $piece);
        }
        self::assertNotSame('sound', $answer['finding']);
        self::assertFalse($answer['marked']);
        self::assertSame(1, $this->service(Recorder::class)->load($this->tarnFit())->joints()->boltsLeft('thermostat-cover-bolts'));
    }

    /** @return iterable<string, array{Fault}> */
    public static function faults(): iterable
    {
        foreach (Fault::cases() as $fault) {
            if ($fault->isOfTheJoint()) {
                yield $fault->value => [$fault];
            }
        }
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('wrong')]
    public function testAWrongPieceNamesTheField(array $change, string $field): void
    {
        [$device, $token] = $this->wrench();
        $this->book()->take($device, $this->tarnFit()->id, self::STEP, 'Joss Wending');
        $good = [
            'format' => ReadingDocument::FORMAT, 'id' => '01ARZ3NDEKTSV4RRFFQ69G5FAV', 'kind' => 'torque-angle', 'from' => 0,
            'samples' => [[0, 0.1]], 'done' => false,
        ];
        $answer = $this->api(
            'POST', '/api/readings', $token,
            json_encode(array_filter($change + $good, static fn (mixed $v): bool => null !== $v), \JSON_THROW_ON_ERROR),
        );
        self::assertResponseStatusCodeSame(422);
        self::assertIsArray($answer['error']);
        self::assertSame($field, $answer['error']['field']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no format' => [['format' => null], 'format'];
        yield 'no ulid' => [['id' => 'first'], 'id'];
        yield 'another kind' => [['kind' => 'temperature'], 'kind'];
        yield 'no kind at all' => [['kind' => 'noise'], 'kind'];
        yield 'a gap' => [['from' => 5], 'from'];
        yield 'a number for a row' => [['samples' => [3]], 'samples'];
        yield 'words for numbers' => [['samples' => [['a', 'b']]], 'samples'];
        yield 'done by word' => [['done' => 'yes'], 'done'];
        yield 'yesterday by word' => [['at' => 'yesterday'], 'at'];
    }

    public function testWithoutATokenOrOutOfHandNothingIsTaken(): void
    {
        [, $token] = $this->wrench();
        $this->api('POST', '/api/readings', 'nk_'.str_repeat('0', 48), '{}');
        self::assertResponseStatusCodeSame(401);
        $piece = SimulatedWrench::pieces($this->task(), (string) new Ulid(), Fault::None, 1)[0];
        $answer = $this->api('POST', '/api/readings', $token, $piece);
        self::assertIsArray($answer['error']);
        self::assertSame('device', $answer['error']['field']);
        self::assertNull($this->api('GET', '/api/devices/me', $token)['in_hand']);
    }

    public function testANewTokenVoidsTheOldOneAndNamesAreTakenOnce(): void
    {
        [$device, $old] = $this->wrench();
        $new = $this->book()->renewToken($device);
        self::assertNull($this->book()->byToken($old));
        self::assertSame($device, $this->book()->byToken($new));
        $this->expectException(InvalidInput::class);
        $this->book()->add('test wrench', DeviceKind::Wrench);
    }

    public function testATraceAsAFileIsJudgedAndMarks(): void
    {
        $person = $this->signIn('joss');
        [$device] = $this->wrench();
        $fit = $this->tarnFit()->id;
        $rows = "degrees;N·m;ms\n";
        foreach (SimulatedWrench::pieces($this->task(), (string) new Ulid(), Fault::None, 3) as $piece) {
            foreach (ReadingDocument::read($piece)->samples as $sample) {
                $rows .= str_replace('.', ',', implode(';', $sample))."\n";
            }
        }
        $this->client->request(
            'POST', sprintf('/fits/%s/steps/%s/trace', $fit, self::STEP),
            ['_csrf' => $this->token(), 'device' => $device->id, 'rows' => $rows],
        );
        self::assertResponseStatusCodeSame(303);
        self::assertSame($person->name, $this->service(ReadingBook::class)->latest($fit, self::STEP)?->byName);
        self::assertSame(0, $this->service(Recorder::class)->load($this->tarnFit())->joints()->boltsLeft('thermostat-cover-bolts'));
        $this->client->request(
            'POST', sprintf('/fits/%s/steps/%s/trace', $fit, self::STEP),
            ['_csrf' => $this->token(), 'device' => $device->id, 'rows' => "0,0\nx,y"],
        );
        $this->client->followRedirect();
        self::assertSelectorTextContains('.notice.bad', 'Row 2');
    }

    /** Petra hands in rows while Joss has the wrench in hand: they are hers, and one pull is of one bolt. */
    public function testWhoHandsInRowsIsNamedAndTheSameRowsAreNotTaken(): void
    {
        [$device] = $this->wrench();
        $fit = $this->tarnFit()->id;
        $this->book()->take($device, $fit, self::STEP, 'Joss Wending');
        $petra = $this->signIn('petra');
        $rows = '';
        foreach (SimulatedWrench::pieces($this->task(), (string) new Ulid(), Fault::None, 3) as $piece) {
            foreach (ReadingDocument::read($piece)->samples as $sample) {
                $rows .= implode(';', $sample)."\n";
            }
        }
        $path = sprintf('/fits/%s/steps/%s/trace', $fit, self::STEP);
        $this->client->request('POST', $path, ['_csrf' => $this->token(), 'device' => $device->id, 'rows' => $rows]);
        $kept = $this->service(ReadingBook::class)->latest($fit, self::STEP) ?? self::fail('not kept');
        self::assertSame([$petra->name, 'rows handed in by '.$petra->name], [$kept->byName, $kept->via]);
        $this->client->request('GET', '/traces/'.$kept->id);
        self::assertSelectorTextContains('main', 'rows handed in by Petra');
        $mark = $this->service(Recorder::class)->load($this->tarnFit())->state->marks['thermostat-cover-bolts'][3];
        self::assertSame([$petra->name, $kept->id], [$mark->by, $mark->string('reading')]);
        $this->client->request('POST', $path, ['_csrf' => $this->token(), 'device' => $device->id, 'rows' => $rows]);
        $this->client->followRedirect();
        self::assertSelectorExists('.notice.bad');
    }

    #[TestWith(['-2 days'])]
    #[TestWith(['+1 hour'])]
    public function testAReadingIsOfNowByWhateverClock(string $when): void
    {
        [$device] = $this->wrench();
        $this->book()->take($device, $this->tarnFit()->id, self::STEP, 'Joss Wending');
        $piece = json_encode([
            'format' => ReadingDocument::FORMAT, 'id' => (string) new Ulid(), 'kind' => 'torque-angle', 'samples' => [[0, 1], [1, 2]],
            'done' => true, 'at' => (new \DateTimeImmutable($when))->format(\DATE_ATOM),
        ], \JSON_THROW_ON_ERROR);
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage('no time at which this can have been taken');
        $this->service(ReadingBook::class)->receive($device, ReadingDocument::read($piece));
    }

    /** A wrench is not pulled out of a hand unasked, and whose hand it was reads it. */
    public function testADeviceIsTakenOutOfAHandAtTheSecondPressAndItIsSaid(): void
    {
        [$device] = $this->wrench();
        $fit = $this->tarnFit()->id;
        $this->book()->take($device, $fit, self::STEP, 'Joss Wending');
        $this->signIn('petra');
        $take = fn (): mixed => $this->client->request(
            'POST', sprintf('/fits/%s/steps/%s/device', $fit, 'drained'), ['_csrf' => $this->token(), 'device' => $device->id],
        );
        $take();
        self::assertSame('Joss Wending', $this->service(DeviceBook::class)->get($device->id)?->takenBy);
        $this->client->followRedirect();
        self::assertSelectorTextContains('.notice.bad', 'Joss Wending has the test wrench in hand');
        $take();
        self::assertSame('Petra Lunn', $this->service(DeviceBook::class)->get($device->id)?->takenBy);
        $log = $this->service(Recorder::class)->load($this->tarnFit())->state->log;
        $said = end($log);
        self::assertNotFalse($said);
        self::assertSame([self::STEP, 'Petra Lunn'], [$said->step(), $said->by]);
        self::assertStringContainsString('out of the hand of Joss Wending', $said->string('text'));
    }

    public function testTheGaugeAnswersOnlyWithNewsAndTheHeldButtonPulls(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit()->id;
        $simulated = array_values(
            array_filter($this->book()->all(DeviceKind::Wrench), static fn (DeviceRecord $d): bool => $d->simulated),
        )[0];
        $token = $this->token();
        $steps = sprintf('/fits/%s/steps/%s', $fit, self::STEP);
        $this->client->request('POST', $steps.'/device', ['_csrf' => $token, 'device' => $simulated->id]);
        $this->client->request('GET', $steps.'/gauge?since=');
        self::assertResponseStatusCodeSame(204);
        $reading = (string) new Ulid();
        for ($i = 0; $i < 40; ++$i) {
            $this->client->request(
                'POST', $steps.'/pull',
                ['_csrf' => $token, 'device' => $simulated->id, 'reading' => $reading, 'ms' => 120, 'eager' => 1],
            );
            self::assertResponseIsSuccessful();
            if ((float) $this->client->getCrawler()->filter('.gauge-now')->text() >= 8.8) {
                break;
            }
        }
        $this->client->request(
            'POST', $steps.'/pull',
            ['_csrf' => $token, 'device' => $simulated->id, 'reading' => $reading, 'ms' => 0, 'eager' => 1, 'done' => 1],
        );
        self::assertStringContainsString('Marked.', (string) $this->client->getResponse()->getContent());
        self::assertSame('nk:pulse', $this->client->getResponse()->headers->get('HX-Trigger'));
        $this->client->request('POST', $steps.'/device', ['_csrf' => $token, 'device' => $simulated->id, 'down' => 1]);
        self::assertSame('', $this->book()->get($simulated->id)?->fitId);
    }

    public function testTheCommandsAddAWrenchAndPullAsOne(): void
    {
        $added = $this->command('device:add', ['name' => 'lent wrench', '--kind' => 'wrench']);
        self::assertSame(0, $added->getStatusCode());
        self::assertMatchesRegularExpression('/nk_[0-9a-f]{48}/', $added->getDisplay());
        self::assertNotSame(0, $this->command('device:add', ['name' => 'lent wrench', '--kind' => 'wrench'])->getStatusCode());
        self::assertNotSame(0, $this->command('device:add', ['name' => 'other', '--kind' => 'oven'])->getStatusCode());
    }

    private function book(): DeviceBook
    {
        return $this->service(DeviceBook::class);
    }

    /** @return array{DeviceRecord, string} */
    private function wrench(): array
    {
        return $this->book()->add('test wrench', DeviceKind::Wrench);
    }

    private function task(): WrenchTask
    {
        return $this->service(ReadingBook::class)->wrenchTask($this->tarnFit(), self::STEP);
    }

    /** @return array<array-key, mixed> */
    private function api(string $method, string $path, string $token, string $body = ''): array
    {
        $this->client->request(
            $method, $path, server: ['HTTP_AUTHORIZATION' => 'Bearer '.$token, 'CONTENT_TYPE' => 'application/json'],
            content: $body,
        );
        $answer = json_decode((string) $this->client->getResponse()->getContent(), true);

        return is_array($answer) ? $answer : [];
    }
}
