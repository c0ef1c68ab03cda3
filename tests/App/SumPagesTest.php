<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\StepSum;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Sums\BookOfToday;
use NimbleKnuckle\App\Sums\SumGroups;
use NimbleKnuckle\App\Sums\SumsController;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Sum\Headline;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

/** Each sum's page: an example that works, its figure, its headline, and what a bad field looks like. */
#[CoversClass(SumsController::class)]
#[CoversClass(Headline::class)]
#[CoversClass(SumGroups::class)]
#[CoversClass(BookOfToday::class)]
#[CoversClass(StepSum::class)]
final class SumPagesTest extends AppTestCase
{
    public function testARangeIsShownAsOne(): void
    {
        $this->signIn('joss');
        $this->client->request('GET', '/sums/torque-check?stated=18-22%20Nm&thread=M8');
        self::assertSelectorTextContains('#answer .figure-number', '18.0 to 22.0');
        self::assertSelectorTextContains('#answer', '92 % of yield at the top of the range');
        $this->client->request('GET', '/sums/torque-check?stated=40%20Nm%20%2B%2090%C2%B0');
        self::assertSelectorTextContains('#answer', '90° further follow');
    }

    /** What the headline of each example must hold, so that no page says nothing. */
    private const SAYS = [
        'torque-check' => 'disagree', 'torque-estimate' => 'N·m', 'angle-tighten' => 'kN', 'part-turn' => '°',
        'wrench-set' => 'N·m', 'wrench-pick' => '1/4 in dial wrench', 'tighten-order' => '1 5',
        'even-take-up' => 'turns', 'thread-engagement' => 'mm', 'thread-gauge' => 'M8', 'thread-compound' => 'threadlocker',
        'bolt-reuse' => 'mm', 'trace-judge' => 'sound', 'coolant-mix' => 'L coolant',
        'coolant-protect' => '−3', 'vacuum-fill' => 'kPa', 'coolant-level' => 'L', 'warm-up' => 'sound', 'thermostat-test' => 'K',
        'oil-fill' => 'L', 'clamp-size' => 'mm', 'mount-tired' => '6.00',
        'belt-path' => '570', 'belt-fit' => '570', 'pulley-change' => 'rpm', 'belt-slip' => '9.23', 'belt-code' => '915',
        'belt-note' => '302', 'press-fit' => 'kN', 'press-screw' => 'N·m',
        'drive-wear' => 'Renew soon', 'belt-line' => '°', 'chain-travel' => '79.2',
        'blow-off' => '×', 'leak-decay' => '0.643', 'charge-cooler' => '80.9', 'charge-path' => 'kPa', 'coupler-match' => '3',
        'gate-preload' => '3.00', 'actuator-test' => '47.6', 'boost-run' => '101', 'disc-stack' => 'N·m',
        'plug-gap' => 'mm', 'plug-set' => '0.0271', 'volt-drop' => '0.75', 'time-learned' => '34.3', 'cause' => '%',
        'photo-plane' => 'mm',
        'seal-squeeze' => '19.8', 'face-seal' => '2.00', 'bolt-spacing' => '31.2',
        'extension-twist' => '12.6', 'clearance' => 'mm', 'tilt-clearance' => '37.4', 'lift-links' => 'times', 'mount-share' => '°',
    ];

    #[DataProvider('sums')]
    public function testItsPageShowsAnExampleWithFigureAndWorking(string $name): void
    {
        $this->signIn('petra');
        $crawler = $this->client->request('GET', '/sums/'.$name);
        self::assertResponseIsSuccessful();
        self::assertSelectorNotExists('#answer [role=alert]');
        $said = $crawler->filter('#answer .figure-number, #answer .h2')->text();
        self::assertStringContainsString(self::SAYS[$name] ?? '', $said);
        self::assertMatchesRegularExpression('/\d|\pL/u', $said);
        if ('bolt-reuse' !== $name) {
            self::assertSelectorExists('#answer svg[aria-label]');
            self::assertNotSame('', $crawler->filter('#answer svg[aria-label]')->attr('aria-label'));
        }
        self::assertSelectorExists('#answer .level, #answer .estimated');
        self::assertSelectorTextContains('#answer', 'an example');
        self::assertSelectorNotExists('form input[name][value]:not([value=""]):not([type=hidden])', 'no example stands in a field');
        foreach (Doors::book()->named($name)->about()->fields() as $field) {
            self::assertCount(1, $crawler->filter(sprintf('label[for="f-%s"]', $field->name)), $field->name);
        }
        self::assertDoesNotMatchRegularExpression(
            '~\bNAN\b|\bINF\b|Infinity~', $crawler->filter('#answer')->html(), 'no figure is drawn from nothing',
        );
    }

