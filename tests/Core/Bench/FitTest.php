<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\LooseEnds;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\Task\MixFromBench;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Fit::class)]
#[CoversClass(FitState::class)]
#[CoversClass(FitEvent::class)]
#[CoversClass(LooseEnds::class)]
#[CoversClass(TighteningStages::class)]
#[CoversClass(MixFromBench::class)]
final class FitTest extends TestCase
{
    private int $made = 0;

    public function testAtFirstNothingIsDoneAndNothingIsLoose(): void
    {
        $fit = $this->fit();
        self::assertSame('decide-sign', $fit->course()->currentStep()?->id);
        self::assertSame(Phase::Decide, $fit->course()->currentPhase());
        self::assertSame([], SignOff::of($fit)->looseEnds());
        self::assertCount(count($fit->sheet->steps), SignOff::of($fit)->openSteps());
    }

    public function testWhatComesOffIsALooseEndUntilItIsBackAndCounted(): void
    {
        $off = [$this->made('counted-all', ['step' => 'off.under-pan']), $this->made('step-done', ['step' => 'off.under-pan'])];
        self::assertSame(['item:under-pan'], $this->ends($this->fit(...$off)));
        $short = [
            ...$off, $this->made('counted', ['step' => 'on.under-pan', 'thing' => 'short screws', 'by' => 7]),
            $this->made('step-done', ['step' => 'on.under-pan', 'reason' => 'no time']),
        ];
        self::assertSame(['tray:under-pan'], $this->ends($this->fit(...$short)));
        $whole = [...$off, $this->made('counted-all', ['step' => 'on.under-pan']), $this->made('step-done', ['step' => 'on.under-pan'])];
        self::assertSame([], $this->ends($this->fit(...$whole)));
    }

    public function testOpenedDroppedWaitingAndDueAreLooseEndsToo(): void
    {
        $dropped = $this->made('dropped', ['what' => 'washer']);
        $fit = $this->fit($dropped, $this->made('step-started', ['step' => 'drain']));
        self::assertSame(['dropped:'.$dropped->id, 'circuit:coolant', 'wait:drain'], $this->ends($fit));
        self::assertSame([], $this->ends($this->fit($dropped, $this->made('found', ['dropped' => $dropped->id]))));
        $started = $this->made('step-done', ['step' => 'start-first', 'reason' => 'for the test']);
        self::assertSame(['due:level-next-morning', 'due:retorque-housing'], $this->ends($this->fit($started)));
        self::assertSame(['due:retorque-housing'], $this->ends($this->fit($started, $this->made('step-done', ['step' => 'book-level']))));
    }

    public function testAReadingOutsideItsLimitsStaysVisible(): void
    {
        $hot = $this->made(
            'measured',
            ['step' => 'safe-cold', 'field' => 'coolant_temperature', 'text' => '70 °C', 'value' => 70.0, 'unit' => 'degC'],
        );
        self::assertSame(['reading:safe-cold:coolant_temperature'], $this->ends($this->fit($hot)));
        $cold = $this->made(
            'measured',
            ['step' => 'safe-cold', 'field' => 'coolant_temperature', 'text' => '20 °C', 'value' => 20.0, 'unit' => 'degC'],
        );
        self::assertSame([], $this->ends($this->fit($hot, $cold)));
    }

    public function testAWaivedEndIsClosedWithItsReason(): void
    {
        $dropped = $this->made('dropped', ['what' => 'washer']);
        $fit = $this->fit($dropped, $this->made('waived', ['end' => 'dropped:'.$dropped->id, 'reason' => 'new one fitted']));
        self::assertSame([], $this->ends($fit));
        self::assertSame('new one fitted', $fit->state->waived['dropped:'.$dropped->id]->string('reason'));
    }

    public function testAStepIsHeldUntilItsCautionReadingCountAndFastenersAreThere(): void
    {
        $fit = $this->fit();
        self::assertCount(2, Gate::at($fit)->within($this->step($fit, 'safe-cold')));
        self::assertCount(2, Gate::at($fit)->within($this->step($fit, 'off.front-shield')), 'screws and pins');
        self::assertStringContainsString('3 of 3', Gate::at($fit)->within($this->step($fit, 'housing-tight'))[0]->text);
        self::assertContains(
            '“Drain the coolant into the measured can” is not finished.',
            array_column(Gate::at($fit)->before($this->step($fit, 'hose-off')), 'text'),
        );
        $seen = $this->fit(
            $this->made('caution-acknowledged', ['step' => 'safe-cold', 'caution' => 0]),
            $this->made(
                'measured',
                ['step' => 'safe-cold', 'field' => 'coolant_temperature', 'text' => '20', 'value' => 20.0, 'unit' => 'degC'],
            ),
        );
        self::assertSame([], Gate::at($seen)->within($this->step($seen, 'safe-cold')));
    }

