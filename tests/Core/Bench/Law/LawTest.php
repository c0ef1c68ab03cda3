<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Act\NextAct;
use NimbleKnuckle\Core\Bench\Act\Turn;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\ReviewEntry;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** What a tired or a hasty hand tries, and what the bench says to it. */
#[CoversClass(Law::class)]
final class LawTest extends TestCase
{
    private Fit $fit;
    private \DateTimeImmutable $at;
    private int $made = 0;

    protected function setUp(): void
    {
        $this->fit = new Fit(Sheets::thermostat(), Sheets::tarn(), FitState::none());
        $this->at = new \DateTimeImmutable('2026-11-25T08:00:00Z');
    }

    public function testAFailedSafetyReadingStopsTheJobUntilALeadSaysWhy(): void
    {
        $this->workTo('safe-cold');
        $this->may('caution-acknowledged', ['step' => 'safe-cold', 'caution' => 0]);
        $this->read('safe-cold', 'coolant_temperature', 95.0);
        self::assertStringContainsString('Too hot to open', $this->mayNot('step-done', ['step' => 'safe-cold']));
        self::assertStringContainsString(
            'Only a lead', $this->mayNot('step-done', ['step' => 'safe-cold', 'reason' => 'feels cold enough'], Authority::Mechanic),
        );
        self::assertStringContainsString(
            'Only a lead skips',
            $this->mayNot('step-skipped', ['step' => 'safe-cold', 'reason' => 'feels cold enough'], Authority::Mechanic),
        );
        $this->may('step-done', ['step' => 'safe-floor']);
        $this->may('caution-acknowledged', ['step' => 'safe-cap', 'caution' => 0]);
        self::assertStringContainsString(
            'It stands before opening it',
            $this->mayNot('step-done', ['step' => 'safe-cap', 'reason' => 'in a hurry'], Authority::Mechanic),
        );
        self::assertStringContainsString('It stands before opening it', $this->mayNot('step-started', ['step' => 'drain']));
        $this->may('step-done', ['step' => 'safe-cold', 'reason' => 'probe is broken, hand says cold'], Authority::Lead);
        $this->may('step-done', ['step' => 'safe-cap']);
    }

    public function testAReadingTakenAgainTooHotBarsWhatItGuardsOnceMore(): void
    {
        $this->workTo('safe-cap');
        $this->read('safe-cold', 'coolant_temperature', 80.0);
        $this->may('caution-acknowledged', ['step' => 'safe-cap', 'caution' => 0]);
        self::assertStringContainsString('80 °C', $this->mayNot('step-done', ['step' => 'safe-cap']));
        self::assertContains('reading:safe-cold:coolant_temperature', $this->ends());
    }

    public function testAStoppedFitTakesNotesAndNothingElseUntilItIsTakenUp(): void
    {
        $this->workTo('safe-cap');
        $hold = ['kind' => 'on-hold', 'reason' => 'waits for a part'];
        self::assertStringContainsString('A mechanic or a lead', $this->mayNot('stopped', $hold));
        self::assertStringContainsString('nobody stopped it', $this->mayNot('taken-up', [], Authority::Lead));
        self::assertStringContainsString('two words', $this->mayNot('stopped', ['reason' => 'later'] + $hold, Authority::Mechanic));
        self::assertStringContainsString('on hold, or', $this->mayNot('stopped', ['kind' => 'lost'] + $hold, Authority::Mechanic));
        $this->may('stopped', $hold, Authority::Mechanic);
        self::assertStringContainsString('This fit is on hold', $this->mayNot('step-done', ['step' => 'safe-floor'], Authority::Lead));
        self::assertStringContainsString('This fit is on hold', $this->mayNot('stopped', ['kind' => 'cancelled'] + $hold, Authority::Lead));
        self::assertStringContainsString('take it up again', implode(' ', SignOff::of($this->fit)->refusals(Authority::Lead)));
        $this->may('noted', ['text' => 'it has come']);
        self::assertStringContainsString('A mechanic or a lead', $this->mayNot('taken-up', []));
        $this->may('taken-up', [], Authority::Mechanic);
        $this->may('caution-acknowledged', ['step' => 'safe-cap', 'caution' => 0]);
    }

