<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Demo\FitPlayer;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Intervals\DueWork;
use NimbleKnuckle\App\Intervals\IntervalBook;
use NimbleKnuckle\App\Intervals\IntervalsController;
use NimbleKnuckle\App\Intervals\MileageBook;
use NimbleKnuckle\App\Logbook\DueBook;
use NimbleKnuckle\App\Logbook\DueDay;
use NimbleKnuckle\App\Logbook\DueRow;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Planning\Together;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Sum\InvalidInput;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Ulid;

/** Due by time and distance: entered, moved by what the clock shows wherever that is written, begun anew by a fit, offered with a plan. */
#[CoversClass(DueBook::class)]
#[CoversClass(DueDay::class)]
#[CoversClass(DueRow::class)]
#[CoversClass(DueWork::class)]
#[CoversClass(IntervalBook::class)]
#[CoversClass(IntervalsController::class)]
#[CoversClass(MileageBook::class)]
#[CoversClass(Together::class)]
final class IntervalsTest extends AppTestCase
{
    private const DRAY = 'pelliver-dray-18';
    private const BY = 'Joss Wending';

    protected function setUp(): void
    {
        parent::setUp();
        $this->db()->executeStatement('DELETE FROM mileage');
        $this->db()->executeStatement('DELETE FROM service_interval');
    }

