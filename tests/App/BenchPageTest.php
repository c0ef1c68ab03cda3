<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\BenchPage;
use NimbleKnuckle\App\Bench\View\AskView;
use NimbleKnuckle\App\Bench\View\BoltCardView;
use NimbleKnuckle\App\Bench\View\TrayView;
use NimbleKnuckle\App\Fits\PhaseRuler;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Kit\KitReader;
use NimbleKnuckle\Core\Bench\Act\Act;
use NimbleKnuckle\Core\Bench\Act\NextAct;
use NimbleKnuckle\Core\Bench\Act\Turn;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\State\Reading;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Sheet\Step;
use PHPUnit\Framework\Attributes\CoversClass;

/** What the big button says, and what it does, as a fit goes on. */
#[CoversClass(NextAct::class)]
#[CoversClass(Act::class)]
#[CoversClass(BenchPage::class)]
#[CoversClass(BoltCardView::class)]
#[CoversClass(PhaseRuler::class)]
#[CoversClass(TrayView::class)]
#[CoversClass(AskView::class)]
final class BenchPageTest extends AppTestCase
{
    public function testTheButtonAsksForOneThingAfterTheOther(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        self::assertSame('Bolt 3 at torque', $this->act('housing-tight')->label);
        self::assertSame(Turn::Caution, $this->act('start-first')->turn);
        self::assertSame([], $this->act('start-first')->marks, 'a caution is never acknowledged where Done stands');
        $this->send($fit->id, ['type' => 'caution-acknowledged', 'step' => 'start-first', 'caution' => 0]);
        self::assertSame(Turn::Caution, $this->act('start-first')->turn, 'one for the stands, one for the fan');
        $this->send($fit->id, ['type' => 'caution-acknowledged', 'step' => 'start-first', 'caution' => 1]);
        self::assertSame(Turn::Barred, $this->act('start-first')->turn, 'the coolant is out and parts are off');
        self::assertSame('All 12 back on', $this->act('on.under-pan')->label);
        $this->send($fit->id, ['type' => 'counted-all', 'step' => 'on.under-pan']);
        self::assertSame(
            [Turn::Barred, 'Go and do it first'], [$this->act('on.under-pan')->turn, $this->act('on.under-pan')->label],
            'what lies behind it is still off',
        );
        self::assertSame(Turn::Barred, $this->act('warm-up')->turn, 'the engine would run');
        self::assertSame('Begin', $this->act('vacuum-pull')->label);
        $this->send($fit->id, ['type' => 'stage-begun', 'step' => 'vacuum-pull', 'stage' => 'connect']);
        self::assertSame('Cone is in, pull', $this->act('vacuum-pull')->label);
        $this->send($fit->id, ['type' => 'stage-begun', 'step' => 'vacuum-pull', 'stage' => 'pull']);
        self::assertSame('vacuum_pulled', $this->act('vacuum-pull')->ask);
        $before = time();
        $then = gmdate('Y-m-d\TH:i:s\Z', $before - 30);
        $this->send(
            $fit->id, ['type' => 'measured', 'step' => 'vacuum-pull', 'field' => 'vacuum_pulled', 'text' => '25 inHg', 'at' => $then],
            ['type' => 'stage-begun', 'step' => 'vacuum-pull', 'stage' => 'hold', 'at' => $then],
        );
        $until = $this->act('vacuum-pull')->until;
        self::assertGreaterThanOrEqual($before + 89, $until, 'two minutes from when it began');
        self::assertLessThanOrEqual(time() + 91, $until, 'two minutes from when it began');
        $this->send($fit->id, ['type' => 'undone', 'event' => $this->load()->state->last->id ?? '']);
        self::assertSame('Needle steady, valve closed', $this->act('vacuum-pull')->label);
        self::assertSame('Book it', $this->act('book-level')->label);
        self::assertSame('Next step', $this->act('clean')->label);
        self::assertSame('vacuum-pull', $this->act('clean')->step, 'back to what was last worked on');
    }

    public function testAMarkOnTheButtonIsWhatTheServerTakes(): void
    {
        $this->signIn('joss');
        $fit = $this->tarnFit();
        $act = $this->act('housing-tight');
        self::assertSame(
            ['wrench' => '1/4 in dial wrench', 'setting' => 7.86],
            array_intersect_key($act->marks[0], ['wrench' => 1, 'setting' => 1]),
        );
        $this->send($fit->id, ...$act->marks);
        self::assertResponseIsSuccessful();
        self::assertSame('Done', $this->act('housing-tight')->label);
        $this->send($fit->id, ...$this->act('housing-tight')->marks);
        self::assertSame('hose-on-water', $this->load()->course()->currentStep()?->id);
    }

