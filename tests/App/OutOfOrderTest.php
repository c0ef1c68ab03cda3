<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Exchange\FitDocument;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\LawVersion;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Fits\Seen;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Signing\ReviewEntry;
use NimbleKnuckle\Core\Bench\Signing\ReviewKind;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\Uid\Ulid;

/** What was done without the server is done: kept where its own tablet had to take it for right, and shown to whoever signs. */
#[CoversClass(Recorder::class)]
#[CoversClass(Seen::class)]
#[CoversClass(LawVersion::class)]
final class OutOfOrderTest extends AppTestCase
{
    private const JOINT = 'thermostat-cover-bolts';
    private const STEP = 'housing-tight';
    private const AGO = 600;

    private FitRecord $fit;
    private string $device = 'tablet-a';

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('joss');
        $this->fit = $this->tarnFit();
    }

    public function testWhatWasInOrderByItsOwnTabletIsKeptAndSaysWhatStandsAgainstItNow(): void
    {
        $seen = $this->version();
        $this->loosenedByAnother();
        self::assertSame(200, $this->late($this->law(), $seen, ...$this->finished()));
        $fit = $this->service(Recorder::class)->load($this->fit);
        self::assertTrue($fit->state->isDone(self::STEP));
        self::assertStringContainsString('1 of 3 fasteners', $fit->state->done[self::STEP]->receipt->against);
        $entries = array_values(
            array_filter(SignOff::of($fit)->review(), static fn (ReviewEntry $one): bool => ReviewKind::Against === $one->kind)
        );
        self::assertCount(1, $entries);
        self::assertStringStartsWith('1 of 3 fasteners are not at their final mark', $entries[0]->said);
        // The joint is not tight for that: it stays a loose end.
        self::assertContains('joint:'.self::JOINT, array_column(SignOff::of($fit)->looseEnds(), 'id'));
        $this->signIn('ines');
        $this->client->request('GET', sprintf('/fits/%s/review', $this->fit->id));
        self::assertStringContainsString('Done off line, out of order', (string) $this->client->getResponse()->getContent());
        self::assertStringContainsString('"against": "1 of 3', $this->service(FitDocument::class)->write($this->fit));
    }

    public function testWhatItsOwnTabletHadToRefuseIsRefused(): void
    {
        $this->loosenedByAnother();
        $before = $this->version();
        // It says that it has seen the loose bolt.
        self::assertSame(422, $this->late($this->law(), $before, ...$this->finished()));
        self::assertSame($before, $this->version(), 'none of that tap');
    }

    public function testUnderAnOlderLawItIsAFactWhateverItHadSeen(): void
    {
        foreach (['', 'an older one'] as $law) {
            $this->loosenedByAnother();
            self::assertSame(200, $this->late($law, $this->version(), ...$this->finished()));
            $this->send($this->fit->id, ['type' => 'step-reopened', 'step' => self::STEP]);
        }
        // What was taken back is no entry any more.
        $kinds = array_column(SignOff::of($this->service(Recorder::class)->load($this->fit))->review(), 'kind');
        self::assertCount(2, array_keys($kinds, ReviewKind::Against, true));
    }

    public function testAMarkThatWasSentAtOnceIsJudgedByTheLawOfToday(): void
    {
        $this->loosenedByAnother();
        self::assertSame(422, $this->late('an older one', 0, $this->event('step-done', ['step' => self::STEP], 2)));
    }

    public function testWhatIsNoMarkAtAllIsNoFactEither(): void
    {
        $bolt = $this->event('fastener-marked', ['joint' => self::JOINT, 'bolt' => 9, 'stage' => 1]);
        self::assertSame(422, $this->late('', 0, $bolt));
        self::assertSame(422, $this->late('', 0, $this->event('step-done', ['step' => 'fly'])));
        self::assertSame(422, $this->late('', 0, $this->event('signed', ['seen' => 0, 'shown' => 0])));
    }

    public function testTwoReadingsOfTwoTabletsStandBesideEachOtherUntilOneIsChosen(): void
    {
        $seen = $this->version();
        $read = fn (float $litres): array => $this->event('measured', [
            'step' => 'drained', 'field' => 'drained', 'text' => $litres.' L',
        ]);
        $first = $read(4.8);
        self::assertSame(200, $this->late($this->law(), $seen, $first));
        $second = $read(3.0);
        // The second lay on another tablet, which had not seen the first.
        $this->device = 'another';
        self::assertSame(200, $this->late($this->law(), $seen, $second));
        $fit = $this->service(Recorder::class)->load($this->fit);
        self::assertNull($fit->state->reading('drained', 'drained'));
        self::assertContains('rivals:drained:drained', array_column(SignOff::of($fit)->looseEnds(), 'id'));
        $beside = '"beside": '.json_encode($first['id'], \JSON_THROW_ON_ERROR);
        self::assertStringContainsString($beside, $this->service(FitDocument::class)->write($this->fit));
        $this->client->request('GET', sprintf('/fits/%s/bench/drained', $this->fit->id));
        $page = (string) $this->client->getResponse()->getContent();
        self::assertStringContainsString('which is so?', $page);
        self::assertStringContainsString('4.8 L', $page);
        $this->send($this->fit->id, ['type' => 'chosen', 'step' => 'drained', 'field' => 'drained', 'event' => $first['id']]);
        $fit = $this->service(Recorder::class)->load($this->fit);
        self::assertSame(4.8, $fit->state->reading('drained', 'drained')?->value);
        // One that had seen it is a correction, as before.
        $this->device = 'another';
        self::assertSame(200, $this->late($this->law(), $this->version(), $read(4.7)));
        self::assertSame(4.7, $this->service(Recorder::class)->load($this->fit)->state->reading('drained', 'drained')?->value);
    }

    public function testASecondReadingThatLayOnTheSameTabletCorrectsItsOwnAndNotTheOthers(): void
    {
        $seen = $this->version();
        $read = fn (float $litres, int $ago): array => $this->event('measured', [
            'step' => 'drained', 'field' => 'drained', 'text' => $litres.' L',
        ], $ago);
        self::assertSame(200, $this->late($this->law(), $seen, $read(4.8, 900)));
        $this->device = 'another';
        self::assertSame(200, $this->late($this->law(), $seen, $read(3.0, 800)));
        self::assertSame(200, $this->late($this->law(), $seen, $read(3.2, 700)));
        $rivals = $this->service(Recorder::class)->load($this->fit)->state->rivals('drained', 'drained');
        self::assertSame([4.8, 3.2], array_column($rivals->readings ?? [], 'value'));
    }

    public function testALateReadingOfAnOlderProgramHadSeenNothing(): void
    {
        $read = fn (float $litres, int $ago): array => $this->event('measured', [
            'step' => 'drained', 'field' => 'drained', 'text' => $litres.' L',
        ], $ago);
        self::assertSame(200, $this->late('', 0, $read(4.8, 900)));
        $this->device = 'another';
        self::assertSame(200, $this->late('', 0, $read(3.0, 800)));
        self::assertNotNull($this->service(Recorder::class)->load($this->fit)->state->rivals('drained', 'drained'));
    }

    public function testTheSameFilesAreTheSameLaw(): void
    {
        $root = dirname(__DIR__, 2);
        self::assertSame(LawVersion::of($root), $this->law());
        self::assertNotSame(LawVersion::of(sys_get_temp_dir()), $this->law());
    }

    private function law(): string
    {
        return $this->service(LawVersion::class)->id;
    }

    private function version(): int
    {
        return $this->service(EventLog::class)->version($this->fit->id);
    }

    private function loosenedByAnother(): void
    {
        $this->send($this->fit->id, ['type' => 'fastener-marked', 'joint' => self::JOINT, 'bolt' => 1, 'stage' => 0]);
    }

    /** @return list<array<string, mixed>> every bolt that is not final pulled, as its tablet knew them, and the step closed */
    private function finished(): array
    {
        $fit = $this->service(Recorder::class)->load($this->fit);
        $events = [];
        foreach ($fit->vehicle->joints[self::JOINT]->pattern->order() as $bolt) {
            $final = TighteningStages::of($fit->vehicle->joints[self::JOINT])->final();
            for ($stage = $fit->state->stage(self::JOINT, $bolt) + 1; 1 !== $bolt && $stage <= $final; ++$stage) {
                $events[] = $this->event('fastener-marked', ['joint' => self::JOINT, 'bolt' => $bolt, 'stage' => $stage]);
            }
        }

        return [...$events, $this->event('step-done', ['step' => self::STEP])];
    }

    /**
     * @param array<string, mixed> $payload
     *
     * @return array<string, mixed>
     */
    private function event(string $type, array $payload, int $ago = self::AGO): array
    {
        return ['id' => (string) new Ulid(), 'type' => $type, 'payload' => $payload, 'at' => gmdate('Y-m-d\TH:i:s\Z', time() - $ago)];
    }

    /** @param array<string, mixed> ...$events made off line by a tablet, sent now */
    private function late(string $law, int $seen, array ...$events): int
    {
        $made = array_map(static fn (array $one): array => $one + ['law' => $law, 'seen' => $seen], $events);
        $this->client->request(
            'POST', '/fits/'.$this->fit->id.'/events',
            server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_X_CSRF_TOKEN' => $this->token()],
            content: json_encode(
                ['events' => array_values($made), 'device' => $this->device, 'sent' => gmdate('Y-m-d\TH:i:s\Z')], \JSON_THROW_ON_ERROR,
            ),
        );

        return $this->client->getResponse()->getStatusCode();
    }
}
