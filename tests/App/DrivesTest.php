<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Drives\BoardController;
use NimbleKnuckle\App\Drives\BoardView;
use NimbleKnuckle\App\Drives\ChangePulleyController;
use NimbleKnuckle\App\Drives\DriveFileController;
use NimbleKnuckle\App\Drives\DriveForm;
use NimbleKnuckle\App\Drives\DriveShelf;
use NimbleKnuckle\App\Drives\RoutingController;
use NimbleKnuckle\App\Drives\TensionController;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Schemas\SchemaBook;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\DomCrawler\Crawler;
use Symfony\Component\HttpFoundation\File\UploadedFile;

/** The belt board: entered, tried, kept, undone, taken out and in again; and another pulley. */
#[CoversClass(BoardController::class)]
#[CoversClass(BoardView::class)]
#[CoversClass(ChangePulleyController::class)]
#[CoversClass(DriveFileController::class)]
#[CoversClass(DriveForm::class)]
#[CoversClass(DriveShelf::class)]
#[CoversClass(RoutingController::class)]
#[CoversClass(TensionController::class)]
final class DrivesTest extends AppTestCase
{
    private const BLOWER = '/vehicles/ostrel-vane-s6/drives/blower';

    public function testABeltSavedAsItStandsIsTheSameBelt(): void
    {
        $this->signIn('joss');
        foreach (['blower', 'accessory'] as $name) {
            $before = $this->drive($name);
            $crawler = $this->client->request('GET', '/vehicles/ostrel-vane-s6/drives/'.$name);
            self::assertResponseIsSuccessful();
            $this->post($crawler, 'keep');
            self::assertResponseRedirects('/vehicles/ostrel-vane-s6/drives/'.$name);
            self::assertEquals($before, $this->drive($name));
        }
    }

    public function testAMovedPulleyIsTriedAndOnlyKeptWhereSomebodySaves(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', self::BLOWER);
        self::assertStringContainsString('1 057', self::plain($crawler->filter('#drawn .figures')->text()));
        $crawler = $this->post($crawler, '', ['p[2][d]' => '68']);
        self::assertResponseIsSuccessful();
        self::assertStringContainsString('1 046', self::plain($crawler->filter('#drawn .figures')->text()));
        self::assertSame(74, $this->diameter(2));
        $this->post($crawler, 'keep');
        self::assertEquals(68, $this->diameter(2));
        $garage = self::getContainer()->get(Garage::class);
        self::assertSame('belt eight-rib blower belt', $garage->changes('ostrel-vane-s6')[0]->words);
        $garage->undo('ostrel-vane-s6', (int) $garage->changes('ostrel-vane-s6')[0]->id);
        self::assertEquals(74, $this->diameter(2));
    }

    public function testTwoWhoChangeOneBeltAreBothHeard(): void
    {
        $this->signIn('joss');
        $first = $this->client->request('GET', self::BLOWER);
        $this->post($this->client->request('GET', self::BLOWER), 'keep', ['p[2][d]' => '70']);
        $crawler = $this->post($first, 'keep', ['p[2][d]' => '66']);
        self::assertResponseStatusCodeSame(422);
        self::assertSame('66', $crawler->filter('[name="p[2][d]"]')->attr('value'), 'what was typed stays');
        self::assertEquals(70, $this->diameter(2));
    }

    public function testABeltIsEnteredFromNothing(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/drives/new');
        self::assertSelectorTextContains('#drawn', 'diameter of the crank is missing');
        $crawler = $this->post($crawler, 'keep', ['name' => 'Fan belt']);
        self::assertResponseStatusCodeSame(422);
        $crawler = $this->post($crawler, 'keep', [
            'name' => 'Fan belt', 'p[0][d]' => '160 mm', 'p[1][name]' => 'fan', 'p[1][x]' => '0', 'p[1][y]' => '30 cm', 'p[1][d]' => '120',
        ]);
        self::assertResponseRedirects('/vehicles/corrin-drover-27d/drives/fan-belt');
        $crawler = $this->client->followRedirect();
        self::assertSelectorTextContains('#drawn', 'Belt that fits');
        self::assertSelectorExists('#drawn svg.board [data-belt]');
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/drives/new');
        $this->post(
            $crawler, 'keep',
            ['name' => 'fan belt', 'p[0][d]' => '160', 'p[1][name]' => 'fan', 'p[1][y]' => '300', 'p[1][d]' => '120', 'p[1][x]' => '0'],
        );
        self::assertSelectorTextContains('[role=alert]', 'already');
    }

