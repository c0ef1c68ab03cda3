<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\NewVehicle;
use NimbleKnuckle\App\Garage\SheetDocument;
use NimbleKnuckle\App\Garage\StarterShelf;
use NimbleKnuckle\App\Garage\VehicleEditor;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Garage\WrittenThing;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\DomCrawler\Crawler;
use Symfony\Component\HttpFoundation\Request;

/** The vehicle editor by itself, and what its page does with a form that cannot be kept. */
#[CoversClass(NewVehicle::class)]
#[CoversClass(SheetDocument::class)]
#[CoversClass(StarterShelf::class)]
#[CoversClass(VehicleEditor::class)]
#[CoversClass(WrittenThing::class)]
final class VehicleEditorTest extends AppTestCase
{
    /** One in so many is opened and saved at each commit. */
    private const SAVED = 4;

    /** From nothing: what a procedure misses is entered where it is named, and then the procedure can be planned. */
    public function testWhatAProcedureMissesIsEnteredWhereItIsNamed(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/vehicles');
        $this->client->submit($crawler->filter('form[action="/vehicles"]')->form(), ['name' => 'Harrow Pin 12']);
        $crawler = $this->client->followRedirect();
        self::assertSelectorTextContains('#carried', '0 of '.count($this->service(ProcedureShelf::class)->all()));
        foreach (['starter cover', 'starter'] as $item) {
            $crawler = $this->client->click($crawler->filter('#carried')->selectLink($item)->link());
            self::assertSame($item, $crawler->filter('#i-name')->attr('value'));
            $this->client->submit($crawler->selectButton('Save the item')->form());
            $crawler = $this->client->followRedirect();
        }
        foreach (['starter bolts' => '2x M10x50 8.8 47 Nm', 'starter cable nut' => '1x M8 9 Nm'] as $joint => $line) {
            $crawler = $this->client->click($crawler->filter('#carried')->selectLink($joint)->link());
            $this->client->submit($crawler->selectButton('Save the joint')->form(), ['line' => $line, 'item' => 'starter']);
            $crawler = $this->client->followRedirect();
        }
        self::assertSelectorTextContains('#carried', '1 of '.count($this->service(ProcedureShelf::class)->all()));
        $crawler = $this->client->click($crawler->filter('#carried')->selectLink('Plan Starter motor')->link());
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        self::assertResponseRedirects();
    }

    public function testANameSaysWhatAnItemIsNeededAsUnlessSomebodyChose(): void
    {
        $this->signIn('joss');
        $role = fn (string $item): string => $this->tarn()->sheet()->items[$item]->role;
        $this->apply(['what' => 'item', 'name' => 'Coolant pump, engine driven']);
        self::assertSame('water-pump', $role('coolant-pump-engine-driven'));
        $this->apply(['what' => 'item', 'name' => 'Belt guard', 'role' => 'starter-cover']);
        self::assertSame('starter-cover', $role('belt-guard'));
        $this->apply(['what' => 'item', 'name' => 'Water pump drain', 'role' => '']);
        self::assertSame('water-pump-drain', $role('water-pump-drain'), 'nothing asks for it');
        $this->expectExceptionMessageMatches('/No procedure asks for “dashboard”/');
        $this->apply(['what' => 'item', 'name' => 'Dash', 'role' => 'dashboard']);
    }

