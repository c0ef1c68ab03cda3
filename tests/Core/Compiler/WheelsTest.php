<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Complete\Wheels;
use NimbleKnuckle\Core\Compiler\Complete\WheelsOff;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Law\Before\WheelsHeld;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\JointMechanics;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** A wheel comes off, goes on and is held, on every sheet that needs it. */
#[CoversClass(Wheels::class)]
#[CoversClass(WheelsOff::class)]
#[CoversClass(WheelsHeld::class)]
final class WheelsTest extends TestCase
{
    public function testAWheelIsBrokenLooseOnTheGroundAndTightenedThere(): void
    {
        $ids = array_map(static fn (Step $step): string => $step->id, self::plan('veldra-tarn-20t', 'serpentine-belt')->steps);
        $inOrder = array_values(array_intersect($ids, [
            'undo.front-right-wheel-bolts', 'raise-1', 'off.front-right-wheel', 'off.wheel-liner', 'on.wheel-liner', 'on.front-right-wheel',
            'lower-2', 'tight.front-right-wheel-bolts', 'tool-count', 'belt-first-run', 'wheel-recheck',
        ]));
        self::assertSame([
            'undo.front-right-wheel-bolts', 'raise-1', 'off.front-right-wheel', 'off.wheel-liner', 'on.wheel-liner', 'on.front-right-wheel',
            'lower-2', 'tight.front-right-wheel-bolts', 'tool-count', 'belt-first-run', 'wheel-recheck',
        ], $inOrder);
        self::assertSame('lower-2', $ids[(int) array_search('tight.front-right-wheel-bolts', $ids, true) - 1], 'before anything else');
    }

    public function testBoltsHangOnAPinAndNutsOnTheirStuds(): void
    {
        $bolts = self::plan('veldra-tarn-20t', 'serpentine-belt');
        $nuts = self::plan('pelliver-dray-18', 'serpentine-belt');
        foreach (['off', 'on'] as $way) {
            $said = static fn (Sheet $sheet): Step => $sheet->step($way.'.front-right-wheel') ?? self::fail();
            self::assertContains('wheel guide pin', $said($bolts)->needs->tools);
            self::assertNotContains('wheel guide pin', $said($nuts)->needs->tools);
            self::assertStringContainsString('pin', $said($bolts)->words->text);
            self::assertStringContainsStringIgnoringCase('nut', $said($nuts)->words->text);
        }
        $loosen = $bolts->step('undo.front-right-wheel-bolts') ?? self::fail();
        self::assertStringContainsString('key of the wheel lock', $loosen->words->cautions[0]->text);
        self::assertTrue($loosen->words->cautions[0]->acknowledge, 'in the hand before it goes up');
        self::assertSame([], $nuts->step('undo.front-right-wheel-nuts')->words->cautions ?? null, 'no lock, no key');
    }

    public function testTwoWheelsAreTwoRings(): void
    {
        $sheet = self::plan('askerby-roan-30t', 'boost-tubes');
        $vehicle = Sheets::vehicle('askerby-roan-30t');
        $tightened = array_values(array_filter(array_map(
            static fn (Step $step): string => $step->target->joint, $sheet->doing(StepKind::Tighten),
        ), static fn (string $joint): bool => $vehicle->joints[$joint]->holdsAWheel()));
        self::assertEqualsCanonicalizing(['front-left-wheel-nuts', 'front-right-wheel-nuts'], $tightened);
        foreach ($tightened as $joint) {
            self::assertSame(5, $vehicle->joints[$joint]->count());
            self::assertTrue($vehicle->joints[$joint]->going->check, 'once round again at the same figure');
        }
        $booked = array_filter($sheet->steps, static fn (Step $step): bool => 'wheel' === $step->asking->followUp->kind);
        self::assertCount(1, $booked);
        self::assertStringContainsString(' wheel nuts and front ', array_values($booked)[0]->asking->followUp->title);
    }

    public function testWhatIsDoneFromAboveMeanwhileIsDoneOnTheStands(): void
    {
        $sheet = self::plan('veldra-tarn-20t', 'charge-pipes', 'crank-damper');
        $above = array_filter(
            $sheet->steps, static fn (Step $step): bool => str_contains($step->words->text, 'on its stands: a wheel is off'),
        );
        self::assertNotSame([], $above);
        foreach ($above as $step) {
            self::assertSame(Position::Any, $step->slot->position);
        }
        self::assertSame(2, $sheet->moves);
    }

