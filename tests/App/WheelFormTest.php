<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\WheelController;
use NimbleKnuckle\App\Garage\WheelForm;
use NimbleKnuckle\Core\Vehicle\Corner;
use NimbleKnuckle\Core\Vehicle\VehicleOne;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Yaml\Yaml;

/** A sheet that cannot say how a wheel is held carries the form for it, where a fit begins and in the editor. */
#[CoversClass(WheelForm::class)]
#[CoversClass(WheelController::class)]
final class WheelFormTest extends AppTestCase
{
    private const SAID = [
        'w_corners' => ['fr'], 'w_kind' => 'bolt', 'w_count' => '5', 'w_thread' => 'M14x1.5', 'w_figure' => '120 N·m',
        'w_tool' => '17 mm socket',
        'w_left' => ['wheel-liner' => 'right liner'],
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signIn('ines');
        $this->keep('vehicle-one', 'old-tarn');
    }

    public function testTheQuestionsOfAFitCarryTheFormAndTheirAnswersComeBack(): void
    {
        $start = '/start?vehicle=old-tarn&procedures[]=serpentine-belt&people=2&workshop=12';
        $page = $this->client->request('GET', $start);
        self::assertSelectorTextContains('#wheels', 'right wheel and its liner');
        self::assertSame('right liner', $page->filter('#w-left-wheel-liner')->attr('value'), 'what is left of it is offered');
        self::assertNotNull($page->filter('#wheels input[value="fr"]')->attr('checked'), 'its name says which side');
        $form = $page->filter('#wheels button')->form();
        $form->setValues(['w_count' => '5', 'w_kind' => 'bolt', 'w_thread' => 'M14x1.5', 'w_figure' => '120 N·m']);
        $this->client->request('POST', '/vehicles/old-tarn/wheels', $form->getPhpValues());
        self::assertResponseStatusCodeSame(303);
        $page = $this->client->followRedirect();
        self::assertStringContainsString('/start?', $this->client->getRequest()->getRequestUri());
        self::assertSelectorNotExists('#wheels');
        self::assertSame('12', $page->filter('#workshop')->attr('value'));
        self::assertNotNull($page->filter('input[name="people"][value="2"]')->attr('checked'));
        self::assertStringNotContainsString('wheel has to be off', $page->filter('#preview')->text());
        $page = $this->client->request('POST', '/start', [
            '_csrf' => $this->token(), 'vehicle' => 'old-tarn', 'procedures' => ['serpentine-belt'], 'workshop' => '12',
            'altitude' => '640',
        ]);
        self::assertResponseRedirects();
        $page = $this->client->followRedirect();
        self::assertStringContainsString('front right wheel bolts', $page->filter('main')->text());
    }

    public function testTheSheetSaysItThenAndCanBeUndone(): void
    {
        $was = $this->service(Garage::class)->get('old-tarn')->document;
        self::assertSame(VehicleOne::FORMAT, $was['format'], 'nobody rewrote it');
        $this->client->request('POST', '/vehicles/old-tarn/wheels', ['_csrf' => $this->token()] + self::SAID);
        self::assertResponseRedirects('/vehicles/old-tarn/edit', 303);
        $vehicle = $this->service(Garage::class)->get('old-tarn');
        self::assertSame(VehicleSheet::FORMAT, $vehicle->document['format']);
        $sheet = $vehicle->sheet();
        self::assertSame(Corner::FrontRight, $sheet->items['front-right-wheel']->access->wheel);
        self::assertSame(['front-right-wheel'], $sheet->items['wheel-liner']->access->behind);
        self::assertSame('right liner', $sheet->items['wheel-liner']->name);
        self::assertTrue($sheet->knowsTheWheelsBefore('damper'), 'all behind the liner');
        $joint = $sheet->wheelFasteners('front-right-wheel') ?? self::fail();
        self::assertSame([5, 'M14x1.5', '120 N·m', 'bolt', 'front right wheel bolts'], [
            $joint->count(), $joint->fastener->thread, $joint->stated(), $joint->called->kind, $joint->name,
        ]);
        self::assertSelectorNotExists('#wheels');
        $page = $this->client->followRedirect();
        $this->client->submit($page->selectButton('Undo')->form());
        self::assertSame($was, $this->service(Garage::class)->get('old-tarn')->document);
    }

