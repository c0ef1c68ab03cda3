<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Law\InsideLaw;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\LooseEndKind;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use NimbleKnuckle\Core\Bench\Told\ReadingTold;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Choice;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Limits;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Answers that are chosen, readings held against one another, what nobody signs without, and what comes out for good. */
#[CoversClass(Ask::class)]
#[CoversClass(Choice::class)]
#[CoversClass(InsideLaw::class)]
#[CoversClass(Limits::class)]
final class AnswersTest extends TestCase
{
    private Fit $fit;
    private \DateTimeImmutable $at;
    private int $made = 0;

    protected function setUp(): void
    {
        $this->at = new \DateTimeImmutable('2026-11-25T08:00:00Z');
        $this->fit = $this->plan('ostrel-vane-s6', 'blower-pulley', ['blower-size' => 'smaller']);
    }

    public function testNobodySignsBeforeTheCalibrationIsAnswered(): void
    {
        self::assertContains($this->unanswered(), SignOff::of($this->fit)->refusals(Authority::Lead));
        // Skipped by a lead, it is no answer; and there is nothing to waive.
        self::assertStringContainsString('Only a lead', $this->skip(Authority::Mechanic));
        self::assertSame('', $this->skip(Authority::Lead));
        self::assertContains($this->unanswered(), SignOff::of($this->fit)->refusals(Authority::Lead));
        self::assertNotContains('reading:blower-calibration:calibration', $this->ends());
        // “None yet” is an answer that holds it up until somebody says why.
        $this->read('blower-calibration', 'calibration', 3.0, 'None yet');
        self::assertNotContains($this->unanswered(), SignOff::of($this->fit)->refusals(Authority::Lead));
        $this->read('blower-calibration', 'calibration', 1.0, 'Written for this pulley');
        self::assertSame('written', $this->fit->readings()->answer('calibration'));
    }

    public function testAnAnswerTakenBackIsMissingAgain(): void
    {
        $id = $this->read('blower-calibration', 'calibration', 1.0, 'Written for this pulley');
        self::assertNotContains($this->unanswered(), SignOff::of($this->fit)->refusals(Authority::Lead));
        self::assertSame('', $this->sent(EventType::Undone, ['event' => $id]));
        self::assertContains($this->unanswered(), SignOff::of($this->fit)->refusals(Authority::Lead));
        self::assertSame('', $this->fit->readings()->answer('calibration'));
    }

    public function testNoneYetIsALooseEndOnlyAMechanicWaives(): void
    {
        $this->read('blower-calibration', 'calibration', 3.0, 'None yet');
        $end = array_values(array_filter(
            SignOff::of($this->fit)->looseEnds(), static fn (LooseEnd $one): bool => str_contains($one->id, 'calibration'),
        ))[0] ?? self::fail('it is no loose end');
        self::assertSame(LooseEndKind::Safety, $end->kind);
        self::assertStringContainsString('Only a lead', $this->sent(
            EventType::StepDone, ['step' => 'blower-calibration', 'reason' => 'the customer does it'], Authority::Mechanic,
        ));
    }

    public function testTheSameSizeAsksForNoCalibration(): void
    {
        $fit = $this->plan('ostrel-vane-s6', 'blower-pulley', ['blower-size' => 'same']);
        self::assertNull($fit->sheet->step('blower-calibration'));
        self::assertStringNotContainsString('has no answer', implode(' ', SignOff::of($fit)->refusals(Authority::Lead)));
    }

