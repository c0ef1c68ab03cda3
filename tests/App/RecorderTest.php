<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\EventsController;
use NimbleKnuckle\App\Bench\MeasuredText;
use NimbleKnuckle\App\Fits\Arrival;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Logbook\DueBook;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Uid\Ulid;

#[CoversClass(EventLog::class)]
#[CoversClass(Recorder::class)]
#[CoversClass(Arrival::class)]
#[CoversClass(EventsController::class)]
#[CoversClass(MeasuredText::class)]
#[CoversClass(DueBook::class)]
final class RecorderTest extends AppTestCase
{
    public function testTheTableRefusesToChangeOrForget(): void
    {
        foreach (["UPDATE fit_event SET payload = '{}'", 'DELETE FROM fit_event'] as $sql) {
            try {
                $this->db()->executeStatement($sql);
                self::fail('It was done: '.$sql);
            } catch (\Doctrine\DBAL\Exception $e) {
                self::assertStringContainsString('events are never', $e->getMessage());
            }
        }
    }

    public function testConnectionsKeepWhatTheySayTheyKeep(): void
    {
        foreach (['journal_mode' => 'wal', 'foreign_keys' => 1, 'synchronous' => 2, 'busy_timeout' => 8000] as $pragma => $value) {
            self::assertSame($value, $this->db()->fetchOne('PRAGMA '.$pragma), $pragma);
        }
    }

    public function testSendingAMarkTwiceMakesOneMark(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $id = (string) new Ulid();
        $mark = ['id' => $id, 'type' => 'counted', 'step' => 'on.under-pan', 'thing' => 'long screws', 'by' => 1];
        $first = $this->send($fit->id, $mark);
        $second = $this->send($fit->id, $mark);
        self::assertSame($first['version'], $second['version']);
        self::assertSame([$id], $second['kept']);
        self::assertSame(1, $this->service(Recorder::class)->load($fit)->state->count('on.under-pan', 'long screws'));
    }

    public function testTheDemoStandsWhereItWasInterrupted(): void
    {
        $record = $this->tarnFit();
        $fit = $this->service(Recorder::class)->load($record);
        self::assertSame('housing-tight', $fit->course()->currentStep()?->id);
        self::assertSame(1, $fit->joints()->boltsLeft('thermostat-cover-bolts'));
        self::assertCount(1, $fit->state->dropped);
        self::assertSame(9, $record->looseEnds);
        self::assertSame(
            ['planned', 'in-hand', 'signed'],
            $this->db()->fetchFirstColumn(
                "SELECT status FROM fit ORDER BY CASE status WHEN 'planned' THEN 0 WHEN 'in-hand' THEN 1 ELSE 2 END",
            ),
        );
        $dues = $this->service(DueBook::class)->openRows();
        self::assertCount(2, $dues);
        self::assertTrue($dues[0]->day->isDue);
        self::assertSame(300, $dues[1]->day->afterKm);
    }