    public function testWhatIsKnownOfLiftingIsEnteredAndReadBack(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/edit');
        $before = $this->service(Garage::class)->get('corrin-drover-27d')->sheet()->lifting;
        $form = $crawler->selectButton('Save what is known of lifting')->form();
        self::assertStringContainsString(
            "freed by viscous fan\nexhaust pipe -250 -40 45 180\n", $crawler->filter('#l-points')->text(null, false),
        );
        $this->client->submit($form);
        $sheet = $this->service(Garage::class)->get('corrin-drover-27d')->sheet();
        self::assertEquals($before, $sheet->lifting, 'sent as it stood, nothing changes');
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/edit');
        $form = $crawler->selectButton('Save what is known of lifting')->form();
        $this->client->submit($form, [
            'mass' => '410 lb', 'pivot' => '−400, 25', 'hooks' => "front hook 300 380 200\nspare eye 10 390",
            'points' => "fan 420 250 22 90 freed by fan\nhose no 2 150 520,5 95 90", 'mounts' => 'left mount -300 200 120 180 pu',
        ]);
        self::assertResponseRedirects();
        $lifting = $this->service(Garage::class)->get('corrin-drover-27d')->sheet()->lifting;
        self::assertEqualsWithDelta(185.97, $lifting->mass, 0.01);
        self::assertSame([-400.0, 25.0], $lifting->pivot);
        self::assertSame([200.0, 0.0], array_column($lifting->hooks, 'rating'));
        self::assertSame(['fan', 'hose no 2'], array_column($lifting->points, 'name'));
        self::assertSame(520.5, $lifting->points[1]->y);
        self::assertSame(['fan' => 'fan'], $lifting->freedBy);
        self::assertFalse($lifting->mounts[0]->isRubber);
    }

    public function testOfTwoWhoChangeItTheSecondIsTold(): void
    {
        $this->signIn('joss');
        $form = $this->client->request('GET', '/vehicles/corrin-drover-27d/edit')->selectButton('Save what is known of lifting')->form();
        $this->client->submit($form, ['mass' => '270 kg']);
        $this->client->submit($form, ['mass' => '280 kg']);
        self::assertResponseStatusCodeSame(409);
        self::assertSame(270.0, $this->service(Garage::class)->get('corrin-drover-27d')->sheet()->lifting->mass);
    }