    public function testOverLooseEndsALeadCancels(): void
    {
        $this->workTo('safe-cap');
        $this->may('dropped', ['what' => 'a washer']);
        $cancel = ['kind' => 'cancelled', 'reason' => 'the customer fetched it'];
        self::assertMatchesRegularExpression('/\d+ loose ends? (?:is|are) open/', $this->mayNot('stopped', $cancel, Authority::Mechanic));
        $this->may('stopped', $cancel, Authority::Lead);
        self::assertStringContainsString('This fit is cancelled', $this->mayNot('found', ['dropped' => 'x']));
    }

    public function testAnOrdinaryReadingOutsideClosesOnlyWithAReason(): void
    {
        $this->workTo('strength-before');
        $this->read('strength-before', 'strength_before', 12.0);
        self::assertStringContainsString('Outside 20 to 65', $this->mayNot('step-done', ['step' => 'strength-before']));
        $this->may('step-done', ['step' => 'strength-before', 'reason' => 'only water was in it'], Authority::Helper);
        self::assertContains('Strength on the glass: 12 %', array_column(SignOff::of($this->fit)->review(), 'said'));
        $this->may('undone', ['event' => sprintf('01J%023d', $this->made)]);
        $this->may('undone', ['event' => $this->fit->state->reading('strength-before', 'strength_before')?->event->id ?? '']);
        self::assertNotContains(
            'Strength on the glass: 12 %', array_column(SignOff::of($this->fit)->review(), 'said'), 'what is taken back is not reviewed',
        );
    }

    public function testTheFirstStartIsNotClosedByTheRuler(): void
    {
        $this->may('caution-acknowledged', ['step' => 'start-first', 'caution' => 0]);
        $refused = $this->mayNot('step-done', ['step' => 'start-first']);
        self::assertStringContainsString('tools have not been counted', $refused);
        self::assertStringContainsString('more', $refused);
        $this->mayNot('step-done', ['step' => 'start-first', 'reason' => 'customer is waiting'], Authority::Mechanic);
    }

    public function testTheEngineIsNotStartedWithPartsOffOrACircuitEmpty(): void
    {
        $this->workTo('housing-on');
        $said = array_column(Gate::at($this->fit)->before($this->fit->sheet->step('start-first') ?? self::fail()), 'text', 'code');
        self::assertArrayHasKey('circuit-empty', $said);
        self::assertArrayHasKey('part-off', $said);
        self::assertSame(
            'vacuum-fill',
            array_column(
                Gate::at($this->fit)->before($this->fit->sheet->step('start-first') ?? self::fail()), 'step', 'code',
            )['circuit-empty'],
            'it is linked to where it is mended',
        );
    }

    public function testNobodyGoesUnderWithoutStands(): void
    {
        $this->workTo('raise-1');
        $this->may('counted-all', ['step' => 'off.front-shield']);
        self::assertStringContainsString(
            'on the floor',
            $this->mayNot('step-done', ['step' => 'off.front-shield', 'reason' => 'it is high enough'], Authority::Mechanic),
        );
        self::assertStringContainsString(
            'Only a lead skips', $this->mayNot('step-skipped', ['step' => 'raise-1', 'reason' => 'ramp is there'], Authority::Mechanic),
        );
    }

    public function testWhereItStandsIsSaidAndGoneBy(): void
    {
        $this->workTo('off.front-shield');
        $this->may('stood', ['stance' => 'floor', 'reason' => 'had to make room']);
        self::assertStringContainsString('on the floor', $this->mayNot('step-done', ['step' => 'off.front-shield']));
        $act = (new NextAct(new Kit([], []), $this->at))->for($this->fit, $this->fit->sheet->step('off.front-shield') ?? self::fail());
        self::assertSame([Turn::Stand, ''], [$act->turn, $act->step], 'it leads to no closed step');
        $this->may('stood', ['stance' => 'lift']);
        $this->may('counted-all', ['step' => 'off.front-shield']);
        $this->may('step-done', ['step' => 'off.front-shield']);
        $this->mayNot('stood', ['stance' => 'roof']);
        self::assertStringContainsString('which wheels', $this->mayNot('stood', ['stance' => 'stands', 'wheels_off' => 'fl,fl']));
        self::assertStringContainsString('With a wheel off', $this->mayNot('stood', ['stance' => 'floor', 'wheels_off' => 'fl']));
        self::assertStringContainsString('on the floor', $this->mayNot('stood', ['stance' => 'lift', 'rolls' => 1]));
    }

