<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench;

use NimbleKnuckle\Core\Bench\Act\Act;
use NimbleKnuckle\Core\Bench\Act\FastenerTap;
use NimbleKnuckle\Core\Bench\Act\NextAct;
use NimbleKnuckle\Core\Bench\Act\Turn;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FillRun;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\State\Reading;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Flow;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the big button offers, one thing in turn: it alone works every job to its end, and in an order. */
#[CoversClass(NextAct::class)]
#[CoversClass(Act::class)]
#[CoversClass(FastenerTap::class)]
#[CoversClass(FillRun::class)]
final class NextActTest extends TestCase
{
    private const JOBS = [
        ['veldra-tarn-20t', 'thermostat-under', ['fill' => 'vacuum']], ['veldra-tarn-20t', 'thermostat-under', ['fill' => 'bleed']],
        ['veldra-tarn-20t', 'thermostat-under', ['fill' => 'burp']], ['veldra-tarn-20t', 'spark-plugs', []],
        ['veldra-tarn-20t', 'gate-lock', []], ['ostrel-vane-s6', 'serpentine-belt', []], ['ostrel-vane-s6', 'thermostat-front', []],
        ['corrin-drover-27d', 'gearbox-mount', []], ['corrin-drover-27d', 'starter', []], ['corrin-drover-27d', 'oil-filter-housing', []],
        ['pelliver-dray-18', 'chain-tensioner', []],
    ];
    /** In a step, what comes before what; a stage of a routine and its reading take turns. */
    private const ORDER = [
        'caution', 'take-out', 'barred', 'clock', 'count', 'put-in', 'fastener', 'stage', 'reading', 'tools', 'photo', 'running', 'close',
    ];
    private const MOST = 900;

    private \DateTimeImmutable $at;
    private int $made = 0;

    protected function setUp(): void
    {
        $this->at = new \DateTimeImmutable('2026-11-26T08:00:00Z');
    }

    /** @param array<string, string> $choices */
    #[DataProvider('jobs')]
    public function testTheButtonAloneWorksAJobToItsEnd(string $vehicle, string $procedure, array $choices): void
    {
        $fit = self::fit($vehicle, $procedure, $choices);
        $turns = [];
        for ($i = 0; null !== ($step = $fit->course()->currentStep()) && !$fit->state->isClosed($step->id); ++$i) {
            self::assertLessThan(self::MOST, $i, 'it comes to an end, and is at '.$step->id);
            $act = $this->next($fit, $step);
            if ('' !== $act->step) {
                self::assertNotSame($step->id, $act->step, 'it leads somewhere else');
                $step = $fit->sheet->step($act->step) ?? self::fail($act->step);
                $act = $this->next($fit, $step);
            }
            'Not yet' === $act->label || $turns[$step->id][] = $act->turn->value;
            foreach ($this->done($fit, $step, $act) as $mark) {
                $fit = $this->marked($fit, $mark);
            }
        }
        self::assertSame([], SignOff::of($fit)->refusals(Authority::Lead), 'it may be signed');
        self::assertSame([], SignOff::of($fit)->review(), 'and nothing is asked about');
        foreach ($turns as $id => $inTurn) {
            $places = array_map(static fn (string $turn): int => (int) array_search($turn, self::ORDER, true), $inTurn);
            for ($k = 1; $k < count($places); ++$k) {
                $back = 'stage' === $inTurn[$k] && 'fastener' !== $inTurn[$k - 1];
                $back || self::assertGreaterThanOrEqual($places[$k - 1], $places[$k], $id.': '.implode(' ', $inTurn));
            }
        }
    }

    /** @return iterable<string, array{string, string, array<string, string>}> */
    public static function jobs(): iterable
    {
        foreach (Sample::of(self::JOBS, 'buttons', 3) as $job) {
            yield implode(' ', [$job[0], $job[1], ...$job[2]]) => $job;
        }
    }

    public function testAReadingOfAStageIsOneTakenAfterItWasBegun(): void
    {
        $routine = FillRoutine::named('vacuum') ?? self::fail('There is a vacuum fill.');
        $event = fn (EventType $type, int $second, array $more): FitEvent => FitEvent::of(
            sprintf('01J%023d', ++$this->made), $type, ['step' => 'vacuum-pull'] + $more, 'Joss Wending',
            $this->at->modify(sprintf('+%d seconds', $second)),
        );
        $stage = array_values(array_filter($routine->stages, static fn ($one): bool => '' !== $one->ask))[0];
        $run = FillRun::of($routine, [$event(EventType::StageBegun, 10, ['stage' => $stage->id])]);
        $read = static fn (int $second): Reading => FitState::fold([$event(
            EventType::Measured, $second, ['field' => $stage->ask, 'text' => '85', 'value' => 85.0, 'unit' => 'kPa'],
        )])->reading('vacuum-pull', $stage->ask) ?? self::fail('It was read.');
        self::assertFalse($run->isReadSince(null));
        self::assertFalse($run->isReadSince($read(9)), 'of the time before');
        self::assertTrue($run->isReadSince($read(10)), 'in the same second');
        self::assertTrue($run->isReadSince($read(11)));
        self::assertFalse(FillRun::of($routine, [])->isReadSince($read(11)), 'nothing is begun');
    }

