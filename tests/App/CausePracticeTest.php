<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Causes\CauseShelf;
use NimbleKnuckle\App\Practice\CausePractice;
use NimbleKnuckle\App\Practice\CausePracticeController;
use NimbleKnuckle\App\Practice\CauseTry;
use NimbleKnuckle\Core\Causes\HiddenCause;
use PHPUnit\Framework\Attributes\CoversClass;

/** A hidden cause is looked for: answers stay, minutes count, a part that was not it costs, the right one ends it. */
#[CoversClass(CausePractice::class)]
#[CoversClass(CausePracticeController::class)]
#[CoversClass(CauseTry::class)]
#[CoversClass(HiddenCause::class)]
final class CausePracticeTest extends AppTestCase
{
    public function testWhatIsHiddenIsDrawnAsTheTableHasItAndAnswersAlike(): void
    {
        $table = $this->service(CauseShelf::class)->all()['slow-start'];
        $drawn = [];
        for ($seed = 1; $seed <= 3000; ++$seed) {
            $cause = (new HiddenCause($table, 7919 * $seed))->cause;
            $drawn[$cause] = ($drawn[$cause] ?? 0) + 1;
        }
        foreach ($table->priors as $cause => $prior) {
            self::assertEqualsWithDelta($prior, ($drawn[$cause] ?? 0) / 3000, 0.03, $cause);
        }
        $check = array_values($table->checks)[0];
        $answers = [];
        for ($seed = 1; $seed <= 2000; ++$seed) {
            $hidden = new HiddenCause($table, 7919 * $seed);
            self::assertSame($hidden->answer($check), (new HiddenCause($table, 7919 * $seed))->answer($check));
            'earth' !== $hidden->cause || $answers[] = $hidden->answer($check);
        }
        $share = count(array_filter($answers, static fn (string $one): bool => $one === $check->answers[0])) / max(1, count($answers));
        self::assertEqualsWithDelta($check->under('earth', 1.0)[0], $share, 0.06);
    }

    public function testTheWayOfTheTableIsShorterThanAskingAllAndMostlyRight(): void
    {
        foreach ($this->service(CauseShelf::class)->all() as $table) {
            $all = array_sum(array_column($table->checks, 'minutes'));
            [$right, $minutes] = [0, 0.0];
            for ($seed = 1; $seed <= 60; ++$seed) {
                $hidden = new HiddenCause($table, 104_729 * $seed);
                $way = $hidden->way();
                $right += $way['cause'] === $hidden->cause ? 1 : 0;
                $minutes += $way['minutes'] / 60;
            }
            self::assertLessThan(0.65 * $all, $minutes, $table->id);
            self::assertGreaterThan(30, $right, $table->id);
        }
    }

    public function testItIsLookedForAndScored(): void
    {
        $person = $this->signIn('joss');
        $practice = $this->service(CausePractice::class);
        $page = $this->client->request('GET', '/practice/cause?symptom=slow-start');
        self::assertResponseIsSuccessful();
        $try = $practice->open($person->id);
        self::assertSame('slow-start', $try->symptom);
        self::assertSelectorTextContains('.figure-number', '0');
        $way = $practice->hidden($try)->way();
        foreach ($way['checks'] as $check) {
            $this->client->request('POST', '/practice/cause/'.$try->id, ['_csrf' => $this->token(), 'check' => $check]);
            $page = $this->client->followRedirect();
        }
        $try = $practice->open($person->id);
        self::assertSame($way['checks'], $try->made);
        self::assertEqualsWithDelta($way['minutes'], $practice->minutes($try), 1e-9);
        self::assertCount(count($way['checks']), $page->filter('.ends b.chip'));
        $hidden = $practice->hidden($try)->cause;
        $wrong = array_values(array_diff(array_keys($practice->table($try)->names), [$hidden]))[0];
        foreach ([$wrong, $wrong, 'no such cause'] as $mend) {
            $this->client->request('POST', '/practice/cause/'.$try->id, ['_csrf' => $this->token(), 'mend' => $mend]);
            $page = $this->client->followRedirect();
        }
        self::assertStringContainsString('not it', $page->filter('main')->text());
        self::assertStringNotContainsString('It was:', $page->filter('h1')->text(), 'it is not told before it is found');
        $this->client->request('POST', '/practice/cause/'.$try->id, ['_csrf' => $this->token(), 'mend' => $hidden]);
        self::assertResponseRedirects('/practice/cause/'.$try->id);
        $page = $this->client->followRedirect();
        self::assertStringContainsString('It was: '.$practice->table($try)->names[$hidden], $page->filter('h1')->text());
        self::assertSame('75 of 100', $page->filter('.figure-number')->text(), 'one part for nothing, no minute too many');
        self::assertSame([75], array_map(static fn (CauseTry $one): int => $one->score, $practice->recent($person->id)));
        $this->client->request('POST', '/practice/cause/'.$try->id, ['_csrf' => $this->token(), 'mend' => $wrong]);
        self::assertSame(75, $practice->find($try->id, $person->id)->score ?? 0, 'what is over stays');
    }

    public function testEveryCheckAtOnceCostsPointsAndGuessingCostsParts(): void
    {
        $person = $this->signIn('joss');
        $practice = $this->service(CausePractice::class);
        $try = $practice->open($person->id, 'overheats');
        foreach (array_keys($practice->table($try)->checks) as $check) {
            $practice->check($try, $check);
            $practice->check($try, $check);
        }
        $practice->mend($try, $practice->hidden($try)->cause);
        // Which cause is hidden is drawn: for some of them the shortest way is nearly all of it.
        $tooLong = $practice->minutes($try) / max(1.0, $practice->hidden($try)->way()['minutes']);
        self::assertLessThan($tooLong > 1.1 ? 100 : 101, $try->score, sprintf('%.2f times as long', $tooLong));
        self::assertGreaterThanOrEqual(60, $try->score);
        $guess = $practice->open($person->id, 'overheats');
        foreach (array_keys($practice->table($guess)->names) as $cause) {
            $practice->mend($guess, $cause);
        }
        self::assertTrue($guess->isOver());
        self::assertSame(max(0, 100 - 25 * (count($guess->changed) - 1)), $guess->score);
    }

    public function testAnotherComplaintGivesUpTheOneThatIsOpen(): void
    {
        $person = $this->signIn('joss');
        $practice = $this->service(CausePractice::class);
        $first = $practice->open($person->id, 'squeal');
        self::assertSame($first->id, $practice->open($person->id)->id);
        $practice->check($first, (string) array_key_first($practice->table($first)->checks));
        $second = $practice->open($person->id, 'overheats');
        self::assertNotSame($first->id, $second->id);
        self::assertTrue($first->isOver());
        self::assertSame(0, $first->score);
        $this->client->request('GET', '/practice/cause/'.$first->id);
        self::assertSelectorTextContains('main', 'Given up');
        $this->signIn('petra');
        $this->client->request('GET', '/practice/cause/'.$second->id);
        self::assertResponseStatusCodeSame(404, 'another’s try is none of mine');
    }
}