    public function testARaiseThatIsTrueAlreadyIsClosedInATapAndAsksForNoCaution(): void
    {
        $this->may('stood', ['stance' => 'ramps']);
        $this->workTo('raise-1');
        $raise = $this->fit->sheet->step('raise-1') ?? self::fail();
        $act = (new NextAct(new Kit([], []), $this->at))->for($this->fit, $raise);
        self::assertSame('It is on ramps already', $act->label);
        $this->may('step-done', ['step' => 'raise-1']);
        self::assertSame('ramps', $this->fit->actual()->stance->value, 'the step that raises it changes nothing then');
        $this->workTo('drain');
        self::assertStringContainsString('slope', $this->mayNot('step-started', ['step' => 'drain']));
    }

    public function testItIsNotMovedWhileItDrainsHangsOrLacksAWheel(): void
    {
        $this->workTo('drain');
        $this->may('step-started', ['step' => 'drain']);
        self::assertStringContainsString('still runs', $this->mayNot('stood', ['stance' => 'floor'], Authority::Mechanic));
        self::assertStringContainsString('still runs', $this->mayNot('stood', ['stance' => 'floor', 'reason' => 'in the way here']));
        $this->may('stood', ['stance' => 'stands', 'place' => 'second bay']);
        $this->may('stood', ['stance' => 'floor', 'reason' => 'the stand sank in'], Authority::Lead);
        self::assertContains('On the floor: the stand sank in', array_column(SignOff::of($this->fit)->review(), 'said'));
    }

    public function testMereLineOrderIsNotedAndStopsNobody(): void
    {
        $this->may('step-done', ['step' => 'decide-parts']);
        $entry = SignOff::of($this->fit)->review()[0] ?? self::fail();
        self::assertSame(['order', 'Lay out the new parts'], [$entry->kind->value, $entry->what]);
        self::assertStringContainsString('Confirm the sign', $entry->said);
    }

    public function testADroppedPieceIsNotCountedIntoTheTray(): void
    {
        $this->workTo('off.front-shield');
        $pin = $this->may('dropped', ['what' => 'push pin', 'thing' => 'two-piece push pins', 'step' => 'off.front-shield']);
        self::assertStringContainsString('1 fell', $this->mayNot('counted-all', ['step' => 'off.front-shield']));
        $this->may('counted', ['step' => 'off.front-shield', 'thing' => 'two-piece push pins', 'by' => 3]);
        $this->may('counted', ['step' => 'off.front-shield', 'thing' => 'screws with captive washer', 'by' => 6]);
        $this->may('step-done', ['step' => 'off.front-shield']);
        $this->workTo('on.front-shield');
        self::assertStringContainsString('1 fell', $this->mayNot('counted-all', ['step' => 'on.front-shield']));
        $this->may('counted', ['step' => 'on.front-shield', 'thing' => 'two-piece push pins', 'by' => 3]);
        $this->may('counted', ['step' => 'on.front-shield', 'thing' => 'screws with captive washer', 'by' => 6]);
        self::assertStringContainsString('4 came off, 1 fell, 3 went back', $this->mayNot('step-done', ['step' => 'on.front-shield']));
        $this->may('found', ['dropped' => $pin]);
        $this->may('counted', ['step' => 'on.front-shield', 'thing' => 'two-piece push pins', 'by' => 1]);
        $this->may('step-done', ['step' => 'on.front-shield']);
    }

    public function testATrayHoldsNoHundred(): void
    {
        $this->workTo('off.front-shield');
        $thing = $this->fit->sheet->step('off.front-shield')->needs->tray[0]->thing ?? '';
        $count = static fn (int $by): array => ['step' => 'off.front-shield', 'thing' => $thing, 'by' => $by];
        self::assertStringContainsString('Correct the sheet', $this->mayNot('counted', $count(99)));
        self::assertStringContainsString('less than nothing', $this->mayNot('counted', $count(-1)));
        $this->may('counted', $count(1));
    }

