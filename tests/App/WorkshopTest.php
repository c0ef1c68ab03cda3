<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Beside\DemoBeside;
use NimbleKnuckle\App\Beside\DemoController;
use NimbleKnuckle\App\Workshop\Settings;
use NimbleKnuckle\App\Workshop\SettingsController;
use NimbleKnuckle\App\Workshop\SettingsForm;
use NimbleKnuckle\App\Workshop\SpokenUnits;
use NimbleKnuckle\App\Workshop\WorkshopBook;
use NimbleKnuckle\App\Workshop\WorkshopRecord;
use NimbleKnuckle\Core\Quantity\UnitSystem;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

#[CoversClass(DemoBeside::class)]
#[CoversClass(DemoController::class)]
#[CoversClass(WorkshopBook::class)]
#[CoversClass(WorkshopRecord::class)]
#[CoversClass(SpokenUnits::class)]
#[CoversClass(SettingsController::class)]
#[CoversClass(SettingsForm::class)]
#[CoversClass(Settings::class)]
final class WorkshopTest extends AppTestCase
{
    public function testWhatTheWorkshopSaysBeginsEveryFit(): void
    {
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/workshop');
        self::assertSame('Sallow Lane Works', $crawler->filter('#name')->attr('value'));
        $this->client->submit($crawler->selectButton('Save')->form(), [
            'name' => 'Pit Lane Nine', 'units' => 'us', 'altitude' => '2100 ft', 'temperature' => '59 °F',
        ]);
        self::assertResponseRedirects('/workshop');
        $crawler = $this->client->followRedirect();
        self::assertStringContainsString('640', $crawler->filter('#altitude')->attr('value') ?? '');
        $crawler = $this->client->request('GET', '/start?vehicle=veldra-tarn-20t&procedure=thermostat-under');
        self::assertSame('15 °C', $crawler->filter('input[name=workshop]')->attr('value'));
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $choices = $this->db()->fetchOne('SELECT choices FROM fit ORDER BY created_at DESC, id DESC LIMIT 1');
        self::assertStringContainsString('"workshop-temperature":"15"', is_string($choices) ? $choices : '');
        $crawler = $this->client->request('GET', '/start?vehicle=veldra-tarn-20t&procedure=thermostat-under&workshop=22&altitude=');
        self::assertSame(['22', ''], [
            $crawler->filter('input[name=workshop]')->attr('value'), $crawler->filter('input[name=altitude]')->attr('value'),
        ], 'a fit may say otherwise, or nothing');
    }

    /** @param array<string, string> $wrong */
    #[DataProvider('wrong')]
    public function testWhatCannotBeReadIsSaidInPlace(array $wrong, string $field, string $says): void
    {
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/workshop');
        $this->client->submit($crawler->selectButton('Save')->form(), $wrong);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('#'.$field.'-help .bad', $says);
        self::assertSame($wrong[$field], $this->client->getCrawler()->filter('#'.$field)->attr('value'));
        self::assertNull($this->service(WorkshopBook::class)->now()->altitude);
    }

    /** @return iterable<array{array<string, string>, string, string}> */
    public static function wrong(): iterable
    {
        yield [['altitude' => 'on the hill'], 'altitude', 'on the hill'];
        yield [['altitude' => '9 km'], 'altitude', ''];
        yield [['altitude' => '7000 m'], 'altitude', 'Between'];
        yield [['temperature' => '70'], 'temperature', 'Between −10 and 50'];
    }

    public function testOnlyALeadKeepsIt(): void
    {
        $this->signIn('joss');
        $this->client->request('GET', '/workshop');
        self::assertResponseStatusCodeSame(403);
        $this->client->request('GET', '/');
        self::assertSelectorTextNotContains('nav', 'Workshop');
    }

