<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Bind\Resolve;
use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Expand\StepDependencies;
use NimbleKnuckle\Core\Compiler\Schedule\Crew;
use NimbleKnuckle\Core\Compiler\Schedule\HelperDependencies;
use NimbleKnuckle\Core\Compiler\Schedule\Schedule;
use NimbleKnuckle\Core\Compiler\Schedule\Scheduler;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use NimbleKnuckle\Tests\Core\Vehicle\WholeVehicle;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Two people: what each waits for holds on the time line, and hardly a minute is stood about. */
#[CoversClass(Crew::class)]
#[CoversClass(HelperDependencies::class)]
#[CoversClass(StepDependencies::class)]
#[CoversClass(Resolved::class)]
#[CoversClass(Schedule::class)]
final class CrewTest extends TestCase
{
    private const CLEAR = [
        StepKind::Raise, StepKind::Lower, StepKind::Start, StepKind::Drive, StepKind::Move, StepKind::HandOver, StepKind::Release,
    ];

    /** Of every stretch between steps that need everybody clear: no longer than its longest way, or half of its work, and 15 %. */
    public function testInNineteenOfTwentyPairsNoStretchIsMuchLongerThanItMustBe(): void
    {
        $good = $all = 0;
        foreach (self::pairs() as [$one, $other]) {
            $sheet = self::sheet($one, $other);
            ++$all;
            $good += self::worst($sheet) <= 1.15 ? 1 : 0;
        }
        self::assertGreaterThan(60, count(self::allPairs()));
        self::assertGreaterThanOrEqual(Sample::floor(0.95, $all), $good, sprintf('%d of %d', $good, $all));
    }

    public function testEachJobKeepsItsOrderOnTheTimeLine(): void
    {
        foreach (self::pairs() as [$one, $other]) {
            $spans = self::sheet($one, $other)->timing->spans;
            $chains = (new Resolve())->of(
                [Sheets::procedure($one), Sheets::procedure($other)], new Choices([]), WholeVehicle::sheet(),
            )->chains;
            foreach ($chains as $job => $line) {
                $over = 0.0;
                foreach (array_filter($line, static fn (string $id): bool => isset($spans[$id])) as $id) {
                    [$from, $to, $who] = $spans[$id];
                    self::assertGreaterThanOrEqual($over - 1e-9, $from, sprintf('%s of %s with %s', $id, $job, $other));
                    $over = 0 === $who ? $over : max($over, $to);
                }
            }
        }
    }

    public function testNobodyDoesTwoThingsAtOnceAndWaitsAreOverWhereTheyMust(): void
    {
        foreach (self::pairs() as [$one, $other]) {
            $sheet = self::sheet($one, $other);
            $spans = $sheet->timing->spans;
            foreach ($sheet->steps as $step) {
                $wait = $spans[$step->id];
                if ($step->slot->passive && isset($spans[$step->slot->until])) {
                    self::assertGreaterThanOrEqual($wait[1] - 1e-9, $spans[$step->slot->until][0], $step->id);
                }
            }
            foreach ([1, 2] as $who) {
                $mine = array_filter($spans, static fn (array $span): bool => $span[2] === $who);
                usort($mine, static fn (array $a, array $b): int => $a <=> $b);
                foreach ($mine as $i => $span) {
                    self::assertGreaterThanOrEqual($mine[$i - 1][1] ?? 0.0, $span[0] + 1e-9, $one.' with '.$other);
                }
            }
        }
    }