    public function testTwoWheelsThatWereOneRingOfTenAreTwoOfFive(): void
    {
        $this->keep('vehicle-one-two-wheels', 'old-roan');
        $page = $this->client->request('GET', '/vehicles/old-roan/edit');
        $form = $page->filter('#wheels button')->form();
        $typed = $form->getPhpValues();
        self::assertSame(['5', 'M14x1.5', '130 N·m / 96 ft-lb', '19 mm socket'], [
            $typed['w_count'], $typed['w_thread'], $typed['w_figure'], $typed['w_tool'],
        ]);
        self::assertStringContainsString('front wheel nuts', $page->filter('#wheels')->text());
        $this->client->submit($form);
        self::assertResponseRedirects('/vehicles/old-roan/edit', 303);
        $sheet = $this->service(Garage::class)->get('old-roan')->sheet();
        self::assertArrayNotHasKey('wheel-nuts', $sheet->joints);
        foreach (['front-left-wheel', 'front-right-wheel'] as $wheel) {
            self::assertSame(5, $sheet->wheelFasteners($wheel)?->count());
            self::assertContains($wheel, $sheet->items['wheel-liners']->access->behind);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no wheel' => [['w_corners' => []], 'Say which wheels'];
        yield 'a corner no vehicle has' => [['w_corners' => ['spare']], 'Say which wheels'];
        yield 'held by nothing known' => [['w_kind' => 'glue'], 'what holds it'];
        yield 'two nuts' => [['w_count' => '2'], 'from 3 to 10'];
        yield 'two centre nuts' => [['w_kind' => 'centre-nut', 'w_count' => '2'], 'A centre nut is one'];
        yield 'no count' => [['w_count' => 'some'], 'How many'];
        yield 'no thread' => [['w_thread' => ''], 'read it off one'];
        yield 'a thread that is none' => [['w_thread' => 'thick'], 'thick'];
        yield 'no figure' => [['w_figure' => ''], 'None is estimated'];
        yield 'a figure that is none' => [['w_figure' => 'tight'], 'Figure: '];
    }

    /** @param array<string, mixed> $said */
    #[DataProvider('wrong')]
    public function testWhatCannotBeNamesItsFieldAndNothingTypedIsLost(array $said, string $words): void
    {
        $page = $this->client->request('POST', '/vehicles/old-tarn/wheels', ['_csrf' => $this->token()] + $said + self::SAID + [
            'procedures' => ['serpentine-belt'], 'c_belt-by' => 'same', 'people' => '2', 'f' => ['hot' => 'yes'],
        ]);
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString($words, $page->filter('[role="alert"]')->text());
        $form = $page->filter('#wheels button')->form();
        foreach ($said + self::SAID as $name => $value) {
            is_string($value) && 'w_kind' !== $name && self::assertSame($value, $form->getPhpValues()[$name], $name);
        }
        self::assertSame(['serpentine-belt'], $form->getPhpValues()['procedures']);
        self::assertSame(['2', ['hot' => 'yes'], 'same'], [
            $form->getPhpValues()['people'], $form->getPhpValues()['f'], $form->getPhpValues()['c_belt-by'],
        ]);
        self::assertSame(VehicleOne::FORMAT, $this->service(Garage::class)->get('old-tarn')->document['format']);
    }

    public function testWhoMayNotKeepVehiclesIsToldAndHasNoForm(): void
    {
        $this->signIn('petra');
        $this->client->request('POST', '/vehicles/old-tarn/wheels', ['_csrf' => $this->token()] + self::SAID);
        self::assertResponseStatusCodeSame(403);
        self::assertSame(VehicleOne::FORMAT, $this->service(Garage::class)->get('old-tarn')->document['format']);
    }

    private function keep(string $file, string $id): void
    {
        $document = Yaml::parseFile(dirname(__DIR__).'/Core/Vehicle/Kept/'.$file.'.yaml');
        self::assertIsArray($document);
        $this->service(Garage::class)->keep(['id' => $id, 'name' => $id, 'short' => $id] + $document);
    }
}
