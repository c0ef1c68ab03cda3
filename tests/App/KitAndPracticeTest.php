<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Kit\KitBook;
use NimbleKnuckle\App\Kit\KitController;
use NimbleKnuckle\App\Kit\KitEditor;
use NimbleKnuckle\App\Practice\PracticeBook;
use NimbleKnuckle\App\Practice\PracticeController;
use NimbleKnuckle\App\Sums\PinController;
use NimbleKnuckle\Core\Sum\InvalidInput;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Ulid;

#[CoversClass(KitController::class)]
#[CoversClass(KitEditor::class)]
#[CoversClass(PracticeController::class)]
#[CoversClass(PracticeBook::class)]
#[CoversClass(PinController::class)]
final class KitAndPracticeTest extends AppTestCase
{
    private const WRENCH = [
        'name' => 'spare click wrench', 'kind' => 'torque wrench', 'drive' => '3/8 in', 'min' => '90 in-lb', 'max' => '50 N·m',
        'error' => '4 %', 'lever' => '13 in', 'calibrated' => '2026-01-15',
    ];

    public function testAToolIsKeptInAnyUnitChangedCalibratedAndRemoved(): void
    {
        $editor = $this->service(KitEditor::class);
        $tool = $editor->keep(null, self::WRENCH);
        self::assertEqualsWithDelta(10.168, $tool->min, 0.001);
        self::assertEqualsWithDelta(330.2, $tool->lever, 1e-9);
        self::assertSame('2026-01-15', $tool->calibratedOn?->format('Y-m-d'));
        self::assertSame($tool, $editor->keep($tool, ['max' => '60 N·m'] + self::WRENCH));
        self::assertSame(60.0, $tool->max);
        $this->signIn('ines');
        $day = gmdate('Y-m-d');
        $this->client->request('POST', sprintf('/kit/tools/%s/calibrated', $tool->id), ['_csrf' => $token = $this->token()]);
        self::assertContains(
            $this->db()->fetchOne('SELECT substr(calibrated_on, 1, 10) FROM tool WHERE id = ?', [$tool->id]), [$day, gmdate('Y-m-d')],
        );
        $this->client->request('POST', sprintf('/kit/tools/%s/remove', $tool->id), ['_csrf' => $token]);
        self::assertNull($this->service(KitBook::class)->tool($tool->id));
    }

    /** @param array<string, string> $change */
    #[DataProvider('wrong')]
    public function testAToolThatCannotBeNamesItsField(array $change, string $field): void
    {
        $this->service(KitEditor::class)->keep(null, ['name' => 'taken', 'kind' => 'socket']);
        try {
            $this->service(KitEditor::class)->keep(null, $change + self::WRENCH);
            self::fail('It was kept.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrong(): iterable
    {
        yield 'no name' => [['name' => ''], 'name'];
        yield 'a name that is there' => [['name' => 'taken'], 'name'];
        yield 'no such kind' => [['kind' => 'spoon'], 'kind'];
        yield 'no range' => [['min' => ''], 'min'];
        yield 'a range that falls' => [['min' => '60 N·m'], 'max'];
        yield 'a torque in metres' => [['max' => '3 m'], 'max'];
        yield 'no day' => [['calibrated' => '2026-02-31'], 'calibrated'];
        yield 'a day to come' => [['calibrated' => '2099-01-01'], 'calibrated'];
        yield 'half of it wrong' => [['error' => '50 %'], 'error'];
    }

    public function testAToolWithoutAKindIsAskedForOneAndIsNotBroken(): void
    {
        $this->signIn('ines');
        $token = $this->token();
        foreach ([[], ['kind' => ''], ['kind' => 'anvil']] as $kind) {
            $this->client->request('POST', '/kit/tools', ['_csrf' => $token, 'id' => '', 'seen' => '', 'name' => 'Quiet one'] + $kind);
            self::assertResponseStatusCodeSame(422);
            self::assertSelectorTextContains('main', 'Choose a kind from the list.');
        }
    }

    public function testTheFormComesBackAsItWasFilledAndTheWrenchesOfAFitAreShown(): void
    {
        $this->signIn('ines');
        $this->client->request(
            'POST', '/kit/tools',
            [
                '_csrf' => $this->token(), 'name' => 'half written', 'kind' => 'torque wrench', 'min' => 'wide', 'max' => '20',
                'error' => '4',
            ],
        );
        self::assertResponseStatusCodeSame(422);
        self::assertStringContainsString('value="half written"', (string) $this->client->getResponse()->getContent());
        $this->client->request('GET', '/kit?fit='.$this->tarnFit()->id);
        self::assertStringContainsString('thermostat housing bolts', (string) $this->client->getResponse()->getContent());
        $this->client->request('POST', '/kit/devices', ['_csrf' => $this->token(), 'name' => 'new probe', 'kind' => 'thermometer']);
        $this->client->followRedirect();
        self::assertMatchesRegularExpression('/shown this once: nk_[0-9a-f]{48}/', (string) $this->client->getResponse()->getContent());
    }

    public function testPracticeIsPulledCalledScoredAndKeptPerPerson(): void
    {
        $joss = $this->signIn('joss');
        $this->client->request('GET', '/practice');
        self::assertResponseIsSuccessful();
        $try = $this->service(PracticeBook::class)->open($joss->id);
        $token = $this->token();
        $this->client->request('POST', sprintf('/practice/%s/call', $try->id), ['_csrf' => $token, 'called' => 'none']);
        $this->client->followRedirect();
        self::assertSelectorTextContains('.notice.bad', 'Pull it first');
        for ($i = 0; $i < 12; ++$i) {
            $this->client->request('POST', sprintf('/practice/%s/pull', $try->id), ['_csrf' => $token, 'ms' => 150, 'eager' => 1]);
        }
        self::assertSelectorExists('svg.plot');
        $this->client->request(
            'POST', sprintf('/practice/%s/call', $try->id),
            ['_csrf' => $token, 'called' => $try->fault->isOfTheJoint() ? $try->fault->value : 'none'],
        );
        $this->client->followRedirect();
        self::assertStringContainsString('40 for the call', (string) $this->client->getResponse()->getContent());
        self::assertCount(1, $this->service(PracticeBook::class)->recent($joss->id));
        $this->signIn('petra');
        $this->client->request('GET', '/practice/'.$try->id);
        self::assertResponseStatusCodeSame(404);
    }

    public function testASumIsPinnedToTheStepAndStandsInTheLog(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $pin = fn (string $query): array => [
            '_csrf' => $this->token(), 'fit' => $fit->id, 'event' => (string) new Ulid(), 'query' => $query,
        ];
        $this->client->request('POST', '/sums/wrench-set/pin', $pin('target=9+N·m&lever=220+mm&adapter=32+mm'));
        self::assertResponseRedirects();
        $crawler = $this->client->followRedirect();
        self::assertStringContainsString('Set the wrench to 7.9 N·m', $crawler->filter('.drawer')->text());
        self::assertNotNull($this->service(Recorder::class)->load($fit)->course()->currentStep());
        $this->client->request('POST', '/sums/wrench-set/pin', $pin('target=tight&lever=220&adapter=32'));
        $this->client->followRedirect();
        self::assertSelectorTextContains('.notice.bad', 'torque');
    }
}
