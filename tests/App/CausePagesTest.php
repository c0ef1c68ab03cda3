<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Causes\CauseController;
use NimbleKnuckle\App\Causes\CauseShelf;
use NimbleKnuckle\App\Sums\BookOfToday;
use PHPUnit\Framework\Attributes\CoversClass;

/** From a complaint to its cause, check by check, and from there to the fit. */
#[CoversClass(BookOfToday::class)]
#[CoversClass(CauseController::class)]
#[CoversClass(CauseShelf::class)]
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
            'Battery posts while it cranks' => 'Over 9.6 V', 'Starter case to battery minus, while it cranks' => 'More',
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
}
