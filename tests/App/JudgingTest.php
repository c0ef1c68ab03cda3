<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Practice\JudgeBook;
use NimbleKnuckle\App\Practice\JudgeController;
use NimbleKnuckle\App\Practice\JudgeKind;
use NimbleKnuckle\App\Practice\JudgeTry;
use NimbleKnuckle\App\Practice\Judging;
use NimbleKnuckle\App\Practice\PracticeCase;
use NimbleKnuckle\App\Practice\SparkJudging;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

/** The trainer for the eye, on the simulations of the bench. */
#[CoversClass(JudgeBook::class)]
#[CoversClass(JudgeController::class)]
#[CoversClass(JudgeKind::class)]
#[CoversClass(JudgeTry::class)]
#[CoversClass(Judging::class)]
#[CoversClass(PracticeCase::class)]
#[CoversClass(SparkJudging::class)]
final class JudgingTest extends AppTestCase
{
    /** @return iterable<string, array{JudgeKind}> */
    public static function kinds(): iterable
    {
        foreach (JudgeKind::cases() as $kind) {
            yield $kind->value => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function testWhatIsRightTurnsUpInEveryFormAndScoresFull(JudgeKind $kind): void
    {
        $met = $next = [];
        for ($seed = 1; $seed <= 60; ++$seed) {
            $shown = Judging::shown($kind, $seed);
            self::assertArrayHasKey($shown->is, $shown->calls);
            self::assertNotSame('', $shown->why);
            self::assertTrue(null !== $shown->plot || [] !== $shown->trials || null !== $shown->plugs);
            $met[$shown->is] = true;
            $next[$shown->next] = true;
            self::assertSame(100, Judging::score($shown, $shown->is, $shown->next)[0]);
            $other = array_values(array_diff(array_keys($shown->calls), [$shown->is]))[0];
            self::assertSame(30, Judging::score($shown, (string) $other, $shown->next)[0]);
        }
        self::assertCount(count($shown->calls), $met, 'every call is right at some time');
        self::assertGreaterThanOrEqual(2, count($next));
        self::assertEquals(Judging::shown($kind, 7), Judging::shown($kind, 7), 'the same seed shows the same thing');
    }

    /** The picture gives nothing away: no verdict stands in it, and none on the page before somebody says it. */
    #[DataProvider('kinds')]
    public function testItIsCalledOnceAndThenToldWithWhatShowedIt(JudgeKind $kind): void
    {
        $this->signIn('joss');
        $crawler = $this->client->request('GET', '/practice/judge/'.$kind->value);
        self::assertResponseIsSuccessful();
        self::assertSelectorNotExists('.judged');
        $again = $this->client->request('GET', '/practice/judge/'.$kind->value);
        $action = $crawler->filter('.judge-form')->attr('action') ?? '';
        self::assertSame($action, $again->filter('.judge-form')->attr('action'), 'it stays until it is called');
        $first = $crawler->filter('[name=called]')->first()->attr('value');
        $this->client->request('POST', $action, ['_csrf' => $this->token(), 'called' => $first]);
        self::assertResponseRedirects('/practice/judge/'.$kind->value);
        $this->client->request('POST', $action, ['_csrf' => $this->token(), 'called' => $first, 'next' => 'stop']);
        self::assertResponseRedirects($action);
        $over = $this->client->followRedirect();
        $score = $over->filter('.figure-number')->text();
        $try = $this->service(JudgeBook::class)->recent($this->signIn('joss')->id, $kind)[0] ?? self::fail('it is not kept');
        self::assertStringContainsString((string) $try->score, $score);
        self::assertStringContainsString($try->shown()->calls[$try->shown()->is], $over->filter('h1')->text());
        // Called once more it stays what it was.
        $this->client->request('POST', $action, ['_csrf' => $this->token(), 'called' => $try->shown()->is, 'next' => $try->shown()->next]);
        self::assertSame($score, $this->client->followRedirect()->filter('.figure-number')->text());
    }

    public function testAnothersTryIsNoneOfMine(): void
    {
        $this->signIn('joss');
        $action = $this->client->request('GET', '/practice/judge/boost')->filter('.judge-form')->attr('action') ?? '';
        $this->signIn('ines');
        $this->client->request('GET', $action);
        self::assertResponseStatusCodeSame(404);
        $this->client->request('GET', '/practice/judge/horoscope');
        self::assertResponseStatusCodeSame(404);
    }
}
