<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Jobs\JobBook;
use NimbleKnuckle\App\Jobs\JobController;
use NimbleKnuckle\App\Jobs\JobForm;
use NimbleKnuckle\App\Jobs\JobRecord;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

/** Whose vehicle a fit is on: told apart everywhere, and forgotten where somebody asks for it. */
#[CoversClass(JobController::class)]
#[CoversClass(JobBook::class)]
#[CoversClass(JobRecord::class)]
#[CoversClass(JobForm::class)]
#[CoversClass(FitBook::class)]
final class JobsTest extends AppTestCase
{
    private const GOOD = [
        'registration' => 'QX 12 HLM', 'number' => '4711', 'mileage' => '128 400 km', 'chassis' => 'INVENTED0012345',
        'customer' => 'Wren Alder', 'phone' => '0555 0199',
    ];

    public function testWhatIsSaidStandsWhereverTheFitIsShown(): void
    {
        $id = $this->said();
        foreach (['/' => '.fit-card', '/fits/'.$id => '.head', '/fits/'.$id.'/bench' => '.bench-top'] as $page => $where) {
            $this->client->request('GET', $page);
            self::assertSelectorTextContains($where, 'QX 12 HLM job 4711', $page);
        }
        foreach (['QX12HLM', 'qx 12', '4711', 'alder', '0555', 'invented0012'] as $words) {
            $this->client->request('GET', '/jump', ['q' => $words]);
            self::assertSelectorTextContains('main', 'Thermostat', $words);
        }
        $this->client->request('GET', '/fits/'.$id.'/print/sheet');
        self::assertResponseIsSuccessful();
    }

    public function testTheCustomerIsForgottenAndTheFitStays(): void
    {
        $id = $this->said();
        $crawler = $this->client->request('GET', '/fits/'.$id.'/job');
        self::assertSelectorNotExists('form[action$=forget]', 'a mechanic does not');
        foreach (self::GOOD as $field => $text) {
            self::assertSame($text, $crawler->filter('#'.$field)->attr('value'), 'it comes back as it was written');
        }
        $this->signIn('ines');
        $crawler = $this->client->request('GET', '/fits/'.$id.'/job');
        $this->client->submit($crawler->selectButton('Forget the customer')->form());
        self::assertResponseRedirects('/fits/'.$id);
        $job = $this->service(JobBook::class)->of($id);
        self::assertSame(['', '', 'QX 12 HLM', false], [$job->customer, $job->phone, $job->registration, $job->isPersonal()]);
        $this->client->request('GET', '/jump', ['q' => 'alder']);
        self::assertSelectorTextNotContains('main', 'Thermostat');
    }

    #[DataProvider('mileages')]
    public function testAMileageIsADistanceOrHours(string $text, bool $isOne): void
    {
        $this->signIn('joss');
        $id = $this->tarnFit()->id;
        $crawler = $this->client->request('GET', '/fits/'.$id.'/job');
        $this->client->submit($crawler->selectButton('Save')->form(), ['mileage' => $text]);
        $isOne ? self::assertResponseRedirects('/fits/'.$id) : self::assertSelectorTextContains('#mileage-help .bad', 'like 128400 km');
    }

    /** @return iterable<array{string, bool}> */
    public static function mileages(): iterable
    {
        foreach (['128400', '79 800 mi', '5120 h', '', '128.400 km'] as $good) {
            yield [$good, true];
        }
        yield ['a lot', false];
        yield ['12 Nm', false];
    }

    public function testAHelperLooksAndDoesNotWrite(): void
    {
        $id = $this->said();
        $this->signIn('petra');
        $this->client->request('GET', '/fits/'.$id);
        self::assertSelectorTextNotContains('.head', 'Whose vehicle');
        $this->client->request('GET', '/fits/'.$id.'/job');
        self::assertResponseStatusCodeSame(403);
    }

    private function said(): string
    {
        $this->signIn('joss');
        $id = $this->tarnFit()->id;
        $crawler = $this->client->request('GET', '/fits/'.$id);
        $crawler = $this->client->click($crawler->selectLink('Whose vehicle')->link());
        $this->client->submit($crawler->selectButton('Save')->form(), self::GOOD);
        self::assertResponseRedirects('/fits/'.$id);

        return $id;
    }
}
