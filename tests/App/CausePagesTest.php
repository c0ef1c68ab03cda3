<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Causes\BeforeAfter;
use NimbleKnuckle\App\Causes\CauseController;
use NimbleKnuckle\App\Causes\CauseShelf;
use NimbleKnuckle\App\Causes\Complaint;
use NimbleKnuckle\App\Causes\ComplaintBook;
use NimbleKnuckle\App\Causes\ComplaintController;
use NimbleKnuckle\App\Causes\Proofs;
use NimbleKnuckle\App\Demo\FitPlayer;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Sums\BookOfToday;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Sheet\Step;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\DomCrawler\Crawler;

/** From a complaint to its cause, check by check, and from there to the fit. */
#[CoversClass(BookOfToday::class)]
#[CoversClass(BeforeAfter::class)]
#[CoversClass(CauseController::class)]
#[CoversClass(CauseShelf::class)]
#[CoversClass(Complaint::class)]
#[CoversClass(ComplaintBook::class)]
#[CoversClass(ComplaintController::class)]
#[CoversClass(Proofs::class)]
final class CausePagesTest extends AppTestCase
{
    private const DROVER = 'vehicle=corrin-drover-27d';

    public function testASlowStartIsABadEarthAndNotTheStarter(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/causes?'.self::DROVER);
        $crawler = $this->client->click($crawler->filter('article')->reduce(
            static fn ($one): bool => str_contains($one->text(), 'Slow or clicking starter'),
        )->filter('a.go')->link());
        self::assertSelectorTextContains('h1', 'Slow or clicking starter');
        $answers = [
            'What is heard at the key?' => 'It turns, slowly', 'Battery posts at rest' => '12.4 V or more',
            'Battery posts while it cranks' => '9.6 V or more', 'Starter case to battery minus, while it cranks' => 'More',
            'Battery plus to the stud of the starter, while it cranks' => '0.5 V or less',
            'The small plug, with the key turned' => 'Full voltage',
        ];
        for ($n = 0; $n < 7; ++$n) {
            $asked = $crawler->filter('.causes > .card h2')->first()->text();
            if (str_contains($crawler->filter('.causes > .card')->text(), 'It is enough') || !isset($answers[$asked])) {
                break;
            }
            $crawler = $this->client->click($crawler->filter('.answers')->selectLink($answers[$asked])->link());
        }
        self::assertSelectorTextContains('.stack h2', 'Bad earth, engine to battery');
        self::assertSelectorTextNotContains('.stack', 'Start a fit: starter');
        self::assertStringContainsString('Starter case to battery minus', $crawler->filter('.stack')->text(),
            'what was found stands there');
    }

    public function testASkippedCheckIsNotAskedAgainAndCanBeTakenBack(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/causes/low-boost');
        $first = $crawler->filter('.causes > .card h2')->first()->text();
        $crawler = $this->client->click($crawler->selectLink('Skip it')->link());
        self::assertNotSame($first, $crawler->filter('.causes > .card h2')->first()->text());
        self::assertStringContainsString($first.': skipped', $crawler->filter('.stack')->text());
        $crawler = $this->client->click($crawler->selectLink('Take back')->link());
        self::assertSame($first, $crawler->filter('.causes > .card h2')->first()->text());
    }

    public function testAnotherCheckCanComeFirst(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/causes/warms-late');
        $crawler = $this->client->click($crawler->selectLink('Gauge against a thermometer on the housing')->link());
        self::assertSelectorTextContains('.causes > .card h2', 'Gauge against a thermometer');
        $crawler = $this->client->click($crawler->selectLink('The gauge is lower')->link());
        self::assertSelectorTextContains('.stack .card:nth-child(2)', 'Gauge against a thermometer on the housing: The gauge is lower');
    }

    public function testTheCauseLeadsToItsProcedureOnTheVehicle(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request(
            'GET', '/causes/warms-late?vehicle=veldra-tarn-20t&f[lower-hose]=slowly&f[gauge]=alike&f[fan-cold]=stands&f[level]=mark',
        );
        $link = $crawler->filter('.stack .tag-row a')->first();
        self::assertStringContainsString('Start a fit', $link->text());
        $this->client->click($link->link());
        self::assertResponseIsSuccessful();
        self::assertSelectorTextContains('h1', 'Thermostat under the vehicle');
        self::assertStringContainsString('vehicle=veldra-tarn-20t', $this->client->getRequest()->getUri());
    }

    public function testNonsenseInTheAddressChangesNothing(): void
    {
        $this->signIn('petra');
        $plain = $this->client->request('GET', '/causes/slow-start')->filter('main')->html();
        self::assertSame(
            $plain, $this->client->request('GET',
                '/causes/slow-start?f[no-such]=x&f[rest]=perhaps&f[sound][]=slow&ask=nothing')->filter('main')->html(),
        );
        $this->client->request('GET', '/causes/hiccup');
        self::assertResponseStatusCodeSame(404);
        $this->client->request('GET', '/causes/slow-start?vehicle=no-such-car');
        self::assertResponseStatusCodeSame(404);
    }

    public function testTheSumKnowsTheTablesThatShip(): void
    {
        $this->signIn('joss');
        $this->client->request('GET', '/api/sums/cause?symptom=slow-start&findings='.rawurlencode('rest good; earth-drop much'));
        $answer = json_decode((string) $this->client->getResponse()->getContent(), true);
        self::assertIsArray($answer);
        self::assertResponseIsSuccessful();
        self::assertStringContainsString('bad earth', json_encode($answer, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE));
    }