    public function testSixOutAndTwelveBackIsRefused(): void
    {
        $this->workTo('off.front-shield');
        $this->may('counted', ['step' => 'off.front-shield', 'thing' => 'screws with captive washer', 'by' => 6]);
        $this->may('counted', ['step' => 'off.front-shield', 'thing' => 'two-piece push pins', 'by' => 4]);
        $this->may('step-done', ['step' => 'off.front-shield']);
        self::assertStringContainsString(
            '6 came off',
            $this->mayNot('counted', ['step' => 'on.front-shield', 'thing' => 'screws with captive washer', 'by' => 12]),
        );
        $this->may('broke', ['step' => 'on.front-shield', 'thing' => 'screws with captive washer']);
        self::assertContains('broken:front-shield:screws with captive washer', $this->ends());
        self::assertStringContainsString(
            '1 broke', $this->mayNot('counted', ['step' => 'on.front-shield', 'thing' => 'screws with captive washer', 'by' => 6]),
        );
        $this->may('replaced', ['step' => 'on.front-shield', 'thing' => 'screws with captive washer']);
        self::assertNotContains('broken:front-shield:screws with captive washer', $this->ends());
        $this->may('counted', ['step' => 'on.front-shield', 'thing' => 'screws with captive washer', 'by' => 6]);
    }

    public function testAnEndThatStaysOffIsSettledWhereItWouldGoBackAndByALeadWhereSomethingReliesOnIt(): void
    {
        $at = ['step' => 'on.sensor-lead', 'reason' => 'the new housing has none'];
        $this->workTo('on.sensor-lead');
        self::assertStringContainsString('Only a plug', $this->mayNot(
            'settled', ['step' => 'on.front-shield', 'thing' => 'two-piece push pins', 'how' => 'capped'] + $at,
        ));
        self::assertStringContainsString('where it would go back', $this->mayNot(
            'settled', ['step' => 'off.sensor-lead', 'thing' => 'harness clip', 'how' => 'capped'] + $at,
        ));
        self::assertStringContainsString('capped for good', $this->mayNot('settled', ['thing' => 'harness clip', 'how' => 'lost'] + $at));
        self::assertStringContainsString('Only a lead', $this->mayNot('settled', ['thing' => 'sensor plug', 'how' => 'capped'] + $at));
        $this->may('counted', ['step' => 'on.sensor-lead', 'thing' => 'sensor plug', 'by' => 1]);
        self::assertStringContainsString('0 went back', $this->mayNot('step-done', ['step' => 'on.sensor-lead']));
        $this->may('settled', ['thing' => 'harness clip', 'how' => 'moved'] + $at);
        $again = ['thing' => 'harness clip', 'how' => 'moved', 'reason' => 'said once more'] + $at;
        self::assertStringContainsString('settled otherwise', $this->mayNot('settled', $again));
        $this->may('step-done', ['step' => 'on.sensor-lead']);
        self::assertContains('Harness clip: moved over', array_column(SignOff::of($this->fit)->review(), 'said'));
    }

    public function testARagMustComeOutBeforeItIsShutIn(): void
    {
        $this->workTo('clean');
        self::assertStringContainsString('rag in the opening is in', $this->mayNot('step-done', ['step' => 'clean']));
        $this->may('put-in', ['step' => 'clean', 'thing' => 'rag in the opening']);
        self::assertStringContainsString('in already', $this->mayNot('put-in', ['step' => 'clean', 'thing' => 'rag in the opening']));
        $this->may('step-done', ['step' => 'clean']);
        $this->workTo('thermostat-in', Worker::LEAVES_IN);
        self::assertStringContainsString('still in', $this->mayNot('step-done', ['step' => 'thermostat-in']));
        self::assertContains('inside:clean rag in the opening', $this->ends());
        $this->may('taken-out', ['step' => 'clean', 'thing' => 'rag in the opening']);
        $this->may('step-done', ['step' => 'thermostat-in']);
    }

    public function testEveryToolIsCountedByName(): void
    {
        $this->workTo('tool-count');
        $step = $this->fit->sheet->step('tool-count') ?? self::fail();
        self::assertGreaterThan(10, count($this->fit->tools()->listed($step)));
        self::assertStringContainsString('tools are not accounted for', $this->mayNot('step-done', ['step' => 'tool-count']));
        self::assertStringContainsString('not on the list', $this->mayNot('tool-counted', ['step' => 'tool-count', 'tool' => 'crowbar']));
        $missing = array_slice($this->fit->tools()->listed($step), -1);
        foreach (array_slice($this->fit->tools()->listed($step), 0, -1) as $tool) {
            $this->may('tool-counted', ['step' => 'tool-count', 'tool' => $tool]);
        }
        $this->may('step-done', ['step' => 'tool-count', 'reason' => 'lent to the neighbour']);
        self::assertContains('tool:'.$missing[0], $this->ends());
    }

