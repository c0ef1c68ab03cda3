<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Arrange\PositionGroups;
use NimbleKnuckle\Core\Compiler\Bind\BoundOperation;
use NimbleKnuckle\Core\Compiler\Bind\Resolve;
use NimbleKnuckle\Core\Compiler\Bind\Resolved;
use NimbleKnuckle\Core\Compiler\Check\ListOut;
use NimbleKnuckle\Core\Compiler\Complete\Moves;
use NimbleKnuckle\Core\Compiler\Expand\StepDependencies;
use NimbleKnuckle\Core\Compiler\Expand\StepWriter;
use NimbleKnuckle\Core\Compiler\Schedule\Scheduler;
use NimbleKnuckle\Core\Compiler\Strip\AccessClosure;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Supply;
use NimbleKnuckle\Core\Sheet\Pick;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** Each stage of the compiler alone: plain values in, plain values out. */
#[CoversClass(Resolve::class)]
#[CoversClass(Resolved::class)]
#[CoversClass(BoundOperation::class)]
#[CoversClass(AccessClosure::class)]
#[CoversClass(StepWriter::class)]
#[CoversClass(StepDependencies::class)]
#[CoversClass(PositionGroups::class)]
#[CoversClass(Moves::class)]
#[CoversClass(Scheduler::class)]
#[CoversClass(ListOut::class)]
#[CoversClass(VehicleState::class)]
final class StagesTest extends TestCase
{
    public function testResolveKeepsOnlyWhatTheAnswersAskFor(): void
    {
        $of = static fn (string $fill): array => array_map(
            static fn (BoundOperation $b): string => $b->operation->id,
            (new Resolve())->of([Sheets::procedure('thermostat-under')], new Choices(['fill' => $fill]), Sheets::tarn())->bound,
        );
        self::assertContains('vacuum-fill', $of('vacuum'));
        self::assertNotContains('vacuum-fill', $of('burp'));
        self::assertContains('burp-run', $of('burp'));
    }

    public function testResolveBindsRolesToTheVehiclesOwnThings(): void
    {
        $vehicle = Sheets::vehicle('veldra-tarn-20t', static function (array $d): array {
            $items = is_array($d['items']) ? $d['items'] : [];

            return ['items' => array_map(
                static fn (mixed $i): mixed => is_array($i) && 'lower-hose' === $i['id']
                    ? ['id' => 'hose-17', 'role' => 'lower-hose'] + $i
                    : (is_array($i) && 'thermostat-housing' === $i['id'] ? ['behind' => ['hose-17']] + $i : $i),
                $items,
            )] + $d;
        });
        $bound = (new Resolve())->of([Sheets::procedure('thermostat-under')], new Choices([]), $vehicle)->bound;
        self::assertContains('hose-17', array_map(static fn (BoundOperation $b): string => $b->item, $bound));
    }

    public function testResolveDoesOnceWhatTwoProceduresBothNeed(): void
    {
        $resolved = (new Resolve())->of(
            [Sheets::procedure('serpentine-belt'), Sheets::procedure('crank-damper')], new Choices([]),
            Sheets::vehicle('ostrel-vane-s6'),
        );
        self::assertSame('remove-serpentine-belt', $resolved->standsFor('damper-belt-off'));
        self::assertSame('remove-serpentine-belt', $resolved->standsFor('belt-off'));
        self::assertSame('refit-serpentine-belt', $resolved->standsFor('damper-belt-on'));
        self::assertSame('damper-off', $resolved->standsFor('damper-off'));
        $same = array_map(static fn (BoundOperation $b): string => $b->sameAs(), $resolved->bound);
        self::assertSame($same, array_values(array_unique($same)));
    }

    public function testCloseAddsWhatLiesInFrontAndNothingElse(): void
    {
        $tasks = (new AccessClosure())->of(
            (new Resolve())->of([Sheets::procedure('thermostat-under')], new Choices([]), Sheets::tarn()), Sheets::tarn(),
        );
        self::assertSame(
            ['item:front-shield', 'item:under-pan', 'item:sensor-lead', 'item:heat-shield'],
            array_values(array_filter(array_keys($tasks), static fn (string $id): bool => str_starts_with($id, 'item:'))),
        );
        self::assertContains('item:front-shield', $tasks['item:under-pan']->after);
        self::assertContains('op:hose-off', $tasks['op:housing-off']->after);
        self::assertTrue($tasks['op:drain']->passive);
    }

