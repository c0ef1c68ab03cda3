<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Demo\History;
use NimbleKnuckle\App\Upkeep\Backup;
use NimbleKnuckle\App\Upkeep\BackupCommand;
use NimbleKnuckle\App\Upkeep\BackupController;
use NimbleKnuckle\App\Upkeep\Backups;
use NimbleKnuckle\App\Upkeep\BenchCommand;
use NimbleKnuckle\App\Upkeep\Database;
use NimbleKnuckle\App\Upkeep\FreeSpace;
use NimbleKnuckle\App\Upkeep\PhotoCopies;
use NimbleKnuckle\App\Upkeep\RestoreCommand;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

#[CoversClass(Database::class)]
#[CoversClass(Backups::class)]
#[CoversClass(Backup::class)]
#[CoversClass(BackupController::class)]
#[CoversClass(FreeSpace::class)]
#[CoversClass(BackupCommand::class)]
#[CoversClass(RestoreCommand::class)]
#[CoversClass(BenchCommand::class)]
#[CoversClass(History::class)]
final class UpkeepTest extends AppTestCase
{
    public function testACopyTakenIsACopyPutBack(): void
    {
        $folder = sys_get_temp_dir().'/nk-backup-'.getmypid();
        $file = trim($this->command('app:backup', ['folder' => $folder])->getDisplay());
        self::assertFileExists($file);
        $this->signIn('joss');
        $fit = $this->tarnFit()->id;
        $this->send($fit, ['type' => 'noted', 'text' => 'made after the copy']);
        $count = fn (): mixed => $this->db()->fetchOne("SELECT COUNT(*) FROM fit_event WHERE payload LIKE '%made after the copy%'");
        self::assertSame(1, $count());
        $restored = $this->command('app:restore', ['file' => $file]);
        self::assertSame(0, $restored->getStatusCode());
        self::assertSame(0, $count());
        self::assertMatchesRegularExpression('~is now \S+before-restore~', $restored->getDisplay());
        foreach ([...glob($folder.'/*') ?: [], ...glob(dirname(__DIR__, 2).'/var/test-data/*before-restore*') ?: []] as $left) {
            unlink($left);
        }
        rmdir($folder);
    }

    public function testALeadMakesABackupInTheBrowserAndTakesItAway(): void
    {
        array_map(unlink(...), glob(dirname(__DIR__, 2).'/var/test-data/backups/*') ?: []);
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/backups');
        self::assertSelectorTextContains('main', 'There is no backup yet.');
        $this->client->submit($crawler->selectButton('Make a backup')->form());
        $crawler = $this->client->followRedirect();
        self::assertSelectorTextContains('.notice', 'Backup made and checked');
        self::assertSelectorTextNotContains('main', 'no backup yet');
        $this->client->click($crawler->selectLink('Download')->link());
        self::assertResponseIsSuccessful();
        $file = $this->client->getResponse();
        self::assertInstanceOf(BinaryFileResponse::class, $file);
        $zip = new \ZipArchive();
        file_put_contents($path = (string) tempnam(sys_get_temp_dir(), 'nk'), $this->client->getInternalResponse()->getContent());
        self::assertTrue($zip->open($path));
        self::assertStringStartsWith('SQLite format 3', (string) $zip->getFromIndex(0, 20));
        unlink($path);
        foreach (['nimble-knuckle-20260101-000000-000.db', 'test.db'] as $name) {
            $this->client->request('GET', '/backups/'.$name);
            self::assertResponseStatusCodeSame(404, $name);
        }
        $this->signIn('joss');
        $this->client->request('GET', '/backups');
        self::assertResponseStatusCodeSame(403);
    }

    public function testABackupOfMoreThanAWeekIsSpokenOf(): void
    {
        $folder = sys_get_temp_dir().'/nk-old-'.getmypid();
        mkdir($folder.'/backups', recursive: true);
        $due = fn (string $now): string => (new Backups($this->service(Database::class), new MockClock($now), $folder))->due();
        self::assertSame('There is no backup yet.', $due('2026-11-26'));
        touch($folder.'/backups/nimble-knuckle-20261110-120000-000.db');
        touch($folder.'/backups/nimble-knuckle-of-mine.db');
        self::assertSame(['', 'The last backup is 8 days old.'], [$due('2026-11-18 11:00'), $due('2026-11-18 13:00')]);
        array_map(unlink(...), glob($folder.'/backups/*') ?: []);
        rmdir($folder.'/backups');
        rmdir($folder);
    }