    public function testMoreThanItHoldsIsRefusedAndAGapIsALooseEnd(): void
    {
        $this->workTo('drained');
        self::assertStringContainsString('holds 6.6 L', $this->mayRead('drained', 'drained', 41.0));
        self::assertSame('', $this->mayRead('drained', 'drained', 1.15 * 6.6), 'the last that is believed');
        $this->read('drained', 'drained', 4.1);
        $this->workTo('level-cold');
        $this->read('vacuum-fill', 'filled', 3.2);
        self::assertStringContainsString('0.9 L less went in', $this->since('flow:coolant'));
        $this->read('vacuum-fill', 'filled', 3.8 - 0.03);
        self::assertContains('flow:coolant', $this->ends(), '0.33 L of 4.1 is over 8 %');
        $this->read('vacuum-fill', 'filled', 3.8);
        self::assertNotContains('flow:coolant', $this->ends());
        $this->read('drained', 'drained', 2.0);
        $this->read('vacuum-fill', 'filled', 2.3);
        self::assertNotContains('flow:coolant', $this->ends(), 'never under 0.3 L');
    }

    public function testAHoldHolds(): void
    {
        $this->hold(11.0);
        $refused = $this->mayNot('step-done', ['step' => 'vacuum-pull']);
        self::assertStringContainsString('stood 0:11 of 2:00', $refused);
        self::assertStringContainsString('3.3 kPa', $refused, 'what was lost in 11 s is judged over its two minutes');
        $this->may('stage-begun', ['step' => 'vacuum-pull', 'stage' => 'pull']);
        $this->wait(1.0)->may('stage-begun', ['step' => 'vacuum-pull', 'stage' => 'hold']);
        self::assertStringContainsString(
            'stood 0:00', $this->mayNot('step-done', ['step' => 'vacuum-pull']), 'the old reading does not end a new hold',
        );
        $this->wait(121.0)->read('vacuum-pull', 'vacuum_lost', 0.3);
        $this->may('step-done', ['step' => 'vacuum-pull']);
    }

    public function testATimedStageIsNotLeftEarlyWithoutAReason(): void
    {
        $this->workTo('burp-fill', sheet: Sheets::thermostat(null, ['fill' => 'burp']));
        foreach (['funnel', 'pour', 'squeeze'] as $stage) {
            $this->may('stage-begun', ['step' => 'burp-fill', 'stage' => $stage]);
        }
        self::assertStringContainsString(
            'stood 0:20 of 2:00', $this->wait(20.0)->mayNot('stage-begun', ['step' => 'burp-fill', 'stage' => 'level']),
        );
        $this->may('stage-begun', ['step' => 'burp-fill', 'stage' => 'level', 'reason' => 'no more bubbles came']);
        self::assertContains('no more bubbles came', array_column(SignOff::of($this->fit)->review(), 'said'));
    }

    public function testATabletsClockCannotStretchAHold(): void
    {
        $this->hold(11.0, new \DateInterval('PT130S'));
        self::assertStringContainsString(
            'stood 0:1', $this->mayNot('step-done', ['step' => 'vacuum-pull']),
            'the server saw eleven seconds, whatever the tablet says',
        );
    }

    public function testAHoldWithoutAConnectionCountsByTheTabletsClockAndSaysSo(): void
    {
        $this->workTo('vacuum-pull');
        $this->may('stage-begun', ['step' => 'vacuum-pull', 'stage' => 'connect']);
        $this->may('stage-begun', ['step' => 'vacuum-pull', 'stage' => 'pull']);
        $this->read('vacuum-pull', 'vacuum_pulled', 82.0);
        $sent = $this->at->modify('+300 seconds');
        $this->wait(100.0)->may(
            'stage-begun', ['step' => 'vacuum-pull', 'stage' => 'hold'], Authority::Helper, new Receipt($sent, 'tablet', 200.0),
        );
        $this->wait(125.0)->may(
            'measured', ['step' => 'vacuum-pull', 'field' => 'vacuum_lost', 'text' => '0.3 kPa', 'value' => 0.3, 'unit' => 'kPa'],
            Authority::Helper, new Receipt($sent, 'tablet', 75.0),
        );
        $this->at = $sent;
        $this->may('step-done', ['step' => 'vacuum-pull']);
        self::assertContains(
            'clock', array_map(static fn (ReviewEntry $entry): string => $entry->kind->value, SignOff::of($this->fit)->review())
        );
    }

