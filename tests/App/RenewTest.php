<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Costs\CostBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\App\Renew\RenewController;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Law\RenewLaw;
use NimbleKnuckle\Core\Bench\Renewal\Came;
use NimbleKnuckle\Core\Bench\Renewal\RenewList;
use NimbleKnuckle\Core\Bench\Renewal\Worn;
use NimbleKnuckle\Core\Bench\Renewal\WornBy;
use NimbleKnuckle\Core\Cost\PartUsed;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\Joint;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Uid\Ulid;

/** What came off goes back in by what was measured, or by a lead's word; what is new stands on the list of parts. */
#[CoversClass(Came::class)]
#[CoversClass(RenewController::class)]
#[CoversClass(RenewLaw::class)]
#[CoversClass(RenewList::class)]
#[CoversClass(Worn::class)]
#[CoversClass(WornBy::class)]
final class RenewTest extends AppTestCase
{
    private const BOLT = 'joint damper-bolt';

    public function testWhatComesOffStandsThereWithItsRule(): void
    {
        $list = $this->list($this->damper());
        self::assertArrayHasKey(self::BOLT, $list->came);
        self::assertTrue($list->came[self::BOLT]->isAlwaysNew, 'by the vehicle sheet');
        self::assertCount(count($list->came), $list->open());
        self::assertSame([], $list->renewed());
    }

    /** @param array<string, string|float> $said */
    #[DataProvider('judgements')]
    public function testWhatItWasJudgedBySaysWhetherItGoesBackIn(array $said, Authority $hand, string $refused): void
    {
        $record = $this->damper();
        $part = $said['part'] ?? 'part cover gasket';
        if ('' !== $refused) {
            $this->expectException(InvalidEvent::class);
            $this->expectExceptionMessageMatches('/'.$refused.'/u');
        }
        $this->judge($record, $said + ['part' => $part, 'name' => 'Cover gasket', 'verdict' => 'reuse'], $hand);
        self::assertArrayHasKey((string) $part, $this->list($record)->judged);
    }

    /** @return iterable<string, array{array<string, string|float>, Authority, string}> */
    public static function judgements(): iterable
    {
        $mechanic = Authority::Mechanic;
        yield 'sound by its look' => [['by' => 'look'], $mechanic, ''];
        yield 'a nail is no measure' => [['by' => 'nail'], $mechanic, 'fingernail does not measure'];
        yield 'not even for a new one' => [['by' => 'nail', 'verdict' => 'renew'], $mechanic, 'fingernail'];
        yield 'a reading without a limit' => [['by' => 'thickness', 'value' => 2.1], $mechanic, 'limit'];
        yield 'a length of nothing' => [['by' => 'length', 'most' => 60.0], $mechanic, 'what was read'];
        yield 'no play at all' => [['by' => 'wear', 'value' => 0.0, 'most' => 0.1], $mechanic, ''];
        yield 'at its limit' => [['by' => 'wear', 'value' => 0.1, 'most' => 0.1], $mechanic, ''];
        yield 'over its limit' => [['by' => 'wear', 'value' => 0.11, 'most' => 0.1], $mechanic, 'Say why'];
        $over = ['by' => 'wear', 'value' => 0.11, 'most' => 0.1, 'reason' => 'until Monday'];
        yield 'over it, with a reason' => [$over, $mechanic, 'lead'];
        yield 'over it, by a lead' => [$over, Authority::Lead, ''];
        yield 'a lead gives a reason too' => [['by' => 'crack'], Authority::Lead, 'Say why'];
        yield 'thinner than allowed' => [['by' => 'thickness', 'value' => 1.9, 'least' => 2.0], $mechanic, 'Say why'];
        yield 'thick enough' => [['by' => 'thickness', 'value' => 2.0, 'least' => 2.0], $mechanic, ''];
        yield 'its age is up' => [['by' => 'age'], $mechanic, 'Say why'];
        $turned = ['by' => 'hardness', 'value' => 60.0, 'least' => 70.0, 'most' => 50.0];
        yield 'limits the wrong way round' => [$turned, $mechanic, 'more than'];
        yield 'less than nothing' => [['by' => 'wear', 'value' => -1.0, 'most' => 1.0], $mechanic, 'nothing or more'];
        yield 'no such measure' => [['by' => 'smell'], $mechanic, 'judged by'];
        yield 'no such verdict' => [['by' => 'look', 'verdict' => 'perhaps'], $mechanic, 'goes back in'];
        yield 'no name' => [['by' => 'look', 'name' => ' ', 'part' => 'part '], $mechanic, 'is needed'];
        yield 'another name than its key' => [['by' => 'look', 'part' => 'part hose'], $mechanic, 'which part'];
        yield 'new each time, however it looks' => [['by' => 'look', 'part' => self::BOLT], $mechanic, 'New each time'];
        yield 'and a new one is no question' => [['by' => 'look', 'part' => self::BOLT, 'verdict' => 'renew'], Authority::Helper, ''];
    }