    public function testTheOtherUnitStandsBesideWhereItIsSpoken(): void
    {
        $book = $this->service(WorkshopBook::class);
        $plain = static fn (string $text): string => (string) preg_replace('/[\x{2060}\x{2009}\x{00A0}\x{202F}]+/u', ' ', $text);
        $us = UnitSystem::Us;
        self::assertSame('6.64 lbf·ft', $plain($book->beside(9.0, 'N·m', $us)));
        self::assertSame('4.33 US qt', $plain($book->beside(4.1, 'L', $us)));
        self::assertSame('7.21 imp pt', $plain($book->beside(4.1, 'L', UnitSystem::Imperial)));
        self::assertSame('190 °F', $plain($book->beside(88.0, 'degC', $us)));
        self::assertSame('12.3 psi', $plain($book->beside(84.66, 'kPa', $us)));
        self::assertSame('25.0 inHg', $plain($book->vacuumBeside(84.66, $us)));
        foreach ([['percent', $us], ['furlong', $us], ['N·m', UnitSystem::Metric], ['degC', UnitSystem::Imperial]] as [$unit, $system]) {
            self::assertSame('', $book->beside(3.0, $unit, $system), $unit);
        }
        $book->keep(new WorkshopRecord('', SpokenUnits::Metric));
        self::assertSame('', $book->beside(9.0, 'N·m', $us), 'the workshop’s choice goes before what a sheet was written in');
        $book->keep(new WorkshopRecord('', SpokenUnits::Us));
        self::assertSame('6.64 lbf·ft', $plain($book->beside(9.0, 'N·m', UnitSystem::Metric)));
    }

    public function testTheDemoBesideIsOpenedByALeadAlone(): void
    {
        self::assertSame('', DemoBeside::worldOf(['nk_demo' => '1'], self::data()), 'a cookie without a demo opens nothing');
        $demo = $this->service(DemoBeside::class);
        self::assertFalse($demo->isHere() || $demo->isThere());
        foreach (['joss', 'petra'] as $login) {
            $this->signIn($login);
            foreach (['open', 'away'] as $what) {
                $this->client->request('POST', '/demo/'.$what, ['_csrf' => $this->token()]);
                self::assertResponseStatusCodeSame(403, $login.' '.$what);
            }
        }
        self::assertFalse($demo->isThere());
    }

    public function testTheDemoIsMadeInAFolderOfItsOwnAndThrownAway(): void
    {
        $this->signIn('ines');
        $vehicles = fn (): mixed => $this->db()->fetchOne('SELECT COUNT(*) FROM vehicle');
        $this->db()->executeStatement("UPDATE account SET name = 'Somebody Real' WHERE login = 'ines'");
        [$before, $demo] = [$vehicles(), $this->service(DemoBeside::class)];
        $this->client->request('POST', '/demo/open', ['_csrf' => $this->token()]);
        self::assertResponseRedirects('/sign-in');
        self::assertResponseHasCookie(DemoBeside::COOKIE);
        self::assertTrue($demo->isThere());
        $world = static fn (string $said): string => DemoBeside::worldOf(['nk_demo' => $said], self::data());
        self::assertSame(['', '', '', 'demo'], [DemoBeside::worldOf([], self::data()), $world(''), $world('../x'), $world('1')]);
        $other = new \PDO('sqlite:'.dirname(__DIR__, 2).'/var/test-data/demo/test.db');
        $names = $other->query("SELECT name FROM account WHERE login = 'ines'");
        self::assertNotFalse($names);
        self::assertSame('Ines Tarrow', $names->fetchColumn());
        self::assertSame($before, $vehicles());
        self::assertSame('', $_SERVER['NK_WORLD'] ?? '');
        $this->client->request('POST', '/demo/away', ['_csrf' => $this->token()]);
        self::assertFalse($demo->isThere());
        self::assertSame([], glob(self::data().'/demo*', \GLOB_ONLYDIR), 'nothing of it is left');
        self::assertSame('', $world('1'));
    }

    /** What was killed while it was made or thrown away is no demo, and in nobody’s way. */
    public function testHalfADemoCountsForNothing(): void
    {
        $demo = $this->service(DemoBeside::class);
        foreach (['demo', 'demo.new', 'demo.gone'] as $half) {
            mkdir(self::data().'/'.$half);
            touch(self::data().'/'.$half.'/test.db');
        }
        self::assertFalse($demo->isThere());
        self::assertSame('', DemoBeside::worldOf(['nk_demo' => '1'], self::data()));
        $this->client->request('GET', '/demo/leave');
        self::assertResponseRedirects('/');
        $demo->make();
        self::assertSame('demo', DemoBeside::worldOf(['nk_demo' => '1'], self::data()));
        self::assertGreaterThan(100_000, (int) filesize(self::data().'/demo/test.db'));
        $demo->throwAway();
        self::assertSame([], glob(self::data().'/demo*', \GLOB_ONLYDIR));
    }

    private static function data(): string
    {
        return dirname(__DIR__, 2).'/var/test-data';
    }
}