    public function testBoltsOutOfOrderAreSaidAtOnceAndStandUntilThatPassIsDoneAgain(): void
    {
        $this->workTo('housing-tight');
        $joint = $this->fit->vehicle->joints['thermostat-cover-bolts'];
        [$a, $b, $c] = $joint->pattern->order();
        foreach ([1, 2] as $stage) {
            foreach ([$a, $b, $c] as $bolt) {
                $this->bolt($bolt, $stage);
            }
        }
        $this->bolt($b, 3);
        self::assertSame([sprintf('Bolt %d was left out (pass 1).', $a)], $this->fit->joints()->passFaults($joint->id));
        foreach ([[$a, 3], [$c, 3], [$a, 4], [$b, 4], [$c, 4]] as [$bolt, $stage]) {
            $this->bolt($bolt, $stage);
        }
        self::assertStringContainsString('was pulled before bolt', $this->mayNot('step-done', ['step' => 'housing-tight']));
        foreach ([[$a, 3], [$b, 3], [$c, 3], [$a, 4], [$b, 4], [$c, 4]] as [$bolt, $stage]) {
            $this->bolt($bolt, $stage);
        }
        $this->may('step-done', ['step' => 'housing-tight']);
    }

    public function testAPassBegunTooSoonIsSaid(): void
    {
        $this->workTo('housing-tight');
        [$a, $b, $c] = $this->fit->vehicle->joints['thermostat-cover-bolts']->pattern->order();
        foreach ([[$a, 1], [$b, 1], [$c, 1], [$a, 2], [$b, 2], [$c, 2], [$a, 3], [$a, 4]] as [$bolt, $stage]) {
            $this->bolt($bolt, $stage);
        }
        self::assertStringContainsString(
            'before all were through', implode(' ', $this->fit->joints()->passFaults('thermostat-cover-bolts'))
        );
        self::assertStringContainsString(
            'comes before',
            $this->mayNot('fastener-marked', ['joint' => 'thermostat-cover-bolts', 'bolt' => $b, 'stage' => 4, 'step' => 'housing-tight']),
        );
    }

    public function testAHelperDoesNotWaiveWhatCanHurt(): void
    {
        $this->workTo('hose-off');
        $since = $this->since('circuit:coolant');
        self::assertStringContainsString(
            'can hurt',
            $this->mayNot('waived', ['end' => 'circuit:coolant', 'reason' => 'will be filled later', 'as' => $since], Authority::Helper),
        );
        self::assertStringContainsString(
            'not open any more',
            $this->mayNot('waived', ['end' => 'joint:thermostat-cover-bolts', 'reason' => 'not yet loose'], Authority::Lead),
            'nothing is waived before it is loose',
        );
        self::assertStringContainsString(
            'has changed',
            $this->mayNot(
                'waived', ['end' => 'circuit:coolant', 'reason' => 'will be filled later', 'as' => 'something else'], Authority::Lead
            ),
        );
        $this->may('waived', ['end' => 'circuit:coolant', 'reason' => 'will be filled later', 'as' => $since], Authority::Mechanic);
        self::assertNotContains('circuit:coolant', $this->ends());
    }

    public function testAReasonHasTwoWordsAndIsNotTheLastOneAgain(): void
    {
        self::assertStringContainsString('two words', $this->mayNot('step-skipped', ['step' => 'decide-sign', 'reason' => 'later']));
        self::assertStringContainsString('two words', $this->mayNot('step-skipped', ['step' => 'decide-sign', 'reason' => '... 12 x?!']));
        $this->may('step-skipped', ['step' => 'decide-sign', 'reason' => 'known from last time']);
        self::assertStringContainsString(
            'last reason again', $this->mayNot('step-skipped', ['step' => 'decide-parts', 'reason' => 'Known from last time!']),
        );
        $this->may('step-skipped', ['step' => 'decide-parts', 'reason' => 'parts are laid out']);
    }