    #[DataProvider('badLifting')]
    public function testALineThatIsNotUnderstoodIsNamedAndKept(string $field, string $text, string $says): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/edit');
        $this->client->submit($crawler->selectButton('Save what is known of lifting')->form(), [$field => $text]);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('[role=alert]', $says);
        $kept = $this->client->getCrawler()->filter('#lifting-form [name='.$field.']');
        self::assertSame($text, $kept->attr('value') ?? $kept->text(null, false));
    }

    /** @return iterable<array{string, string, string}> */
    public static function badLifting(): iterable
    {
        yield ['mass', 'heavy', 'Mass'];
        yield ['mass', '9000 kg', '5000'];
        yield ['pivot', '3', 'two numbers in mm'];
        yield ['hooks', 'front hook three 380', 'Line 1, “front hook three 380”'];
        yield ['hooks', '310 380 200', 'a name, then its numbers'];
        yield ['points', 'fan 420 250 22', 'like “fan 420 250 22 90”'];
        yield ['points', 'fan 420 250 22 90 freed by the bonnet', 'No item of the sheet is called “the bonnet”'];
        yield ['mounts', 'left -300 200 120 180 jelly', '“jelly” is no kind of mount'];
        yield ['mounts', 'left -300 200 -120 180', 'stiffness'];
    }

    /** Every thing of every demo vehicle, opened for change and saved as it stands: the sheet is the same to the last field. */
    public function testWhatIsOpenedAndSavedAsItStandsStaysAsItIs(): void
    {
        $this->signIn('joss');
        $garage = $this->service(Garage::class);
        foreach (['corrin-drover-27d', self::TARN] as $id) {
            $before = $garage->get($id)->sheet();
            foreach (['item' => $before->items, 'joint' => $before->joints, 'circuit' => $before->circuits] as $what => $things) {
                foreach (Sample::of(array_keys($things), $id.' '.$what, self::SAVED) as $one) {
                    $crawler = $this->client->request('GET', sprintf('/vehicles/%s/edit?%s=%s', $id, $what, $one));
                    $this->client->submit($crawler->selectButton('Save the '.$what)->form());
                    self::assertResponseRedirects(null, 303, $what.' '.$one);
                }
            }
            $this->client->submit($this->client->request('GET', "/vehicles/$id/edit?limit=0")->selectButton('Save the limit')->form());
            $after = $garage->get($id)->sheet();
            self::assertEquals([$before->items, $before->joints], [$after->items, $after->joints]);
            self::assertEquals([$before->circuits, $before->limits], [$after->circuits, $after->limits]);
        }
    }

    public function testAJointIsChangedInItsPlace(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/edit?joint=pump-bolts');
        self::assertStringContainsString('21 N·m / 15.5 ft-lb', $crawler->filter('#j-line')->attr('value') ?? '');
        $line = strtr($crawler->filter('#j-line')->attr('value') ?? '', ['21 N·m / 15.5 ft-lb' => '23 N·m']);
        $this->client->submit($crawler->selectButton('Save the joint')->form(), ['line' => $line, 'lengths' => '']);
        $joint = $this->service(Garage::class)->get('corrin-drover-27d')->sheet()->joints['pump-bolts'];
        self::assertSame(['23 N·m', [], 7], [$joint->stated(), $joint->fastener->lengths, $joint->count()]);
        self::assertSame([50.0, 100.0], $joint->going->passes);
    }

    public function testADeletionAsksAndIsUndone(): void
    {
        $this->signIn('joss');
        $joints = fn (): array => array_keys($this->service(Garage::class)->get('corrin-drover-27d')->sheet()->joints);
        $before = $joints();
        $crawler = $this->client->request('GET', '/vehicles/corrin-drover-27d/edit');
        self::assertCount(0, $crawler->filter('button:contains("Delete")'), 'one tap opens the question and does nothing');
        $this->client->submit($crawler->selectButton('Yes, delete starter bolts')->form());
        self::assertSame(['starter-bolts'], array_values(array_diff($before, $joints())));
        $crawler = $this->client->followRedirect();
        self::assertSelectorTextContains('.undo', 'joint deleted: starter bolts, Joss Wending');
        $undo = $crawler->selectButton('Undo')->form();
        $this->apply(['what' => 'item', 'name' => 'Plate'], 'corrin-drover-27d');
        $this->client->submit($undo);
        self::assertNotSame($before, $joints(), 'something else was changed after it');
        for ($i = 0; $i < 2; ++$i) {
            $this->client->submit($this->client->request('GET', '/vehicles/corrin-drover-27d/edit')->selectButton('Undo')->form());
        }
        self::assertSame($before, $joints());
        self::assertSelectorNotExists('.undo');
    }

    public function testThirtyChangesCanBeUndoneAndNoMore(): void
    {
        for ($i = 1; $i <= 34; ++$i) {
            $this->apply(['what' => 'item', 'name' => 'Plate '.$i]);
        }
        self::assertCount(30, $this->service(Garage::class)->changes(self::TARN));
        self::assertSame('item entered: Plate 34', $this->service(Garage::class)->changes(self::TARN)[0]->words);
    }

    public function testANameUsedTwiceIsAskedAbout(): void
    {
        $this->signIn('joss');
        $tray = fn (string $id): int => $this->service(Garage::class)->get('corrin-drover-27d')->sheet()->items[$id]->pieces();
        $this->apply(['what' => 'item', 'name' => 'Bracket', 'tray' => '2x nuts'], 'corrin-drover-27d');
        $form = $this->client->request('GET', '/vehicles/corrin-drover-27d/edit')->selectButton('Save the item')->form();
        $this->client->submit($form, ['name' => 'Bracket', 'tray' => '5x screws']);
        self::assertResponseStatusCodeSame(409);
        self::assertSame(2, $tray('bracket'), 'not replaced before somebody said so');
        $this->client->submit($this->client->getCrawler()->selectButton('Save as another one')->form());
        self::assertSame([2, 5], [$tray('bracket'), $tray('bracket-2')]);
    }

    public function testAVehicleBeginsFromWhatItIsLikeAndEverythingIsToBeChecked(): void
    {
        $this->signIn('joss');
        $starters = $this->service(StarterShelf::class)->all();
        self::assertCount(6, $starters);
        self::assertEquals(
            array_map(static fn ($sheet): string => $sheet->name, $starters), $this->service(StarterShelf::class)->names(),
        );
        foreach ($starters as $name => $starter) {
            $form = $this->client->request('GET', '/vehicles')->selectButton('Enter it')->form();
            $this->client->submit($form, ['name' => 'Mine '.$name, 'like' => 'starter:'.$name]);
            $crawler = $this->client->followRedirect();
            $sheet = $this->service(Garage::class)->get('mine-'.$name)->sheet();
            self::assertSame('Mine '.$name, $sheet->name);
            self::assertCount(count($starter->items) + count($starter->joints) + count($starter->circuits), $sheet->toCheck);
            foreach ($sheet->joints as $joint) {
                self::assertSame(['', ''], [$joint->stated(), $joint->fastener->thread], 'no figure that nobody measured');
            }
            foreach ($sheet->circuits as $circuit) {
                self::assertSame(0.0, $circuit->capacity);
            }
            preg_match('/(\d+) of/', $crawler->filter('#carried')->text(), $carried);
            self::assertGreaterThanOrEqual(7, (int) ($carried[1] ?? 0), $name.': most of what is done on such a vehicle');
        }
        $crawler = $this->client->request('GET', '/vehicles/mine-transverse-four/edit?item=airbox');
        $this->client->submit($crawler->selectButton('Save the item')->form());
        $this->client->submit($crawler->selectButton('Mark checked: sump plug')->form());
        $sheet = $this->service(Garage::class)->get('mine-transverse-four')->sheet();
        self::assertTrue($sheet->isChecked('items', 'airbox') && $sheet->isChecked('items', 'sump-plug'));
        self::assertFalse($sheet->isChecked('joints', 'starter-bolts'));
    }

    public function testACopyKeepsTheFiguresAndAsksForAll(): void
    {
        $this->signIn('joss');
        $form = $this->client->request('GET', '/vehicles')->selectButton('Enter it')->form();
        $this->client->submit($form, ['name' => 'Second Tarn', 'like' => 'vehicle:'.self::TARN]);
        $copy = $this->service(Garage::class)->get('second-tarn')->sheet();
        self::assertEquals($this->tarn()->sheet()->joints, $copy->joints);
        self::assertFalse($copy->isChecked('joints', array_key_first($copy->joints) ?? ''));
        $this->client->submit($form, ['name' => 'Second  Tarn', 'like' => '']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('.notice.bad', 'is entered already');
        $this->client->submit($form, ['name' => 'Third Tarn', 'like' => '']);
        self::assertCount(0, $this->service(Garage::class)->get('third-tarn')->sheet()->items);
    }

    public function testAVehiclePutAwayIsOnNoListAndComesBack(): void
    {
        $this->signIn('joss');
        $this->client->submit($this->client->request('GET', '/vehicles/'.self::TARN)->selectButton('Archive')->form());
        $this->client->followRedirect();
        self::assertSelectorTextNotContains('.vehicles', 'Veldra Tarn');
        self::assertStringNotContainsString('Veldra Tarn', $this->client->request('GET', '/start')->filter('main')->text());
        $crawler = $this->client->click($this->client->request('GET', '/vehicles')->selectLink('Open its sheet: Veldra Tarn 20T')->link());
        $this->client->submit($crawler->selectButton('Bring back')->form());
        $this->client->followRedirect();
        self::assertSelectorTextContains('.vehicles', 'Veldra Tarn');
    }

    public function testAListIsReadBackBeforeItIsKept(): void
    {
        $this->signIn('joss');
        $count = fn (): int => count($this->tarn()->sheet()->items);
        $before = $count();
        $crawler = $this->client->request('GET', '/vehicles/'.self::TARN.'/list');
        self::assertSelectorNotExists('button[value=keep]');
        $text = "catch can, 2x clamps, 8 mm socket\nbreather; behind: catch can; off: 4\nfoo; behind: nothing known";
        $this->client->submit($crawler->selectButton('Check the list')->form(), ['list' => $text]);
        self::assertSelectorTextContains('table', 'There is no “nothing known”');
        self::assertSelectorNotExists('button[value=keep]');
        self::assertSame($text, str_replace("\r", '', $this->client->getCrawler()->filter('#list')->text(null, false)));
        $good = strtr($text, ["\nfoo; behind: nothing known" => '']);
        $this->client->submit($this->client->getCrawler()->selectButton('Check the list')->form(), ['list' => $good]);
        self::assertSame($before, $count(), 'only read back');
        $this->client->submit($this->client->getCrawler()->selectButton('Save 2 items')->form());
        self::assertSame($before + 2, $count());
        self::assertSame(['catch-can'], $this->tarn()->sheet()->items['breather']->access->behind);
        self::assertSame('2 items from a list', $this->service(Garage::class)->changes(self::TARN)[0]->words);
    }

    private const TARN = 'veldra-tarn-20t';

    /** @param list<float> $three */
    #[DataProvider('minutes')]
    public function testMinutesAreOneNumberOrThree(string $written, array $three): void
    {
        $this->apply(['what' => 'item', 'name' => 'Plate', 'off' => $written]);
        $off = $this->tarn()->sheet()->items['plate']->handling->off;
        self::assertSame($three, [$off->low, $off->likely, $off->high]);
    }

    /** @return iterable<string, array{string, list<float>}> */
    public static function minutes(): iterable
    {
        yield 'nothing said' => ['', [2.0, 4.0, 8.0]];
        yield 'one: 60 % and 180 % of it' => ['10', [6.0, 10.0, 18.0]];
        yield 'one with a comma' => ['2,5', [1.5, 2.5, 4.5]];
        yield 'three' => ['3 5 8', [3.0, 5.0, 8.0]];
        yield 'three with semicolons and halves' => ['2½; 3; 4', [2.5, 3.0, 4.0]];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('refused')]
    public function testARefusalNamesTheFieldAndLeavesTheSheetAlone(array $fields, string $hint): void
    {
        $before = $this->tarn()->document;
        try {
            $this->apply($fields);
            self::fail('This was kept.');
        } catch (CoreException $e) {
            self::assertStringContainsString($hint, $e->getMessage());
        }
        self::assertSame($before, $this->tarn()->document);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'minutes in words' => [['what' => 'item', 'name' => 'Plate', 'off' => 'fast'], 'Minutes off: “fast” is not a duration'];
        yield 'two minutes' => [['what' => 'item', 'name' => 'Plate', 'on' => '3 5'], 'low, likely, high'];
        yield 'minutes below zero' => [['what' => 'item', 'name' => 'Plate', 'on' => '-3'], 'Minutes on: “-3” is below zero'];
        yield 'no litres' => [['what' => 'circuit', 'id' => 'oil', 'name' => 'oil', 'capacity' => ''], 'Capacity: nothing was written'];
        yield 'litres in kilograms' => [
            ['what' => 'circuit', 'id' => 'oil', 'name' => 'oil', 'capacity' => '5 kg'], '“kg” is not a unit of volume',
        ];
        yield 'litres that can be read two ways' => [['what' => 'circuit', 'id' => 'oil', 'name' => 'oil', 'capacity' => '1,250'], '1,250'];
        yield 'more than all of it' => [
            ['what' => 'circuit', 'id' => 'coolant', 'name' => 'coolant', 'capacity' => '8', 'target' => '140'], '100',
        ];
        yield 'a limit without a reason' => [
            ['what' => 'limit', 'body' => 'engine', 'way' => 'up', 'mm' => '30', 'because' => ''], 'because',
        ];
        yield 'a limit sideways' => [['what' => 'limit', 'body' => 'engine', 'way' => 'left', 'mm' => '30', 'because' => 'the fan'], 'way'];
        yield 'a name of signs' => [['what' => 'item', 'name' => '***'], 'letters and digits'];
    }

    public function testAnItemThatIsChangedKeepsWhatTheFormDoesNotShow(): void
    {
        $items = $this->tarn()->document['items'] ?? null;
        self::assertIsArray($items);
        $shield = $items[array_search('front-shield', array_column($items, 'id'), true)];
        self::assertIsArray($shield);
        self::assertArrayHasKey('cautions', $shield + ['cautions' => []]);
        $this->apply(
            [
                'what' => 'item', 'id' => 'front-shield', 'name' => 'front shield, bent', 'place' => 'below', 'off' => '4',
                'on' => '6', 'tray' => '2x screws',
            ],
        );
        $after = $this->tarn()->sheet()->items['front-shield'];
        self::assertSame('front shield, bent', $after->name);
        self::assertSame($shield['role'] ?? 'front-shield', $after->role);
        self::assertSame(2, $after->pieces());
        self::assertCount(count($items), $this->tarn()->sheet()->items);
    }

    public function testAnItemTakenAwayIsNoLongerInFrontOfAnything(): void
    {
        $this->apply(['what' => 'item', 'name' => 'Plate', 'place' => 'below']);
        $this->apply(['what' => 'item', 'name' => 'Bracket', 'place' => 'below', 'behind' => ['plate', 'front-shield']]);
        $this->apply(['what' => 'drop-item', 'id' => 'plate']);
        $sheet = $this->tarn()->sheet();
        self::assertArrayNotHasKey('plate', $sheet->items);
        self::assertSame(['front-shield'], $sheet->items['bracket']->access->behind);
    }

    public function testAJointFromOneLineStandsOnTheSheetWithItsFigure(): void
    {
        $this->apply(
            [
                'what' => 'joint', 'name' => 'Plate screws',
                'line' => '3x M6x20 8.8 into aluminium casting 9 Nm / 80 in-lb dry 10 mm socket ring', 'origin' => 'entered',
            ],
        );
        $joint = $this->tarn()->sheet()->joints['plate-screws'];
        self::assertSame('M6', $joint->fastener->thread);
        self::assertSame(9.0, $joint->figure()->value());
        $this->apply(['what' => 'drop-joint', 'id' => 'plate-screws']);
        self::assertArrayNotHasKey('plate-screws', $this->tarn()->sheet()->joints);
    }

    public function testACircuitIsReplacedByItsRole(): void
    {
        $this->apply(
            [
                'what' => 'circuit', 'id' => 'coolant', 'name' => 'engine coolant', 'capacity' => '8,4', 'target' => '45',
                'cap' => '110', 'behind' => ['front-shield'],
            ],
        );
        $circuit = $this->tarn()->sheet()->circuits['coolant'];
        self::assertSame('engine coolant', $circuit->name);
        self::assertSame(8.4, $circuit->capacity);
        self::assertSame(['front-shield'], $circuit->plumbing->drainBehind);
    }

    public function testACircuitTakesItsThermostatMarksIntervalsAndHeights(): void
    {
        $this->apply(
            [
                'what' => 'circuit', 'id' => 'coolant', 'name' => 'coolant circuit', 'capacity' => '6,6', 'opens' => '92',
                'marks' => '0,4', 'every_months' => '36', 'every_km' => '50000', 'height_heater' => '812', 'height_tank' => '870',
            ],
        );
        $circuit = $this->tarn()->sheet()->circuits['coolant'];
        self::assertSame(
            [92.0, 0.4, 36, 50000.0],
            [$circuit->plumbing->opens, $circuit->plumbing->marks, $circuit->every->months, $circuit->every->km],
        );
        self::assertSame(['heater' => 812.0, 'tank' => 870.0], $circuit->plumbing->heights);
        $this->apply(['what' => 'circuit', 'id' => 'coolant', 'name' => 'coolant circuit', 'capacity' => '7']);
        self::assertSame(92.0, $this->tarn()->sheet()->circuits['coolant']->plumbing->opens, 'what the form left empty is kept');
        $this->expectException(CoreException::class);
        $this->apply(['what' => 'circuit', 'id' => 'coolant', 'name' => 'coolant circuit', 'capacity' => '7', 'height_tank' => '9']);
    }

    public function testAJointIsSketchedByItsPlacesWithLengthsGripAndAdapter(): void
    {
        $this->apply(
            [
                'what' => 'joint', 'name' => 'Water cover', 'line' => '4x M8x30 8.8 into aluminium casting, 22 Nm + 60°',
                'item' => 'thermostat-housing', 'points' => '0,0; 40,0; 40,30; 0,30', 'outline' => 'plate',
                'lengths' => '30 mm; 30 mm; 45 mm; 45 mm', 'swing' => '25', 'longest' => '46,2', 'shank' => '8', 'threaded' => '12',
                'adapter' => '40', 'adapter_name' => '13 mm crow-foot',
            ],
        );
        $joint = $this->tarn()->sheet()->joints['water-cover'];
        self::assertSame(4, $joint->count());
        self::assertSame(['30 mm' => 2, '45 mm' => 2], $joint->byLength());
        self::assertSame([25.0, 46.2, 60.0], [$joint->going->swing, $joint->fastener->longest, $joint->going->angle]);
        self::assertSame([8.0, 12.0], [$joint->seat->grip->shank->millimetres, $joint->seat->grip->threaded->millimetres]);
        self::assertSame([40.0, '13 mm crow-foot'], [$joint->tools->adapter->millimetres, $joint->tools->adapterName]);
    }

    /** @param array<string, string> $fields */
    #[DataProvider('badSketches')]
    public function testASketchThatCannotBeSaysWhichPlace(array $fields, string $hint): void
    {
        $before = $this->tarn()->document;
        try {
            $this->apply(
                $fields + ['what' => 'joint', 'name' => 'Water cover', 'line' => '3x M8x30 8.8, 22 Nm', 'item' => 'thermostat-housing'],
            );
            self::fail('This was kept.');
        } catch (CoreException $e) {
            self::assertStringContainsString($hint, $e->getMessage());
        }
        self::assertSame($before, $this->tarn()->document);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function badSketches(): iterable
    {
        yield 'a place of one number' => [['points' => '0,0; 40; 3,3'], 'Place 2'];
        yield 'a place in words' => [['points' => '0,0; left,up'], 'Place 2'];
        yield 'a swing in words' => [['swing' => 'little'], 'Swing: “little” is not an angle'];
        yield 'an adapter in words' => [['adapter' => 'long'], 'Adapter: “long” is not a length'];
    }

    public function testAFormThatCannotBeKeptComesBackAsItWasFilled(): void
    {
        $this->signIn('joss');
        $crawler = $this->send422(
            [
                'what' => 'circuit', 'id' => 'charge-air', 'name' => 'charge water', 'capacity' => 'plenty', 'target' => '35',
                'cap' => '90', 'family' => 'own', 'behind' => ['front-shield'],
            ],
        );
        foreach ([
            'c-name' => 'charge water', 'c-capacity' => 'plenty', 'c-target' => '35', 'c-cap' => '90', 'c-family' => 'own',
        ] as $id => $typed) {
            self::assertSame($typed, $crawler->filter('#'.$id)->attr('value'));
        }
        self::assertSame('charge-air', $crawler->filter('#c-id option[selected]')->text());
        self::assertCount(1, $crawler->filter('fieldset input[value=front-shield][checked]'));

        $crawler = $this->send422(
            [
                'what' => 'limit', 'body' => 'gearbox', 'way' => 'down', 'mm' => 'a hand', 'because' => 'the shaft binds',
                'freed_by' => 'front-shield',
            ],
        );
        self::assertSame(
            ['a hand', 'the shaft binds'],
            [$crawler->filter('#l-mm')->attr('value'), $crawler->filter('#l-because')->attr('value')],
        );
        self::assertSame(
            ['gearbox', 'down'],
            [$crawler->filter('#l-body option[selected]')->text(), $crawler->filter('#l-way option[selected]')->text()],
        );
        self::assertSame('front-shield', $crawler->filter('#l-freed option[selected]')->attr('value'));

        $crawler = $this->send422(
            ['what' => 'joint', 'name' => 'Riddle', 'line' => '3x M6 banana', 'origin' => 'estimated', 'item' => 'front-shield'],
        );
        self::assertSame('estimated', $crawler->filter('#j-origin option[selected]')->attr('value'));
        self::assertSame('front-shield', $crawler->filter('#j-item option[selected]')->attr('value'));
    }

    /** @param array<string, mixed> $fields */
    private function send422(array $fields): Crawler
    {
        $crawler = $this->client->request('POST', '/vehicles/'.self::TARN.'/edit', $fields + ['_csrf' => $this->token()]);
        self::assertResponseStatusCodeSame(422);

        return $crawler;
    }

    private function tarn(): VehicleRecord
    {
        return $this->service(Garage::class)->get(self::TARN);
    }

    /** @param array<string, mixed> $fields */
    private function apply(array $fields, string $vehicle = self::TARN): void
    {
        $form = Request::create('/', 'POST', $fields)->request;
        $this->service(VehicleEditor::class)->apply(
            $this->service(Garage::class)->get($vehicle), is_string($fields['what'] ?? null) ? $fields['what'] : '', $form,
        );
    }
}
