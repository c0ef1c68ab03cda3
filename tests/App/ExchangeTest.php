<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Devices\Simulator\SimulatedWrench;
use NimbleKnuckle\App\Exchange\DueCalendarController;
use NimbleKnuckle\App\Exchange\FitDocument;
use NimbleKnuckle\App\Exchange\FitReadings;
use NimbleKnuckle\App\Exchange\PrintController;
use NimbleKnuckle\App\Exchange\SchemaCheckCommand;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Schemas\SchemaBook;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Trace\Fault;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Reader;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\Process\Process;
use Symfony\Component\Uid\Ulid;

#[CoversClass(FitDocument::class)]
#[CoversClass(FitReadings::class)]
#[CoversClass(SchemaBook::class)]
#[CoversClass(SchemaCheckCommand::class)]
#[CoversClass(PrintController::class)]
#[CoversClass(DueCalendarController::class)]
final class ExchangeTest extends AppTestCase
{
    public function testAFitGoesOutAndComesBackWhole(): void
    {
        $record = $this->tarnFit();
        $json = $this->service(FitDocument::class)->write($record);
        $before = $this->service(EventLog::class)->of($record->id);
        $this->emptyDatabase();
        $this->service(FitDocument::class)->read($json);
        $again = $this->service(FitBook::class)->get($record->id);
        $facts = static fn (FitEvent $event): array => $event->toArray();
        $after = $this->service(EventLog::class)->of($record->id);
        self::assertEquals(array_map($facts, $before), array_map($facts, $after));
        self::assertSame(
            ['file'], array_values(array_unique(array_map(static fn (FitEvent $event): string => $event->receipt->device, $after))),
        );
        self::assertEquals($record->sheet(), $again->sheet());
        self::assertSame($record->looseEnds, $again->looseEnds);
        self::assertSame($json, $this->service(FitDocument::class)->write($again));
    }

    public function testStagesCurvesPinsAndReadingsOfATraceGoOutAndComeBackToo(): void
    {
        $record = $this->tarnFit();
        $at = new \DateTimeImmutable('now', new \DateTimeZone('UTC'));
        $made = static fn (EventType $type, array $payload): FitEvent => FitEvent::of(
            (string) new Ulid(), $type, $payload, 'Joss Wending',
            $at->setTime((int) $at->format('H'), (int) $at->format('i'), (int) $at->format('s')),
        );
        $this->service(Recorder::class)->record($record, [
            $made(
                EventType::FastenerMarked,
                [
                    'joint' => 'thermostat-cover-bolts', 'bolt' => 3, 'stage' => 4, 'step' => 'housing-tight',
                    'wrench' => '3/8 in digital wrench', 'setting' => 9.0, 'reading' => '01ARZ3NDEKTSV4RRFFQ69G5FAV',
                    'torque' => 9.04,
                ],
            ),
            $made(EventType::StageBegun, ['step' => 'vacuum-pull', 'stage' => 'connect']),
            $made(EventType::StageBegun, ['step' => 'vacuum-pull', 'stage' => 'pull']),
            $made(
                EventType::CurveJudged,
                [
                    'step' => 'warm-up', 'reading' => '01ARZ3NDEKTSV4RRFFQ69G5FAV', 'finding' => 'overheating', 'verdict' => 'stop',
                    'said' => 'Overheating: 112 °C.',
                ],
            ),
            $made(EventType::StopSeen, ['step' => 'warm-up', 'reading' => '01ARZ3NDEKTSV4RRFFQ69G5FAV']),
            $made(
                EventType::SumPinned,
                [
                    'step' => 'housing-tight', 'sum' => 'wrench-set', 'query' => 'target=9', 'said' => 'Set the wrench to 7.9 N·m',
                    'verdict' => 'ok',
                ],
            ),
        ], Authority::Server);
        $json = $this->service(FitDocument::class)->write($record);
        $before = $this->service(Recorder::class)->load($record)->state;
        self::assertStringContainsString('"stage-begun"', $json);
        $this->emptyDatabase();
        $this->service(FitDocument::class)->read($json);
        $after = $this->service(Recorder::class)->load($this->service(FitBook::class)->get($record->id))->state;
        $facts = static fn (FitEvent $event): array => $event->toArray();
        self::assertEquals(array_map($facts, $before->routines['vacuum-pull']), array_map($facts, $after->routines['vacuum-pull']));
        self::assertEquals(array_map($facts, $before->curves), array_map($facts, $after->curves));
        self::assertNull($after->engineStop(), 'seen is seen, on every installation');
        self::assertEquals(array_map($facts, $before->pins), array_map($facts, $after->pins));
        $mark = $after->marks['thermostat-cover-bolts'][3];
        self::assertSame([9.0, 0.0, ''], [$mark->float('setting'), $mark->float('torque'), $mark->string('reading')],
            'a pull that did not come with the file is not believed: it stands as set by hand');
    }