    public function testAFitBeginsWithTheComplaintAndProvesItAtTheEnd(): void
    {
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/causes/slow-start?'.self::DROVER.'&'.self::STARTER);
        $before = $this->book()->confirmed('slow-start');
        self::assertSame([], $before);
        $crawler = $this->client->click($crawler->selectLink('Start a fit: starter motor')->link());
        self::assertSelectorTextContains('.notice', 'the starter itself');
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Starter motor');
        self::assertSelectorTextNotContains('h1', 'Complaint');
        $record = $this->service(FitBook::class)->get(basename((string) parse_url($this->client->getRequest()->getUri(), \PHP_URL_PATH)));
        $complaint = $this->book()->ofFit($record->id);
        self::assertNotNull($complaint);
        self::assertTrue($complaint->isOpen());
        $player = new FitPlayer($record->sheet(), $record->vehicleSheet(), 'Joss Wending', new \DateTimeImmutable('-5 hours'), 1.0);
        $recorder = $this->service(Recorder::class);
        $outcome = 'complaint-slow-start-outcome';
        $recorder->record($record, $player->untilStep($outcome)->events(), Authority::Lead);
        $this->client->request('GET', '/fits/'.$record->id.'/review');
        self::assertSelectorTextContains('#before-after', 'One clickAs it should be');
        self::assertSelectorTextContains('#sign', 'not yet');
        $fit = $recorder->load($record);
        foreach (array_filter($fit->sheet->steps, static fn (Step $one): bool => !$fit->state->isClosed($one->id)) as $step) {
            $player->doStep($step);
        }
        $fit = $recorder->record($this->service(FitBook::class)->get($record->id), $player->events(), Authority::Lead);
        self::assertSame([], SignOff::of($fit)->refusals(Authority::Lead));
        $crawler = $this->client->request('GET', '/fits/'.$record->id.'/review');
        $this->client->submit($crawler->selectButton('Sign it off')->form());
        $this->client->request('GET', '/complaints/'.$complaint->id);
        self::assertSelectorTextContains('#proof', 'The starter itself');
        self::assertSame(['starter' => 1], $this->book()->confirmed('slow-start'), 'counted by the signature alone');
        $crawler = $this->client->request('GET', '/causes/slow-start');
        self::assertSelectorTextContains('.stack', 'What it was here before');
        $share = self::percent($crawler, 'the starter itself');
        $this->client->request('GET', '/complaints/'.$complaint->id);
        $this->client->submitForm('Leave it out');
        self::assertSame([], $this->book()->confirmed('slow-start'));
        self::assertLessThan($share, self::percent($this->client->request('GET', '/causes/slow-start'), 'the starter itself'));
        $this->client->request('GET', '/complaints/'.$complaint->id);
        $this->client->submitForm('Count it');
        self::assertSame(['starter' => 1], $this->book()->confirmed('slow-start'));
    }

    public function testABadEarthIsMendedWithoutAFitAndTheSameReadingIsTheProof(): void
    {
        $this->signIn('joss');
        $this->client->request('GET', '/causes/slow-start?'.self::DROVER.'&f[sound]=slow&ask=earth-drop');
        $this->client->submitForm('Enter reading', ['read' => 'a lot'], 'GET');
        self::assertResponseStatusCodeSame(422);
        self::assertInputValueSame('read', 'a lot', 'nothing that was entered is lost');
        $this->client->submitForm('Enter reading', ['read' => '0,62'], 'GET');
        $crawler = $this->client->followRedirect();
        self::assertSelectorTextContains('.stack', "0,62\u{202f}V");
        $this->client->submit($crawler->selectButton('Mend it without a fit')->form());
        $this->client->followRedirect();
        $typed = ['remedy' => 'Earth strap cleaned', 'after[earth-drop]' => 'better', 'outcome' => 'earth'];
        $this->client->submitForm('Write it down', $typed);
        self::assertResponseStatusCodeSame(422);
        self::assertInputValueSame('remedy', 'Earth strap cleaned');
        $this->client->submitForm('Write it down', ['after[earth-drop]' => '', 'outcome' => 'earth']);
        self::assertResponseStatusCodeSame(422, 'no proof, nothing written down');
        $this->client->submitForm('Write it down', ['after[earth-drop]' => '0.09', 'outcome' => '']);
        self::assertResponseStatusCodeSame(422);
        self::assertSame([], $this->book()->confirmed('slow-start'));
        $this->client->submitForm('Write it down', ['after[earth-drop]' => '0.09', 'outcome' => 'earth']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('#proof', 'Earth strap cleaned');
        self::assertSelectorTextContains('#proof', "0.09\u{202f}V");
        self::assertSelectorTextNotContains('#proof', 'as before');
        self::assertSame(['earth' => 1], $this->book()->confirmed('slow-start'));
        $this->client->request('GET', '/causes?'.self::DROVER);
        self::assertSelectorTextContains('main', 'On this vehicle');
    }

    public function testAHelperSettlesNothing(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/causes/slow-start?'.self::DROVER.'&'.self::STARTER);
        $this->client->submit($crawler->selectButton('Mend it without a fit')->form());
        $page = (string) $this->client->getResponse()->headers->get('Location');
        $token = $this->token();
        $this->signIn('petra');
        $this->client->request('GET', $page);
        self::assertSelectorNotExists('form button.go');
        $this->client->request('POST', $page, ['_csrf' => $token, 'outcome' => 'earth']);
        self::assertResponseStatusCodeSame(403);
    }

    private const STARTER = 'f[sound]=click&f[rest]=good&f[crank]=keeps&f[earth-drop]=little&f[feed-drop]=little&f[small-plug]=lit';

    private static function percent(Crawler $page, string $cause): float
    {
        preg_match('~'.preg_quote($cause, '~').'\D*([\d.]+)~iu', $page->filter('svg')->text(), $found);

        return (float) ($found[1] ?? self::fail($cause));
    }

    private function book(): ComplaintBook
    {
        return $this->service(ComplaintBook::class);
    }
}
