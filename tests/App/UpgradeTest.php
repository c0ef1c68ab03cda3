<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Fits\Seen;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Signing\ReviewKind;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\Uid\Ulid;

/**
 * A database of the day before the one law, fits in hand and all, and what a tablet of that day still carries: Kept/2026-12-01.db.gz was
 * made by the program as it was then (commit 7287beb), with the demonstration and a starter half out.
 */
#[CoversClass(Recorder::class)]
#[CoversClass(EventLog::class)]
#[CoversClass(Seen::class)]
final class UpgradeTest extends AppTestCase
{
    private const KEPT = __DIR__.'/Kept/2026-12-01.db.gz';
    private const COUNTED = 171;

    protected function setUp(): void
    {
        parent::setUp();
        self::ensureKernelShutdown();
        $file = dirname(__DIR__, 2).'/var/test-data/test.db';
        foreach (glob($file.'*') ?: [] as $old) {
            unlink($old);
        }
        $kept = gzdecode((string) file_get_contents(self::KEPT));
        self::assertIsString($kept);
        file_put_contents($file, $kept);
        $this->client = self::createClient();
        $this->client->disableReboot();
        self::assertSame(0, $this->command('doctrine:migrations:migrate', ['--no-interaction' => true])->getStatusCode());
    }

    public function testEveryFitAndEveryMarkIsThereAndReadsAsItDid(): void
    {
        self::assertSame(self::COUNTED, $this->db()->fetchOne('SELECT COUNT(*) FROM fit_event'));
        foreach ($this->db()->fetchAllAssociative('SELECT id, status, steps_done, loose_ends FROM fit') as $row) {
            self::assertIsString($row['id']);
            $fit = $this->fit($row['id']);
            $done = count(array_filter($fit->sheet->steps, static fn ($step): bool => $fit->state->isClosed($step->id)));
            self::assertSame($row['steps_done'], $done, $row['id']);
            self::assertSame($row['loose_ends'], count(SignOff::of($fit)->looseEnds()), $row['id']);
            self::assertSame(
                [], array_keys(array_column(SignOff::of($fit)->review(), 'kind'), ReviewKind::Against, true), 'nothing is judged anew'
            );
        }
    }

    public function testAFitInHandGoesOnWhereItStood(): void
    {
        $fit = $this->fit($this->starter());
        self::assertSame('starter-off', $fit->course()->currentStep()?->id);
        $this->signIn('joss');
        $this->client->request('GET', sprintf('/fits/%s/bench', $this->starter()));
        self::assertResponseIsSuccessful();
        $this->client->request('GET', sprintf('/fits/%s/carry', $this->starter()));
        self::assertResponseIsSuccessful();
    }

    public function testWhatATabletOfThatDayStillCarriesIsKept(): void
    {
        $id = $this->starter();
        $this->signIn('joss');
        $fit = $this->fit($id);
        // It knew little of the law: steps far down the line, out of order. It names neither law nor log.
        $ahead = array_values(array_filter($fit->sheet->steps, static fn ($step): bool => !$fit->state->isClosed($step->id)
            && [] !== Gate::at($fit)->before($step) && [] === Gate::at($fit)->within($step)));
        $at = gmdate('Y-m-d\TH:i:s\Z', time() - 3000);
        $queue = array_map(static fn ($step): array => [
            'id' => (string) new Ulid(), 'type' => 'step-done', 'payload' => ['step' => $step->id], 'at' => $at,
        ], array_slice($ahead, -6));
        foreach ($queue as $mark) {
            $this->client->request(
                'POST', '/fits/'.$id.'/events',
                server: ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json', 'HTTP_X_CSRF_TOKEN' => $this->token()],
                content: json_encode(
                    ['events' => [$mark], 'device' => 'tablet-of-then', 'sent' => gmdate('Y-m-d\TH:i:s\Z')], \JSON_THROW_ON_ERROR,
                ),
            );
            self::assertResponseIsSuccessful((string) $this->client->getResponse()->getContent());
        }
        $fit = $this->fit($id);
        self::assertNotSame([], $queue);
        foreach ($queue as $mark) {
            self::assertTrue($fit->state->isDone($mark['payload']['step']), $mark['payload']['step']);
        }
        $kinds = array_column(SignOff::of($fit)->review(), 'kind');
        self::assertNotSame([], array_keys($kinds, ReviewKind::Against, true), 'a lead sees what was out of order');
        self::assertSame(self::COUNTED + count($queue), $this->db()->fetchOne('SELECT COUNT(*) FROM fit_event'));
    }

    private function starter(): string
    {
        $id = $this->db()->fetchOne("SELECT id FROM fit WHERE title LIKE '%tarter%' AND status = 'in-hand'");
        self::assertIsString($id);

        return $id;
    }

    private function fit(string $id): Fit
    {
        return $this->service(Recorder::class)->load($this->service(FitBook::class)->get($id));
    }
}
