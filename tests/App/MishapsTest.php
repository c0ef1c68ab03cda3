<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Exchange\FitDocument;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\MishapBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Mishaps\Mender;
use NimbleKnuckle\App\Mishaps\MishapController;
use NimbleKnuckle\App\Mishaps\MishapShelf;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Compiler\Mend;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\Uid\Ulid;

#[CoversClass(MishapController::class)]
#[CoversClass(MishapShelf::class)]
#[CoversClass(Mender::class)]
#[CoversClass(MishapBook::class)]
final class MishapsTest extends AppTestCase
{
    private const STEP = 'housing-tight';

    public function testItIsNamedFromTheBenchAndItsStepsAreShownBeforeTheyAreTaken(): void
    {
        $this->signIn('petra');
        $fit = $this->tarnFit();
        $crawler = $this->client->request('GET', '/fits/'.$fit->id.'/bench/'.self::STEP);
        $this->client->click($crawler->filter('#dropped a:contains("Snapped bolt")')->link());
        self::assertSelectorTextContains('h1', 'Snapped bolt');
        self::assertSelectorTextContains('form.mishap', 'Draw the rest out with an extractor');
        self::assertCount(0, $this->fit($fit)->state->mishaps, 'looking changes nothing');
        $this->client->submitForm('Add these steps', ['way' => 'flush']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('h1', 'Look before you touch it again');
        $now = $this->fit($fit);
        $event = array_values($now->state->mishaps)[0];
        self::assertSame('M6 thermostat housing bolt 3', $event->string('what'));
        self::assertSame('Petra Lunn', $event->by);
        self::assertCount(8, Mend::of($now->sheet, $event->id));
        self::assertSame('mishap:'.$event->id, SignOff::of($now)->looseEnds()[0]->id);
        $this->client->request('GET', '/fits/'.$fit->id.'/bench/'.self::STEP);
        self::assertSelectorTextContains('.thumb .go', 'Mend it first');
        self::assertSelectorTextContains('main', 'Not mended. Snapped bolt: M6 thermostat housing bolt 3.');
        foreach (['/logbook' => 'M6 thermostat housing bolt 3', '/vehicles/veldra-tarn-20t' => 'Snapped bolt'] as $page => $text) {
            $this->client->request('GET', $page);
            self::assertSelectorTextContains('main', $text, $page);
        }
    }

    public function testSentTwiceItIsOneMishap(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $form = $this->client->request('GET', $this->page($fit, 'torn-part'))->selectButton('Add these steps')->form([
            'thing' => 'other', 'other' => 'sensor lead clip',
        ]);
        $this->client->submit($form);
        $steps = count($this->fit($fit)->sheet->steps);
        $this->client->submit($form);
        self::assertResponseRedirects();
        self::assertCount(1, $this->fit($fit)->state->mishaps);
        self::assertSame($steps, count($this->fit($fit)->sheet->steps));
    }

    public function testWhatIsMissingIsSaidAndWhatWasWrittenStays(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $form = $this->client->request('GET', $this->page($fit, 'wrong-part'))->selectButton('Add these steps')->form([
            'thing' => 'other', 'other' => '',
        ]);
        $this->client->submit($form);
        self::assertResponseStatusCodeSame(422);
        self::assertSelectorTextContains('.wrong', 'Choose what it happened to, or write it.');
        self::assertCount(0, $this->fit($fit)->state->mishaps);
        $this->client->request('POST', $this->page($fit, 'wrong-part'), [
            '_csrf' => $this->token(), 'thing' => 'other', 'other' => 'housing with the wrong port', 'way' => 'magic',
            'event' => (string) new Ulid(),
        ]);
        self::assertSelectorTextContains('.wrong', 'Choose how it is mended.');
        self::assertInputValueSame('other', 'housing with the wrong port');
    }

    public function testUntouchedItIsWithdrawnWithItsSteps(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $before = $this->fit($fit)->sheet->toArray()['steps'];
        $this->client->request('GET', $this->page($fit, 'rounded-head'));
        $this->client->submitForm('Add these steps');
        $this->client->request('GET', '/fits/'.$fit->id.'/loose-ends');
        self::assertSelectorTextContains('.ends', 'Rounded head: M6 thermostat housing bolt 3');
        $this->client->submitForm('Withdraw');
        $this->client->followRedirect();
        self::assertSelectorTextContains('body', 'Its steps are off the sheet.');
        self::assertEquals($before, $this->fit($fit)->sheet->toArray()['steps']);
        self::assertSame([], $this->fit($fit)->state->mishaps);
        self::assertSame([], $this->service(MishapBook::class)->rows(10));
    }

    public function testOnceWorkedOnItIsNotWithdrawn(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $this->client->request('GET', $this->page($fit, 'rounded-head'));
        $this->client->submitForm('Add these steps');
        $this->send($fit->id, ['type' => 'noted', 'step' => 'mend1-look', 'text' => 'head is gone']);
        $this->client->request('GET', '/fits/'.$fit->id.'/loose-ends');
        $this->client->submitForm('Withdraw');
        $this->client->followRedirect();
        self::assertSelectorTextContains('body', 'has been worked on');
        self::assertCount(1, $this->fit($fit)->state->mishaps);
    }

    public function testATabletCannotSendOneNorTakeOneBack(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $said = ['mishap' => 'x', 'said' => 'x', 'way' => 'x', 'how' => 'x', 'what' => 'x'];
        $answer = $this->send($fit->id, ['type' => 'mishap', 'step' => self::STEP] + $said);
        self::assertStringContainsString('cannot be sent', json_encode($answer, \JSON_THROW_ON_ERROR));
        $this->client->request('GET', $this->page($fit, 'rounded-head'));
        $this->client->submitForm('Add these steps');
        $event = array_keys($this->fit($fit)->state->mishaps)[0];
        $answer = $this->send($fit->id, ['type' => 'undone', 'event' => $event]);
        self::assertStringContainsString('Withdraw it', json_encode($answer, \JSON_THROW_ON_ERROR));
        $this->client->request('GET', '/fits/'.$fit->id.'/bench/mend1-look');
        self::assertStringNotContainsString('"'.$event.'"', (string) $this->client->getResponse()->getContent(), 'no Undo for it');
    }

    public function testPlannedAgainTheMendingStays(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $this->client->request('GET', $this->page($fit, 'stripped-thread'));
        $this->client->submitForm('Add these steps');
        $shown = $this->client->request('GET', '/fits/'.$fit->id.'/replan?'.http_build_query([
            'item' => 'Stiffener plate', 'before' => 'thermostat-housing', 'fasteners' => 2,
        ]));
        $this->client->submit($shown->selectButton('Take the new sheet')->form(['reason' => 'A plate over the housing.']));
        $now = $this->fit($fit);
        self::assertNotNull($now->sheet->step('off.stiffener-plate'));
        $mends = array_filter($now->sheet->steps, static fn ($step): bool => '' !== Repair::eventOf($step));
        self::assertCount(8, $mends);
        self::assertLessThan($now->sheet->placeOf(self::STEP), $now->sheet->placeOf('mend1-try'));
    }

    public function testItGoesOutAndComesInWithTheFit(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $this->client->request('GET', $this->page($fit, 'snapped-bolt'));
        $this->client->submitForm('Add these steps');
        $file = $this->service(FitDocument::class)->write($this->service(FitBook::class)->get($fit->id));
        $ids = [$fit->id, ...array_map(static fn ($event): string => $event->id, $this->fit($fit)->state->log)];
        $new = array_map(static fn (): string => (string) new Ulid(), $ids);
        $copy = $this->fit($this->service(FitDocument::class)->read(str_replace($ids, $new, $file)));
        self::assertCount(1, $copy->state->mishaps);
        self::assertCount(count(Mend::of($this->fit($fit)->sheet, array_keys($this->fit($fit)->state->mishaps)[0])), Mend::of(
            $copy->sheet, array_keys($copy->state->mishaps)[0],
        ));
    }

    private function page(FitRecord $fit, string $mishap): string
    {
        return '/fits/'.$fit->id.'/mishap/'.$mishap.'/'.self::STEP;
    }

    private function fit(FitRecord $fit): Fit
    {
        return $this->service(Recorder::class)->load($this->service(FitBook::class)->get($fit->id));
    }
}