    /** All that makes it safe is over before anything comes apart, whoever does it; the battery is last but for the fluids. */
    public function testSafeFirstAndTheBatteryLast(): void
    {
        foreach (self::pairs() as [$one, $other]) {
            $sheet = self::sheet($one, $other);
            $spans = $sheet->timing->spans;
            $safe = 0.0;
            foreach ($sheet->steps as $i => $step) {
                $isSafe = $step->slot->phase->number() <= Phase::MakeSafe->number();
                $safe = $isSafe ? max($safe, $spans[$step->id][1]) : $safe;
                $isSafe || self::assertGreaterThanOrEqual($safe - 1e-9, $spans[$step->id][0], $step->id);
                $isLast = in_array($step->deed, [StepKind::BatteryOn, StepKind::Fill], true);
                foreach ($isLast ? array_slice($sheet->steps, 0, $i) : [] as $before) {
                    $end = $before->slot->passive ? $spans[$before->id][0] : $spans[$before->id][1];
                    self::assertLessThanOrEqual($spans[$step->id][0] + 1e-9, $end, $before->id.' before '.$step->id);
                }
            }
        }
    }

    /** A hose, a housing, a pump: none is off before the circuit has run empty, whoever has it in hand. */
    public function testNothingWetComesOffBeforeTheDrainIsOver(): void
    {
        $seen = 0;
        foreach (self::pairs() as [$one, $other]) {
            $sheet = self::sheet($one, $other);
            $over = [];
            foreach ($sheet->steps as $step) {
                $over += StepKind::Drain === $step->deed ? [$step->target->circuit => $sheet->timing->spans[$step->id][1]] : [];
                $wet = WholeVehicle::sheet()->items[$step->target->item]->dangers->wet ?? '';
                $drainBehind = WholeVehicle::sheet()->circuits[$wet]->plumbing->drainBehind ?? [];
                if (StepKind::Remove === $step->deed && isset($over[$wet]) && !in_array($step->target->item, $drainBehind, true)) {
                    self::assertGreaterThanOrEqual($over[$wet] - 1e-9, $sheet->timing->spans[$step->id][0], $step->id);
                    ++$seen;
                }
            }
        }
        self::assertGreaterThan(Sample::isWhole() ? 50 : 0, $seen);
    }

    public function testWhatCameOffBeforeTheDrainWaitsForNothingLater(): void
    {
        $off = static fn (string $item): Step => Step::plain('off.'.$item, Phase::Strip, StepKind::Remove, $item)->with(item: $item);
        $drain = Step::plain('drain', Phase::Strip, StepKind::Drain, 'drain')->with(circuit: 'coolant', passive: true);
        $waits = static fn (Step ...$steps): array => array_column(array_map(
            static fn (Step $step): array => [$step->id, [$step->slot->after, $step->slot->until]],
            (new StepDependencies(Sheets::vehicle('corrin-drover-27d')))->between(array_values($steps), new Resolved([], [], [])),
        ), 1, 0);
        self::assertSame(
            ['off.lower-hose' => [[], ''], 'drain' => [[], 'off.water-pump'], 'off.water-pump' => [['off.lower-hose'], '']],
            $waits($off('lower-hose'), $drain, $off('water-pump')),
        );
        self::assertSame([[], 'off.lower-hose'], $waits($drain, $off('lower-hose'), $off('water-pump'))['drain']);
    }