    public function testWhatWasUsedLastStandsFirst(): void
    {
        $this->signIn('petra');
        $this->client->request('GET', '/sums');
        self::assertSelectorNotExists('#used');
        foreach (['torque-check?stated=9%20Nm', 'clamp-size', 'part-turn?thread=M8', 'torque-check?stated=10%20Nm'] as $path) {
            $this->client->request('GET', '/sums/'.$path);
        }
        $crawler = $this->client->request('GET', '/sums');
        self::assertSame(
            ['Check a torque figure', 'Snug plus a part turn'], $crawler->filter('#used a')->each(static fn ($one): string => $one->text()),
            'what was only looked at is not used',
        );
    }

    public function testTheListStandsInAWorkshopWithoutAWrench(): void
    {
        $this->signIn('petra');
        $this->db()->executeStatement('DELETE FROM tool');
        $crawler = $this->client->request('GET', '/sums');
        self::assertResponseIsSuccessful();
        self::assertGreaterThan(20, $crawler->filter('.picture svg')->count(), 'the others are drawn');
    }

    #[DataProvider('sums')]
    public function testABadFieldIsNamedAndWhatWasTypedStays(string $name): void
    {
        $this->signIn('petra');
        $fields = Doors::book()->named($name)->about()->fields();
        $needed = array_values(array_filter($fields, static fn ($f): bool => $f->required && [] === $f->choices))[0] ?? $fields[0];
        $crawler = $this->client->request('GET', '/sums/'.$name.'?'.$needed->name.'=%3Cwrong%3E');
        self::assertResponseIsSuccessful();
        self::assertSelectorExists('#answer [role=alert]');
        self::assertSame(
            '<wrong>',
            'textarea' === $crawler->filter('#f-'.$needed->name)->nodeName()
                ? $crawler->filter('#f-'.$needed->name)->text()
                : $crawler->filter('#f-'.$needed->name)->attr('value'),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function sums(): iterable
    {
        foreach (array_keys(Doors::book()->all()) as $name) {
            yield $name => [$name];
        }
    }

    public function testTheListHasEverySumInOneGroup(): void
    {
        $groups = SumGroups::of(Doors::book());
        $listed = array_map(static fn ($sum): string => $sum->about()->name, array_merge(...array_values($groups)));
        self::assertEqualsCanonicalizing(array_keys(Doors::book()->all()), $listed);
        self::assertArrayNotHasKey('More', $groups);
        $this->signIn('petra');
        $this->client->request('GET', '/sums');
        self::assertSelectorCount(count($listed), '.sums-list .card');
    }

    public function testAHeadlineOnOneLineIsShortEnoughToPin(): void
    {
        $result = Doors::book()->run(
            'oil-fill', ['capacity' => 4.9, 'filter' => 'changed', 'dip_mm' => 25, 'litre_per_mm' => 0.06, 'target_mm' => 20],
        );
        self::assertSame('Draw off 0.30 L; before it runs again', Doors::book()->named('oil-fill')->headline($result)->asLine());
        self::assertLessThanOrEqual(
            300,
            mb_strlen(
                Doors::book()->named('tighten-order')->headline(Doors::book()->run('tighten-order', ['layout' => 'ring 40']))->asLine(),
            ),
        );
    }

    public function testAStepWorksItsSumOutOfWhatTheBenchKnows(): void
    {
        $fit = $this->service(Recorder::class)->load($this->tarnFit());
        $of = function (string $id) use ($fit): ?array {
            $step = $fit->sheet->step($id) ?? self::fail('no step '.$id);

            return $this->service(StepSum::class)->of($step, $fit);
        };
        $strength = $of('strength-before');
        self::assertSame('coolant-protect', $strength['name'] ?? '');
        self::assertSame(38.0, $strength['query']['percent'] ?? null, 'as it was read');
        self::assertStringContainsString('Freezes', $strength['headline']->lead ?? '');
        $level = $of('level-cold');
        self::assertEqualsWithDelta(6.6 * (4.7e-4 + 2.2e-6 * 50) * (92 - 19), $level['result']?->number('growth') ?? 0.0, 1e-9);
        self::assertSame('tank', $level['drawing'][0] ?? '');
        self::assertNull($of('hose-on-water')['result'] ?? null, 'nobody measured the hose');
        self::assertNull($of('mix'), 'the mix has a place of its own');
        self::assertNull($of('clean'));
        self::assertNull(
            $this->service(StepSum::class)->of(
                $fit->sheet->steps[0]->with(id: 'x', sum: 'no-such-sum'), $fit,
            ),
        );
    }

    /** What was measured of snout and bore stands behind the press force at the step where it is pressed on. */
    public function testAPressFitIsWorkedOutOfWhatWasMeasured(): void
    {
        $this->signIn('joss');
        $record = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('ostrel-vane-s6'), ['crank-damper'], [], 'Joss Wending', new \DateTimeImmutable(),
        );
        $step = $record->sheet()->step('damper-on') ?? self::fail('no such step');
        $of = fn (FitState $state): ?array => $this->service(StepSum::class)->of(
            $step, new Fit($record->sheet(), $record->vehicleSheet(), $state),
        );
        self::assertNull($of(FitState::fold([]))['result'] ?? null);
        $events = [];
        $read = [
            'snout' => 32.002, 'snout_back' => 31.998, 'bore' => 31.97, 'bore_back' => 31.96, 'hub_outside' => 60.0, 'fit_length' => 30.0,
        ];
        foreach ($read as $field => $value) {
            $payload = ['step' => 'damper-measure', 'field' => $field, 'text' => $value.' mm', 'value' => $value, 'unit' => 'mm'];
            $events[] = FitEvent::of(
                sprintf('01ARZ3NDEKTSV4RRFFQ69G5F%02d', count($events)), EventType::Measured, $payload, 'Joss', new \DateTimeImmutable(),
            );
        }
        $result = $of(FitState::fold($events))['result'] ?? self::fail('nothing was worked out');
        self::assertEqualsWithDelta(0.035, $result->number('interference'), 1e-9);
        self::assertEqualsWithDelta([0.004, 0.01], $result->entries('taper'), 1e-9);
        self::assertTrue($result->hasCheck('rubber'), 'a damper is not heated');
    }

    public function testWhatHangsAndHowFarItMayGoUpIsWorkedOutOfTheVehicleSheet(): void
    {
        $this->signIn('joss');
        $record = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('corrin-drover-27d'), ['engine-mounts'], ['engine-hold' => 'bar-two'], 'Joss Wending',
            new \DateTimeImmutable(),
        );
        $fit = $this->service(Recorder::class)->load($record);
        $of = fn (string $id): ?array => $this->service(StepSum::class)->of(
            $fit->sheet->step($id) ?? self::fail('no step '.$id), $fit,
        );
        $links = $of('emount-bar-two');
        self::assertSame('0° 200 kg; 0° 200 kg', $links['query']['legs'] ?? null);
        self::assertEqualsWithDelta([200 / 132.5, 200 / 132.5, 500 / 265], $links['result']?->values['margin']->entries(), 1e-9);
        $tilt = $of('emount-up');
        self::assertSame(40.0, $tilt['query']['rise'] ?? null);
        self::assertEqualsWithDelta(9.67, $tilt['result']?->number('limit'), 0.01, 'with everything on, the fan is the first');
        self::assertSame('tilt', $tilt['drawing'][0] ?? '');
        $this->client->request('GET', '/fits/'.$record->id);
        self::assertSelectorTextContains('#ledger-may', 'may go up 76 mm');
        self::assertSelectorTextContains('#ledger-may', 'intake hose');
        $this->client->request('GET', '/vehicles/corrin-drover-27d');
        self::assertSelectorTextContains('#lifting', 'With everything on it may go up 9 mm: then the fan has 5 mm left.');
        self::assertSelectorTextContains('#lifting', 'unless the viscous fan is off');
        $dray = $this->service(Garage::class)->get('pelliver-dray-18')->sheet();
        $share = $this->service(StepSum::class)->of(
            $fit->sheet->steps[0]->with(sum: 'mount-share'), new Fit($fit->sheet, $dray, $fit->state),
        );
        self::assertStringContainsString('timing-side mount 340 190 120 200 rubber', (string) ($share['query']['mounts'] ?? ''));
        self::assertSame('165 kg', $share['query']['engine'] ?? null);
        self::assertStringContainsString('torque', $share['missing'] ?? '', 'the torque is asked for');
        $tarn = $this->service(Recorder::class)->load($this->tarnFit());
        self::assertSame([], $this->service(StepSum::class)->of(
            $tarn->sheet->steps[0]->with(sum: 'lift-links'), $tarn,
        )['query'] ?? null, 'nobody weighed it');
    }

    public function testTheBenchShowsWhatWasOpenedAndWhatIsWaste(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit()->id;
        $crawler = $this->client->request('GET', sprintf('/fits/%s/bench/leaks-warm', $fit));
        self::assertContains('thermostat housing', $crawler->filter('.look-at li')->each(static fn ($li): string => $li->text()));
        $crawler = $this->client->request('GET', sprintf('/fits/%s/bench/waste', $fit));
        self::assertStringContainsString('4.40', $crawler->filter('.turn .figure-number')->text());
    }
}