    /** The pump's first start stood on stands while its wheel was only snug. */
    public function testNothingRunsOnAWheelThatIsOnlySnug(): void
    {
        $sheet = self::plan('pelliver-dray-18', 'water-pump');
        self::assertGreaterThan($sheet->placeOf('tight.front-right-wheel-nuts'), $sheet->placeOf('start-first'));
    }

    public function testNoFigureOfAWheelIsEstimated(): void
    {
        $joint = ['id' => 'w', 'name' => 'w', 'layout' => 'ring 5', 'thread' => 'M12x1.5', 'grade' => '8.8', 'material' => 'steel'];
        self::assertNotNull(JointMechanics::of(Joint::read(Node::of($joint)))?->estimate());
        self::assertNull(JointMechanics::of(Joint::read(Node::of(['role' => Joint::WHEEL] + $joint)))?->estimate());
        self::assertTrue(Joint::read(Node::of(['role' => Joint::WHEEL] + $joint))->going->check);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function old(): iterable
    {
        yield 'one wheel with its liner' => ['vehicle-one', 'serpentine-belt', 'off.wheel-liner'];
        yield 'two wheels with theirs' => ['vehicle-one-two-wheels', 'boost-tubes', 'off.wheel-liners'];
    }

    #[DataProvider('old')]
    public function testAnOldSheetThatCannotSayHowAWheelIsHeldIsStopped(string $file, string $procedure, string $step): void
    {
        $vehicle = VehicleSheet::read(Node::of(Yaml::parseFile(dirname(__DIR__).'/Vehicle/Kept/'.$file.'.yaml')));
        $sheet = (new Compiler(Sheets::common()))->compile([Sheets::procedure($procedure)], new Choices([]), $vehicle, new Kit([], []));
        $found = array_values(array_filter($sheet->findings, static fn ($one): bool => 'wheel-not-held' === $one->code));
        self::assertCount(1, $found);
        self::assertSame($step, $found[0]->step);
    }

    /** All jobs alone and in pairs, on all demo vehicles, for one person and two. */
    public function testEveryWheelThatComesOffIsHeldAgain(): void
    {
        $wheels = 0;
        foreach (Sample::of(Sheets::pairs(), 'wheels') as [$vehicle, $procedures, $people]) {
            $on = Sheets::vehicle($vehicle);
            try {
                $sheet = self::plan($vehicle, ...[...$procedures, $people]);
            } catch (UnplannableFit) {
                continue;
            }
            $name = $vehicle.' '.implode(' + ', $procedures);
            [$off, $snug, $loosened, $up] = [[], [], [], false];
            foreach ($sheet->steps as $step) {
                $item = $step->itemOn($on);
                $isWheel = true === ($on->items[$item] ?? null)?->isWheel();
                if (StepKind::Raise === $step->deed || StepKind::Lower === $step->deed) {
                    self::assertTrue(StepKind::Raise === $step->deed || [] === $off, $name.': down without a wheel');
                    $up = StepKind::Raise === $step->deed;
                } elseif (StepKind::Start === $step->deed || StepKind::Drive === $step->deed) {
                    self::assertSame([], $off + $snug, $name.': runs at '.$step->id);
                } elseif ($isWheel && StepKind::Undo === $step->deed) {
                    self::assertFalse($up, $name);
                    $loosened[$item] = true;
                } elseif ($isWheel && StepKind::Remove === $step->deed) {
                    self::assertTrue($up && isset($loosened[$item]), $name);
                    $off[$item] = true;
                    ++$wheels;
                } elseif ($isWheel && StepKind::Refit === $step->deed) {
                    unset($off[$item]);
                    $snug[$item] = true;
                } elseif ($isWheel && StepKind::Tighten === $step->deed) {
                    self::assertFalse($up, $name);
                    unset($snug[$item]);
                }
            }
            self::assertSame([], $off + $snug, $name);
            $codes = array_filter(Sheets::codes($sheet->findings), static fn (string $code): bool => str_starts_with($code, 'wheel'));
            self::assertSame([], $codes, $name);
        }
        self::assertGreaterThan(Sample::isWhole() ? 100 : 2, $wheels);
    }

    private static function plan(string $vehicle, string|int ...$jobs): Sheet
    {
        $procedures = array_map(Sheets::procedure(...), array_values(array_filter($jobs, is_string(...))));
        $people = array_values(array_filter($jobs, is_int(...)))[0] ?? 1;

        return (new Compiler(Sheets::common()))->compile(
            $procedures, new Choices([]), Sheets::vehicle($vehicle), new Kit([], []), $people,
        );
    }
}
