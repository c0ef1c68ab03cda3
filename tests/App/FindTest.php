<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Find\FindBook;
use NimbleKnuckle\App\Find\Hit;
use NimbleKnuckle\App\Find\JumpController;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitFilter;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleEditor;
use NimbleKnuckle\App\Planning\FitsController;
use NimbleKnuckle\Core\Bench\Labour\LabourTimes;
use NimbleKnuckle\Core\Vehicle\Joint;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Request;

/** What is looked for is found: by letters, by what was done on what, by whom and when. */
#[CoversClass(FindBook::class)]
#[CoversClass(FitFilter::class)]
#[CoversClass(FitsController::class)]
#[CoversClass(LabourTimes::class)]
#[CoversClass(Hit::class)]
#[CoversClass(JumpController::class)]
final class FindTest extends AppTestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function words(): iterable
    {
        yield 'a vehicle' => ['drover', 'Corrin Drover 27D'];
        yield 'a piece from within a word' => ['elliv', 'Pelliver Dray 18'];
        yield 'an item' => ['viscous', 'item of the Drover 27D'];
        yield 'a joint' => ['pump bolts drover', 'joint of the Drover 27D'];
        yield 'a fit' => ['thermostat tarn', 'fit, in-hand'];
        yield 'what was done' => ['pump drover', 'fits like it'];
        yield 'a procedure' => ['crank damper', 'procedure'];
        yield 'a person' => ['wending', 'mechanic'];
        yield 'a sum' => ['coolant-mix', 'sum coolant-mix'];
        yield 'a page' => ['logbook', 'page'];
        yield 'two letters' => ['ka', 'Kit'];
        yield 'one short word and one long' => ['27 drov', 'Corrin Drover 27D'];
    }

    #[DataProvider('words')]
    public function testItIsFound(string $words, string $expected): void
    {
        $this->signIn('petra');
        $this->client->request('GET', '/jump?q='.rawurlencode('ka' === $words ? 'ki' : $words));
        self::assertSelectorTextContains('#hits', $expected);
    }

    public function testAJointIsFoundWithAllOfItsFigure(): void
    {
        $this->signIn('petra');
        $joints = $this->service(Garage::class)->get('ostrel-vane-s6')->sheet()->joints;
        $joint = array_values(array_filter($joints, static fn (Joint $one): bool => str_contains($one->whole(), '°')))[0];
        $this->client->request('GET', '/jump?q='.rawurlencode($joint->name));
        self::assertSelectorTextContains('#hits', $joint->whole());
    }

    public function testSignsThatMeanSomethingToAnIndexAreLettersHere(): void
    {
        $this->signIn('petra');
        foreach (['"', 'a"b"c', 'NEAR(tarn)', '%%%', '___', 'tarn OR drover', "'; DROP", '***', str_repeat('x', 5000)] as $words) {
            $this->client->request('GET', '/jump?q='.rawurlencode($words));
            self::assertResponseIsSuccessful($words);
        }
        self::assertSelectorTextContains('#hits', 'Nothing is called that');
    }

    public function testWhatIsChangedIsFoundByItsNewName(): void
    {
        $this->signIn('ines');
        $book = $this->service(FindBook::class);
        $labels = static fn (string $words): array => array_map(static fn (Hit $hit): string => $hit->label, $book->find($words));
        $this->service(VehicleEditor::class)->apply(
            $this->service(Garage::class)->get('corrin-drover-27d'), 'item',
            Request::create('/', 'POST', ['name' => 'Winch bracket'])->request,
        );
        self::assertSame(['Winch bracket'], $labels('winch'));
        self::assertCount(1, array_unique($labels('viscous')), 'what was there is there once');
        $fit = $this->tarnFit()->id;
        $crawler = $this->client->request('GET', '/fits/'.$fit.'/job');
        $this->client->submit($crawler->selectButton('Save')->form(), ['registration' => 'AB 12 CDE', 'customer' => 'Rosa Quill']);
        foreach (['ab12', 'AB 12 CDE', 'quill'] as $words) {
            self::assertStringContainsString('Tarn', implode(' ', $labels($words)), $words);
        }
        $this->client->request('POST', '/fits/'.$fit.'/job/forget', ['_csrf' => $this->token()]);
        self::assertSame([], $labels('quill'), 'a forgotten customer is not found');
        self::assertNotSame([], $labels('ab12'));
    }

    public function testAQuantityIsSaidInOtherUnits(): void
    {
        $this->signIn('petra');
        $this->client->request('GET', '/jump?q='.rawurlencode('45 ft-lb'));
        self::assertSelectorTextContains('.conversion', "61.01\u{202F}N·m");
        self::assertSelectorTextContains('.conversion', "540\u{202F}lbf·in");
        $this->client->request('GET', '/jump?q=45');
        self::assertSelectorNotExists('.conversion', 'a bare number could be anything');
    }

    public function testFitsAreShownAsTheyAreAskedFor(): void
    {
        $this->signIn('petra');
        $book = $this->service(FitBook::class);
        $all = $book->countSigned();
        self::assertGreaterThan(0, $all);
        $first = $book->signed(1)[0];
        $month = substr($first->signed->at, 0, 7);
        $hands = array_keys($book->minutesOf($first->id));
        self::assertNotSame([], $hands);
        self::assertContains($hands[0], $book->hands());
        $asked = ['vehicle' => $first->vehicle->id, 'person' => $hands[0], 'work' => mb_substr($first->title, 1, 5), 'month' => $month];
        foreach (['/fits', '/logbook'] as $page) {
            $this->client->request('GET', $page.'?'.http_build_query($asked));
            self::assertSelectorTextContains('table.list', $first->title);
            foreach ($asked as $field => $value) {
                $this->client->request('GET', $page.'?'.http_build_query([$field => 'month' === $field ? '1999-01' : 'none-such']));
                self::assertSelectorTextContains('table.list', 'None is like that', $page.' '.$field);
                self::assertSame(0, $book->countSigned(new FitFilter(...['month' === $field ? 'month' : $field => '1999-01'])));
            }
        }
        $this->client->request('GET', '/fits?month=2026-13&page=&work='.rawurlencode("%'"));
        self::assertResponseIsSuccessful('what is no month is no filter');
    }

    public function testAFitIsPutAwayAndFoundAgain(): void
    {
        $this->signIn('ines');
        $book = $this->service(FitBook::class);
        [$first, $all] = [$book->signed(1)[0], $book->countSigned()];
        $this->client->submit($this->client->request('GET', '/fits/'.$first->id)->selectButton('Archive')->form());
        self::assertSame($all - 1, $book->countSigned());
        $crawler = $this->client->request('GET', '/fits?away=1');
        self::assertCount(1, $crawler->filter('table.list tbody tr'));
        $this->client->submit($this->client->request('GET', '/fits/'.$first->id)->selectButton('Bring back')->form());
        self::assertSame($all, $book->countSigned());
        $open = $this->tarnFit()->id;
        self::assertSelectorNotExists('form[action$="/away"]');
        $this->client->request('POST', '/fits/'.$open.'/away', ['_csrf' => $this->token()]);
        self::assertContains($open, array_map(static fn ($fit): string => $fit->id, $book->open()), 'an open one is not put away');
    }

    public function testTheSameIsPlannedAgainWithTheSameWays(): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/start?vehicle=corrin-drover-27d&procedure=starter&c_starter-thread=paste');
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $this->client->followRedirect();
        $crawler = $this->client->click($this->client->getCrawler()->selectLink('Plan the same again')->link());
        self::assertSelectorExists('input[name=c_starter-thread][value=paste][checked]');
        $this->client->submit($crawler->selectButton('Make the sheet')->form());
        $both = $this->db()->fetchFirstColumn("SELECT choices FROM fit WHERE title = 'Starter motor' AND status = 'planned'");
        self::assertCount(2, $both);
        self::assertSame($both[0], $both[1]);
    }

    public function testTimeIsCountedFromMarkToMarkOfEachPerson(): void
    {
        $at = static fn (int ...$minutes): array => array_map(
            static fn (int $m): \DateTimeImmutable => new \DateTimeImmutable('@'.(1_800_000_000 + $m * 60)), array_values($minutes),
        );
        self::assertSame(0.0, LabourTimes::minutes([]));
        self::assertSame(0.0, LabourTimes::minutes($at(5)));
        self::assertSame(70.0, LabourTimes::minutes($at(0, 10, 70)), 'an hour is still at the bench');
        self::assertSame(10.0, LabourTimes::minutes($at(0, 10, 71)), 'more than an hour is away');
        self::assertSame(10.0, LabourTimes::minutes($at(10, 0, 10)), 'a clock that went back takes nothing away');
    }
}
