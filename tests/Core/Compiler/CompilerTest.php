<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Bind\Resolve;
use NimbleKnuckle\Core\Compiler\Check\ListOut;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Complete\Moves;
use NimbleKnuckle\Core\Compiler\Expand\Expander;
use NimbleKnuckle\Core\Compiler\Expand\StepWriter;
use NimbleKnuckle\Core\Compiler\Schedule\Scheduler;
use NimbleKnuckle\Core\Compiler\Strip\AccessClosure;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Pick;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Pins\Leaves;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Compiler::class)]
#[CoversClass(Resolve::class)]
#[CoversClass(AccessClosure::class)]
#[CoversClass(Expander::class)]
#[CoversClass(StepWriter::class)]
#[CoversClass(Moves::class)]
#[CoversClass(Scheduler::class)]
#[CoversClass(ListOut::class)]
#[CoversClass(Sheet::class)]
#[CoversClass(VehicleSheet::class)]
final class CompilerTest extends TestCase
{
    /** @param array<string, string> $choices */
    #[DataProvider('everyWay')]
    public function testEveryWayGivesASoundSheetInPhaseOrder(array $choices): void
    {
        $sheet = Sheets::thermostat(null, $choices);
        self::assertGreaterThanOrEqual(25, count($sheet->steps));
        self::assertLessThanOrEqual(45, count($sheet->steps));
        $numbers = array_map(static fn (Step $step): int => $step->slot->phase->number(), $sheet->steps);
        $sorted = $numbers;
        sort($sorted);
        self::assertSame($sorted, $numbers);
        self::assertSame(range(1, 7), array_values(array_unique($numbers)));
        // Who chooses the cover before the start is told what that hides, and no more.
        $told = 'before-start' === $choices['shield'] ? ['cover-before-look'] : [];
        self::assertSame($told, Sheets::codes($sheet->findings));
        self::assertSame(2, $sheet->moves);
    }

    /** @return iterable<string, array{array<string, string>}> */
    public static function everyWay(): iterable
    {
        foreach (['vacuum', 'bleed', 'burp'] as $fill) {
            foreach (['after-leaks', 'before-start'] as $shield) {
                foreach (['dry', 'water', 'grease'] as $hose) {
                    foreach (['new', 'back'] as $old) {
                        yield "$fill, $shield, $hose, $old" => [[
                            'fill' => $fill, 'shield' => $shield, 'hose' => $hose, 'old-coolant' => $old, 'sign' => 'hot',
                        ]];
                    }
                }
            }
        }
    }

    public function testWhatLiesInFrontComesOffOnceAndGoesBackInReverse(): void
    {
        $sheet = Sheets::thermostat();
        $off = array_map(static fn (Step $s): string => $s->target->item, $sheet->doing(StepKind::Remove));
        $on = array_map(static fn (Step $s): string => $s->target->item, $sheet->doing(StepKind::Refit));
        self::assertEqualsCanonicalizing($off, $on);
        self::assertSame($off, array_values(array_unique($off)));
        foreach (Sheets::tarn()->items as $item) {
            foreach (in_array($item->id, $off, true) ? $item->access->behind : [] as $front) {
                self::assertLessThan(array_search($item->id, $off, true), array_search($front, $off, true));
                self::assertGreaterThan(array_search($item->id, $on, true), array_search($front, $on, true));
            }
        }
    }

    /** 1,000 random access maps: exactly what lies in front of the target, directly or not, comes off, legally, and goes back. */
    public function testEveryStripIsLegalClosedAndMinimal(): void
    {
        mt_srand(7);
        $head = ['format' => Procedure::FORMAT, 'id' => 'one', 'title' => 'One', 'needs' => ['items' => ['target']]];
        $procedure = Procedure::read(Node::of($head + ['operations' => [
            [
                'id' => 'off', 'phase' => 'strip', 'do' => 'remove', 'on' => 'target',
            ], [
                'id' => 'on', 'phase' => 'fit', 'do' => 'refit', 'on' => 'target',
            ], [
                'id' => 're', 'phase' => 'rebuild', 'do' => 'rebuild',
            ], ['id' => 'end', 'phase' => 'prove', 'do' => 'check', 'title' => 'Look', 'position' => 'ground'],
        ]]), Sheets::common());
        for ($run = 0; $run < 1000; ++$run) {
            $n = mt_rand(1, 14);
            $items = [];
            for ($i = 0; $i < $n; ++$i) {
                $behind = [];
                for ($k = 0; $k < $i; ++$k) {
                    if (mt_rand(0, 99) < 22) {
                        $behind[] = 'i'.$k;
                    }
                }
                $items[] = [
                    'id' => 'i'.$i, 'role' => $i === $n - 1 ? 'target' : 'i'.$i, 'name' => 'item '.$i,
                    'place' => ['above', 'below', 'anywhere'][mt_rand(0, 2)], 'behind' => $behind,
                ];
            }
            $vehicle = VehicleSheet::read(Node::of(['format' => VehicleSheet::FORMAT, 'id' => 'v', 'name' => 'V', 'items' => $items]));
            $sheet = (new Compiler(Sheets::common()))->compile([$procedure], new Choices([]), $vehicle, Sheets::kit());
            self::assertEqualsCanonicalizing(
                $this->closure($vehicle, 'i'.($n - 1)),
                array_map(static fn (Step $s): string => $s->target->item, $sheet->doing(StepKind::Remove)),
            );
            self::assertSame([], array_diff(Sheets::codes($sheet->findings), ['tool-missing']), (string) json_encode($items));
        }
    }

