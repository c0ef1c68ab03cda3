<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\ChargePath\BoxLines;
use NimbleKnuckle\App\ChargePath\ChargeController;
use NimbleKnuckle\App\ChargePath\ChargeForm;
use NimbleKnuckle\App\ChargePath\ChargeShelf;
use NimbleKnuckle\App\ChargePath\ChargeView;
use NimbleKnuckle\App\Exchange\ChargeLabelsController;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Web\Typed;
use NimbleKnuckle\Core\Bench\Known\BoostSums;
use NimbleKnuckle\Core\ChargeAir\Line\ChargeLine;
use NimbleKnuckle\Core\ChargeAir\Line\LineInputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\DomCrawler\Crawler;

/** The charge path of a vehicle: entered, tried, matched with its box, kept, undone, printed as labels. */
#[CoversClass(BoostSums::class)]
#[CoversClass(BoxLines::class)]
#[CoversClass(ChargeController::class)]
#[CoversClass(ChargeForm::class)]
#[CoversClass(ChargeLabelsController::class)]
#[CoversClass(LineInputs::class)]
#[CoversClass(ChargeShelf::class)]
#[CoversClass(ChargeView::class)]
#[CoversClass(Typed::class)]
final class ChargePathTest extends AppTestCase
{
    private const TARN = '/vehicles/veldra-tarn-20t/charge';

    public function testAPathSavedAsItStandsIsTheSamePath(): void
    {
        $this->signIn('joss');
        $before = $this->line('veldra-tarn-20t');
        $this->post($this->client->request('GET', self::TARN), 'keep');
        self::assertResponseRedirects(self::TARN);
        self::assertEquals($before, $this->line('veldra-tarn-20t'));
    }

    public function testEveryHoseOfTheBoxHasItsPlaceAndItsLabel(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', self::TARN);
        $box = $crawler->filter('#drawn')->text();
        foreach (['elbow, turned round', 'straight 57.', 'straight 63.', 'reducer, turned round',
            'Left over: wide reducer, odd one'] as $said) {
            self::assertStringContainsString($said, $box);
        }
        $filled = $this->post($crawler, 'fit');
        self::assertSame(
            ['elbow', '51', '57'],
            array_map(static fn (string $key): ?string => $filled->filter('[name="j[1]['.$key.']"]')->attr('value'), ['hose', 'a', 'b']),
        );
        self::assertSame('old elbow', $this->line('veldra-tarn-20t')->joins[1]->hose?->name, 'nothing is kept before somebody saves');
        $labels = ChargeView::labels($this->line('veldra-tarn-20t'), $this->service(\NimbleKnuckle\Core\Sum\SumBook::class));
        self::assertSame([2, 3, 4, 5], array_column($labels, 'number'));
        self::assertSame(['elbow, 51 mm end to the turbo', 'clamps small and middle'], $labels[0]['pieces']);
        $this->client->request('GET', self::TARN.'/labels?sheet=3x8');
        self::assertResponseHeaderSame('content-type', 'application/pdf');
    }