    public function testFastenersGoInOrderPassByPass(): void
    {
        $events = [];
        $order = [];
        for ($i = 0; $i < 12; ++$i) {
            $fit = $this->fit(...$events);
            [$bolt, $stage] = $fit->joints()->nextBolt($fit->vehicle->joints['thermostat-cover-bolts']);
            $order[] = [$bolt, $stage];
            $events[] = $this->made('fastener-marked', ['joint' => 'thermostat-cover-bolts', 'bolt' => $bolt, 'stage' => $stage]);
        }
        self::assertSame([1, 1, 1, 2, 2, 2, 3, 3, 3, 4, 4, 4], array_column($order, 1));
        self::assertEqualsCanonicalizing([1, 2, 3], array_slice(array_column($order, 0), 0, 3));
        $fit = $this->fit(...$events);
        self::assertSame(0, $fit->joints()->boltsLeft('thermostat-cover-bolts'));
        self::assertSame([0, 4], $fit->joints()->nextBolt($fit->vehicle->joints['thermostat-cover-bolts']));
        self::assertSame(
            ['off', 'started', 'snug', 'pass 1', 'final'],
            array_map(TighteningStages::of($fit->vehicle->joints['thermostat-cover-bolts'])->label(...), range(0, 4)),
        );
    }

    public function testWorkGoesOnWhileAWaitRunsButNotPastWhereItIsNeeded(): void
    {
        $before = [];
        foreach (Sheets::thermostat()->steps as $step) {
            if ('drain' === $step->id) {
                break;
            }
            $before[] = $this->made('step-done', ['step' => $step->id, 'reason' => 'test']);
        }
        $running = [...$before, $this->made('step-started', ['step' => 'drain'])];
        self::assertSame('off.sensor-lead', $this->fit(...$running)->course()->currentStep()?->id);
        $caught = [
            ...$running, $this->made('step-done', ['step' => 'off.sensor-lead', 'reason' => 'test']),
            $this->made('step-done', ['step' => 'off.heat-shield', 'reason' => 'test']),
        ];
        self::assertSame('drain', $this->fit(...$caught)->course()->currentStep()?->id);
    }

    public function testUndoTakesBackWhateverItWas(): void
    {
        $events = [
            $this->made('step-started', ['step' => 'drain']), $this->made('step-done', ['step' => 'decide-sign']), $this->made(
                'step-skipped', ['step' => 'decide-parts', 'reason' => 'x'],
            ),
            $this->made(
                'caution-acknowledged', ['step' => 'safe-cold', 'caution' => 0],
            ), $this->made(
                'counted', ['step' => 'off.under-pan', 'thing' => 'long screws', 'by' => 2],
            ), $this->made('counted-all', ['step' => 'off.under-pan']),
            $this->made(
                'fastener-marked', ['joint' => 'thermostat-cover-bolts', 'bolt' => 1, 'stage' => 2],
            ), $this->made('measured', ['step' => 'drained', 'field' => 'drained', 'text' => '4 L', 'value' => 4.0, 'unit' => 'L']),
            $this->made('dropped', ['what' => 'x']), $this->made('noted', ['text' => 'x']),
            $this->made('waived', ['end' => 'x', 'reason' => 'y']),
        ];
        foreach ($events as $event) {
            $state = FitState::fold([$event, $this->made('undone', ['event' => $event->id])]);
            $empty = FitState::none();
            foreach ([
                'done', 'skipped', 'started', 'seen', 'counts', 'countedAll', 'stages', 'marks', 'readings', 'dropped', 'notes',
                'waived',
            ] as $part) {
                self::assertSame($empty->{$part}, $state->{$part}, $event->type->value);
            }
            self::assertNull($state->last);
        }
    }

    /** The same facts in any number of copies, and marks of two tablets in any order, fold to the same state. */
    public function testFoldingIsStableUnderRepetitionAndInterleaving(): void
    {
        $one = [];
        $two = [];
        for ($bolt = 1; $bolt <= 3; ++$bolt) {
            $one[] = $this->made('fastener-marked', ['joint' => 'thermostat-cover-bolts', 'bolt' => $bolt, 'stage' => 3]);
            $two[] = $this->made('counted-all', ['step' => 'on.under-pan']);
        }
        $a = FitState::fold([...$one, ...$two]);
        $b = FitState::fold([...$two, ...$one]);
        self::assertEquals($a->stages, $b->stages);
        self::assertEquals($a->countedAll, $b->countedAll);
        self::assertEquals($a->stages, FitState::fold([...$one, ...$one])->stages);
    }

    public function testOnlyALeadSignsAndOnlyOverNothing(): void
    {
        self::assertCount(1, SignOff::of($this->fit())->refusals(Authority::Lead));
        self::assertContains('Only a lead signs off.', SignOff::of($this->fit())->refusals(Authority::Mechanic));
        $all = [];
        foreach (Sheets::thermostat()->steps as $step) {
            $all[] = $this->made('step-skipped', ['step' => $step->id, 'reason' => 'test']);
        }
        self::assertSame([], SignOff::of($this->fit(...$all))->refusals(Authority::Lead));
        self::assertSame(['Only a lead signs off.'], SignOff::of($this->fit(...$all))->refusals(Authority::Mechanic));
        $dropped = $this->made('dropped', ['what' => 'washer']);
        $open = SignOff::of($this->fit(...[...$all, $dropped]))->refusals(Authority::Lead);
        self::assertStringContainsString('1 loose end is open', $open[0]);
        self::assertNotSame([], SignOff::of($this->fit(...[...$all, $this->made('signed', [])]))->refusals(Authority::Lead));
    }

