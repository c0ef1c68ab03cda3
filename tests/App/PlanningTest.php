<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Exchange\FitDocument;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleEditor;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Planning\PlanApiController;
use NimbleKnuckle\App\Planning\PlanCompileCommand;
use NimbleKnuckle\App\Planning\PlanExplainCommand;
use NimbleKnuckle\App\Planning\PlanLintCommand;
use NimbleKnuckle\App\Planning\ReplanController;
use NimbleKnuckle\App\Planning\Replanner;
use NimbleKnuckle\App\Planning\StartFitController;
use NimbleKnuckle\App\Planning\Together;
use NimbleKnuckle\App\Planning\WorkshopAnswers;
use NimbleKnuckle\Core\Bench\Task\FillFromBench;
use NimbleKnuckle\Core\Compiler\Complete\CureWaits;
use NimbleKnuckle\Core\Vehicle\Joint;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\InputBag;

#[CoversClass(StartFitController::class)]
#[CoversClass(Together::class)]
#[CoversClass(Replanner::class)]
#[CoversClass(ReplanController::class)]
#[CoversClass(VehicleEditor::class)]
#[CoversClass(PlanCompileCommand::class)]
#[CoversClass(PlanLintCommand::class)]
#[CoversClass(PlanExplainCommand::class)]
#[CoversClass(PlanApiController::class)]
final class PlanningTest extends AppTestCase
{
    public function testTheWaysOfEveryFitStayWithIt(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/start?vehicle=pelliver-dray-18&procedure=torque-rod-mounts&c_range-end=high');
        self::assertSelectorTextContains('body', 'Which end of a range do you tighten to?');
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $id = basename($this->client->getResponse()->headers->get('Location') ?? '');
        $joint = static fn (self $test): Joint => $test->service(FitBook::class)->get($id)->vehicleSheet()->joints['upper-rod-body'];
        self::assertSame(48.0, $joint($this)->spec->target());
        $crawler = $this->client->request('GET', '/fits/'.$id.'/replan?c_range-end=low');
        self::assertSame('low', $crawler->filter('#c-range-end option[selected]')->attr('value'));
        $this->client->request('GET', '/start?vehicle=veldra-tarn-20t&procedure=thermostat-under');
        self::assertSelectorTextNotContains('body', 'Which end of a range');
        $this->client->request('GET', '/start?vehicle=pelliver-dray-18&procedure=torque-rod-mounts&c_range-end=sideways');
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('[role=alert]', '“sideways” is no answer');
    }

    public function testSeveralJobsShowWhatTheySaveAndWhatElseIsCheap(): void
    {
        $this->signIn('joss');
        $garage = $this->service(Garage::class);
        $slow = $garage->get('ostrel-vane-s6')->document;
        assert(is_array($slow['items']) && is_array($slow['items'][1]));
        $slow['items'][1]['off'] = [80, 140, 200];
        $garage->keep($slow);
        $crawler = $this->client->request(
            'GET', '/start',
            ['vehicle' => 'ostrel-vane-s6', 'procedures' => ['serpentine-belt', 'thermostat-front'], 'people' => '1'],
        );
        self::assertSelectorTextContains('#preview', 'saves');
        $this->client->request(
            'GET', '/start/offers', ['vehicle' => 'ostrel-vane-s6', 'procedures' => ['serpentine-belt', 'thermostat-front']],
        );
        self::assertSelectorTextContains('body', 'While it is apart');
        self::assertSelectorTextContains('.ends', 'Crank damper');
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Serpentine belt, tensioner and idler, Thermostat at the front');
    }

