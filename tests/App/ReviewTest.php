<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Demo\FitPlayer;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\FitStatus;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Review\ReviewController;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Bench\Told\JointTold;
use NimbleKnuckle\Core\Bench\Told\PhaseTold;
use NimbleKnuckle\Core\Bench\Told\ReadingTold;
use PHPUnit\Framework\Attributes\CoversClass;

/** A lead looks at all of it on one page, and signs what stood there and nothing that came after. */
#[CoversClass(JointTold::class)]
#[CoversClass(PhaseTold::class)]
#[CoversClass(ReadingTold::class)]
#[CoversClass(ReviewController::class)]
#[CoversClass(FitNarrative::class)]
final class ReviewTest extends AppTestCase
{
    public function testAllThatMattersStandsOnOnePage(): void
    {
        $this->signIn('ines');
        $record = $this->finished();
        $crawler = $this->client->request('GET', "/fits/$record->id/review");
        self::assertSelectorTextContains('#off-the-sheet', 'it all went by the sheet');
        self::assertSelectorTextContains('main', 'Who did what');
        $told = new FitNarrative($this->service(Recorder::class)->load($record));
        self::assertCount(count($told->readings()), $crawler->filter('#readings tbody tr'));
        self::assertStringContainsString('−30 to 40', $crawler->filter('#readings')->text(), 'limits of a reading in °C are said');
        self::assertCount(count($told->joints()), $crawler->filter('#joints tbody tr'));
        foreach ($told->joints() as $joint) {
            self::assertTrue($joint->isWhole(), $joint->name);
            self::assertEqualsCanonicalizing(range(1, $joint->count), $joint->order);
        }
        $steps = array_sum(array_map(static fn (PhaseTold $phase): int => $phase->all, $told->phases()));
        self::assertSame(count($record->sheet()->steps), $steps, 'the counts add up');
        self::assertSame($steps, array_sum($told->stepsOf()));
        self::assertEqualsWithDelta(
            $record->minutesTaken, array_sum(array_map(static fn (PhaseTold $phase): float => $phase->taken, $told->phases())), 1.0,
        );
    }

    /** The two taps of a tired lead: the page was opened, somebody wrote a note, and the old form is sent. */
    public function testAMarkMadeAfterItWasShownAsksAgain(): void
    {
        $this->signIn('ines');
        $record = $this->finished();
        $form = $this->client->request('GET', "/fits/$record->id/review")->selectButton('Sign it off')->form();
        $this->send($record->id, ['type' => 'noted', 'text' => 'the hose rubs on the bracket']);
        self::assertResponseIsSuccessful();
        $this->client->submit($form);
        self::assertResponseRedirects("/fits/$record->id/review");
        $crawler = $this->client->followRedirect();
        self::assertSelectorTextContains('.notice.bad', 'Something was marked since you looked');
        self::assertSelectorTextContains('main', 'the hose rubs on the bracket');
        self::assertNotSame(FitStatus::Signed, $this->service(FitBook::class)->get($record->id)->status);
        $this->client->submit($crawler->selectButton('Sign it off')->form(), ['remark' => 'hose moved']);
        $this->client->followRedirect();
        self::assertSame(FitStatus::Signed, $this->service(FitBook::class)->get($record->id)->status);
        self::assertSelectorTextContains('#sign', 'hose moved');
        self::assertSelectorNotExists('#sign form');
    }

    public function testASignatureWithoutTheReviewIsNone(): void
    {
        $this->signIn('ines');
        $record = $this->finished();
        foreach ([[], ['seen' => 0], ['seen' => 0, 'shown' => 1]] as $payload) {
            $this->send($record->id, ['type' => 'signed'] + $payload);
            self::assertResponseStatusCodeSame(422);
        }
        $this->signIn('joss');
        $this->client->request('GET', "/fits/$record->id/review");
        self::assertResponseStatusCodeSame(403);
        $this->client->request('GET', "/fits/$record->id/loose-ends");
        self::assertSelectorTextNotContains('main', 'Review and sign');
    }

    public function testOverLooseEndsThereIsNothingToSign(): void
    {
        $this->signIn('ines');
        $this->client->request('GET', '/fits/'.$this->tarnFit()->id.'/review');
        self::assertSelectorNotExists('#sign form');
        self::assertSelectorTextContains('#sign', 'not yet');
        self::assertSelectorTextContains('#joints', 'not final');
    }

    private function finished(): FitRecord
    {
        $record = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('corrin-drover-27d'), ['water-pump'], [], 'Joss Wending',
        );
        $player = new FitPlayer($record->sheet(), $record->vehicleSheet(), 'Joss Wending', new \DateTimeImmutable('-5 hours'), 1.0);
        $this->service(Recorder::class)->record($record, $player->throughout()->events(), Authority::Lead);

        return $this->service(FitBook::class)->get($record->id);
    }
}