    public function testSigningIsNotBlind(): void
    {
        $this->may('step-skipped', ['step' => 'decide-sign', 'reason' => 'known from last time']);
        $this->workTo('');
        self::assertSame([], SignOff::of($this->fit)->refusals(Authority::Lead));
        self::assertStringContainsString('1 entry to look at', $this->mayNot('signed', [], Authority::Lead));
        self::assertStringContainsString('Only a lead', $this->mayNot('signed', ['seen' => 1], Authority::Mechanic));
        self::assertStringContainsString('since you looked', $this->mayNot('signed', ['seen' => 1], Authority::Lead), 'not shown at all');
        $shown = (new FitNarrative($this->fit))->facts();
        $this->may('noted', ['step' => 'mix', 'text' => 'one more thing']);
        self::assertStringContainsString(
            'marked since you looked', $this->mayNot('signed', ['seen' => 1, 'shown' => $shown], Authority::Lead), 'a note came after it',
        );
        $this->may('signed', ['seen' => 1, 'shown' => $shown + 1], Authority::Lead);
        self::assertStringContainsString('signed off', $this->mayNot('step-reopened', ['step' => 'mix'], Authority::Lead));
    }

    public function testACheckThatIsDoneStaysBookedAndANoteBesideItGoes(): void
    {
        $this->workTo('');
        $note = $this->may('noted', ['step' => 'book-level', 'text' => 'key is in the box']);
        $booked = $this->fit->state->done['book-level']->id ?? '';
        $closed = $this->may('follow-up-closed', ['follow_up' => 'level-next-morning', 'outcome' => 'on the stroke']);
        self::assertStringContainsString('has been done already', $this->mayNot('undone', ['event' => $booked]));
        $this->may('undone', ['event' => $note]);
        self::assertStringContainsString('no longer', $this->mayNot('undone', ['event' => $note]), 'once is enough');
        self::assertStringContainsString('no longer', $this->mayNot('undone', ['event' => $closed]), 'a check that was done is done');
    }

    public function testAStepClosedBySomebodyElseSaysWho(): void
    {
        $this->may('step-done', ['step' => 'decide-sign']);
        self::assertStringContainsString('Joss Wending closed this step at 08:00', $this->mayNot('step-done', ['step' => 'decide-sign']));
    }

    public function testVerdictsAreNeverTakenFromATablet(): void
    {
        foreach ([[
            'curve-judged', ['step' => 'warm-up', 'reading' => 'r', 'finding' => 'sound', 'verdict' => 'ok', 'said' => 'fine'],
        ], [
            'sum-pinned', ['step' => 'mix', 'sum' => 'coolant-mix', 'query' => 'x', 'said' => 'y', 'verdict' => 'ok'],
        ]] as [$type, $payload]) {
            self::assertStringContainsString('worked out', $this->mayNot($type, $payload, Authority::Lead));
        }
        self::assertStringContainsString(
            'no such check', $this->mayNot('follow-up-closed', ['follow_up' => 'nothing', 'outcome' => 'done it']),
        );
        self::assertStringContainsString(
            'not booked', $this->mayNot('follow-up-closed', ['follow_up' => 'level-next-morning', 'outcome' => 'done it']),
        );
    }

    public function testWeightIsHeldBeforeWhatCarriesItComesOff(): void
    {
        $this->workTo('hold-gearbox-raised', sheet: $this->drover('gearbox-mount'));
        $off = array_values(
            array_filter($this->fit->sheet->steps, static fn ($step): bool => 'gearbox-mount' === $step->target->item),
        )[0] ?? self::fail();
        $this->may('counted-all', ['step' => $off->id]);
        self::assertStringContainsString(
            'Nothing holds the gearbox',
            $this->mayNot('step-done', ['step' => $off->id, 'reason' => 'it will not fall'], Authority::Mechanic),
        );
        $this->workTo('release-gearbox');
        self::assertContains('support:gearbox', $this->ends());
        $this->may('step-reopened', ['step' => 'mount-on']);
        self::assertStringContainsString(
            'carries the gearbox',
            $this->mayNot('step-done', ['step' => 'release-gearbox', 'reason' => 'it sits well'], Authority::Mechanic),
        );
    }