    public function testAPulleyIsPlacedByItsDistances(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/vehicles/ostrel-vane-s6/drives/accessory');
        $far = static fn (float $x, float $y): string => (string) round(hypot($x + 112, $y - 172), 2);
        $measured = [
            'm[pulley]' => 'pump', 'm[a]' => 'crank', 'm[da]' => $far(0, 0), 'm[b]' => 'alternator', 'm[db]' => $far(196, 226),
            'm[side]' => 'left',
        ];
        $moved = $this->post($crawler, 'place', $measured + ['p[4][x]' => '0', 'p[4][y]' => '400']);
        self::assertSame(
            ['-112', '172'],
            [$moved->filter('[name="p[4][x]"]')->attr('value'), $moved->filter('[name="p[4][y]"]')->attr('value')],
        );
        $checked = $this->post($crawler, 'place', $measured + ['m[c]' => 'compressor', 'm[dc]' => (string) ((float) $far(214, 32) + 3)]);
        self::assertStringContainsString('three distances disagree by 2', $checked->filter('.notice.good')->text());
        $this->post($crawler, 'place', ['m[da]' => '50', 'm[db]' => '40'] + $measured);
        self::assertSelectorTextContains('[role=alert]', 'Measure both again');
        $this->post($crawler, 'place', ['m[a]' => 'pump'] + $measured);
        self::assertSelectorTextContains('[role=alert]', 'Choose two other pulleys');
    }

    public function testRowsComeGoAndChangePlaces(): void
    {
        $this->signIn('joss');
        $crawler = $this->post($this->client->request('GET', self::BLOWER), 'down-0');
        self::assertSame(['idler', 'crank'], [$this->value($crawler, 'p[0][name]'), $this->value($crawler, 'p[1][name]')]);
        self::assertSame('1', $crawler->filter('[name=drives][checked]')->attr('value'), 'the crank still drives');
        $crawler = $this->post($crawler, 'drop-0');
        self::assertSame(['crank', '0'], [$this->value($crawler, 'p[0][name]'), $crawler->filter('[name=drives][checked]')->attr('value')]);
        $crawler = $this->post($crawler, 'add');
        self::assertCount(4, $crawler->filter('.pulleys li'));
        self::assertArrayHasKey(3, (array) $this->drive('blower')['pulleys'], 'nothing is kept by it');
    }

    public function testWhatCannotRunNamesThePulleyAndADoubtNamesTheEntry(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', self::BLOWER);
        self::assertStringContainsString(
            'The blower and the crank overlap', $this->post($crawler, '', ['p[2][y]' => '90'])->filter('#drawn')->text(),
        );
        self::assertStringContainsString(
            'too long for this drawing', $this->post($crawler, '', ['belt' => '8PK1090'])->filter('#drawn')->text(),
        );
        self::assertStringContainsString(
            'blower, up: by', $this->post($crawler, '', ['belt' => '8PK1090'])->filter('#drawn .notice')->text(),
        );
        self::assertStringContainsString(
            'rests outside its window', $this->post($crawler, '', ['t[free]' => '90'])->filter('#drawn')->text(),
        );
        self::assertStringContainsString(
            'two numbers with a space', $this->post($crawler, '', ['t[window]' => '65'])->filter('#drawn')->text(),
        );
    }

    public function testABeltGoesOutAsAFileAndComesInAgain(): void
    {
        $this->signIn('joss');
        $this->client->request('GET', self::BLOWER.'/file/json');
        $json = (string) $this->client->getResponse()->getContent();
        self::assertStringContainsString('attachment', (string) $this->client->getResponse()->headers->get('Content-Disposition'));
        self::getContainer()->get(SchemaBook::class)->ensureValid(json_decode($json, true), 'drive-1');
        $this->client->request('GET', self::BLOWER.'/file/svg');
        self::assertResponseHeaderSame('Content-Type', 'image/svg+xml');
        self::assertNotFalse(simplexml_load_string((string) $this->client->getResponse()->getContent()));
        $path = tempnam(sys_get_temp_dir(), 'nk');
        self::assertIsString($path);
        file_put_contents($path, $json);
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/drives/new');
        $token = $this->value($crawler, '_csrf');
        $read = ['file' => new UploadedFile($path, 'belt.json', 'application/json', null, true)];
        $crawler = $this->client->request('POST', '/vehicles/corrin-drover-27d/drives/new', ['_csrf' => $token, 'do' => 'read'], $read);
        self::assertSame('eight-rib blower belt', $this->value($crawler, 'name'));
        $this->post($crawler, 'keep');
        self::assertResponseRedirects('/vehicles/corrin-drover-27d/drives/eight-rib-blower-belt');
        file_put_contents($path, '{"format":"nimble-knuckle/vehicle@2"}');
        $read = ['file' => new UploadedFile($path, 'belt.json', 'application/json', null, true)];
        $this->client->request('POST', '/vehicles/corrin-drover-27d/drives/new', ['_csrf' => $token, 'do' => 'read'], $read);
        self::assertSelectorTextContains('[role=alert]', 'This is no belt');
    }