    /** @param array<string, mixed> $event */
    #[DataProvider('impossible')]
    public function testWhatCannotBeIsRefusedAndNothingOfThatCallIsKept(array $event, string $hint): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $before = $this->service(EventLog::class)->version($fit->id);
        $answer = $this->send($fit->id, ['type' => 'noted', 'text' => 'goes with it'], $event);
        self::assertSame(422, $this->client->getResponse()->getStatusCode());
        $error = $answer['error'];
        self::assertIsArray($error);
        self::assertIsString($error['message']);
        self::assertStringContainsString($hint, $error['message']);
        self::assertSame($before, $this->service(EventLog::class)->version($fit->id));
    }

    /** How it came to be known is not a tablet’s to say: what is said is kept, the claim is not. */
    public function testATabletCannotSayThatAWrenchMeasuredIt(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $id = (string) new Ulid();
        $this->send($fit->id, [
            'id' => $id, 'type' => 'fastener-marked', 'joint' => 'thermostat-cover-bolts', 'bolt' => 1, 'stage' => 0, 'torque' => 20.0,
            'reading' => '01ARZ3NDEKTSV4RRFFQ69G5FAV', 'setting' => 9.0,
        ]);
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        $kept = $this->service(Recorder::class)->load($fit)->state->event($id);
        self::assertSame(
            [9.0, 0.0, ''], [$kept?->float('setting'), $kept?->float('torque'), $kept?->string('reading')], 'kept as set by hand',
        );
    }

    /** A tablet’s clock counts for how long a mark lay there, and for nothing else. */
    #[TestWith(['+2 hours', null, 0])]
    #[TestWith(['2020-01-01T00:00:00Z', null, 0])]
    #[TestWith(['-3 hours', '-3 hours', 0])]
    #[TestWith(['-40 minutes', 'now', 40])]
    #[TestWith(['+80 minutes', '+2 hours', 40])]
    #[TestWith(['2020-01-01T00:00:00Z', 'now', -1])]
    public function testTheServerSaysWhenItHappened(string $at, ?string $sent, int $minutesAgo): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $id = (string) new Ulid();
        $stamp = static fn (string $when): string => gmdate('Y-m-d\TH:i:s\Z', (int) strtotime($when));
        $body = ['events' => [['id' => $id, 'type' => 'noted', 'payload' => ['text' => 'x'], 'at' => $stamp($at)]], 'device' => 'a'];
        $this->client->jsonRequest(
            'POST', '/fits/'.$fit->id.'/events', $body + (null === $sent ? [] : ['sent' => $stamp($sent)]),
            ['HTTP_X_CSRF_TOKEN' => $this->token()],
        );
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        $kept = $this->service(Recorder::class)->load($fit)->state->event($id) ?? self::fail('not kept');
        $right = $minutesAgo < 0 ? $fit->createdAt->getTimestamp() : time() - 60 * $minutesAgo;
        self::assertEqualsWithDelta($right, $kept->at->getTimestamp(), 5);
        self::assertEqualsWithDelta($kept->at->getTimestamp(), $kept->happened()->getTimestamp(), 1);
    }

    public function testATabletCannotHaveMadeAMarkLongBeforeItWasLastHeardOf(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $token = $this->token();
        $kept = [];
        foreach ([0, 50, 40, 30] as $minutes) {
            $kept[] = $id = (string) new Ulid();
            $this->client->jsonRequest('POST', '/fits/'.$fit->id.'/events', [
                'events' => [[
                    'id' => $id, 'type' => 'noted', 'payload' => ['text' => 'x'], 'at' => gmdate('Y-m-d\TH:i:s\Z', time() - 60 * $minutes),
                ]], 'device' => 'b', 'sent' => gmdate('Y-m-d\TH:i:s\Z'),
            ], ['HTTP_X_CSRF_TOKEN' => $token]);
        }
        foreach ($kept as $id) {
            $at = $this->service(Recorder::class)->load($fit)->state->event($id)?->at->getTimestamp() ?? 0;
            self::assertGreaterThan(time() - 130, $at, 'it would have been sent with the first');
        }
    }

    public function testWithinOneSendingTimeDoesNotGoBack(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $this->db()->executeStatement("UPDATE fit SET created_at = datetime('now', '-3 hours') WHERE id = ?", [$fit->id]);
        $stamp = static fn (int $minutes): string => gmdate('Y-m-d\TH:i:s\Z', time() - 60 * $minutes);
        $note = static fn (int $minutes): array => [
            'id' => (string) new Ulid(), 'type' => 'noted', 'payload' => ['text' => 'x'], 'at' => $stamp($minutes),
        ];
        $events = array_map($note, [10, 40, 5]);
        $this->client->jsonRequest(
            'POST', '/fits/'.$fit->id.'/events', ['events' => $events, 'device' => 'c', 'sent' => $stamp(0)],
            ['HTTP_X_CSRF_TOKEN' => $this->token()],
        );
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        $state = $this->service(Recorder::class)->load($fit)->state;
        foreach ([10, 10, 5] as $i => $minutes) {
            $kept = $state->event($events[$i]['id']) ?? self::fail('not kept');
            self::assertEqualsWithDelta(time() - 60 * $minutes, $kept->at->getTimestamp(), 5);
            self::assertStringContainsString('marked off line, in at', $kept->witness());
        }
    }

    public function testAnotherMarkUnderAKnownIdIsToldAndNotKept(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $id = (string) new Ulid();
        foreach ([['first', 200], ['first', 200], ['second', 409]] as [$text, $status]) {
            $answer = $this->send($fit->id, ['id' => $id, 'type' => 'noted', 'text' => $text]);
            self::assertSame($status, $this->client->getResponse()->getStatusCode(), $text);
        }
        self::assertStringContainsString('something else is kept already', json_encode($answer, \JSON_THROW_ON_ERROR));
        self::assertSame('first', $this->service(Recorder::class)->load($fit)->state->event($id)?->string('text'));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function impossible(): iterable
    {
        yield 'no such step' => [['type' => 'step-done', 'step' => 'fly'], 'no such step'];
        yield 'a step that is not ready' => [['type' => 'step-done', 'step' => 'housing-tight'], '1 of 3 fasteners'];
        yield 'a bolt too many' => [
            ['type' => 'fastener-marked', 'joint' => 'thermostat-cover-bolts', 'bolt' => 4, 'stage' => 1], 'fasteners 1 to 3',
        ];
        yield 'a pass too many' => [
            ['type' => 'fastener-marked', 'joint' => 'thermostat-cover-bolts', 'bolt' => 3, 'stage' => 9], 'no such pass',
        ];
        yield 'a joint from elsewhere' => [
            ['type' => 'fastener-marked', 'joint' => 'pump-bolts', 'bolt' => 1, 'stage' => 1], 'no such joint',
        ];
        yield 'a reading nobody asked for' => [
            ['type' => 'measured', 'step' => 'drained', 'field' => 'colour', 'text' => '4'], 'does not ask',
        ];
        yield 'a reading in words' => [
            ['type' => 'measured', 'step' => 'vacuum-pull', 'field' => 'vacuum_pulled', 'text' => 'lots'], 'is not a pressure',
        ];
        yield 'less than nothing in a tray' => [
            ['type' => 'counted', 'step' => 'on.under-pan', 'thing' => 'long screws', 'by' => -1], 'less than nothing',
        ];
        yield 'something from another tray' => [
            ['type' => 'counted', 'step' => 'on.under-pan', 'thing' => 'eggs', 'by' => 1], 'does not belong',
        ];
        yield 'found what was not lost' => [['type' => 'found', 'dropped' => 'x'], 'Nothing like that is missing'];
        yield 'taken back what was not' => [['type' => 'undone', 'event' => 'x'], 'nothing like that'];
        yield 'signed by a mechanic' => [['type' => 'signed'], 'Only a lead'];
        yield 'at no time' => [['type' => 'noted', 'text' => 'x', 'at' => 'soon'], 'ISO 8601'];
        yield 'no event at all' => [['type' => 'exploded'], 'a type we know'];
        yield 'an id that is none' => [['id' => '1', 'type' => 'noted', 'text' => 'x'], 'ULID'];
    }

    public function testAnOverruledStepKeepsItsReason(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $this->send($fit->id, ['type' => 'step-done', 'step' => 'housing-tight', 'reason' => 'third bolt tightened by Ines, seen']);
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        self::assertSame(
            'third bolt tightened by Ines, seen',
            $this->service(Recorder::class)->load($fit)->state->done['housing-tight']->string('reason'),
        );
    }

    public function testReadingsAreTakenInAnyUnit(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $this->send(
            $fit->id, ['type' => 'measured', 'step' => 'vacuum-pull', 'field' => 'vacuum_pulled', 'text' => '25 inHg'],
            ['type' => 'measured', 'step' => 'vacuum-pull', 'field' => 'vacuum_lost', 'text' => '0,4'],
        );
        $state = $this->service(Recorder::class)->load($fit)->state;
        self::assertEqualsWithDelta(84.66, $state->reading('vacuum-pull', 'vacuum_pulled')->value ?? 0.0, 0.01);
        self::assertSame('0,4 kPa', $state->reading('vacuum-pull', 'vacuum_lost')->text ?? '');
    }

    public function testAFollowUpIsBookedUnbookedAndClosed(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $id = (string) new Ulid();
        $this->send($fit->id, ['id' => $id, 'type' => 'step-done', 'step' => 'book-level']);
        self::assertCount(1, $this->service(DueBook::class)->ofFit($fit->id));
        $this->send($fit->id, ['type' => 'undone', 'event' => $id]);
        self::assertCount(0, $this->service(DueBook::class)->ofFit($fit->id));
        $this->send($fit->id, ['type' => 'step-done', 'step' => 'book-level']);
        $this->send($fit->id, ['type' => 'follow-up-closed', 'follow_up' => 'level-next-morning', 'outcome' => 'On the stroke.']);
        $due = $this->service(DueBook::class)->ofFit($fit->id)[0];
        self::assertFalse($due->outcome->isOpen);
        self::assertSame('On the stroke.', $due->outcome->said);
    }

    public function testOnlyWhatChangedTravels(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $version = $this->service(EventLog::class)->version($fit->id);
        $this->client->request('GET', sprintf('/fits/%s/pulse?since=%d', $fit->id, $version));
        self::assertSame(204, $this->client->getResponse()->getStatusCode());
        $this->client->request('GET', sprintf('/fits/%s/pulse?since=%d&step=mix', $fit->id, $version - 1));
        self::assertSame(200, $this->client->getResponse()->getStatusCode());
        $all = $this->answer();
        self::assertSame('mix', $all['step']);
        self::assertSame(['head', 'work', 'drawer', 'thumb', 'dialogs'], array_keys($all['regions']));
        $this->client->request(
            'GET',
            sprintf(
                '/fits/%s/pulse?clock=1&step=mix&%s', $fit->id,
                http_build_query(['have' => $all['hashes'] + ['ahead' => $all['aheadKey']]]),
            ),
        );
        self::assertSame([], $this->answer()['regions'], 'nothing changed, nothing travels');
        self::assertArrayNotHasKey('ahead', $this->answer());
        $this->send($fit->id, ['type' => 'noted', 'text' => 'a word', 'step' => 'mix']);
        $this->client->request(
            'GET', sprintf('/fits/%s/pulse?since=%d&step=mix&%s', $fit->id, $version, http_build_query(['have' => $all['hashes']])),
        );
        self::assertSame(['drawer', 'thumb'], array_keys($this->answer()['regions']), 'a note is looked up, and can be taken back');
    }

    /** @return array{step: string, regions: array<string, string>, hashes: array<string, string>, aheadKey: string, ahead?: list<mixed>} */
    private function answer(): array
    {
        /**
         * @var array{
         *     step: string, regions: array<string, string>, hashes: array<string, string>, aheadKey: string, ahead?: list<mixed>,
         * } $answer
         */
        $answer = json_decode((string) $this->client->getResponse()->getContent(), true, 16, \JSON_THROW_ON_ERROR);

        return $answer;
    }

    public function testAStrengthReadAsAFreezingPointIsKeptAsAStrength(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $answer = $this->send(
            $fit->id, ['type' => 'measured', 'step' => 'strength-before', 'field' => 'strength_before', 'text' => '-18 °C'],
        );
        self::assertArrayHasKey('kept', $answer);
        $reading = $this->service(Recorder::class)->load($this->tarnFit())->state->reading('strength-before', 'strength_before');
        self::assertSame('-18 °C', $reading?->text);
        self::assertSame('percent', $reading->unit);
        self::assertEqualsWithDelta(32.7, $reading->value, 0.05);
        self::assertArrayHasKey(
            'error',
            $this->send($fit->id, ['type' => 'measured', 'step' => 'strength-before', 'field' => 'strength_before', 'text' => '20 °C']),
        );
    }
}