    public function testTheWriterCountsTheBoltsOfAnItemsJointsIntoItsTray(): void
    {
        $tarn = Sheets::tarn();
        $step = (new StepWriter($tarn))->removal($tarn->items['thermostat-housing'], Phase::Strip);
        self::assertSame(4, array_sum(array_map(static fn ($line): int => $line->count, $step->needs->tray)));
        self::assertContains('10 mm socket', $step->needs->tools);
        $tight = (new StepWriter($tarn))->tightening($tarn->joints['thermostat-cover-bolts'], Phase::Fit);
        self::assertStringContainsString('Cast aluminium', $tight->words->cautions[0]->text);
        self::assertSame(Position::Raised, $tight->slot->position);
        $vane = Sheets::vehicle('ostrel-vane-s6');
        self::assertSame('new', (new StepWriter($vane))->tightening($vane->joints['damper-bolt'], Phase::Fit)->needs->parts[0]->state);
    }

    public function testMovesArePutInOnlyWhereTheNextStepNeedsThem(): void
    {
        $steps = [
            $this->step('a', Position::Any), $this->step('b', Position::Raised), $this->step('c', Position::Any),
            $this->step('d', Position::WheelOff), $this->step('e', Position::Ground), $this->step('f', Position::Any),
        ];
        [$moved, $count] = (new Moves(Sheets::common()))->into($steps);
        self::assertSame(['a', 'raise-1', 'b', 'c', 'd', 'lower-2', 'e', 'f'], array_map(static fn (Step $s): string => $s->id, $moved));
        self::assertSame(2, $count);
        self::assertSame(0, (new Moves(Sheets::common()))->into([$this->step('a', Position::Ground)])[1]);
    }

    public function testGroupingNeverCrossesAStartOrBreaksAnOrder(): void
    {
        $steps = [
            $this->step(
                'a', Position::Ground, Phase::Fit,
            ), $this->step('b', Position::Raised, Phase::Fit), $this->step('c', Position::Ground, Phase::Fit), $this->step(
                'd', Position::Raised, Phase::Fit, after: ['c'],
            ),
            $this->step('start', Position::Any, Phase::Prove)->with(deed: StepKind::Start), $this->step(
                'e', Position::Ground, Phase::Prove
            ),
        ];
        $ids = array_map(static fn (Step $s): string => $s->id, (new PositionGroups())->of($steps));
        self::assertSame(['a', 'c', 'b', 'd', 'start', 'e'], $ids);
    }

    public function testWaitsAreUsedAndEndWhereTheyMust(): void
    {
        $steps = [
            $this->step('drain', minutes: 20)->with(passive: true, until: 'off'), $this->step('x', minutes: 5),
            $this->step('y', minutes: 7), $this->step('off', minutes: 3),
        ];
        $timing = (new Scheduler())->of($steps);
        self::assertSame([0.0, 20.0, 0], $timing->spans['drain']);
        self::assertSame([0.0, 5.0, 1], $timing->spans['x']);
        self::assertSame([20.0, 23.0, 1], $timing->spans['off']);
        self::assertSame(23.0, $timing->likely);
        self::assertSame(12.0, $timing->saved);
    }

    public function testASecondPairOfHandsTakesWhatWaitsForNothing(): void
    {
        $steps = [
            $this->step('a', minutes: 10), $this->step('b', minutes: 8), $this->step('c', minutes: 4, after: ['a']),
            $this->step('d', minutes: 4, after: ['b']),
        ];
        self::assertSame(26.0, (new Scheduler())->of($steps, 1)->likely);
        $two = (new Scheduler())->of($steps, 2);
        self::assertSame(14.0, $two->likely);
        self::assertSame(2, $two->spans['b'][2]);
        self::assertSame(14.0, (new Scheduler())->of($steps, 9)->likely, 'two at most');
        self::assertSame(0.0, (new Scheduler())->of([])->likely);
    }