    public function testAllBeltsOfAnEngineStandInOnePicture(): void
    {
        $this->signIn('petra');
        $crawler = $this->client->request('GET', self::BLOWER);
        self::assertSelectorNotExists('svg.board .shadow');
        $alone = explode(' ', (string) $crawler->filter('svg.board')->attr('viewBox'));
        $crawler = $this->client->click($crawler->selectLink('All belts')->link());
        self::assertSelectorCount(1, 'svg.board .shadow');
        self::assertSelectorCount(5, 'svg.board .shadow circle');
        $both = explode(' ', (string) $crawler->filter('svg.board')->attr('viewBox'));
        self::assertGreaterThan((float) $alone[2], (float) $both[2], 'the compressor lies out to the right');
        self::assertSelectorCount(4, 'svg.board [data-pulley]', 'only one of them is dragged');
        $crawler = $this->client->click($crawler->selectLink('From behind')->link());
        self::assertSelectorCount(1, 'svg.board .shadow');
        $behind = explode(' ', (string) $crawler->filter('svg.board')->attr('viewBox'));
        self::assertEqualsWithDelta(-((float) $both[0] + (float) $both[2]), (float) $behind[0], 1e-6, 'mirrored as one');
        $this->client->click($crawler->selectLink('This belt alone')->link());
        self::assertSelectorNotExists('svg.board .shadow');
    }

    public function testWhatWasTriedGoesOnTheSheet(): void
    {
        $this->signIn('petra');
        $this->client->request('POST', self::BLOWER.'/change', ['_csrf' => $this->token(), 'pulley' => 'blower', 'd' => '68']);
        self::assertResponseStatusCodeSame(403, 'a helper keeps no vehicles');
        $this->signIn('joss');
        $crawler = $this->client->request('GET', self::BLOWER.'/change?d=68&shelf=8PK1048');
        $this->client->submit($crawler->selectButton('Put it on the vehicle sheet')->form());
        self::assertResponseRedirects(self::BLOWER);
        self::assertEquals(68, $this->diameter(2));
        self::assertSame('8PK1048', $this->drive('blower')['belt'] ?? '');
        self::assertEquals(150, $this->diameter(0), 'the crank stays');
        // Its page was opened before: it says so and keeps nothing.
        $this->client->submit($crawler->selectButton('Put it on the vehicle sheet')->form(), ['belt' => '']);
        self::assertResponseRedirects();
        self::assertStringContainsString('/change?', (string) $this->client->getResponse()->headers->get('Location'));
        // The crank’s own pulley, and both at once.
        $crawler = $this->client->request('GET', self::BLOWER.'/change?pulley=crank&d=156');
        $this->client->submit($crawler->selectButton('Put it on the vehicle sheet')->form());
        self::assertEquals([156, 68], [$this->diameter(0), $this->diameter(2)]);
        $crawler = $this->client->request('GET', self::BLOWER.'/change?d=70&crank=150');
        $this->client->submit($crawler->selectButton('Put it on the vehicle sheet')->form());
        self::assertEquals([150, 70], [$this->diameter(0), $this->diameter(2)]);
        $token = ['_csrf' => $this->token(), 'pulley' => 'blower'];
        foreach ([['d' => 'wide'], ['d' => '70', 'belt' => 'long'], ['pulley' => 'nobody', 'd' => '70']] as $bad) {
            $this->client->request('POST', self::BLOWER.'/change', $bad + $token);
            self::assertStringContainsString('/change', (string) $this->client->getResponse()->headers->get('Location'));
        }
        self::assertEquals(70, $this->diameter(2));
    }

    public function testAnotherPulley(): void
    {
        $this->signIn('petra');
        $crawler = $this->client->request('GET', self::BLOWER.'/change?d=64&shelf=8PK1040%3B+8PK1070');
        self::assertResponseIsSuccessful();
        $text = self::plain($crawler->filter('.before-after')->text());
        self::assertStringContainsString('15 938 rpm', $text);
        self::assertStringContainsString('1 039 mm', $text);
        self::assertMatchesRegularExpression('~times what it must pull ?9\.56× ?6\.43×~', $text);
        self::assertStringContainsString('8PK1040', $crawler->filter('.ends .level.ok + .what')->text());
        self::assertStringContainsString('calibration', $crawler->filter('.notice')->text());
        self::assertCount(15, $crawler->filter('.sweep a'));
        self::assertSelectorTextContains('main', 'Smallest of these that 8PK1058 still allows: 64');
        $crawler = $this->client->request('GET', self::BLOWER.'/change?d=60');
        self::assertStringContainsString('turns too fast', $crawler->filter('.level.stop')->ancestors()->first()->text());
        $this->client->request('GET', self::BLOWER.'/change?d=wide');
        self::assertResponseIsSuccessful();
        self::assertSelectorTextContains('[role=alert]', 'length');
    }