    public function testWhatIsNewStandsOnTheListOfPartsAndWhatGoesAgainstItsRuleInTheReview(): void
    {
        $record = $this->damper();
        $this->signIn('ines');
        $this->client->request('GET', '/fits/'.$record->id.'/renew?part='.rawurlencode(self::BOLT));
        $this->client->submitForm('New one in', ['by' => 'look']);
        self::assertResponseRedirects('/fits/'.$record->id.'/renew');
        $this->client->request('GET', '/fits/'.$record->id.'/renew?part=other');
        $this->client->submitForm('New one in', ['name' => 'Front seal', 'by' => 'crack']);
        $parts = array_map(static fn (PartUsed $part): string => $part->name.' '.$part->planned, $this->service(CostBook::class)->of(
            $record->id, $this->service(Recorder::class)->load($record),
        )->parts);
        self::assertContains('Front seal 1', $parts);
        self::assertContains($this->list($record)->came[self::BOLT]->name.' 1', $parts);
        $crawler = $this->client->request('GET', '/fits/'.$record->id.'/renew?part=other');
        $form = $crawler->selectButton('Goes back in')->form(['name' => 'Idler', 'by' => 'wear', 'value' => '0,3', 'most' => '0.2 mm']);
        $this->client->submit($form);
        $this->client->followRedirect();
        self::assertSelectorTextContains('.flash, [role=alert], .notice', 'Say why it goes back in');
        self::assertInputValueSame('value', '0,3', 'nothing that was entered is lost');
        self::assertInputValueSame('name', 'Idler');
        $this->client->submitForm('Goes back in', ['reason' => 'New one comes on Monday']);
        $this->client->request('GET', '/fits/'.$record->id.'/review');
        self::assertSelectorTextContains('#off-the-sheet', 'Used again against the rule');
        self::assertSelectorTextContains('#off-the-sheet', "0.3\u{202f}mm, over 0.2. New one comes on Monday");
        // Taken back, it is as if it had not been said.
        $event = $this->list($record)->judged['part idler']->event->id;
        $this->service(Recorder::class)->record($record, [FitEvent::of(
            (string) new Ulid(), EventType::Undone, ['event' => $event], 'Ines Tarrow', new \DateTimeImmutable(),
        )], Authority::Lead);
        self::assertArrayNotHasKey('part idler', $this->list($record)->came);
    }

    public function testALengthIsHeldAgainstTheSheetWhereNobodySaysMore(): void
    {
        $bolt = Came::ofJoint(Joint::read(Node::of([
            'id' => 'rod-bolts', 'name' => 'rod bolts', 'layout' => 'line 2', 'thread' => 'M10', 'figure' => '40 N·m', 'into_yield' => true,
            'longest' => 81.5,
        ])));
        self::assertFalse($bolt->isAlwaysNew, 'a limit decides');
        self::assertSame(2, $bolt->count);
        $event = static fn (float $value, float $most): FitEvent => FitEvent::of((string) new Ulid(), EventType::PartJudged, [
            'part' => $bolt->id, 'name' => $bolt->name, 'verdict' => 'reuse', 'by' => 'length', 'value' => $value, 'most' => $most,
        ], 'Joss Wending', new \DateTimeImmutable());
        self::assertFalse(Worn::of($bolt, $event($bolt->longest, 0.0))->isAgainst());
        self::assertTrue(Worn::of($bolt, $event($bolt->longest + 0.01, 0.0))->isAgainst());
        self::assertTrue(Worn::of($bolt, $event($bolt->longest + 0.01, 1000.0))->isAgainst(), 'a wider limit is not taken');
        self::assertTrue(Worn::of($bolt, $event($bolt->longest, $bolt->longest - 1.0))->isAgainst(), 'a narrower one is');
    }

    private function damper(): FitRecord
    {
        return $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('ostrel-vane-s6'), ['crank-damper'], [], 'Joss Wending',
        );
    }

    private function list(FitRecord $record): RenewList
    {
        return RenewList::of($this->service(Recorder::class)->load($record));
    }

    /** @param array<string, string|float> $said */
    private function judge(FitRecord $record, array $said, Authority $hand): void
    {
        $this->service(Recorder::class)->record($record, [FitEvent::of(
            (string) new Ulid(), EventType::PartJudged, $said, 'Joss Wending', new \DateTimeImmutable(),
        )], $hand);
    }
}