    public function testACoverNobodyKnewOfMakesANewSheetAndKeepsEveryMark(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $before = $this->service(Recorder::class)->load($fit);
        $crawler = $this->client->request('GET', '/fits/'.$fit->id.'/replan');
        $form = $crawler->selectButton('Show what changes')->form([
            'item' => 'Stiffener plate', 'before' => 'thermostat-housing', 'fasteners' => '3',
        ]);
        $shown = $this->client->submit($form);
        self::assertSelectorTextContains('aside', 'Take off the Stiffener plate');
        $refused = $this->client->submit($shown->selectButton('Take the new sheet')->form());
        self::assertSelectorTextContains('.notice.bad', 'Say what came up');
        $this->client->submit($refused->selectButton('Take the new sheet')->form(['reason' => 'A plate over the housing.']));
        $this->client->followRedirect();
        self::assertSelectorTextContains('main', 'Stiffener plate');
        $now = $this->service(FitBook::class)->get($fit->id);
        $after = $this->service(Recorder::class)->load($now);
        self::assertEquals($before->state, $after->state);
        self::assertCount(count($before->sheet->steps) + 2, $after->sheet->steps);
        self::assertSame('A plate over the housing.', $this->service(Replanner::class)->versions($fit->id)[0]['reason']);
        self::assertArrayNotHasKey('stiffener-plate', $this->service(Garage::class)->get('veldra-tarn-20t')->sheet()->items);
    }

