<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Accounts\AccountBook;
use NimbleKnuckle\App\Accounts\PersonProvider;
use NimbleKnuckle\App\Accounts\Role;
use NimbleKnuckle\App\Bench\LooseEndsController;
use NimbleKnuckle\App\Bench\MarkController;
use NimbleKnuckle\App\Demo\History;
use NimbleKnuckle\App\Find\JumpController;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleList;
use NimbleKnuckle\App\Kit\KitBook;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\App\Logbook\LogbookController;
use NimbleKnuckle\App\Logbook\WorkCharts;
use NimbleKnuckle\App\Planning\FitsController;
use NimbleKnuckle\App\Planning\FitSheetController;
use NimbleKnuckle\App\Planning\YardController;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;
use Symfony\Component\Uid\Ulid;

/** What each page shows a mechanic first. */
#[CoversClass(YardController::class)]
#[CoversClass(FitsController::class)]
#[CoversClass(FitSheetController::class)]
#[CoversClass(FitBook::class)]
#[CoversClass(LogbookController::class)]
#[CoversClass(WorkCharts::class)]
#[CoversClass(LooseEndsController::class)]
#[CoversClass(MarkController::class)]
#[CoversClass(JumpController::class)]
#[CoversClass(KitBook::class)]
#[CoversClass(ProcedureShelf::class)]
#[CoversClass(AccountBook::class)]
#[CoversClass(PersonProvider::class)]
final class PagesTest extends AppTestCase
{
    public function testTheYardShowsWhatIsInHandAndDue(): void
    {
        $this->onOneDay(function (): void {
            $this->signIn('petra');
            $crawler = $this->client->request('GET', '/');
            self::assertCount(5, $crawler->filter('.vehicles article'));
            self::assertSelectorTextContains('.fit-card', 'Next: Tighten the thermostat housing');
            self::assertSelectorTextContains('.due-list', 'today');
        });
        self::assertSelectorNotExists('a[href="/start"]');
        $this->signIn('joss');
        $this->client->request('GET', '/');
        self::assertSelectorExists('a[href="/start"]');
    }

    public function testTheSheetShowsItsFindingsAndWhatWasChosen(): void
    {
        $this->signIn('joss');
        $vane = $this->db()->fetchOne("SELECT id FROM fit WHERE status = 'planned'");
        $crawler = $this->client->request('GET', '/fits/'.(is_string($vane) ? $vane : ''));
        self::assertStringContainsString('18 mm deep socket', $crawler->filter('aside')->text());
        $late = $crawler->filter('aside [data-code="wrench-past-calibration"]');
        self::assertStringContainsString('past its calibration', $late->text());
        self::assertSame('/kit', $late->filter('a')->attr('href'), 'a finding leads to where it is mended');
        self::assertStringContainsString('Ribs or cord missing', $crawler->filter('aside')->text());
        self::assertGreaterThan(20, $crawler->filter('svg.lane rect')->count());
        $link = $crawler->filter('a.chip[title="Open its working"]')->first()->link();
        $this->client->click($link);
        self::assertSelectorTextContains('#answer', 'The two statements agree');
    }

    public function testHistoryIsPagedAndCharted(): void
    {
        $this->service(History::class)->make(45, 400, 'Joss Wending', 'Ines Tarrow');
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/fits');
        self::assertCount(40, $crawler->filter('table tbody tr'));
        self::assertSelectorTextContains('nav[aria-label=Pages]', 'page 1');
        self::assertCount(6, $this->client->request('GET', '/fits?page=2')->filter('table tbody tr'));
        $charts = $this->service(WorkCharts::class);
        self::assertSame(46, array_sum(array_column($charts->durations(), 'count')));
        self::assertSame(46, array_sum(array_column($charts->months(), 'count')));
        self::assertCount(24, $charts->months());
        foreach ($charts->durations() as $row) {
            self::assertLessThanOrEqual($row['middle'], $row['low']);
            self::assertLessThanOrEqual($row['high'], $row['middle']);
        }
        $past = $this->service(FitBook::class)->pastDurations('Water pump');
        self::assertCount(12, $past);
        self::assertGreaterThan(60, min(\INF, ...$past));
        $this->client->request('GET', '/vehicles/corrin-drover-27d');
        self::assertSelectorTextContains('main', 'Done on it');
    }

    public function testLooseEndsCloseByFormAndOnlyOnce(): void
    {
        $this->signIn('petra');
        $fit = $this->tarnFit();
        $crawler = $this->client->request('GET', sprintf('/fits/%s/loose-ends', $fit->id));
        self::assertSelectorTextContains('h1', '9 loose ends');
        self::assertSelectorTextContains('aside', 'Only a lead signs off.');
        $form = $crawler->selectButton('Found')->form();
        $this->client->submit($form);
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', '8 loose ends');
        $count = $this->db()->fetchOne("SELECT COUNT(*) FROM fit_event WHERE type = 'found'");
        self::assertSame(1, $count);
    }