    public function testABeltIsLaidStepByStepAndOnTheBench(): void
    {
        $this->signIn('petra');
        $crawler = $this->client->request('GET', '/vehicles/ostrel-vane-s6/drives/accessory/routing');
        for ($steps = 1; '' !== $crawler->filter('.walk .go')->text() && 'Done' !== $crawler->filter('.walk .go')->text(); ++$steps) {
            $crawler = $this->client->click($crawler->filter('.walk .go')->link());
            self::assertResponseIsSuccessful();
        }
        self::assertSame(8, $steps);
        self::assertCount(4, $crawler->filter('.seats li'));
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/start?vehicle=ostrel-vane-s6&procedure=serpentine-belt');
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $fit = $this->client->followRedirect()->getUri();
        $this->client->request('GET', $fit.'/bench/belt-on');
        self::assertSelectorCount(5, 'svg.drive .number');
    }

    public function testABeltIsHeard(): void
    {
        $this->signIn('petra');
        $this->client->request('GET', self::BLOWER.'/tension/example?note=84');
        self::assertResponseHeaderSame('Content-Type', 'audio/wav');
        $path = tempnam(sys_get_temp_dir(), 'nk');
        self::assertIsString($path);
        file_put_contents($path, (string) $this->client->getResponse()->getContent());
        $crawler = $this->client->request('GET', self::BLOWER.'/tension');
        $post = ['_csrf' => $this->value($crawler, '_csrf'), 'span' => '0'];
        $sound = static fn (): array => ['sound' => new UploadedFile($path, 'pluck.wav', 'audio/wav', null, true)];
        $crawler = $this->client->request('POST', self::BLOWER.'/tension', $post, $sound());
        self::assertResponseIsSuccessful();
        self::assertEqualsWithDelta(84.0, (float) $crawler->filter('.figure-number')->text(), 1.6);
        self::assertSelectorTextContains('.estimated', 'N in this span');
        file_put_contents($path, 'no sound at all');
        $this->client->request('POST', self::BLOWER.'/tension', $post, $sound());
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('[role=alert]', 'no WAV');
        $this->client->request('POST', self::BLOWER.'/tension', $post);
        self::assertSelectorTextContains('[role=alert]', 'Choose the recording');
    }

    public function testAHelperLooksAndChangesNothing(): void
    {
        $this->signIn('petra');
        $crawler = $this->client->request('GET', self::BLOWER);
        self::assertResponseIsSuccessful();
        self::assertSelectorNotExists('button[value=keep]');
        $this->client->request('POST', self::BLOWER, ['_csrf' => $this->value($crawler, '_csrf'), 'do' => 'delete']);
        self::assertResponseStatusCodeSame(403);
        self::assertCount(2, self::getContainer()->get(Garage::class)->get('ostrel-vane-s6')->sheet()->drives);
    }

    /** @param array<string, string> $with */
    private function post(Crawler $crawler, string $do, array $with = []): Crawler
    {
        $form = $crawler->filter('#board')->form();
        $values = ['do' => $do];
        foreach ($with as $name => $value) {
            $form[$name] = $value;
        }
        $all = $form->getPhpValues();
        unset($all['do'], $all['file']);

        return $this->client->request('POST', $form->getUri(), $values + $all);
    }

    private function value(Crawler $crawler, string $name): string
    {
        return (string) $crawler->filter(sprintf('[name="%s"]', $name))->attr('value');
    }

    private static function plain(string $text): string
    {
        return str_replace(["\u{2009}", "\u{202f}", "\u{a0}"], ' ', $text);
    }

    private function diameter(int $at): mixed
    {
        $pulley = ((array) $this->drive('blower')['pulleys'])[$at] ?? [];

        return is_array($pulley) ? $pulley['d'] ?? null : null;
    }

    /** @return array<array-key, mixed> */
    private function drive(string $name): array
    {
        self::getContainer()->get('doctrine')->getManager()->clear();
        $vehicle = self::getContainer()->get(Garage::class)->get('ostrel-vane-s6');

        return self::getContainer()->get(DriveShelf::class)->document($vehicle, $name);
    }
}