    public function testReadingsTravelWithTheirFit(): void
    {
        $record = $this->tarnFit();
        $devices = $this->service(DeviceBook::class);
        $wrench = $devices->all(DeviceKind::Wrench)[0];
        $devices->take($wrench, $record->id, 'housing-tight', 'Joss Wending');
        $readings = $this->service(ReadingBook::class);
        foreach (SimulatedWrench::pieces(
            $readings->wrenchTask($record, 'housing-tight'), $id = (string) new Ulid(), Fault::None, 4,
        ) as $piece) {
            $readings->receive($wrench, ReadingDocument::read($piece));
        }
        $json = $this->service(FitDocument::class)->write($record);
        $samples = $readings->find($id)->samples ?? [];
        $this->emptyDatabase();
        $this->db()->executeStatement('DELETE FROM reading');
        $this->service(FitDocument::class)->read($json);
        $this->service(FitDocument::class)->read($json);
        $again = $readings->ofJoint($record->id, 'thermostat-cover-bolts');
        self::assertCount(1, $again);
        self::assertSame([$id, 'sound', true, 3], [$again[0]->id, $again[0]->finding, $again[0]->marked, $again[0]->bolt]);
        self::assertEquals($samples, $again[0]->samples);
        $back = $this->service(FitDocument::class)->write($this->service(FitBook::class)->get($record->id));
        $via = ",\n            \"via\": \"stated in a file brought by the console; there by a device\"";
        self::assertStringContainsString($via, $back, 'it says how it came here');
        self::assertSame($json, str_replace($via, '', $back));
        $marks = $this->service(Recorder::class)->load($this->service(FitBook::class)->get($record->id))->state->marks;
        self::assertSame($id, $marks['thermostat-cover-bolts'][3]->string('reading'), 'the pull is here, of this bolt: it is believed');
    }

