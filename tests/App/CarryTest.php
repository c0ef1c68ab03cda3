<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Accounts\PersonProvider;
use NimbleKnuckle\App\Carry\CarriedFit;
use NimbleKnuckle\App\Carry\CarryController;
use NimbleKnuckle\App\Carry\TabletSheet;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Cpu;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;
use Symfony\Component\Security\Core\Authentication\Token\UsernamePasswordToken;

/** A fit as a tablet carries it: every step act by act, no more than fits, and asked for again only where it changed. */
#[CoversClass(CarriedFit::class)]
#[CoversClass(CarryController::class)]
#[CoversClass(TabletSheet::class)]
final class CarryTest extends AppTestCase
{
    public function testEveryStepIsPlayedToItsEnd(): void
    {
        $this->signIn('joss');
        $fit = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('corrin-drover-27d'), ['starter', 'water-pump'], [], 'Joss Wending',
        );
        $carried = null;
        self::assertLessThan(5.0, Cpu::seconds(function () use (&$carried, $fit): void { $carried = $this->carry($fit->id); }));
        self::assertNotNull($carried);
        self::assertLessThan(6_000_000, strlen((string) $this->client->getResponse()->getContent()));
        self::assertCount(count($fit->sheet()->steps), $carried->nodes('steps'));
        foreach ($carried->nodes('steps') as $step) {
            $frames = array_values($step->nodes('frames'));
            self::assertTrue($frames[count($frames) - 1]->bool('closed'), $step->string('id'));
            self::assertStringContainsString('step-title', $frames[0]->string('work'));
            $closing = 0;
            foreach (array_slice($frames, 0, -1) as $frame) {
                self::assertTrue($frame->has('act') || $frame->has('timer'), $step->string('id'));
                foreach ($frame->has('act') ? $frame->node('act')->nodes('marks') : [] as $mark) {
                    $closing += 'step-done' === $mark->string('type') ? 1 : 0;
                }
            }
            self::assertSame(1, $closing, $step->string('id').' is closed by one act');
        }
    }

    public function testOnlyWhatChangedIsSentAgain(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit()->id;
        $mark = $this->carry($fit)->string('mark');
        $this->client->request('GET', sprintf('/fits/%s/carry?have=%s', $fit, $mark));
        self::assertResponseStatusCodeSame(204);
        $this->send($fit, ['type' => 'noted', 'text' => 'another tablet']);
        self::assertNotSame($mark, $this->carry($fit)->string('mark'));
        // Another person may do other things: what one carries is not for the other.
        $this->signIn('ines');
        $this->client->request('GET', sprintf('/fits/%s/carry?have=%s', $fit, $mark));
        self::assertResponseStatusCodeSame(200);
    }

    public function testAStageThatStandsGoesOnStandingOnTheTablet(): void
    {
        $record = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('veldra-tarn-20t'), ['thermostat-under'], ['fill' => 'vacuum'], 'Joss Wending',
        );
        $fit = $this->service(Recorder::class)->load($record);
        $isVacuum = static fn (Step $one): bool => str_starts_with($one->asking->routine, 'vacuum');
        $step = array_values(array_filter($fit->sheet->steps, $isVacuum))[0];
        foreach (FillRoutine::named($step->asking->routine)->stages ?? [] as $n => $stage) {
            $now = new \DateTimeImmutable();
            $fit = $fit->then(FitEvent::of(sprintf('01HZZZZZZZ%016d', $n), EventType::StageBegun, [
                'step' => $step->id, 'stage' => $stage->id,
            ], 'Joss Wending', $now));
            if ($stage->seconds > 0) {
                break;
            }
        }
        // The head of the bench says whose hand it is.
        $person = $this->service(PersonProvider::class)->loadUserByIdentifier('joss');
        $this->service(TokenStorageInterface::class)->setToken(new UsernamePasswordToken($person, 'main', $person->getRoles()));
        foreach ($this->service(CarriedFit::class)->of($record, $fit, 1, Authority::Mechanic) as $carried) {
            if ($carried['id'] === $step->id) {
                self::assertIsArray($carried['frames']);
                $frames = $carried['frames'];
                self::assertGreaterThan(0, Node::of(['frames' => $frames])->nodes('frames')[0]->int('timer'));
                self::assertSame($stage->id ?? '', Node::of(['frames' => $frames])->nodes('frames')[0]->string('stage'));
            }
        }
    }

    public function testWhatTheLawOfTheTabletReadsIsThere(): void
    {
        $this->signIn('joss');
        $carried = $this->carry($this->tarnFit()->id);
        $joint = $carried->node('sheet')->node('joints')->node('thermostat-cover-bolts');
        self::assertSame('started', array_values($joint->nodes('rungs'))[0]->string('label'));
        self::assertCount($joint->int('count'), $joint->floats('order'));
        $steps = [];
        foreach ($carried->node('sheet')->nodes('steps') as $step) {
            $steps[$step->string('id')] = $step;
        }
        self::assertSame('before', $steps['housing-off']->string('shot'));
        $law = $carried->node('sheet')->node('law');
        $rows = array_values($law->nodes('rows'));
        $codes = array_map(
            static fn (float $n): string => $rows[(int) $n]->string('code').' '.json_encode($rows[(int) $n]->raw()['step'] ?? ''),
            $law->node('before')->floats('hose-off'),
        );
        self::assertContains('wait-open "drain"', $codes);
        self::assertNotSame([], $law->node('refusals')->nodes('fastener-marked'));
        self::assertTrue(array_values($carried->nodes('log'))[0]->has('late'));
    }

    private function carry(string $fit): Node
    {
        $this->client->request('GET', sprintf('/fits/%s/carry', $fit));
        self::assertResponseIsSuccessful();
        $read = json_decode((string) $this->client->getResponse()->getContent(), true, 64, \JSON_THROW_ON_ERROR);

        return Node::of(is_array($read) ? $read : []);
    }
}