    public function testWhatIsMissingFromTheBoxIsSaidWithItsSize(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', self::TARN);
        $this->client->request('POST', self::TARN, $crawler->filter('#charge')->form()->getPhpValues(), server: [
            'HTTP_HX_REQUEST_TYPE' => 'partial',
        ]);
        self::assertResponseIsSuccessful();
        self::assertSelectorExists('#drawn .holds', 'drawn anew by itself');
        $tried = $this->post($crawler, '', ['hoses' => "straight 57: 57 57\nelbow: 57 51 90\nreducer: 67.5 63"]);
        self::assertStringContainsString('Nothing of the box fits cooler out: 63.5 to 63.5 mm', $tried->filter('#drawn')->text());
        $wrong = $this->post($crawler, 'keep', ['hoses' => "elbow: 57 51 90\nstraight"]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('line 2', $wrong->filter('[role=alert]')->text());
        self::assertStringContainsString('straight', $wrong->filter('#c-hoses')->text(), 'what was typed stays');
    }

    public function testTheWeakestEndIsNamedAndADoubtIsSaid(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', self::TARN);
        self::assertStringContainsString('throttle hose, the end of the throttle, no bead', $crawler->filter('.weak')->text());
        $tried = $this->post($crawler, '', ['j[4][torque]' => '0.4 N·m', 'j[3][torque]' => '4 N·m', 'j[2][a]' => '70',
            'j[1][to]' => '60']);
        $text = $tried->filter('.holds')->text();
        foreach ([
            'The clamp says 4 N·m, its joint card 5 N·m / 44 in-lb.', 'old straight does not go on 57 mm and 57 mm.',
            'Its clamp does not close round 66 mm.',
        ] as $doubt) {
            self::assertStringContainsString($doubt, $text);
        }
        self::assertSelectorExists('.holds tr:last-child .level.stop', 'a clamp that hardly presses lets go');
        $tied = $this->post($crawler, '', ['j[4][torque]' => '0.4 N·m', 'j[4][how]' => 'tied']);
        self::assertCount(0, $tied->filter('.holds tr:last-child .level.stop'), 'a tie holds it back');
    }

    public function testTwoWhoChangeOnePathAreBothHeardAndAChangeIsUndone(): void
    {
        $this->signIn('joss');
        $first = $this->client->request('GET', self::TARN);
        $this->post($this->client->request('GET', self::TARN), 'keep', ['p[2][length]' => '640']);
        $second = $this->post($first, 'keep', ['p[2][length]' => '600']);
        self::assertResponseStatusCodeSame(422);
        self::assertSame('600', $second->filter('[name="p[2][length]"]')->attr('value'));
        self::assertSame(640.0, $this->line('veldra-tarn-20t')->parts[2]->length);
        $this->post($second, 'keep');
        self::assertSame(600.0, $this->line('veldra-tarn-20t')->parts[2]->length, 'saved once more, it stands');
        $garage = $this->service(Garage::class);
        $garage->undo('veldra-tarn-20t', (int) $garage->changes('veldra-tarn-20t')[0]->id);
        self::assertSame(640.0, $this->line('veldra-tarn-20t')->parts[2]->length);
    }

    public function testAPathIsEnteredFromNothingInAnyUnit(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/charge');
        self::assertSelectorTextContains('#drawn', 'The turbo needs its outside diameter');
        $filled = ['t[boost]' => '15 psi'];
        foreach ([['', '2 in'], ['2 in', '2 in'], ['2 in', '2.5 in'], ['2.5 in', '2.5 in'], ['2.5 in', '']] as $i => [$in, $out]) {
            $filled += ['p['.$i.'][in]' => $in, 'p['.$i.'][out]' => $out];
        }
        $this->post($crawler, 'keep', $filled + ['p[1][bends]' => '90']);
        self::assertSelectorTextContains('[role=alert]', 'A bend of the hot pipe is its angle and the radius');
        $this->post($crawler, 'keep', $filled + ['p[1][bends]' => '90/85']);
        self::assertResponseRedirects('/vehicles/corrin-drover-27d/charge');
        $line = $this->line('corrin-drover-27d');
        self::assertEqualsWithDelta(103.42, $line->boost, 0.01);
        self::assertSame([50.8, 63.5], [$line->parts[1]->in, $line->parts[2]->out]);
        $this->post($this->client->followRedirect(), 'delete');
        self::assertNull($this->service(Garage::class)->get('corrin-drover-27d')->sheet()->charge);
    }

    public function testPartsComeGoAndChangePlaces(): void
    {
        $this->signIn('joss');
        $names = static fn (Crawler $page): array => array_map(
            static fn (int $i): ?string => $page->filter('[name="p['.$i.'][name]"]')->attr('value'),
            range(0, $page->filter('.way > li')->count() - 1),
        );
        $crawler = $this->client->request('GET', self::TARN);
        self::assertSame(
            ['airbox', 'hot pipe', 'turbo', 'cooler', 'cold pipe', 'throttle'], $names($this->post($crawler, 'down-1')),
        );
        self::assertSame(['airbox', 'turbo', 'cooler', 'cold pipe', 'throttle'], $names($this->post($crawler, 'drop-2')));
        self::assertCount(7, $names($this->post($crawler, 'add')));
    }

    public function testWhoMayNotKeepVehiclesLooksOn(): void
    {
        $this->signIn('petra');
        $crawler = $this->client->request('GET', self::TARN);
        self::assertResponseIsSuccessful();
        self::assertCount(1, $crawler->filter('.charge-form fieldset[disabled]'));
        $this->client->request('POST', self::TARN, ['_csrf' => $this->token(), 'do' => 'keep']);
        self::assertResponseStatusCodeSame(403);
    }

    public function testALineOfTheBoxIsReadAsItIsWritten(): void
    {
        self::assertSame(
            [
                ['name' => 'elbow', 'a' => 57.0, 'b' => 51.0, 'angle' => 90.0], ['name' => 'straight 63', 'a' => 63.0],
                ['name' => 'short', 'a' => 50.8, 'b' => 57.0],
            ],
            BoxLines::hoses("elbow 57 51 90°\n\nstraight 63: 63\nshort 50,8 57"),
        );
        self::assertSame(
            [['name' => 'no. 2', 'from' => 57.0, 'to' => 65.0, 'kind' => 'worm'], ['name' => 'big', 'from' => 70.0, 'to' => 78.0]],
            BoxLines::clamps("no. 2: 57-65 Worm\nbig 70 78"),
        );
        $this->expectException(InvalidInput::class);
        BoxLines::clamps('big 70');
    }

    private function line(string $vehicle): ChargeLine
    {
        return $this->service(Garage::class)->get($vehicle)->sheet()->charge ?? self::fail('no charge path');
    }

    /** @param array<string, string> $with */
    private function post(Crawler $crawler, string $do, array $with = []): Crawler
    {
        $form = $crawler->filter('#charge')->form();
        foreach ($with as $field => $value) {
            $form[$field] = $value;
        }

        return $this->client->request('POST', $form->getUri(), $form->getPhpValues() + ['do' => $do]);
    }
}