    public function testAJobIsTakenOutAndItsMarksStay(): void
    {
        $this->signIn('joss');
        $fit = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('corrin-drover-27d'), ['water-pump', 'starter'], [], 'Joss Wending',
        );
        $this->send($fit->id, ['type' => 'step-done', 'step' => 'starter-parts']);
        $crawler = $this->client->request('GET', '/fits/'.$fit->id.'/replan');
        self::assertSelectorTextContains('main', 'Leave a job out');
        $values = ['drop' => ['starter']] + $crawler->selectButton('Show what changes')->form()->getPhpValues();
        $this->client->request('POST', '/fits/'.$fit->id.'/replan', $values);
        self::assertSelectorTextContains('aside', 'Goes,');
        $this->client->request('POST', '/fits/'.$fit->id.'/replan', ['adopt' => '1', 'reason' => 'no starter came'] + $values);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Water pump');
        $now = $this->service(FitBook::class)->get($fit->id);
        self::assertSame(['water-pump'], $now->procedures);
        self::assertNull($now->sheet()->step('starter-off'));
        self::assertTrue($this->service(Recorder::class)->load($now)->state->isDone('starter-parts'), 'its mark is still in the log');
        $this->client->request('GET', '/fits/'.$fit->id.'/bench');
        self::assertResponseIsSuccessful();
    }

    public function testSeveralJobsSayWhatTheyShareAndAskOnce(): void
    {
        $this->signIn('joss');
        $this->client->request('GET', '/start?vehicle=corrin-drover-27d&procedures[]=water-pump&procedures[]=starter');
        self::assertSelectorTextContains('.jobs', 'Level floor, brake on, key out');
        self::assertSelectorCount(2, '.jobs > li');
        self::assertSelectorNotExists('[name="c_starter-access"]', 'one answer is no question');
    }

    public function testASignedFitIsNotPlannedAgain(): void
    {
        $this->signIn('ines');
        $id = $this->db()->fetchOne("SELECT id FROM fit WHERE status = 'signed'");
        $this->client->request('GET', sprintf('/fits/%s/replan', is_string($id) ? $id : ''));
        self::assertResponseStatusCodeSame(403);
    }

    public function testTheCommandLineCompilesLintsAndExplains(): void
    {
        $compile = $this->command(
            'plan:compile', ['vehicle' => 'corrin-drover-27d', 'procedures' => ['starter', 'gearbox-mount'], '--people' => '2'],
        );
        self::assertSame(0, $compile->getStatusCode());
        self::assertStringContainsString('Take the gearbox\'s weight', $compile->getDisplay());
        self::assertSame(
            2, $this->command('plan:compile', ['vehicle' => 'ostrel-vane-s6', 'procedures' => ['thermostat-under']])->getStatusCode(),
        );
        self::assertSame(2, $this->command('plan:compile', ['vehicle' => 'nothing', 'procedures' => ['starter']])->getStatusCode());
        $json = $this->command(
            'plan:compile',
            ['vehicle' => 'veldra-tarn-20t', 'procedures' => ['thermostat-under'], '--choose' => ['fill=burp'], '--json' => true],
        )->getDisplay();
        self::assertStringContainsString('"burp-run"', $json);

        $file = (string) tempnam(sys_get_temp_dir(), 'nk');
        file_put_contents($file, $this->service(FitDocument::class)->write($this->tarnFit()));
        self::assertSame(0, $this->command('plan:lint', ['file' => $file])->getStatusCode());
        $document = json_decode((string) file_get_contents($file), true);
        assert(is_array($document) && is_array($document['sheet']) && is_array($document['sheet']['steps']));
        array_pop($document['sheet']['steps']);
        file_put_contents($file, json_encode($document, \JSON_THROW_ON_ERROR));
        $lint = $this->command('plan:lint', ['file' => $file]);
        self::assertSame(1, $lint->getStatusCode());
        self::assertStringContainsString('no-retorque', $lint->getDisplay());
        self::assertSame(2, $this->command('plan:lint', ['file' => __FILE__])->getStatusCode());
        unlink($file);

        self::assertStringContainsString('cap pressure', $this->command('plan:explain', ['code' => 'hot-circuit'])->getDisplay());
        self::assertStringContainsString(
            'Did you mean hot-circuit?', $this->command('plan:explain', ['code' => 'hot-circut'])->getDisplay(),
        );
    }

    public function testProceduresComeInAndGoOut(): void
    {
        $export = $this->command('procedure', ['what' => 'export', 'which' => 'starter']);
        self::assertStringStartsWith('format: nimble-knuckle/procedure@1', $export->getDisplay());
        $file = (string) tempnam(sys_get_temp_dir(), 'nk');
        file_put_contents(
            $file,
            str_replace(
                ["id: starter\n", 'title: Starter motor'], ["id: starter-ours\n", 'title: Starter, our way'], $export->getDisplay(),
            ),
        );
        self::assertStringContainsString('operations', $this->command('procedure', ['what' => 'lint', 'which' => $file])->getDisplay());
        self::assertSame(0, $this->command('procedure', ['what' => 'import', 'which' => $file])->getStatusCode());
        self::assertStringContainsString('Starter, our way', $this->command('procedure', ['what' => 'list'])->getDisplay());
        file_put_contents($file, str_replace('do: remove', 'do: explode', $export->getDisplay()));
        $bad = $this->command('procedure', ['what' => 'lint', 'which' => $file]);
        self::assertSame(2, $bad->getStatusCode());
        self::assertStringContainsString('operations', $bad->getDisplay());
        foreach ([['what' => 'lint', 'which' => '/nowhere'], ['what' => 'export', 'which' => 'nothing'], ['what' => 'dance']] as $input) {
            self::assertSame(2, $this->command('procedure', $input)->getStatusCode());
        }
        unlink($file);
    }

    public function testTheApiCompiles(): void
    {
        $this->signIn('petra');
        $this->client->request('GET', '/api/plan?vehicle=veldra-tarn-20t&procedures=thermostat-under,spark-plugs&fill=bleed');
        self::assertStringContainsString('nimble-knuckle/sheet@1', (string) $this->client->getResponse()->getContent());
        self::assertStringContainsString('bleed-close', (string) $this->client->getResponse()->getContent());
        $this->client->request('GET', '/api/plan?vehicle=veldra-tarn-20t&procedures=water-pump');
        self::assertResponseStatusCodeSame(422);
    }

    public function testAVehicleIsEnteredFromNothingAndPlanned(): void
    {
        $this->signIn('joss');
        $this->client->submit($this->client->request('GET', '/vehicles')->selectButton('Enter it')->form(['name' => 'Marl Heron 12']));
        $this->client->followRedirect();
        $this->fill(
            [
                'what' => 'item', 'name' => 'Starter cover', 'kind' => 'cover', 'place' => 'below',
                'tray' => "2x flange nuts, 10 mm socket\n1x earth lead", 'off' => '3', 'on' => '2 3 5',
            ],
        );
        $this->fill(['what' => 'item', 'name' => 'Starter', 'place' => 'below', 'behind' => ['starter-cover'], 'battery' => '1']);
        $this->fill(
            [
                'what' => 'joint', 'name' => 'Starter bolts', 'item' => 'starter',
                'line' => '2x M10x60 8.8 into cast iron 47 Nm / 35 ft-lb dry 15 mm socket line',
            ],
        );
        $this->fill(['what' => 'joint', 'name' => 'Starter cable nut', 'item' => 'starter', 'line' => '1x M8 9 Nm into brass dry 13mm']);
        $this->fill(['what' => 'limit', 'body' => 'engine', 'way' => 'up', 'mm' => '30', 'because' => 'the fan meets the shroud']);
        $sheet = $this->service(Garage::class)->get('marl-heron-12')->sheet();
        self::assertSame(3, $sheet->items['starter-cover']->pieces());
        self::assertSame(['battery'], $sheet->items['starter']->dangers->hazards);
        self::assertSame(47.0, $sheet->joints['starter-bolts']->figure()->value());
        self::assertCount(1, $sheet->limits);
        $compiled = $this->command('plan:compile', ['vehicle' => 'marl-heron-12', 'procedures' => ['starter']]);
        self::assertSame(0, $compiled->getStatusCode(), $compiled->getDisplay());
        self::assertStringContainsString(
            'Take off the Starter cover',
            $this->command('plan:compile', ['vehicle' => 'marl-heron-12', 'procedures' => ['starter']])->getDisplay(),
        );
        $this->fill(['what' => 'drop-limit', 'id' => '0']);
        self::assertCount(0, $this->service(Garage::class)->get('marl-heron-12')->sheet()->limits);
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('bad')]
    public function testWhatWouldBeWrongIsNotKeptAndWhatWasTypedStays(array $fields, string $hint): void
    {
        $this->signIn('joss');
        $before = $this->service(Garage::class)->get('veldra-tarn-20t')->document;
        $this->fill($fields, 'veldra-tarn-20t', 422);
        self::assertSelectorTextContains('.notice.bad', $hint);
        if (isset($fields['name'])) {
            self::assertStringContainsString(
                htmlspecialchars(is_string($fields['name']) ? $fields['name'] : ''),
                (string) $this->client->getResponse()->getContent(),
            );
        }
        self::assertSame($before, $this->service(Garage::class)->get('veldra-tarn-20t')->document);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function bad(): iterable
    {
        yield 'no name' => [['what' => 'item', 'name' => ' '], 'name'];
        yield 'a circle' => [
            [
                'what' => 'item', 'id' => 'front-shield', 'name' => 'front splash shield', 'place' => 'below',
                'behind' => ['thermostat-housing'],
            ],
            'in a circle',
        ];
        yield 'a tray in words' => [['what' => 'item', 'name' => 'Plate', 'tray' => 'some screws'], 'write a count'];
        yield 'minutes that fall' => [['what' => 'item', 'name' => 'Plate', 'off' => '9 5 3'], 'rise'];
        yield 'behind nothing known' => [['what' => 'item', 'name' => 'Plate', 'behind' => ['bonnet']], 'no item'];
        yield 'a joint in riddles' => [['what' => 'joint', 'name' => 'Riddle', 'line' => '3x M6 banana'], 'Not understood'];
        yield 'litres in words' => [['what' => 'circuit', 'id' => 'oil', 'name' => 'oil', 'capacity' => 'plenty'], 'is not a volume'];
        yield 'an item that still holds a joint' => [['what' => 'drop-item', 'id' => 'thermostat-housing'], 'joint still belongs'];
        yield 'something else' => [['what' => 'wings'], 'nothing like that'];
    }

    public function testTheShorthandIsReadBackWhileItIsTyped(): void
    {
        $this->signIn('joss');
        $this->client->request('GET', '/shorthand', ['line' => '3x M6x20 8.8 9 Nm banana']);
        self::assertSelectorTextContains('#read-back', '9 N·m');
        self::assertSelectorTextContains('#read-back', 'not understood');
    }

    public function testAFigureThatWasCorrectedReachesAFitInHand(): void
    {
        $this->signIn('ines');
        $garage = $this->service(Garage::class);
        $fit = $this->planned();
        $right = static fn (array $joint): array => ['figure' => '9.5 N·m / 84 in-lb'] + $joint;
        $garage->change('veldra-tarn-20t', static fn (array $document): array => ['joints' => array_map(
            static fn (mixed $joint): mixed => is_array($joint) && 'thermostat-cover-bolts' === $joint['id'] ? $right($joint) : $joint,
            is_array($document['joints']) ? $document['joints'] : [],
        )] + $document);
        $page = $this->client->request('GET', '/fits/'.$fit.'/replan');
        self::assertSelectorTextContains('#corrected', '9 N·m / 80 in-lb → 9.5 N·m / 84 in-lb');
        self::assertCount(1, $page->filter('#corrected li'), 'and nothing that did not change');
        $values = $page->filter('form.sheet')->form()->getPhpValues() + ['figure' => ['thermostat-cover-bolts', 'no-such-joint']];
        $page = $this->client->request('POST', '/fits/'.$fit.'/replan', $values);
        self::assertStringContainsString('→ 9.5 N·m', $page->filter('aside')->text());
        $this->client->request('POST', '/fits/'.$fit.'/replan', ['adopt' => '1', 'reason' => 'misread'] + $values);
        self::assertResponseRedirects('/fits/'.$fit, 303);
        $now = $this->service(FitBook::class)->get($fit);
        self::assertSame('9.5 N·m / 84 in-lb', $now->vehicleSheet()->joints['thermostat-cover-bolts']->stated());
        $this->client->request('GET', '/fits/'.$fit.'/replan');
        self::assertSelectorNotExists('#corrected', 'it is taken');
    }

    private function planned(): string
    {
        $this->client->request('POST', '/start', [
            '_csrf' => $this->token(), 'vehicle' => 'veldra-tarn-20t', 'procedures' => ['thermostat-under'],
        ]);
        self::assertResponseStatusCodeSame(303);

        return basename((string) $this->client->getResponse()->headers->get('Location'));
    }

    /** @param array<string, mixed> $fields */
    private function fill(array $fields, string $vehicle = 'marl-heron-12', int $status = 303): void
    {
        $this->client->request('POST', sprintf('/vehicles/%s/edit', $vehicle), $fields + ['_csrf' => $this->token()]);
        self::assertResponseStatusCodeSame($status, (string) $this->client->getResponse()->getContent());
    }

    public function testWhatCannotBeReadOfTheWorkshopIsSaidAndKept(): void
    {
        $this->signIn('joss');
        $start = '/start?vehicle=veldra-tarn-20t&procedures[]=thermostat-under';
        foreach (['altitude=1200%20ft', 'altitude=640%20m&workshop=65%20F', 'workshop=18,5'] as $good) {
            $this->client->request('GET', $start.'&'.$good);
            self::assertResponseIsSuccessful($good);
            self::assertSelectorNotExists('[aria-invalid]');
        }
        foreach ([
            'altitude=high' => '“high” is not an altitude', 'altitude=1,200' => 'can mean 1.200 or 1200',
            'altitude=9000' => 'above the sea', 'workshop=65%20kPa' => 'not a unit of temperature', 'workshop=65' => '50 °C',
        ] as $bad => $hint) {
            [$field, $typed] = explode('=', urldecode($bad));
            $crawler = $this->client->request('GET', $start.'&'.$bad);
            self::assertSame(422, $this->client->getResponse()->getStatusCode(), $bad);
            self::assertStringContainsString($hint, $crawler->filter('#'.$field.'-help')->text(), $bad);
            self::assertSame($typed, $crawler->filter('#'.$field)->attr('value'));
            $before = $this->db()->fetchOne('SELECT COUNT(*) FROM fit');
            $this->client->request(
                'POST', '/start',
                ['_csrf' => $this->token(), 'vehicle' => 'veldra-tarn-20t', 'procedures' => ['thermostat-under'], $field => $typed],
            );
            self::assertSame(422, $this->client->getResponse()->getStatusCode());
            self::assertSame($before, $this->db()->fetchOne('SELECT COUNT(*) FROM fit'), 'nothing is planned on a field that was not read');
        }
    }

    public function testAWorkshopInFeetAndFahrenheitIsKeptInMetresAndDegrees(): void
    {
        /** @var InputBag<string> $typed */
        $typed = new InputBag(['workshop' => '65 F', 'altitude' => '2100 ft']);
        $read = WorkshopAnswers::read($typed);
        self::assertSame([CureWaits::CHOICE => '18.3', FillFromBench::CHOICE => '640.1'], $read->chosen);
        self::assertSame('65 F', $read->typed['workshop']);
    }
}