    public function testTheLiftWaitsForEverybody(): void
    {
        $up = $this->step('up', minutes: 6)->with(deed: StepKind::Raise);
        $timing = (new Scheduler())->of(
            [$this->step('a', minutes: 10), $this->step('b', minutes: 2), $up, $this->step('c', minutes: 1)], 2
        );
        self::assertSame(10.0, $timing->spans['up'][0]);
        self::assertSame(16.0, $timing->spans['c'][0]);
    }

    public function testTheMeanIsThatOfABetaPert(): void
    {
        $timing = (new Scheduler())->of([$this->step('a')->with(minutes: new Minutes(2, 5, 14))]);
        self::assertEqualsWithDelta((2 + 20 + 14) / 6, $timing->mean, 1e-12);
        self::assertEqualsWithDelta([2.0, 14.0], [$timing->low, $timing->high], 2.6, 'near the ends of its only step');
    }

    /** Thrown 20,000 times: each step log-normal about its own mean, any two bound by a correlation of a half. */
    public function testLowAndHighAreTheTenthsOfASumOfDependentSteps(): void
    {
        mt_srand(5);
        $given = [[4, 6, 12], [10, 15, 25], [1, 2, 4], [20, 30, 50], [5, 5, 5], [8, 10, 20], [3, 5, 9], [15, 18, 30]];
        $steps = array_map(
            fn (int $i, array $m): Step => $this->step('s'.$i)->with(minutes: new Minutes(...$m)), array_keys($given), $given,
        );
        $timing = (new Scheduler())->of($steps);
        $normal = static fn (): float => sqrt(-2 * log(mt_rand(1, 1_000_000) / 1_000_001)) * cos(2 * \M_PI * mt_rand() / mt_getrandmax());
        $sums = [];
        for ($i = 0; $i < 20_000; ++$i) {
            $common = $normal();
            $sum = 0.0;
            foreach ($given as [$low, $likely, $high]) {
                $mean = ($low + 4 * $likely + $high) / 6;
                $s = sqrt(log(1 + (($high - $low) / 2.563 / $mean) ** 2));
                $sum += exp(log($mean) - $s ** 2 / 2 + $s * (sqrt(0.5) * $common + sqrt(0.5) * $normal()));
            }
            $sums[] = $sum;
        }
        sort($sums);
        self::assertEqualsWithDelta($sums[2000], $timing->low, 0.03 * $sums[2000]);
        self::assertEqualsWithDelta($sums[18000], $timing->high, 0.03 * $sums[18000]);
        self::assertGreaterThan(array_sum(array_column($given, 0)), $timing->low, 'not all of them short at once');
        self::assertLessThan(array_sum(array_column($given, 2)), $timing->high, 'not all of them long at once');
    }

    public function testWhatAWaitCoversAddsNoSpread(): void
    {
        $wait = $this->step('wait')->with(minutes: new Minutes(60, 60, 60), passive: true, until: 'end');
        $covered = $this->step('covered')->with(minutes: new Minutes(5, 10, 20));
        $end = $this->step('end')->with(minutes: new Minutes(4, 5, 8));
        $alone = (new Scheduler())->of([$wait, $end]);
        $timing = (new Scheduler())->of([$wait, $covered, $end]);
        self::assertEqualsWithDelta([$alone->low, $alone->high], [$timing->low, $timing->high], 1e-9);
    }

    public function testEachToolIsListedOnceWhereItIsFirstNeeded(): void
    {
        $steps = [
            $this->step('a')->with(tools: ['hammer', 'rag']),
            $this->step('b')->with(tools: ['rag', 'saw'], consumables: [new Supply('oil', '1 L')], parts: [new Supply('ring', '2', 'new')]),
        ];
        $list = new ListOut(Sheets::tarn(), new Kit([], ['rag']));
        self::assertSame(['hammer', 'saw', 'rag'], array_map(static fn (Pick $p): string => $p->name, $list->tools($steps)));
        self::assertSame(['a', 'b', 'a'], array_map(static fn (Pick $p): string => $p->firstStep, $list->tools($steps)));
        self::assertSame('1 L', $list->consumables($steps)[0]->amount);
        self::assertSame('new', $list->parts($steps)[0]->note);
    }