    /** What was measured is signed with the fit: no file adds to it, nor says that a pull of another fit was of this one. */
    public function testNothingMeasuredComesIntoAFitThatIsSigned(): void
    {
        $row = $this->service(FitBook::class)->signed(1)[0] ?? self::fail('none is signed');
        $record = $this->service(FitBook::class)->get($row->id);
        $document = json_decode($this->service(FitDocument::class)->write($record), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($document);
        $document['readings'] = [[
            'id' => (string) new Ulid(), 'device' => 'a fine wrench', 'kind' => 'torque-angle', 'step' => 'x', 'by' => 'Ines Tarrow',
            'at' => '2026-11-25T10:00:00+00:00', 'samples' => [[0.0, 0.0], [10.0, 9.0]], 'verdict' => 'ok', 'marked' => true,
        ]];
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage('this fit is signed off');
        $json = json_encode($document, \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
        $this->service(FitDocument::class)->read($json, Authority::Lead);
    }

    public function testNobodySignsByImportWhatTheyCouldNotSign(): void
    {
        $record = $this->tarnFit();
        $document = json_decode($this->service(FitDocument::class)->write($record), true);
        assert(is_array($document) && is_array($document['events']));
        $document['events'][] = [
            'id' => '01ZZZZZZZZZZZZZZZZZZZZZZZZ', 'type' => 'signed', 'payload' => new \stdClass(), 'by' => 'Ines Tarrow',
            'at' => gmdate('Y-m-d\TH:i:s\Z'),
        ];
        $json = json_encode($document, \JSON_THROW_ON_ERROR);
        $this->service(FitDocument::class)->read($json);
        self::assertNull(
            $this->service(Recorder::class)->load($this->service(FitBook::class)->get($record->id))->state->signed,
            'a mechanic brings no signature',
        );
        $document['id'] = '01ZZZZZZZZZZZZZZZZZZZZZZZY';
        $document['events'] = array_map(
            static fn (mixed $event, int $i): array => ['id' => sprintf('01ZZZZZZZZZZZZZZZZZZ%06d', $i)] + (is_array($event) ? $event : []),
            $document['events'], array_keys($document['events']),
        );
        $copy = $this->service(FitDocument::class)->read(json_encode($document, \JSON_THROW_ON_ERROR), Authority::Mechanic, 'Joss Wending');
        $state = $this->service(Recorder::class)->load($this->service(FitBook::class)->get($copy->id))->state;
        self::assertNull($state->signed, 'nor under another id');
        self::assertSame('Joss Wending, stated in a file brought by Joss Wending', $state->done['decide-sign']->said());
        $this->expectException(InvalidEvent::class);
        $this->expectExceptionMessageMatches('/loose end/');
        $this->service(FitDocument::class)->read($json, Authority::Lead, 'Ines Tarrow');
    }

    public function testReadingItTwiceAddsNothing(): void
    {
        $record = $this->tarnFit();
        $json = $this->service(FitDocument::class)->write($record);
        $version = $this->service(EventLog::class)->version($record->id);
        $this->service(FitDocument::class)->read($json);
        self::assertSame($version, $this->service(EventLog::class)->version($record->id));
    }

    /** @param callable(array<string, mixed>): mixed $spoil */
    #[DataProvider('spoilt')]
    public function testASpoiltDocumentNamesThePlace(string $path, callable $spoil): void
    {
        $document = json_decode($this->service(FitDocument::class)->write($this->tarnFit()), true);
        assert(is_array($document));
        $spoilt = $spoil(Node::of($document)->map());
        try {
            $this->service(FitDocument::class)->read(is_string($spoilt) ? $spoilt : json_encode($spoilt, \JSON_THROW_ON_ERROR));
            self::fail('It was taken.');
        } catch (InvalidDocument $e) {
            self::assertSame($path, '' === $path ? $e->path : substr($e->path, 0, strlen($path)));
        }
    }

    /** @return iterable<string, array{string, callable(array<string, mixed>): mixed}> */
    public static function spoilt(): iterable
    {
        yield 'not JSON' => ['', static fn (): string => 'hello'];
        yield 'another format' => ['format', static fn (array $d): array => ['format' => 'nimble-knuckle/fit@9'] + $d];
        yield 'no events' => ['', static fn (array $d): array => array_diff_key($d, ['events' => 1])];
        yield 'an event of no type' => [
            'events.0.type', static fn (array $d): array => array_replace_recursive($d, ['events' => [['type' => 'exploded']]]),
        ];
        yield 'a step without a title' => ['sheet.steps.3', static function (array $d): array {
            $sheet = $d['sheet'];
            assert(is_array($sheet) && is_array($sheet['steps']) && is_array($sheet['steps'][3]));
            unset($sheet['steps'][3]['title']);

            return ['sheet' => $sheet] + $d;
        }];
        yield 'a joint of another shape' => [
            'vehicle.joints.0.layout',
            static fn (array $d): array => array_replace_recursive($d, ['vehicle' => ['joints' => [['layout' => 'star 5']]]]),
        ];
        yield 'something nobody asked for' => ['', static fn (array $d): array => ['extra' => 1] + $d];
    }

    public function testEverythingShippedFitsItsSchema(): void
    {
        $check = $this->command('schema:check');
        self::assertSame(0, $check->getStatusCode());
        self::assertStringContainsString(', 0 wrong', $check->getDisplay());
    }

    public function testTheDueListIsACalendarAProgramCanRead(): void
    {
        $this->signIn('ines');
        $this->client->request('GET', '/logbook/calendar');
        $calendar = Reader::read((string) $this->client->getResponse()->getContent());
        self::assertInstanceOf(VCalendar::class, $calendar);
        self::assertSame([], $calendar->validate());
        self::assertCount(4, $calendar->select('VEVENT'));
        self::assertStringContainsString('Drover 27D: Coolant level', $calendar->serialize());
        self::assertStringContainsString('Dray 18: Spark plugs', $calendar->serialize());
    }

    /** In the browser by a file, or pasted; what is wrong is said and what was pasted stays. */
    public function testAFitIsTakenInByAFileOrPasted(): void
    {
        $json = $this->service(FitDocument::class)->write($this->tarnFit());
        $this->signIn('joss');
        $file = (string) tempnam(sys_get_temp_dir(), 'nk');
        file_put_contents($file, $json);
        $this->client->request(
            'POST', '/import', ['_csrf' => $this->token()], ['file' => new UploadedFile($file, 'fit.json', null, null, true)],
        );
        self::assertResponseRedirects('/fits/'.$this->tarnFit()->id);
        $this->client->request('POST', '/import', ['_csrf' => $this->token(), 'json' => $json]);
        self::assertResponseRedirects('/fits/'.$this->tarnFit()->id);
        $this->client->request('POST', '/import', ['_csrf' => $this->token(), 'json' => '{"format":"x"}']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('[role=alert]', 'At “');
        self::assertSame('{"format":"x"}', $this->client->getCrawler()->filter('#json')->text());
        $this->client->request('POST', '/import', ['_csrf' => $this->token(), 'json' => ' ']);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('main', 'Choose a file first');
    }

    public function testSheetAndRecordPrintWithTheirFigures(): void
    {
        $this->signIn('ines');
        $fit = $this->tarnFit()->id;
        foreach (['sheet' => [
            'Tighten the thermostat housing', '9 N·m / 80 in-lb', 'at the figure: set 7.86 N·m on the 1/4 in dial wrench',
            'Caution: Fans, belts and pulleys take fingers.',
        ], 'record' => [
            'Not signed off', 'copper washer', 'Joss Wending', 'wrench, 7.86 N·m',
        ] /* marks carry the wrench once they are made on the bench */] as $kind => $words) {
            if ('record' === $kind) {
                $this->send(
                    $fit,
                    [
                        'type' => 'fastener-marked', 'joint' => 'thermostat-cover-bolts', 'bolt' => 2, 'stage' => 4,
                        'step' => 'housing-tight', 'wrench' => '1/4 in dial wrench', 'setting' => 7.86,
                    ],
                );
            }
            $this->client->request('GET', sprintf('/fits/%s/print/%s', $fit, $kind));
            $pdf = (string) $this->client->getResponse()->getContent();
            $process = new Process(['pdftotext', '-layout', '-', '-'], input: $pdf);
            $process->mustRun();
            $text = (string) preg_replace('/\s+/', ' ', $process->getOutput());
            foreach ($words as $word) {
                self::assertStringContainsString($word, $text, $kind);
            }
        }
    }

    private function emptyDatabase(): void
    {
        $this->db()->executeStatement('DROP TRIGGER fit_event_no_delete');
        foreach (['due', 'fit_event', 'fit', 'vehicle'] as $table) {
            $this->db()->executeStatement('DELETE FROM '.$table);
        }
        $this->service(EntityManagerInterface::class)->clear();
    }
}