    public function testWhatIsNoCopyOfOursIsNotPutBack(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'nk');
        self::assertIsString($file);
        file_put_contents($file, 'not a database at all, but long enough to look at');
        $restored = $this->command('app:restore', ['file' => $file]);
        self::assertSame(1, $restored->getStatusCode());
        self::assertStringContainsString('no database of ours', $restored->getDisplay());
        self::assertSame(1, $this->command('app:restore', ['file' => $file.'-missing'])->getStatusCode());
        self::assertNotFalse($this->db()->fetchOne('SELECT COUNT(*) FROM fit'));
        unlink($file);
    }

    public function testARestoreTouchesNothingItShouldNot(): void
    {
        $folder = sys_get_temp_dir().'/nk-backup2-'.getmypid();
        $file = trim($this->command('app:backup', ['folder' => $folder])->getDisplay());
        $live = dirname(__DIR__, 2).'/var/test-data/test.db';
        $itself = $this->command('app:restore', ['file' => $live]);
        self::assertSame(1, $itself->getStatusCode());
        self::assertStringContainsString('in use itself', $itself->getDisplay());

        // Twice within the second: the copy kept first is not written over.
        $this->command('app:restore', ['file' => $file]);
        $this->command('app:restore', ['file' => $file]);
        self::assertCount(2, glob($live.'.before-restore-*') ?: []);

        // A copy of a newer version is refused, one of an older version is brought up to this one.
        $copy = new \PDO('sqlite:'.$file);
        $copy->exec("INSERT INTO doctrine_migration_versions (version) VALUES ('NimbleKnuckle\\Migrations\\Version20991231000000')");
        unset($copy);
        $newer = $this->command('app:restore', ['file' => $file]);
        self::assertSame(1, $newer->getStatusCode());
        self::assertStringContainsString('newer version', $newer->getDisplay());
        $copy = new \PDO('sqlite:'.$file);
        $copy->exec("DELETE FROM doctrine_migration_versions WHERE version LIKE '%2099%' OR version LIKE '%Version20261126090000'");
        foreach ([
            'fit_event' => ['device', 'waited', 'via'], 'fit' => ['revision'], 'account' => ['is_off', 'sessions'],
        ] as $table => $columns) {
            foreach ($columns as $column) {
                $copy->exec(sprintf('ALTER TABLE %s DROP COLUMN %s', $table, $column));
            }
        }
        unset($copy);
        self::assertSame(0, $this->command('app:restore', ['file' => $file])->getStatusCode());
        self::assertSame(1, $this->db()->fetchOne('SELECT MAX(revision) FROM fit'));
        foreach ([...glob($folder.'/*') ?: [], ...glob($live.'.before-restore*') ?: []] as $left) {
            unlink($left);
        }
        rmdir($folder);
    }

    public function testABackupThatCannotBeWrittenLeavesNothingBehind(): void
    {
        $run = $this->command('app:backup', ['folder' => '/proc/nowhere']);
        self::assertSame(1, $run->getStatusCode());
        self::assertStringContainsString('choose another folder', $run->getDisplay());
    }

    public function testANearlyFullDiskIsSaidBeforeAnythingIsTouched(): void
    {
        $folder = sys_get_temp_dir().'/nk-backup3-'.getmypid();
        $copy = $this->service(Database::class)->backUpTo($folder);
        $free = (int) (disk_free_space($folder) / 1e6);
        // All the disk has free is to be kept free.
        $full = new Database(
            $this->db(), new MockClock(), dirname(__DIR__, 2).'/var/test-data', 'test', dirname(__DIR__, 2), new FreeSpace($free),
            $this->service(PhotoCopies::class),
        );
        $before = hash_file('sha256', $full->path());
        foreach ([static fn (): string => $full->restoreFrom($copy), static fn (): string => $full->backUpTo($folder)] as $try) {
            try {
                $try();
                self::fail('There is no room for it.');
            } catch (\RuntimeException $e) {
                self::assertMatchesRegularExpression('/MB free, and \d+ MB are needed. Nothing was changed/', $e->getMessage());
            }
        }
        self::assertSame($before, hash_file('sha256', $full->path()));
        self::assertSame([$copy], glob($folder.'/*'));
        self::assertSame([], glob(dirname($full->path()).'/*.new'));
        unlink($copy);
        rmdir($folder);
    }

    public function testHistoryIsSignedOffAndShowsInTheLogbook(): void
    {
        $this->service(History::class)->make(6, 60, 'Joss Wending', 'Ines Tarrow');
        self::assertSame(7, $this->db()->fetchOne("SELECT COUNT(*) FROM fit WHERE status = 'signed'"));
        self::assertSame(
            0, $this->db()->fetchOne("SELECT COUNT(*) FROM fit WHERE status = 'signed' AND (loose_ends > 0 OR minutes_taken < 20)"),
        );
        $this->signIn('ines');
        $this->client->request('GET', '/logbook');
        self::assertSelectorTextContains('main', 'How long it takes here');
    }

    public function testTheViewsAreTimedAgainstTheBareRoute(): void
    {
        $bench = $this->command('app:bench', ['--rounds' => '3']);
        self::assertSame(0, $bench->getStatusCode(), $bench->getDisplay());
        foreach (['yard', 'bench', 'logbook', 'ratio', 'compile thermostat-under'] as $word) {
            self::assertStringContainsString($word, $bench->getDisplay());
        }
    }
}