    public function testDependenciesFollowTheAccessMapBothWays(): void
    {
        $after = [];
        foreach (Sheets::thermostat()->steps as $step) {
            $after[$step->id] = $step->slot->after;
        }
        self::assertContains('off.front-shield', $after['off.under-pan']);
        self::assertContains('housing-on', $after['housing-tight']);
        self::assertContains('on.under-pan', $after['on.front-shield']);
        self::assertContains('off.under-pan', $after['drain']);
    }

    public function testTheModelFollowsEveryDeed(): void
    {
        $rig = VehicleState::standing(Sheets::tarn());
        self::assertTrue($rig->battery);
        $rig = $rig->after(
            $this->step('1')->with(deed: StepKind::BatteryOff),
        )->after($this->step('2')->with(deed: StepKind::Raise))->after($this->step('3')->with(deed: StepKind::Cold));
        self::assertSame([false, true, true], [$rig->battery, $rig->raised, $rig->cold]);
        $rig = $rig->after($this->step('4')->with(
            deed: StepKind::Remove, item: 'thermostat-housing',
        ))->after($this->step('5')->with(deed: StepKind::Drain, circuit: 'coolant'));
        self::assertSame(['thermostat-housing' => '4'], $rig->off);
        self::assertSame(['thermostat-cover-bolts' => '4'], $rig->loose);
        self::assertSame(['coolant' => '5'], $rig->open);
        $rig = $rig->after($this->step('6')->with(
            deed: StepKind::Refit, item: 'thermostat-housing',
        ))->after($this->step('7')->with(
            deed: StepKind::Tighten, joint: 'thermostat-cover-bolts',
        ))->after($this->step('8')->with(deed: StepKind::Fill, circuit: 'coolant'));
        self::assertSame([[], [], []], [$rig->off, $rig->loose, $rig->open]);
        $rig = $rig->after($this->step('9')->with(deed: StepKind::Hold, body: 'engine'))->after($this->step('10')->with(
            deed: StepKind::Move, body: 'engine', mm: 30.0, way: 'up',
        ))->after($this->step('11')->with(deed: StepKind::Start, tags: ['flash']));
        self::assertSame(['engine' => '9'], $rig->held);
        self::assertSame(['engine up' => 30.0], $rig->moved);
        self::assertSame([false, true, ['flash' => '11']], [$rig->cold, $rig->ran, $rig->tagged]);
        $rig = $rig->after($this->step('12')->with(deed: StepKind::Release, body: 'engine'))->after(
            $this->step('13')->with(deed: StepKind::Lower),
        )->after($this->step('14')->with(deed: StepKind::BatteryOn))->after($this->step('15')->with(deed: StepKind::CoolDown));
        self::assertSame([[], false, true, true], [$rig->held, $rig->raised, $rig->battery, $rig->cold]);
    }

    public function testACircleIsFoundWhereverItIs(): void
    {
        $items = static fn (array $behind): VehicleSheet => VehicleSheet::read(
            Node::of(
                [
                    'format' => VehicleSheet::FORMAT, 'id' => 'v', 'name' => 'V',
                    'items' => array_map(
                        static fn (string $id): array => ['id' => $id, 'name' => $id, 'place' => 'anywhere',
                            'behind' => $behind[$id] ?? []],
                        ['a', 'b', 'c', 'd'],
                    ),
                ],
            ),
        );
        self::assertSame([], $items(['a' => ['b'], 'b' => ['c'], 'd' => ['c']])->circle());
        self::assertSame(['b', 'c', 'b'], $items(['a' => ['b'], 'b' => ['c'], 'c' => ['b']])->circle());
        self::assertSame(['d', 'd'], $items(['d' => ['d']])->circle());
        self::assertSame(['b', 'd'], $items(['b' => ['c'], 'd' => ['c']])->hiddenBy('c'));
    }

    /** @param list<string> $after */
    private function step(
        string $id, Position $position = Position::Any, Phase $phase = Phase::Strip, float $minutes = 1.0, array $after = [],
    ): Step {
        return Step::plain($id, $phase, StepKind::Act, 'Step '.$id)->with(
            position: $position, minutes: new Minutes($minutes, $minutes, $minutes), after: $after,
        );
    }
}