    public function testADepthIsHeldAgainstTheOldOne(): void
    {
        $deep = $this->fit->sheet->step('blower-hub-deep') ?? self::fail('no such step');
        self::assertFalse($this->fit->readings()->asks($deep)[0]->limits->isSet, 'nothing was measured before');
        $this->read('blower-sizes', 'blower_depth_before', 41.3, '41.3 mm');
        $limits = $this->fit->readings()->asks($deep)[0]->limits;
        self::assertEqualsWithDelta([41.1, 41.5], [$limits->low, $limits->high], 1e-9);
        $this->read('blower-hub-deep', 'blower_depth_after', 41.6, '41.6 mm');
        self::assertContains('reading:blower-hub-deep:blower_depth_after', $this->ends());
        self::assertStringContainsString('Not where the old one sat', $this->sent(EventType::StepDone, ['step' => 'blower-hub-deep']));
        // Measured again, the old depth moves what the new one is held against.
        $this->read('blower-sizes', 'blower_depth_before', 41.5, '41.5 mm');
        self::assertNotContains('reading:blower-hub-deep:blower_depth_after', $this->ends());
        $told = array_values(array_filter(
            (new FitNarrative($this->fit))->readings(), static fn (ReadingTold $one): bool => 'blower-hub-deep' === $one->step,
        ))[0];
        self::assertStringStartsWith('41.3 to 41.7', $told->limits);
    }

    public function testTheLockOfANewPartComesOutOnceItIsBoltedAndForGood(): void
    {
        $this->fit = $this->plan('pelliver-dray-18', 'chain-tensioner', []);
        $lock = ['step' => 'chain-on', 'thing' => 'lock of the new tensioner'];
        self::assertSame('', $this->sent(EventType::PutIn, $lock));
        self::assertStringContainsString(
            'Tighten the chain tensioner bolts first', $this->sent(EventType::TakenOut, $lock, Authority::Lead)
        );
        $joint = $this->fit->vehicle->joints['chain-tensioner-bolts'];
        foreach ([1, 2] as $bolt) {
            self::assertNotSame('', $this->sent(EventType::TakenOut, $lock), 'one of two is not bolted');
            $this->fit = $this->fit->then($this->event(EventType::FastenerMarked, [
                'joint' => $joint->id, 'bolt' => $bolt, 'stage' => TighteningStages::of($joint)->final(), 'step' => 'chain-tight',
            ]));
        }
        self::assertSame('', $this->sent(EventType::TakenOut, $lock));
        self::assertStringContainsString('counted away for good', $this->sent(EventType::PutIn, $lock, Authority::Lead));
        // A rag is no such thing.
        $rag = ['step' => 'chain-clean', 'thing' => 'rag in the opening'];
        foreach ([EventType::PutIn, EventType::TakenOut, EventType::PutIn] as $type) {
            self::assertSame('', $this->sent($type, $rag));
        }
    }

