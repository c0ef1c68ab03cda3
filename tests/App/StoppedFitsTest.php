<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitStatus;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Law\EndLaw;
use PHPUnit\Framework\Attributes\CoversClass;

/** A fit on hold, or cancelled: said with a reason, nothing marked on it meanwhile, and taken up again. */
#[CoversClass(FitStatus::class)]
#[CoversClass(EndLaw::class)]
#[CoversClass(Recorder::class)]
final class StoppedFitsTest extends AppTestCase
{
    public function testAFitOnHoldTakesNoMarkUntilItIsTakenUpAgain(): void
    {
        $this->signIn('joss');
        $id = $this->tarnFit()->id;
        $this->stop($id, 'on-hold', 'Waits for the ring');
        self::assertSelectorTextContains('#stopped', 'On hold');
        self::assertSelectorTextContains('#stopped', 'Waits for the ring');
        self::assertSelectorNotExists('a[href$="/bench"]');
        $this->client->request('GET', '/fits/'.$id.'/bench');
        self::assertResponseRedirects('/fits/'.$id);
        $this->send($id, ['type' => 'dropped', 'what' => 'a washer']);
        self::assertResponseStatusCodeSame(422);
        $said = (string) $this->client->getResponse()->getContent();
        self::assertStringContainsString('This fit is on hold: take it up again first.', $said);
        $this->send($id, ['type' => 'noted', 'text' => 'ring has come']);
        self::assertResponseIsSuccessful();
        $this->client->request('GET', '/');
        self::assertSelectorTextContains('main', 'On hold.');
        $this->client->request('GET', '/fits/'.$id.'/replan');
        self::assertResponseStatusCodeSame(403);
        $crawler = $this->client->request('GET', '/fits/'.$id);
        $this->client->submit($crawler->selectButton('Take it up again')->form());
        $this->client->followRedirect();
        self::assertSelectorExists('a[href$="/bench"]');
        self::assertSame(FitStatus::InHand, $this->service(FitBook::class)->get($id)->status);
        $this->send($id, ['type' => 'taken-up']);
        self::assertStringContainsString('nobody stopped it', (string) $this->client->getResponse()->getContent());
    }

    public function testOverLooseEndsOnlyALeadCancels(): void
    {
        $this->signIn('joss');
        $id = $this->tarnFit()->id;
        $this->stop($id, 'cancelled', 'The customer took it away');
        self::assertSelectorTextContains('.notice.bad', 'loose ends are open: close them first, or a lead cancels');
        $this->signIn('ines');
        $this->stop($id, 'cancelled', 'Customer has sold it');
        self::assertSelectorTextContains('#stopped', 'Cancelled');
        $this->client->request('GET', '/');
        self::assertSelectorTextNotContains('.fit-card', 'thermostat under the vehicle');
        $crawler = $this->client->request('GET', '/fits');
        self::assertSelectorTextContains('main', 'Cancelled, 1');
        $this->client->click($crawler->filter('details.working')->selectLink('Tarn 20T: thermostat under the vehicle')->link());
        self::assertSelectorTextContains('#stopped', 'Customer has sold it');
    }

    public function testAReasonIsNeededAndAHelperStopsNothing(): void
    {
        $this->signIn('joss');
        $id = $this->tarnFit()->id;
        $this->stop($id, 'on-hold', 'x');
        self::assertSelectorTextContains('.notice.bad', 'Say why in two words or more');
        $this->stop($id, 'sideways', 'No good reason');
        self::assertSelectorTextContains('.notice.bad', 'put on hold, or it is cancelled');
        $this->signIn('petra');
        $this->client->request('GET', '/fits/'.$id);
        self::assertSelectorNotExists('#stop-it');
        $this->send($id, ['type' => 'stopped', 'kind' => 'on-hold', 'reason' => 'Lunch is ready']);
        self::assertStringContainsString('A mechanic or a lead stops a fit', (string) $this->client->getResponse()->getContent());
    }

    public function testASignedFitIsNotStopped(): void
    {
        $this->signIn('ines');
        $id = $this->db()->fetchOne("SELECT id FROM fit WHERE status = 'signed' LIMIT 1");
        $id = is_string($id) ? $id : '';
        $this->client->request('GET', '/fits/'.$id);
        self::assertSelectorNotExists('#stop-it');
        $this->send($id, ['type' => 'stopped', 'kind' => 'cancelled', 'reason' => 'Too late now']);
        self::assertStringContainsString('signed off', (string) $this->client->getResponse()->getContent());
    }

    private function stop(string $id, string $kind, string $reason): void
    {
        $form = $this->client->request('GET', '/fits/'.$id)->selectButton('Put on hold')->form();
        $values = ['kind' => $kind, 'reason' => $reason] + $form->getPhpValues();
        $this->client->request('POST', $form->getUri(), $values);
        $this->client->followRedirect();
    }
}