    public function testASmallEditDisturbsNothingElse(): void
    {
        $ids = static fn (Sheet $sheet): array => array_map(static fn (Step $s): string => $s->id, $sheet->steps);
        $before = $ids(Sheets::thermostat());
        $vehicle = Sheets::vehicle('veldra-tarn-20t', static function (array $d): array {
            $items = is_array($d['items']) ? $d['items'] : [];

            return ['items' => [
                ...array_map(
                    static fn (mixed $i): mixed => is_array($i) && 'lower-hose' === $i['id']
                        ? ['behind' => ['under-pan', 'duct']] + $i
                        : $i,
                    $items,
                ),
                ['id' => 'duct', 'name' => 'duct', 'place' => 'below'],
            ]] + $d;
        });
        $after = $ids(Sheets::thermostat(null, ['fill' => 'vacuum'], $vehicle));
        self::assertSame($before, array_values(array_filter($after, static fn (string $id): bool => !str_ends_with($id, '.duct'))));
    }

    public function testAPartsCatalogueIsRefusedAtOnce(): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/more than 2000/');
        Sheets::vehicle(
            'veldra-tarn-20t',
            static fn (array $d): array => ['items' => array_map(
                static fn (int $i): array => ['id' => 'x'.$i, 'name' => 'x', 'place' => 'anywhere'], range(1, 10000),
            )] + $d,
        );
    }

    public function testAnItemThatIsInNobodysWayStaysOn(): void
    {
        $vehicle = Sheets::vehicle('veldra-tarn-20t', static function (array $d): array {
            $items = $d['items'];
            assert(is_array($items));
            $d['items'] = [...$items, ['id' => 'strut-brace', 'name' => 'strut brace', 'place' => 'above']];

            return $d;
        });
        self::assertSame([], Sheets::thermostat(null, [], $vehicle)->doing(StepKind::Remove, 'strut-brace'));
    }

    public function testWorkIsLaidOverTheDrain(): void
    {
        $sheet = Sheets::thermostat();
        [$from, $to] = $sheet->timing->spans['drain'];
        [$plug] = $sheet->timing->spans['off.sensor-lead'];
        self::assertSame($from, $plug);
        self::assertGreaterThanOrEqual($to, $sheet->timing->spans['hose-off'][0]);
        self::assertGreaterThan(0.0, $sheet->timing->saved);
        self::assertLessThan($sheet->timing->likely, $sheet->timing->low);
        self::assertGreaterThan($sheet->timing->likely, $sheet->timing->high);
    }

    public function testTheSameInputGivesTheSameSheetAndItSurvivesWriting(): void
    {
        $sheet = Sheets::thermostat();
        self::assertEquals($sheet, Sheets::thermostat());
        $json = json_encode($sheet->toArray(), \JSON_THROW_ON_ERROR);
        self::assertEquals($sheet, Sheet::read(Node::of(json_decode($json, true))));
    }

    public function testWhatTheKitLacksStandsFirst(): void
    {
        $sheet = Sheets::thermostat(new Kit([], ['10 mm socket']));
        $missing = array_map(static fn (Pick $p): bool => $p->missing, $sheet->lists->tools);
        $sorted = $missing;
        rsort($sorted);
        self::assertSame($sorted, $missing);
        self::assertContains('torque wrench for 9 N·m', array_map(static fn (Pick $p): string => $p->name, $sheet->lists->tools));
        self::assertContains('thermostat with ring', array_map(static fn (Pick $p): string => $p->name, $sheet->lists->parts));
    }

    public function testACircleInTheAccessMapIsNamed(): void
    {
        $vehicle = Sheets::vehicle('veldra-tarn-20t', self::behind('front-shield', ['thermostat-housing']));
        $this->expectException(UnplannableFit::class);
        $this->expectExceptionMessageMatches('/front splash shield → thermostat housing|thermostat housing → .*front splash shield/');
        Sheets::thermostat(null, [], $vehicle);
    }

    public function testAVehicleThatLacksAPartIsTold(): void
    {
        $this->expectException(UnplannableFit::class);
        $this->expectExceptionMessageMatches(
            '/has no item “thermostat housing”, item “lower hose” and joint “thermostat cover bolts”: enter them there first/',
        );
        Sheets::thermostat(null, [], Sheets::vehicle('ostrel-vane-s6'));
    }

    public function testAnAnswerNobodyOfferedIsRefused(): void
    {
        $this->expectException(UnplannableFit::class);
        $this->expectExceptionMessageMatches('/“siphon” is no answer/');
        Sheets::thermostat(null, ['fill' => 'siphon']);
    }

    public function testNothingToDoIsRefused(): void
    {
        $this->expectException(UnplannableFit::class);
        (new Compiler(Sheets::common()))->compile([], new Choices([]), Sheets::tarn(), new Kit([], []));
    }

    public function testTheOtherShippedProceduresAreSoundToo(): void
    {
        foreach ([
            ['serpentine-belt', 'ostrel-vane-s6'], ['crank-damper', 'ostrel-vane-s6'], ['thermostat-front', 'ostrel-vane-s6'],
            ['spark-plugs', 'veldra-tarn-20t'], ['water-pump', 'corrin-drover-27d'], ['starter', 'corrin-drover-27d'],
            ['gearbox-mount', 'corrin-drover-27d'], ['oil-filter-housing', 'corrin-drover-27d'],
            ['engine-mounts', 'corrin-drover-27d'],
        ] as [$procedure, $vehicle]) {
            $sheet = (new Compiler(Sheets::common()))->compile(
                [Sheets::procedure($procedure)], new Choices([]), Sheets::vehicle($vehicle), Sheets::kit(),
            );
            self::assertSame([], array_diff(Sheets::codes($sheet->findings), ['tool-missing', 'no-wrench']), $procedure);
        }
    }

    /** Several targets at once share their strip and fill, and every combination is as sound as its parts. */
    public function testSeveralAtOnceShareWhatTheyCan(): void
    {
        $all = ['starter', 'gearbox-mount', 'water-pump', 'oil-filter-housing', 'engine-mounts'];
        $apart = array_combine($all, array_map(fn (string $id): float => $this->drover([$id])->timing->likely, $all));
        for ($set = 1; $set < 2 ** count($all); ++$set) {
            $ids = array_values(array_filter($all, static fn (int $i): bool => 0 !== ($set & (1 << $i)), \ARRAY_FILTER_USE_KEY));
            $sheet = $this->drover($ids);
            self::assertSame([], array_diff(Sheets::codes($sheet->findings), ['tool-missing', 'no-wrench']), implode('+', $ids));
            self::assertSame(count($sheet->steps), count(array_unique(array_map(static fn (Step $s): string => $s->id, $sheet->steps))));
            // Two jobs that share nothing can cost one more trip up and down together than apart; never more than that.
            self::assertLessThanOrEqual(
                array_sum(array_intersect_key($apart, array_flip($ids))) + 11.0, $sheet->timing->likely, implode('+', $ids),
            );
            self::assertLessThanOrEqual($sheet->timing->likely, $this->drover($ids, 2)->timing->likely);
        }
    }

    /** With two people nobody does two things at once, nothing starts before what it waits for, and the lift is in one place. */
    public function testTwoPeopleNeverNeedThreeHandsOrTwoLifts(): void
    {
        $sheet = (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure('starter'), Sheets::procedure('gearbox-mount'), Sheets::procedure('water-pump')], new Choices([]),
            Sheets::vehicle('corrin-drover-27d'), Sheets::kit(), 2,
        );
        $free = [1 => 0.0, 2 => 0.0];
        $spans = $sheet->timing->spans;
        $lift = 0.0;
        $steps = $sheet->steps;
        usort($steps, static fn (Step $a, Step $b): int => $spans[$a->id] <=> $spans[$b->id]);
        foreach ($steps as $step) {
            [$from, $to, $who] = $spans[$step->id];
            foreach ($step->slot->after as $before) {
                self::assertLessThanOrEqual(
                    $from + 1e-9, $spans[$before][2] > 0 ? $spans[$before][1] : $spans[$before][0], $step->id.' after '.$before,
                );
            }
            if ($who > 0) {
                self::assertGreaterThanOrEqual($free[$who] - 1e-9, $from);
                $free[$who] = $to;
                self::assertGreaterThanOrEqual($lift - 1e-9, $from);
            }
            $lift = in_array($step->deed, [StepKind::Raise, StepKind::Lower], true) ? $to : $lift;
        }
    }

    /** What needs everybody clear has everybody clear, in every pair that the Drover can carry. */
    public function testNothingRunsBesideWhatNeedsEverybodyClear(): void
    {
        $clear = ['raise', 'lower', 'start', 'drive', 'move', 'hand-over', 'release'];
        $jobs = ['engine-mounts', 'gearbox-mount', 'starter', 'water-pump', 'oil-filter-housing', 'crank-damper'];
        $held = 0;
        foreach ($jobs as $one) {
            foreach (array_diff($jobs, [$one]) as $other) {
                $sheet = $this->drover([$one, $other], 2);
                foreach ($sheet->steps as $step) {
                    foreach (in_array($step->deed->value, $clear, true) ? $sheet->steps : [] as $beside) {
                        [$from, $to] = $sheet->timing->spans[$step->id];
                        [$begun, $done, $who] = $sheet->timing->spans[$beside->id];
                        $apart = $beside->id === $step->id || 0 === $who || $done <= $from + 1e-9 || $begun >= $to - 1e-9;
                        self::assertTrue($apart, sprintf('%s beside %s of %s and %s', $beside->id, $step->id, $one, $other));
                        ++$held;
                    }
                }
            }
        }
        self::assertGreaterThan(1000, $held);
        foreach ($clear as $deed) {
            $first = Step::plain('first', Phase::Prove, StepKind::from($deed), 'First')->with(minutes: new Minutes(5, 5, 5));
            $next = Step::plain('next', Phase::Prove, StepKind::Act, 'Next')->with(minutes: new Minutes(2, 2, 2));
            self::assertSame(5.0, (new Scheduler())->of([$first, $next], 2)->spans['next'][0], $deed);
            self::assertSame(2.0, (new Scheduler())->of([$next, $first], 2)->spans['first'][0], $deed);
        }
    }

    public function testSmallThingsOfASheet(): void
    {
        self::assertSame(-1, Sheets::thermostat()->placeOf('nobody-knows-it'));
        self::assertSame([4.4, 7.25, 13.1], [Minutes::around(7.25)->low, Minutes::around(7.25)->likely, Minutes::around(7.25)->high]);
        foreach ([[[3, 1], [3, 1, 2]], [[2], [2, 1, 3]]] as [$first, $order]) {
            $vehicle = Sheets::vehicle(
                'veldra-tarn-20t', static fn (array $document): array => Leaves::with($document, ['joints', 0, 'first'], $first),
            );
            self::assertSame($order, $vehicle->joints['thermostat-cover-bolts']->pattern->order());
        }
    }

    public function testTheAccessMapIsLayered(): void
    {
        $names = array_map(
            static fn (array $layer): array => array_map(static fn ($item): string => $item->id, $layer), Sheets::tarn()->layers(),
        );
        self::assertSame(
            [
                ['front-shield', 'engine-cover', 'front-right-wheel'],
                ['under-pan', 'coils', 'airbox', 'wheel-liner', 'right-mount'],
                [
                    'heat-shield', 'lower-hose', 'sensor-lead', 'plugs', 'gate-shield', 'serpentine-belt',
                    'starter-cover', 'filter-housing', 'housing-plug', 'sump-plug', 'left-mount',
                    'upper-rod', 'lower-rod', 'hot-pipe', 'cold-pipe', 'bypass-valve',
                ],
                ['thermostat-housing', 'wastegate-actuator', 'idler-cap', 'tensioner', 'damper', 'starter', 'gate-arm'],
                ['idler'],
            ],
            $names,
        );
        self::assertCount(32, Sheets::vehicle('veldra-tarn-20t', self::behind('front-shield', ['thermostat-housing']))->items);
    }

    /** @param callable(array<array-key, mixed>): array<array-key, mixed> $change */
    #[DataProvider('badVehicles')]
    public function testABadVehicleSheetNamesThePlace(string $path, callable $change): void
    {
        try {
            Sheets::vehicle('veldra-tarn-20t', $change);
            self::fail('It was taken.');
        } catch (InvalidDocument $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{string, callable(array<array-key, mixed>): array<array-key, mixed>}> */
    public static function badVehicles(): iterable
    {
        yield 'another format' => ['format', static fn (array $d): array => ['format' => 'x'] + $d];
        yield 'an unknown item in front' => ['items.under-pan.behind', self::behind('under-pan', ['bonnet'])];
        yield 'a figure nobody can read' => [
            'joints.0.figure', static fn (array $d): array => array_replace_recursive($d, ['joints' => [['figure' => 'tight']]]),
        ];
        yield 'passes that do not end at the figure' => [
            'joints.0.passes', static fn (array $d): array => array_replace_recursive($d, ['joints' => [['passes' => [30, 60]]]]),
        ];
        yield 'a negative count' => [
            'items.0.tray.0.count',
            static fn (array $d): array => array_replace_recursive($d, ['items' => [['tray' => [['count' => -1]]]]]),
        ];
        yield 'minutes that fall' => [
            'items.0.off', static fn (array $d): array => array_replace_recursive($d, ['items' => [['off' => [9, 5, 8]]]]),
        ];
        yield 'negative minutes' => [
            'items.0.on', static fn (array $d): array => array_replace_recursive($d, ['items' => [['on' => [-1, 5, 8]]]]),
        ];
        yield 'an ocean of coolant' => [
            'circuits.0.capacity',
            static fn (array $d): array => array_replace_recursive($d, ['circuits' => [['capacity' => 9000]]]),
        ];
        yield 'nowhere to stand' => [
            'items.0.place', static fn (array $d): array => array_replace_recursive($d, ['items' => [['place' => 'flying']]]),
        ];
    }

    public function testOnlyTheFirstLiftBelongsToMakingSafe(): void
    {
        self::assertSame(Phase::MakeSafe, Sheets::thermostat()->step('raise-1')?->slot->phase);
        self::assertSame(Phase::Prove, Sheets::thermostat()->step('lower-2')?->slot->phase);
    }

    /** @return list<string> */
    private function closure(VehicleSheet $vehicle, string $id): array
    {
        $all = [$id => true];
        foreach ($vehicle->items[$id]->access->behind as $front) {
            $all += array_fill_keys($this->closure($vehicle, $front), true);
        }

        return array_keys($all);
    }

    /** @param list<string> $ids */
    private function drover(array $ids, int $people = 1): Sheet
    {
        return (new Compiler(Sheets::common()))->compile(
            array_map(Sheets::procedure(...), $ids), new Choices([]), Sheets::vehicle('corrin-drover-27d'), Sheets::kit(), $people,
        );
    }

    /**
     * @param list<string> $behind
     *
     * @return callable(array<array-key, mixed>): array<array-key, mixed>
     */
    private static function behind(string $id, array $behind): callable
    {
        return static function (array $d) use ($id, $behind): array {
            $items = is_array($d['items']) ? $d['items'] : [];
            foreach ($items as $i => $item) {
                if (is_array($item) && $item['id'] === $id) {
                    $items[$i] = ['behind' => $behind] + $item;
                }
            }

            return ['items' => $items] + $d;
        };
    }

    /** Old and new fasteners of one joint may take different drives, and a left-hand thread is said where it is undone and done up. */
    public function testBothDrivesAreFetchedAndTheHandIsSaid(): void
    {
        $vehicle = Sheets::vehicle('veldra-tarn-20t', static function (array $d): array {
            foreach (is_array($d['joints'] ?? null) ? $d['joints'] : [] as $i => $joint) {
                if (is_array($joint) && 'coils' === ($joint['item'] ?? '') && is_array($d['joints'])) {
                    $d['joints'][$i] = ['tool_off' => 'T30', 'hand' => 'left'] + $joint;
                }
            }

            return $d;
        });
        $sheet = (new Compiler(Sheets::common()))->compile([Sheets::procedure('spark-plugs')], new Choices([]), $vehicle, Sheets::kit());
        $tools = array_map(static fn ($pick): string => $pick->name, $sheet->lists->tools);
        self::assertContains('T30', $tools);
        self::assertContains('10 mm socket', $tools);
        $off = $on = '';
        foreach ($sheet->steps as $step) {
            $cautions = implode(' ', array_map(static fn ($caution): string => $caution->text, $step->words->cautions));
            $off .= StepKind::Remove === $step->deed ? $cautions : '';
            $on .= StepKind::Tighten === $step->deed ? $cautions : '';
        }
        self::assertStringContainsString('turn it clockwise to undo it', $off);
        self::assertStringContainsString('turn it anticlockwise to tighten it', $on);
    }
}