    public function testALockedPlungerBarsTheFirstStart(): void
    {
        $this->fit = $this->plan('pelliver-dray-18', 'chain-tensioner', []);
        $this->read('chain-release', 'let_go', 3.0, 'Neither');
        $start = $this->fit->sheet->step('chain-start') ?? self::fail('no such step');
        $said = implode(' ', array_column(Gate::at($this->fit)->before($start), 'text'));
        self::assertStringContainsString('Has the plunger let go? reads Neither', $said);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function faults(): iterable
    {
        $two = [['id' => 'a', 'label' => 'A'], ['id' => 'b', 'label' => 'B']];
        yield 'limits with choices' => [['choices' => $two, 'limits' => [0, 1]], 'limits'];
        yield 'one id twice' => [['choices' => [$two[0], $two[0]]], 'choices'];
        yield 'near, and no within' => [['kind' => 'length', 'near' => 'other'], 'within'];
        yield 'near with limits too' => [['kind' => 'length', 'near' => 'other', 'within' => [0, 1], 'limits' => [0, 1]], 'within'];
        yield 'within the wrong way round' => [['kind' => 'length', 'near' => 'other', 'within' => [1, 0]], 'within'];
        yield 'guards a start, and all of them are good' => [['choices' => $two, 'guards' => ['start']], 'limits'];
    }

    /** @param array<string, mixed> $ask */
    #[DataProvider('faults')]
    public function testAReadingThatCannotBeHeldIsRefused(array $ask, string $field): void
    {
        try {
            Ask::read(Node::of($ask + ['field' => 'one', 'label' => 'One']));
            self::fail('it was taken');
        } catch (InvalidDocument $e) {
            self::assertStringContainsString($field, $e->getMessage());
        }
    }

    /** Limits are kept in the base unit; a person reads them in the unit that is asked. */
    public function testLimitsAreSaidInTheUnitThatIsAsked(): void
    {
        $ask = static fn (string $kind, string $unit): Ask => Ask::read(Node::of([
            'field' => 'one', 'label' => 'One', 'kind' => $kind, 'unit' => $unit, 'limits' => [0, 0.25],
        ]));
        self::assertEqualsWithDelta(15.0, $ask('duration', 's')->inUnit(0.25), 1e-9);
        self::assertEqualsWithDelta(250.0, $ask('volume', 'mL')->inUnit(0.25), 1e-9);
        self::assertEqualsWithDelta(2.0, $ask('angle', 'turn')->inUnit(720.0), 1e-9);
        self::assertEqualsWithDelta(104.0, $ask('temperature', '°F')->inUnit(40.0), 1e-9);
        foreach ([['temperature', '°C'], ['percent', '%'], ['number', ''], ['length', 'mm'], ['pressure', 'kPa']] as [$kind, $unit]) {
            self::assertSame([$unit, 0.25], [$ask($kind, $unit)->unit()->symbol(), $ask($kind, $unit)->inUnit(0.25)]);
        }
        $this->fit = $this->plan('pelliver-dray-18', 'chain-tensioner', []);
        $this->read('chain-start', 'rattle_after', 0.3, '18 s');
        $told = (new FitNarrative($this->fit))->readings()[0];
        self::assertTrue($told->isOutside);
        self::assertMatchesRegularExpression('~^0[.0]* to 15[.0]*.s$~u', $told->limits);
    }

    public function testLimitsKnowWhatLiesOutside(): void
    {
        $choices = Limits::choices([new Choice('no', 'No', false), new Choice('yes', 'Yes, it is', true)]);
        self::assertSame([true, false, true, true], array_map($choices->isPast(...), [1.0, 2.0, 0.0, 3.0]));
        self::assertSame([2, 2, 1, null], array_map($choices->valueOf(...), ['yes', ' yes, IT is', 'No', 'perhaps']));
        self::assertSame(2.0, $choices->usual());
        self::assertTrue($choices->hold());
        self::assertFalse(Limits::choices([new Choice('a', 'A', true)])->hold());
        $near = Limits::near('other', -1.0, 2.0);
        self::assertFalse($near->isPast(99.0), 'nothing to hold it against yet');
        self::assertSame([false, true], [$near->resolved(10.0)->isPast(12.0), $near->resolved(10.0)->isPast(12.1)]);
        self::assertSame([$near, $near], [$near->and(Limits::none()), Limits::none()->and($near)]);
        self::assertSame(5.0, Limits::between(4.0, 6.0)->usual());
        self::assertSame(1.0, Limits::none()->usual());
    }

    private function unanswered(): string
    {
        return '“Calibration of the control unit” has no answer: give it at the step “Who answers for fuel and spark?”.';
    }

    private function skip(Authority $hand): string
    {
        return $this->sent(EventType::StepSkipped, ['step' => 'blower-calibration', 'reason' => 'not our job'], $hand);
    }

    /** @param array<string, string> $choices */
    private function plan(string $vehicle, string $procedure, array $choices): Fit
    {
        $sheet = Sheets::vehicle($vehicle);

        return new Fit((new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($procedure)], new Choices($choices), $sheet, new Kit([], []),
        ), $sheet, FitState::none());
    }

    private function read(string $step, string $field, float $value, string $text): string
    {
        self::assertSame('', $this->sent(
            EventType::Measured, ['step' => $step, 'field' => $field, 'text' => $text, 'value' => $value, 'unit' => 'mm'],
        ));

        return sprintf('01J%023d', $this->made);
    }

    /** @param array<string, string|int|float> $payload */
    private function event(EventType $type, array $payload): FitEvent
    {
        return FitEvent::of(sprintf('01J%023d', ++$this->made), $type, $payload, 'Joss Wending', $this->at);
    }

    /** @param array<string, string|int|float> $payload */
    private function sent(EventType $type, array $payload, Authority $hand = Authority::Helper): string
    {
        $event = $this->event($type, $payload);
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
}