    public function testAStageThatStandsIsWaitedOutAndOneThatAsksIsReadFirst(): void
    {
        $fit = self::fit('veldra-tarn-20t', 'thermostat-under', ['fill' => 'vacuum']);
        $step = null;
        for ($i = 0; $i < self::MOST && 'vacuum-pull' !== ($step = $fit->course()->currentStep())?->id; ++$i) {
            foreach ($this->done($fit, $step ?? self::fail('It ended before.'), $this->next($fit, $step)) as $mark) {
                $fit = $this->marked($fit, $mark);
            }
        }
        $step ?? self::fail('The vacuum is pulled.');
        $said = [];
        for ($i = 0; $i < 40 && !$fit->state->isClosed('vacuum-pull'); ++$i) {
            $act = $this->next($fit, $step);
            $said[] = [$act->turn, $act->ask, $act->seconds];
            if ($act->until > 0.0) {
                [$before, $then] = [self::instant($act->until - 0.4), self::instant($act->until)];
                self::assertSame($act->until, (new NextAct(Sheets::kit(), $before))->for($fit, $step)->until, 'it still stands');
                self::assertSame(0.0, (new NextAct(Sheets::kit(), $then))->for($fit, $step)->until, 'it has stood');
            }
            foreach ($this->done($fit, $step, $act) as $mark) {
                $fit = $this->marked($fit, $mark);
            }
        }
        self::assertTrue($fit->state->isClosed('vacuum-pull'));
        self::assertContainsEquals([Turn::Stage, 'vacuum_pulled', 0.0], $said, 'the gauge after pulling');
        self::assertContainsEquals([Turn::Stage, '', 120.0], $said, 'two minutes stand');
        $pulled = array_search('vacuum_pulled', array_column($said, 1), true);
        $held = array_search(120.0, array_column($said, 2), true);
        self::assertLessThan($held, $pulled, 'it is pulled before it is held');
    }

    private static function instant(float $second): \DateTimeImmutable
    {
        return \DateTimeImmutable::createFromFormat('U.u', sprintf('%.6F', $second)) ?: throw new \LogicException('No instant.');
    }

    private function next(Fit $fit, Step $step): Act
    {
        $now = new Fit($fit->sheet, $fit->vehicle, $fit->state, $this->at, $fit->rigs());

        return (new NextAct(Sheets::kit(), $this->at))->for($now, $step);
    }

    /** @return list<array<string, string|int|float>> the marks of a hand that does what the button says */
    private function done(Fit $fit, Step $step, Act $act): array
    {
        if ($act->until > 0.0) {
            $this->at = $this->at->setTimestamp((int) ceil($act->until) + 1);

            return [];
        }
        $left = Turn::Barred === $act->turn ? $fit->course()->waitLeft($step, $this->at) : 0.0;
        if ($left > 0.0) {
            $this->at = $this->at->modify(sprintf('+%d seconds', (int) ceil(60 * $left) + 1));

            return [];
        }
        if ([] !== $act->marks) {
            $wait = Turn::Running === $act->turn ? (int) (60 * $step->slot->minutes->likely) + 1 : 0;
            $this->at = $this->at->modify(sprintf('+%d seconds', $wait));

            return $act->marks;
        }
        if ('' !== $act->ask) {
            $asks = [...$fit->readings()->asks($step), ...$step->asking->asks];
            $ask = array_values(array_filter($asks, static fn (Ask $one): bool => $one->field === $act->ask))[0];

            return [[
                'type' => 'measured', 'step' => $step->id, 'field' => $ask->field, 'text' => 'read',
                'value' => self::value($fit, $step, $ask), 'unit' => $ask->kind->baseUnit()->value,
            ]];
        }
        foreach ($step->words->cautions as $i => $caution) {
            if (Turn::Caution === $act->turn && $caution->acknowledge && !isset($fit->state->seen[$step->id][$i])) {
                return [['type' => 'caution-acknowledged', 'step' => $step->id, 'caution' => $i]];
            }
        }

        return match ($act->turn) {
            Turn::Tools => [['type' => 'tool-counted', 'step' => $step->id, 'tool' => $fit->tools()->missing($step)[0]]],
            Turn::Photo => [[
                'type' => 'photo-taken', 'step' => $step->id, 'hash' => hash('sha256', $step->id), 'width' => 1600, 'height' => 1200,
                'shot' => 'proof',
            ]],
            default => self::fail(sprintf('%s: “%s” does nothing.', $step->id, $act->label)),
        };
    }

    private static function value(Fit $fit, Step $step, Ask $ask): float
    {
        $circuit = $fit->vehicle->circuits[$step->target->circuit] ?? null;

        return match (true) {
            null !== $circuit && Flow::Out === $ask->flow => 0.7 * $circuit->capacity,
            null !== $circuit && Flow::In === $ask->flow => $fit->flows()->of($circuit, Flow::Out)->value ?? 0.7 * $circuit->capacity,
            'vacuum_lost' === $ask->field => 0.2,
            default => $ask->limits->usual(),
        };
    }

    /** @param array<string, string|int|float> $mark */
    private function marked(Fit $fit, array $mark): Fit
    {
        $this->at = $this->at->modify('+7 seconds');
        $type = EventType::from((string) $mark['type']);
        unset($mark['type']);
        $event = FitEvent::of(sprintf('01J%023d', ++$this->made), $type, $mark, 'Joss Wending', $this->at);
        $now = new Fit($fit->sheet, $fit->vehicle, $fit->state, $this->at, $fit->rigs());
        (new Law($now, Authority::Helper, $this->at))->ensure($event);

        return $fit->then($event);
    }

    /** @param array<string, string> $choices */
    private static function fit(string $vehicle, string $procedure, array $choices): Fit
    {
        $sheet = (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($procedure)], new Choices($choices), Sheets::vehicle($vehicle), Sheets::kit(),
        );

        return new Fit($sheet, Sheets::vehicle($vehicle), FitState::none());
    }
}