    public function testAnIntervalIsEnteredAndTheClockMovesIt(): void
    {
        $this->signIn('joss');
        $page = $this->client->request('GET', '/vehicles/pelliver-dray-18/due');
        $this->client->submit($page->selectButton('Keep it')->form([
            'name' => 'Spark plugs', 'procedure' => 'spark-plugs', 'km' => '60000 km', 'done_on' => self::ago(400), 'done_km' => '10000 km',
        ]));
        $page = $this->client->followRedirect();
        self::assertSelectorTextContains('.intervals', 'nobody wrote down what the clock shows');
        $this->shows(66_000, 20);
        $this->client->submit($page->selectButton('Write it down')->form(['shows' => '69 700 km']));
        $this->client->followRedirect();
        self::assertSelectorTextContains('.intervals .level', 'soon');
        self::assertSelectorTextContains('.intervals', "300\u{2009}km left");
        $this->shows(70_010);
        $this->client->request('GET', '/logbook');
        self::assertSelectorTextContains('main', 'Dray 18: Spark plugs');
        self::assertTrue($this->work('Spark plugs')->next->isDue);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrong(): iterable
    {
        $good = ['name' => 'Plugs', 'km' => '60000 km'];
        yield 'no name' => [['name' => ' '] + $good, 'name'];
        yield 'neither' => [['name' => 'Plugs'], 'km'];
        yield 'a word' => [['km' => 'often'] + $good, 'km'];
        yield 'months of a century' => [['months' => '241'] + $good, 'months'];
        yield 'half a month' => [['months' => '1.5'] + $good, 'months'];
        yield 'done tomorrow' => [['done_on' => self::ago(-1)] + $good, 'done_on'];
        yield 'no day' => [['done_on' => '2026-02-30'] + $good, 'done_on'];
        yield 'a clock of words' => [['done_km' => 'many'] + $good, 'done_km'];
    }

    /** @param array<string, string> $form */
    #[DataProvider('wrong')]
    public function testWhatCannotBeKeptIsNamedAndStays(array $form, string $field): void
    {
        try {
            $this->service(IntervalBook::class)->enter(self::DRAY, $form, self::BY);
            self::fail('it was kept');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
        $this->signIn('joss');
        $page = $this->client->request('POST', '/vehicles/pelliver-dray-18/due/interval', ['_csrf' => $this->token()] + $form);
        self::assertResponseStatusCodeSame(422);
        self::assertSame($form['name'], $page->filter('#name')->attr('value'));
        self::assertSame([], $this->service(IntervalBook::class)->on(self::DRAY));
    }

    public function testEverywhereADistanceIsWrittenItIsTheClock(): void
    {
        $book = $this->service(MileageBook::class);
        self::assertSame(84_000.0, $book->enter(self::DRAY, '84000', self::BY, new \DateTimeImmutable('-40 days')));
        $fit = $this->planned('spark-plugs');
        $this->db()->insert('job', [
            'fit_id' => $fit->id, 'number' => '', 'registration' => '', 'chassis' => '', 'mileage' => '52600 mi', 'customer' => '',
            'phone' => '',
        ]);
        self::assertEqualsWithDelta(84_651.5, $book->of(self::DRAY)->last() ?? 0.0, 0.2);
        $this->db()->update('job', ['mileage' => '5120 h'], ['fit_id' => $fit->id]);
        self::assertSame(84_000.0, $book->of(self::DRAY)->last(), 'hours are no distance');
        $this->db()->insert('fluid_entry', [
            'id' => (string) new Ulid(), 'vehicle_id' => self::DRAY, 'circuit' => 'oil', 'kind' => 'dip', 'at' => self::ago(2).' 08:00:00',
            'dip_after' => 12, 'km' => 85_100, 'family' => '', 'note' => '', 'by_name' => self::BY, 'fit_id' => '',
        ]);
        self::assertSame(85_100.0, $book->of(self::DRAY)->last());
        foreach (['3 000 001 km', 'far', '-5 km'] as $text) {
            try {
                $book->enter(self::DRAY, $text, self::BY);
                self::fail($text.' was kept');
            } catch (InvalidInput $e) {
                self::assertSame('km', $e->field);
            }
        }
    }

    public function testACheckComesEarlierWhenItsKilometresAreRunAndItsOutcomeMayTellThem(): void
    {
        $fit = $this->finished('water-pump', 'corrin-drover-27d', 6);
        $row = fn (): DueRow => array_values(array_filter(
            $this->service(DueBook::class)->ofFit($fit->id), static fn (DueRow $one): bool => 300 === $one->day->afterKm,
        ))[0] ?? self::fail('no check by distance');
        self::assertFalse($row()->day->isDue);
        self::assertStringStartsWith("at 300\u{2009}km, or ", $row()->day->said);
        $this->shows(100_000, 30, 'corrin-drover-27d');
        $this->shows(100_600, 6, 'corrin-drover-27d');
        self::assertStringStartsWith('about ', $row()->day->said);
        self::assertFalse($row()->day->isDue, 'it runs 25 km a day');
        // The level of next morning is closed, and says what the clock shows.
        $this->signIn('joss');
        $level = array_values(array_filter(
            $this->service(DueBook::class)->ofFit($fit->id), static fn (DueRow $one): bool => 'level' === $one->kind,
        ))[0] ?? self::fail('no level');
        $this->client->request('POST', sprintf('/fits/%s/mark', $fit->id), [
            '_csrf' => $this->token(), 'type' => 'follow-up-closed', 'event' => (string) new Ulid(), 'follow_up' => $level->after->followUp,
            'outcome' => 'Dry, at the stroke, 101 000 km', 'back' => 'logbook',
        ]);
        self::assertSame(101_000.0, $this->service(MileageBook::class)->of('corrin-drover-27d')->last());
        self::assertTrue($row()->day->isDue);
        self::assertStringStartsWith("300\u{2009}km are run", $row()->day->said);
    }

    public function testALevelOfNextMorningHasItsHourInTheCalendar(): void
    {
        $this->finished('water-pump', 'corrin-drover-27d', 0);
        $oil = ['name' => 'Gearbox oil', 'months' => '12', 'done_on' => self::ago(400)];
        $this->service(IntervalBook::class)->enter(self::DRAY, $oil, self::BY);
        $this->signIn('joss');
        $this->client->request('GET', '/logbook/calendar');
        $text = (string) $this->client->getResponse()->getContent();
        self::assertMatchesRegularExpression('~DTSTART:\d{8}T073000\r\nDURATION:PT15M~', $text);
        self::assertMatchesRegularExpression('~DTSTART;VALUE=DATE:\d{8}~', $text);
        self::assertStringContainsString('Dray 18: Gearbox oil', $text);
        self::assertSame('', DueDay::of('2026-03-04', 0, '2026-03-03')->hour);
    }

    public function testASignedFitBeginsItAnew(): void
    {
        $this->service(IntervalBook::class)->enter('corrin-drover-27d', [
            'name' => 'Water pump', 'procedure' => 'water-pump', 'months' => '60', 'done_on' => self::ago(2000),
        ], self::BY);
        self::assertTrue($this->work('Water pump', 'corrin-drover-27d')->next->isDue);
        $this->finished('water-pump', 'corrin-drover-27d', 0);
        $work = $this->work('Water pump', 'corrin-drover-27d');
        self::assertFalse($work->next->isDue);
        self::assertContains($work->doneOn->format('Y-m-d'), [self::ago(0), self::ago(1)], 'today, or last night');
        $this->signIn('joss');
        $page = $this->client->request('GET', '/vehicles/corrin-drover-27d/due');
        $this->client->submit($page->selectButton('Done then')->form(['done_on' => self::ago(-3)]));
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.notice.bad', 'up to today');
        $page = $this->client->request('GET', '/vehicles/corrin-drover-27d/due');
        $this->client->submit($page->selectButton('Not due on this vehicle')->form());
        self::assertSame([], array_filter(
            $this->service(IntervalBook::class)->on('corrin-drover-27d'), static fn (DueWork $one): bool => '' !== $one->id,
        ));
    }

    public function testWhatIsDueIsOfferedWithAPlan(): void
    {
        $this->service(IntervalBook::class)->enter(self::DRAY, [
            'name' => 'Spark plugs', 'procedure' => 'spark-plugs', 'months' => '48', 'done_on' => self::ago(1440),
        ], self::BY);
        $this->signIn('joss');
        $this->client->request('GET', '/start/offers?vehicle=pelliver-dray-18&procedures[]=chain-tensioner');
        self::assertSelectorTextContains('ul.ends li', 'Spark plugs');
        self::assertSelectorTextContains('ul.ends li .level', 'soon');
        self::assertSelectorTextContains('ul.ends li', 'more now');
        $this->db()->executeStatement('DELETE FROM service_interval');
        $this->client->request('GET', '/start/offers?vehicle=pelliver-dray-18&procedures[]=chain-tensioner');
        self::assertSelectorNotExists('ul.ends .level');
    }

    public function testAFluidThatIsDueAndComesOutAnywayIsSaid(): void
    {
        $this->db()->executeStatement("UPDATE fluid_entry SET at = ? WHERE vehicle_id = 'veldra-tarn-20t' AND circuit = 'coolant'
            AND kind = 'filled'", [self::ago(1500).' 08:00:00']);
        $this->signIn('joss');
        $this->client->request('GET', '/start/offers?vehicle=veldra-tarn-20t&procedures[]=thermostat-under');
        self::assertSelectorTextContains('ul.ends', 'It comes out with this job anyway');
        $this->client->request('GET', '/start/offers?vehicle=veldra-tarn-20t&procedures[]=spark-plugs');
        self::assertStringNotContainsString('comes out with this job', (string) $this->client->getResponse()->getContent());
    }

    public function testTheFluidsPageGoesByTheSameClock(): void
    {
        $this->db()->executeStatement("DELETE FROM fluid_entry WHERE vehicle_id = 'veldra-tarn-20t'");
        $this->db()->insert('fluid_entry', [
            'id' => (string) new Ulid(), 'vehicle_id' => 'veldra-tarn-20t', 'circuit' => 'oil', 'kind' => 'filled', 'litres' => 4.8,
            'at' => self::ago(60).' 08:00:00', 'km' => 50_000, 'family' => '', 'note' => '', 'by_name' => self::BY, 'fit_id' => '',
        ]);
        $this->signIn('joss');
        $this->client->request('GET', '/vehicles/veldra-tarn-20t/fluids');
        self::assertSelectorTextContains('#oil', 'not due');
        $this->shows(60_100, 0, 'veldra-tarn-20t');
        $this->client->request('GET', '/vehicles/veldra-tarn-20t/fluids');
        self::assertSelectorTextNotContains('#oil', 'not due');
        self::assertTrue($this->work('engine oil', 'veldra-tarn-20t')->next->isDue);
    }

    private function work(string $name, string $vehicle = self::DRAY): DueWork
    {
        foreach ($this->service(IntervalBook::class)->on($vehicle) as $one) {
            if ($one->name === $name) {
                return $one;
            }
        }
        self::fail('no '.$name);
    }

    private function shows(int $km, int $daysAgo = 0, string $vehicle = self::DRAY): void
    {
        $this->service(MileageBook::class)->enter($vehicle, $km.' km', self::BY, new \DateTimeImmutable(sprintf('-%d days', $daysAgo)));
    }

    private function planned(string $procedure, string $vehicle = self::DRAY): FitRecord
    {
        return $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get($vehicle), [$procedure], [], self::BY, new \DateTimeImmutable(),
        );
    }

    private function finished(string $procedure, string $vehicle, int $daysAgo): FitRecord
    {
        $fit = $this->planned($procedure, $vehicle);
        $start = new \DateTimeImmutable(sprintf('-%d days -8 hours', $daysAgo));
        $events = (new FitPlayer($fit->sheet(), $fit->vehicleSheet(), self::BY, $start))->throughout()->events();
        $end = $events[count($events) - 1]->at ?? $start;
        $signed = (new FitPlayer($fit->sheet(), $fit->vehicleSheet(), 'Ines Tarrow', $end))
            ->add(EventType::Signed, ['remark' => '', 'shown' => count($events)])->events();
        $this->service(Recorder::class)->record($fit, [...$events, ...$signed], Authority::Lead, true);

        return $fit;
    }

    private static function ago(int $days): string
    {
        return (new \DateTimeImmutable())->modify(sprintf('-%d days', $days))->format('Y-m-d');
    }
}