    /** @param array<string, string> $fields */
    #[DataProvider('refusedForms')]
    public function testAFormThatCannotBeIsAnsweredWithASentence(array $fields, string $hint): void
    {
        $this->signIn('joss');
        $this->client->request(
            'POST', sprintf('/fits/%s/mark', $this->tarnFit()->id),
            $fields + ['_csrf' => $this->token(), 'event' => (string) new Ulid()],
        );
        $this->client->followRedirect();
        self::assertSelectorTextContains('.notice.bad', $hint);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function refusedForms(): iterable
    {
        yield 'waived without a reason' => [['type' => 'waived', 'end' => 'dropped:x', 'reason' => '  '], 'say why'];
        yield 'skipped without a reason' => [['type' => 'step-skipped', 'step' => 'clean'], 'say why'];
        yield 'signed too early' => [['type' => 'signed'], 'Only a lead signs off.'];
        yield 'not for a form' => [['type' => 'counted', 'step' => 'x', 'thing' => 'y'], 'not done by a form'];
        yield 'nothing known' => [['type' => 'magic'], 'not done by a form'];
    }

    public function testJumpFindsByAFewLetters(): void
    {
        $this->signIn('joss');
        $hits = $this->client->request('GET', '/jump', ['q' => 'tarn'])->filter('#hits li');
        self::assertGreaterThan(0, $hits->count());
        self::assertStringContainsString('Thermostat', $hits->first()->text());
        self::assertSame(
            'Nothing is called that. Try fewer letters, part of a name, a registration or a job number.',
            $this->client->request('GET', '/jump', ['q' => 'zzz%_'])->filter('#hits li')->text(),
        );
    }

    public function testTheKitKnowsWhatIsOutOfDate(): void
    {
        $this->onOneDay(function (): void {
            $kit = $this->service(KitReader::class)->kit();
            self::assertCount(4, $kit->wrenches);
            self::assertCount(1, array_filter($kit->wrenches, static fn ($w): bool => $w->isPastCalibration()));
            self::assertFalse($kit->has('18 mm deep socket'));
            $this->signIn('joss');
            $this->client->request('GET', '/kit');
            self::assertSelectorTextContains('table', '37 days past');
        });
    }

    public function testTheShelfReadsWhatIsShippedAndNothingElse(): void
    {
        $shelf = $this->service(ProcedureShelf::class);
        self::assertCount(count(glob(dirname(__DIR__, 2).'/procedures/*.yaml') ?: []) - 1, $shelf->all(), 'all but what they share');
        foreach (['common', '../common', 'nothing', 'Thermostat', str_repeat('x', 80)] as $id) {
            self::assertNull($shelf->procedure($id), $id);
        }
        self::assertSame(
            [['ask' => 'What does the old belt look like?', 'label' => 'Ribs or cord missing']],
            $shelf->waysChosen(['serpentine-belt', 'nothing'], ['belt-look' => 'shed']),
        );
    }

    #[DataProvider('badAccounts')]
    public function testAnAccountThatCannotBeIsRefused(string $login, string $name, string $password, string $hint): void
    {
        $this->expectException(\DomainException::class);
        $this->expectExceptionMessageMatches($hint);
        $this->service(AccountBook::class)->create($login, $name, Role::Mechanic, $password);
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function badAccounts(): iterable
    {
        yield 'no login' => ['', 'Name', 'long enough password', '/login/'];
        yield 'a login of blanks' => ['a b', 'Name', 'long enough password', '/login/'];
        yield 'no name' => ['max', ' ', 'long enough password', '/name/'];
        yield 'a short password' => ['max', 'Name', 'short', '/at least 10/'];
        yield 'a login that is taken' => ['INES', 'Name', 'long enough password', '/is taken/'];
    }

    public function testAnAccountFromTheCommandLineSignsIn(): void
    {
        $process = new Process(
            [\PHP_BINARY, 'bin/console', 'account:create', 'max', 'Max Orrel', '--role=lead', '--password-stdin'],
            dirname(__DIR__, 2), ['APP_ENV' => 'test', 'APP_DEBUG' => '1', 'APP_DATA' => 'var/test-data'], "a password of my own\n",
        );
        $process->mustRun();
        self::assertStringContainsString('can sign in as “max” (lead)', (string) preg_replace('/\s+/', ' ', $process->getOutput()));
        $form = $this->client->request('GET', '/sign-in')->selectButton('Sign in')->form([
            'login' => 'max', 'password' => 'a password of my own',
        ]);
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertSelectorTextContains('.who', 'Max Orrel');
        self::assertTrue($this->service(PersonProvider::class)->loadUserByIdentifier('MAX')->isLead());
        $this->expectException(UserNotFoundException::class);
        $this->service(PersonProvider::class)->loadUserByIdentifier('nobody');
    }

    public function testTheGarageKeepsAndReplaces(): void
    {
        $garage = $this->service(Garage::class);
        self::assertTrue($garage->has('ostrel-vane-s6'));
        self::assertFalse($garage->has('marl-heron-12'));
        self::assertCount(5, $garage->all());
        $document = $garage->get('ostrel-vane-s6')->document;
        self::assertSame('Vane the second', $garage->keep(['short' => 'Vane the second'] + $document)->short);
        self::assertCount(5, $this->service(VehicleList::class)->rows());
    }
}