    /** Against every order there is, on small random work: the shortest of them, or a twentieth more in one case of ten. */
    public function testItIsNearTheShortestThereIs(): void
    {
        $luck = new Randomizer(new Mt19937(77));
        $near = 0;
        for ($run = 0; $run < 60; ++$run) {
            $steps = [];
            for ($i = 0; $i < 6; ++$i) {
                $after = array_values(array_filter(
                    array_keys($steps), static fn (string $id): bool => 0 === $luck->getInt(0, 3),
                ));
                $steps['s'.$i] = Step::plain('s'.$i, Phase::Fit, StepKind::Act, 's'.$i)->with(
                    minutes: new Minutes(1, $m = $luck->getInt(1, 12), $m + 1), after: $after,
                );
            }
            $took = (new Scheduler())->of(array_values($steps), 2)->likely;
            $best = self::shortest($steps, [], [0.0, 0.0], []);
            self::assertGreaterThanOrEqual($best - 1e-9, $took);
            $near += $took <= 1.05 * $best ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(54, $near);
    }

    /**
     * @param array<string, Step> $steps
     * @param array<string, float> $ends
     * @param array{float, float} $free
     * @param list<string> $order
     */
    private static function shortest(array $steps, array $ends, array $free, array $order): float
    {
        if (count($ends) === count($steps)) {
            return max([0.0, ...array_values($ends)]);
        }
        $best = \INF;
        foreach ($steps as $id => $step) {
            if (isset($ends[$id]) || [] !== array_diff($step->slot->after, array_keys($ends))) {
                continue;
            }
            $from = max([0.0, ...array_map(static fn (string $before): float => $ends[$before], $step->slot->after)]);
            foreach ($free[0] === $free[1] ? [0] : [0, 1] as $who) {
                $end = max($from, $free[$who]) + $step->slot->minutes->likely;
                $then = 0 === $who ? [$end, $free[1]] : [$free[0], $end];
                $best = min($best, self::shortest($steps, $ends + [$id => $end], $then, [...$order, $id]));
            }
        }

        return $best;
    }

    private static function worst(Sheet $sheet): float
    {
        $stretches = [[]];
        foreach ($sheet->steps as $step) {
            in_array($step->deed, self::CLEAR, true) ? $stretches[] = [] : $stretches[count($stretches) - 1][$step->id] = $step;
        }

        return max([1.0, ...array_map(
            static fn (array $stretch): float => [] === $stretch ? 1.0 : self::ratio($stretch, $sheet), $stretches,
        )]);
    }

    /** @param non-empty-array<string, Step> $stretch */
    private static function ratio(array $stretch, Sheet $sheet): float
    {
        $spans = array_intersect_key($sheet->timing->spans, $stretch);
        $begin = min([\INF, ...array_column($spans, 0)]);
        $ways = [];
        $work = 0.0;
        foreach ($stretch as $id => $step) {
            $from = 0.0;
            foreach ($step->slot->after as $before) {
                $from = max($from, $ways[$before][($stretch[$before] ?? null)?->slot->passive ? 0 : 1] ?? 0.0);
            }
            foreach ($sheet->steps as $wait) {
                if ($wait->slot->passive && $wait->slot->until === $id) {
                    $from = max($from, $ways[$wait->id][1] ?? $sheet->timing->spans[$wait->id][1] - $begin);
                }
            }
            $ways[$id] = [$from, $from + $step->slot->minutes->likely];
            $work += $step->slot->passive ? 0.0 : $step->slot->minutes->likely;
        }
        $least = max(max(array_column($ways, 1)), $work / 2);

        return $least > 0.0 ? (max([0.0, ...array_column($spans, 1)]) - $begin) / $least : 1.0;
    }

    private static function sheet(string $one, string $other): Sheet
    {
        /** @var array<string, Sheet> $made */
        static $made = [];

        return $made[$one.' '.$other] ??= (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($one), Sheets::procedure($other)], new Choices([]), WholeVehicle::sheet(), Sheets::kit(), 2,
        );
    }

    /** @return iterable<array{string, string}> every pair that can be planned together, either way round */
    private static function pairs(): iterable
    {
        yield from Sample::of(self::allPairs(), 'crews');
    }

    /** @return list<array{string, string}> */
    private static function allPairs(): array
    {
        $pairs = [];
        $jobs = array_diff(array_map(
            static fn (string $file): string => basename($file, '.yaml'), glob(dirname(__DIR__, 3).'/procedures/*.yaml') ?: [],
        ), ['common']);
        foreach ($jobs as $one) {
            foreach ($jobs as $other) {
                $together = !in_array($other, Sheets::procedure($one)->needs->notWith, true)
                    && !in_array($one, Sheets::procedure($other)->needs->notWith, true);
                if ($one !== $other && $together) {
                    $pairs[] = [$one, $other];
                }
            }
        }

        return $pairs;
    }
}
