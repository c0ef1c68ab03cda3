<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Demo\FitPlayer;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Times\PaceBook;
use NimbleKnuckle\App\Times\StepPace;
use NimbleKnuckle\App\Times\StepTimes;
use NimbleKnuckle\App\Times\TimesBook;
use NimbleKnuckle\App\Times\TimesController;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Labour\WorkIntervals;
use NimbleKnuckle\Core\Times\Tally;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\DomCrawler\Crawler;

/** Times of signed fits: learned at the signature, used by the next plan, put right where a pause was work. */
#[CoversClass(PaceBook::class)]
#[CoversClass(StepPace::class)]
#[CoversClass(StepTimes::class)]
#[CoversClass(TimesBook::class)]
#[CoversClass(TimesController::class)]
final class TimesTest extends AppTestCase
{
    private const JOSS = 'Joss Wending';
    private const STEP = 'starter-compare';

    protected function setUp(): void
    {
        parent::setUp();
        $this->db()->executeStatement('DELETE FROM step_time');
        $this->db()->executeStatement('DELETE FROM pace');
    }

    public function testAPlanGoesByWhatThreeJobsTook(): void
    {
        $planned = $this->planned();
        self::assertSame(0, $planned->sheet()->learned()['steps']);
        $own = $this->minutes($planned);
        foreach ([1, 2] as $day) {
            $this->done($day, 2.0);
        }
        self::assertSame($own, $this->minutes($this->planned()), 'two jobs are not enough');
        $this->done(3, 2.0);
        $sheet = $this->planned()->sheet();
        $minutes = $sheet->step(self::STEP)->slot->minutes ?? self::fail('no step');
        self::assertSame([3, $own], [$minutes->from, $minutes->planned]);
        self::assertGreaterThan(1.2 * $own, $minutes->likely);
        self::assertGreaterThan(10, $sheet->learned()['steps']);
        self::assertGreaterThan(0.0, $sheet->learned()['more']);
        self::assertGreaterThan($planned->sheet()->timing->likely, $sheet->timing->likely);
    }

    public function testWhatIsLearnedFromALearnedPlanIsStillHeldAgainstTheProcedure(): void
    {
        foreach ([1, 2, 3, 4] as $day) {
            $this->done($day, 2.0);
        }
        $tally = $this->service(PaceBook::class)->tallies()[self::STEP][self::JOSS] ?? self::fail('nothing learned');
        self::assertSame(4, $tally->n);
        self::assertEqualsWithDelta(log(2.0), $tally->mean(), 0.25);
        $rows = $this->db()->fetchFirstColumn('SELECT DISTINCT planned FROM step_time WHERE step = ?', [self::STEP]);
        self::assertCount(1, $rows, 'each is held against the minutes of the procedure');
    }

    public function testOneWhoHasDoneItFiveTimesHasAPlanOfTheirOwn(): void
    {
        foreach ([1, 2, 3, 4, 5] as $day) {
            $this->done($day, 2.0);
        }
        foreach ([6, 7, 8, 9] as $day) {
            $this->done($day, 0.7, 'Petra Lunn');
        }
        $likely = fn (string $who): float => $this->minutes($this->planned($who));
        self::assertSame($likely(''), $likely('Petra Lunn'), 'four jobs of her own are too few');
        self::assertGreaterThan($likely(''), $likely(self::JOSS));
        $this->done(10, 0.7, 'Petra Lunn');
        self::assertLessThan($likely(''), $likely('Petra Lunn'));
        $this->signIn('joss');
        $page = $this->client->request('GET', '/start?vehicle=corrin-drover-27d&procedure=starter');
        self::assertSame(
            ['Anybody', self::JOSS, 'Petra Lunn'],
            $page->filter('#fitter option')->each(static fn (Crawler $one): string => $one->text()),
        );
        $this->client->request('GET', '/start?vehicle=corrin-drover-27d&procedure=starter&fitter=Nobody');
        self::assertResponseIsSuccessful();
    }

    public function testAStepThatTakesTwiceAsLongEveryTimeIsPointedOut(): void
    {
        $pace = static fn (float ...$times): StepPace => new StepPace(
            'a', 'A', [2.0, 4.0, 8.0], Tally::of(array_map(log(...), array_values($times))), min($times ?: [0.0]),
        );
        self::assertTrue($pace(2.0, 2.2, 1.9)->isAlwaysLong());
        self::assertFalse($pace(2.0, 2.2)->isAlwaysLong(), 'two are not every time');
        self::assertFalse($pace(2.4, 2.2, 2.4, 1.4)->isAlwaysLong(), 'once it went well');
        self::assertFalse($pace(1.6, 1.7, 1.6)->isAlwaysLong(), 'that is not twice');
        self::assertEqualsWithDelta(4.0, $pace(2.0, 2.0)->more(), 1e-9);
        foreach ([1, 2, 3] as $day) {
            $this->done($day, 2.1);
        }
        $this->signIn('joss');
        $page = $this->client->request('GET', '/logbook/times');
        self::assertSelectorTextContains('section.card h2', 'Twice as long, every time');
        $this->client->click($page->filter('section.card a')->first()->link());
        self::assertResponseIsSuccessful();
        self::assertSelectorTextContains('.alt', 'What it takes here');
        $this->client->request('GET', '/logbook/times/'.self::STEP);
        self::assertSelectorTextContains('aside', 'from 3 jobs');
        $this->client->request('GET', '/logbook/times/no-such-step');
        self::assertResponseStatusCodeSame(404);
    }