    private function drover(string $procedure): Sheet
    {
        return (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($procedure)], new Choices([]), Sheets::vehicle('corrin-drover-27d'), new Kit([], []),
        );
    }

    /** An honest hand works up to a step. */
    private function workTo(string $stop, string $except = '', ?Sheet $sheet = null): void
    {
        if (null !== $sheet) {
            $vehicle = str_contains(
                implode('', array_column($sheet->steps, 'id')), 'gearbox',
            ) ? Sheets::vehicle('corrin-drover-27d') : Sheets::tarn();
            $this->fit = new Fit($sheet, $vehicle, FitState::none());
        }
        $worker = new Worker(new \Random\Randomizer(new \Random\Engine\Mt19937(7)), $except);
        while (null !== $next = $worker->next($this->fit, $stop)) {
            $this->wait($next[2])->may($next[0]->value, $next[1]);
        }
    }

    private function wait(float $seconds): self
    {
        $this->at = $this->at->modify(sprintf('+%d seconds', (int) ceil($seconds)));

        return $this;
    }

    private function hold(float $seconds, ?\DateInterval $lie = null): void
    {
        $this->workTo('vacuum-pull');
        $this->may('stage-begun', ['step' => 'vacuum-pull', 'stage' => 'connect']);
        $this->may('stage-begun', ['step' => 'vacuum-pull', 'stage' => 'pull']);
        $this->read('vacuum-pull', 'vacuum_pulled', 82.0);
        $this->may('stage-begun', ['step' => 'vacuum-pull', 'stage' => 'hold']);
        $seen = $this->wait($seconds)->at;
        $this->at = null === $lie ? $this->at : $this->at->add($lie);
        $this->may(
            'measured', ['step' => 'vacuum-pull', 'field' => 'vacuum_lost', 'text' => '0.3 kPa', 'value' => 0.3, 'unit' => 'kPa'],
            Authority::Helper, new Receipt($seen),
        );
        $this->at = $seen;
    }

    private function bolt(int $bolt, int $stage): void
    {
        $this->wait(8.0)->may(
            'fastener-marked', ['joint' => 'thermostat-cover-bolts', 'bolt' => $bolt, 'stage' => $stage, 'step' => 'housing-tight'],
        );
    }

    private function read(string $step, string $field, float $value): void
    {
        self::assertSame('', $this->mayRead($step, $field, $value));
    }

    private function mayRead(string $step, string $field, float $value): string
    {
        $unit = array_column($this->fit->sheet->step($step)->asking->asks ?? [], 'unit', 'field')[$field] ?? '';

        return $this->sent(
            'measured', ['step' => $step, 'field' => $field, 'text' => $value.' '.$unit, 'value' => $value, 'unit' => $unit],
            Authority::Helper, null,
        );
    }

    /**
     * @param array<string, string|int|float> $payload
     *
     * @return string the event's id
     */
    private function may(string $type, array $payload, Authority $hand = Authority::Helper, ?Receipt $receipt = null): string
    {
        self::assertSame('', $this->sent($type, $payload, $hand, $receipt), $type.' '.json_encode($payload));

        return sprintf('01J%023d', $this->made);
    }

    /** @param array<string, string|int|float> $payload */
    private function mayNot(string $type, array $payload, Authority $hand = Authority::Helper): string
    {
        $said = $this->sent($type, $payload, $hand, null);
        self::assertNotSame('', $said, $type.' was let through: '.json_encode($payload));

        return $said;
    }

    /** @param array<string, string|int|float> $payload */
    private function sent(string $type, array $payload, Authority $hand, ?Receipt $receipt): string
    {
        $event = FitEvent::of(
            sprintf('01J%023d', ++$this->made), EventType::from($type), $payload, 'Joss Wending', $this->at,
            $receipt ?? new Receipt($this->at, 'tablet'),
        );
        try {
            (new Law($this->fit, $hand, $this->at))->ensure($event);
        } catch (InvalidEvent $e) {
            return $e->getMessage();
        }
        $this->fit = $this->fit->then($event);

        return '';
    }

    /** @return list<string> */
    private function ends(): array
    {
        return array_map(static fn (LooseEnd $end): string => $end->id, SignOff::of($this->fit)->looseEnds());
    }

    private function since(string $id): string
    {
        return array_column(SignOff::of($this->fit)->looseEnds(), 'since', 'id')[$id] ?? self::fail('no '.$id);
    }
}