    public function testAStepThatCannotCloseYetSaysWhy(): void
    {
        $this->signIn('joss');
        $this->send(
            $this->tarnFit()->id, ['type' => 'step-reopened', 'step' => 'drain'], ['type' => 'step-reopened', 'step' => 'hose-off'],
        );
        $fit = $this->load();
        self::assertNotSame([], Gate::at($fit)->of($this->step($fit, 'hose-off')));
        self::assertSame('drain', $this->act('hose-off')->step, 'the button leads to where it is mended');
        $this->client->request('GET', sprintf('/fits/%s/bench/hose-off', $this->tarnFit()->id));
        self::assertSelectorTextContains('.stops', 'is not finished');
        self::assertSelectorExists('#overrule form', 'or it is closed with a reason');
    }

    public function testTheRulerShowsWhatIsClosed(): void
    {
        $notches = (new PhaseRuler($this->load(), Phase::Fit))->notches();
        self::assertCount(7, $notches);
        self::assertSame(['closed', 'closed', 'closed', 'closed', 'now', 'open', 'open'], array_column($notches, 'state'));
        self::assertSame('housing-tight', $notches[4]['step']);
        self::assertSame(2, $notches[4]['done']);
    }

    public function testTheCardTellsEachFastenerByWordAndWho(): void
    {
        $fit = $this->load();
        $card = BoltCardView::of($fit, $fit->vehicle->joints['thermostat-cover-bolts'], $this->service(KitReader::class)->kit());
        self::assertSame(['final', 'final', 'pass 1'], array_column($card->bolts, 'word'));
        self::assertSame([false, false, true], array_column($card->bolts, 'next'));
        self::assertSame('Joss Wending', $card->bolts[0]['by']);
        self::assertSame([1, 2, 3], array_map(static fn (array $bolt): int => (int) $bolt['tap']['bolt'], $card->bolts));
    }

    public function testTheTrayAndTheScaleShowWhatIsCounted(): void
    {
        $fit = $this->load();
        $tray = TrayView::of($fit, $this->step($fit, 'off.under-pan'));
        self::assertTrue($tray?->comesOff);
        self::assertSame([12, 12], [$tray->counted, $tray->expected]);
        self::assertNull(TrayView::of($fit, $this->step($fit, 'clean')));
        $view = AskView::of($this->step($fit, 'safe-cold')->asking->asks[0], $fit->state->reading('safe-cold', 'coolant_temperature'));
        self::assertFalse($view->outside);
        self::assertGreaterThan($view->from, $view->at);
        self::assertLessThan($view->to, $view->at);
        $timed = Ask::read(Node::of([
            'field' => 'rattle', 'label' => 'Rattle', 'kind' => 'duration', 'unit' => 's', 'limits' => [0, 0.25],
        ]));
        $event = $fit->state->log[0];
        $view = AskView::of($timed, new Reading('4 s', 4 / 60, 'min', 'Joss Wending', $event->at, $event));
        self::assertSame(['4.000 s', ''], [$view->echo(), $view->aside()]);
        self::assertSame(['s', 'min'], array_column($view->units, 'symbol'));
    }

    public function testTheMixIsShownWithItsWorking(): void
    {
        $this->signIn('petra');
        $crawler = $this->client->request('GET', sprintf('/fits/%s/bench/mix', $this->tarnFit()->id));
        // 6.6 L, 4.4 drained, 38 % read, 50 % wanted, concentrate: (6.6·50 − 2.2·38)/100.
        self::assertStringStartsWith('2.46', trim($crawler->filter('.turn .figure-number')->eq(0)->text()));
        self::assertStringStartsWith('1.94', trim($crawler->filter('.turn .figure-number')->eq(1)->text()));
        self::assertSelectorTextContains('.drawer .working', 'Conservation of glycol');
    }

    private function act(string $step): Act
    {
        $fit = $this->load();

        return (new NextAct($this->service(KitReader::class)->kit(), new \DateTimeImmutable()))->for($fit, $this->step($fit, $step));
    }

    private function load(): Fit
    {
        return $this->service(Recorder::class)->load($this->tarnFit());
    }

    private function step(Fit $fit, string $id): Step
    {
        return $fit->sheet->step($id) ?? throw new \LogicException('No step '.$id);
    }
}