    public function testAPauseThatWasWorkIsSaidAndTakenBack(): void
    {
        $fit = $this->done(1, 1.0, pause: 90);
        $before = $this->tallyOf(self::STEP);
        $this->signIn('joss');
        $page = $this->client->request('GET', sprintf('/fits/%s/times', $fit->id));
        self::assertSelectorTextContains('#pauses', 'away');
        $taken = $this->taken($fit);
        $this->client->submit($page->selectButton('It was work')->form());
        $page = $this->client->followRedirect();
        self::assertSelectorTextContains('#pauses', 'work');
        self::assertEqualsWithDelta($taken + $this->pauseOf($fit), $this->taken($fit), 0.1);
        self::assertSame($before->n, $this->tallyOf(self::STEP)->n, 'no job is counted twice');
        self::assertGreaterThan($before->mean() + 1.0, $this->tallyOf(self::STEP)->mean());
        $this->client->submit($page->selectButton('Away after all')->form());
        self::assertEqualsWithDelta($taken, $this->taken($fit), 0.1);
        self::assertEqualsWithDelta($before->sum, $this->tallyOf(self::STEP)->sum, 1e-9);
    }

    public function testSomebodyElsesPauseIsForALead(): void
    {
        $fit = $this->done(1, 1.0, pause: 90);
        $this->signIn('petra');
        $this->client->request('GET', sprintf('/fits/%s/times', $fit->id));
        self::assertSelectorNotExists('#pauses button');
        $pause = WorkIntervals::of($this->service(Recorder::class)->load($fit))->pauses()[0]->event;
        $this->client->request('POST', sprintf('/fits/%s/times', $fit->id), [
            '_csrf' => $this->token(), 'pause' => $pause, 'was' => 'work',
        ]);
        self::assertResponseStatusCodeSame(403);
        $this->signIn('ines');
        $this->client->request('GET', sprintf('/fits/%s/times', $fit->id));
        self::assertSelectorExists('#pauses button');
    }

    private function pauseOf(FitRecord $fit): float
    {
        return $this->service(TimesBook::class)->spells($fit->id, $this->service(Recorder::class)->load($fit))->pauses()[0]->minutes;
    }

    private function taken(FitRecord $fit): float
    {
        $minutes = $this->db()->fetchOne('SELECT minutes_taken FROM fit WHERE id = ?', [$fit->id]);

        return is_numeric($minutes) ? (float) $minutes : 0.0;
    }

    private function tallyOf(string $step): Tally
    {
        $this->service(PaceBook::class)->reset();

        return $this->service(PaceBook::class)->tallies()[$step][self::JOSS] ?? self::fail('nothing learned of '.$step);
    }

    private function minutes(FitRecord $fit): float
    {
        return $fit->sheet()->step(self::STEP)->slot->minutes->likely ?? self::fail('no step');
    }

    private function planned(string $fitter = ''): FitRecord
    {
        $this->service(PaceBook::class)->reset();

        return $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('corrin-drover-27d'), ['starter'], [], self::JOSS, null, 1, null, $fitter,
        );
    }

    /** A starter that was fitted and signed, so much slower than the procedure has it; with a pause before one step. */
    private function done(int $day, float $pace, string $by = self::JOSS, int $pause = 0): FitRecord
    {
        $fit = $this->planned();
        $start = new \DateTimeImmutable(sprintf('-%d days 09:00', 20 - $day));
        $player = (new FitPlayer($fit->sheet(), $fit->vehicleSheet(), $by, $start, $pace))->calledAway(self::STEP, $pause)->throughout();
        $events = $player->events();
        $end = $events[count($events) - 1]->at ?? $start;
        $lead = new FitPlayer($fit->sheet(), $fit->vehicleSheet(), 'Ines Tarrow', $end->modify('+4 minutes'));
        $signed = $lead->add(EventType::Signed, ['remark' => '', 'shown' => count($events)])->events();
        $this->service(Recorder::class)->record($fit, [...$events, ...$signed], Authority::Lead, true);
        $this->service(PaceBook::class)->reset();

        return $this->service(FitBook::class)->get($fit->id);
    }
}