    public function testTheMixComesFromTheReadings(): void
    {
        $circuit = Sheets::tarn()->circuits['coolant'];
        self::assertStringContainsString('was not measured', MixFromBench::of($circuit, FitState::none())->missing);
        $drained = $this->made('measured', ['step' => 'drained', 'field' => 'drained', 'text' => '4.1', 'value' => 4.1, 'unit' => 'L']);
        self::assertStringContainsString('strength', MixFromBench::of($circuit, FitState::fold([$drained]))->missing);
        $mix = MixFromBench::of(
            $circuit,
            FitState::fold(
                [
                    $drained,
                    $this->made(
                        'measured',
                        ['step' => 'strength-before', 'field' => 'strength_before', 'text' => '32', 'value' => 32.0, 'unit' => 'percent'],
                    ),
                ],
            ),
        );
        self::assertEqualsWithDelta(2.5, $mix->mix?->pour()->litres, 1e-9);
        $over = $this->made('measured', ['step' => 'drained', 'field' => 'drained', 'text' => '9', 'value' => 9.0, 'unit' => 'L']);
        self::assertNull(
            MixFromBench::of(
                $circuit,
                FitState::fold(
                    [
                        $over,
                        $this->made(
                            'measured',
                            [
                                'step' => 'strength-before', 'field' => 'strength_before', 'text' => '32', 'value' => 32.0,
                                'unit' => 'percent',
                            ],
                        ),
                    ],
                ),
            )->mix,
        );
    }

    /** @param array<string, mixed> $payload */
    #[DataProvider('impossible')]
    public function testWhatCannotBeAnEventIsRefused(string $type, array $payload, string $field): void
    {
        try {
            $this->made($type, $payload);
            self::fail('It was taken.');
        } catch (InvalidEvent $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function impossible(): iterable
    {
        yield 'no step' => ['step-done', [], 'step'];
        yield 'a blank reason' => ['step-skipped', ['step' => 'a', 'reason' => '   '], 'reason'];
        yield 'a bolt in words' => ['fastener-marked', ['joint' => 'j', 'bolt' => 'one', 'stage' => 1], 'bolt'];
        yield 'an endless value' => ['measured', ['step' => 's', 'field' => 'f', 'text' => 't', 'value' => \INF, 'unit' => 'L'], 'value'];
        yield 'a field nobody knows' => ['noted', ['text' => 'x', 'colour' => 'red'], 'colour'];
        yield 'a very long note' => ['noted', ['text' => str_repeat('x', 501)], 'text'];
    }

    public function testAnEventNeedsAnIdOfItsOwn(): void
    {
        $this->expectException(InvalidEvent::class);
        FitEvent::of('17', EventType::Noted, ['text' => 'x'], 'Joss', new \DateTimeImmutable());
    }

    public function testTimeLeftCountsWhatIsOpenAndTheRestOfARunningWait(): void
    {
        $now = new \DateTimeImmutable('2026-11-25T10:10:00Z');
        $fit = $this->fit();
        $all = $fit->course()->minutesLeft($now);
        $sum = array_sum(array_map(static fn (Step $s): float => $s->slot->minutes->likely, $fit->sheet->steps));
        self::assertEqualsWithDelta($fit->sheet->timing->likely, $all, 1e-9, 'what is done while waiting is not counted twice');
        self::assertLessThan($sum, $all);
        $started = FitEvent::of(
            '01ZZZZZZZZZZZZZZZZZZZZZZZZ', EventType::StepStarted, ['step' => 'drain'], 'Joss',
            new \DateTimeImmutable('2026-11-25T10:00:00Z'),
        );
        $running = new Fit($fit->sheet, $fit->vehicle, FitState::fold([$started]));
        self::assertEqualsWithDelta($sum - 18, $running->course()->minutesLeft($now), 1e-6, 'over before anybody waits for it');
        self::assertSame(0.0, max(0.0, $running->course()->waitLeft($this->step($fit, 'drain'), $now->modify('+1 hour'))));
    }

    private function fit(FitEvent ...$events): Fit
    {
        return new Fit(Sheets::thermostat(), Sheets::tarn(), FitState::fold($events));
    }

    private function step(Fit $fit, string $id): Step
    {
        return $fit->sheet->step($id) ?? throw new \LogicException('No step '.$id);
    }

    /** @return list<string> */
    private function ends(Fit $fit): array
    {
        return array_map(static fn (LooseEnd $end): string => $end->id, SignOff::of($fit)->looseEnds());
    }

    /** @param array<string, mixed> $payload */
    private function made(string $type, array $payload): FitEvent
    {
        return FitEvent::of(
            sprintf('01J%023d', ++$this->made), EventType::from($type), $payload, 'Joss Wending',
            new \DateTimeImmutable('2026-11-25T10:00:00Z'),
        );
    }
}
