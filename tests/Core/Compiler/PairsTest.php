<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Compiler\Bind\Ties;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Complete\Moves;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Law\Before\NothingRuns;
use NimbleKnuckle\Core\Law\Before\Untied;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Lint\Rule\MovesWhileItRuns;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Vehicle\Body;
use NimbleKnuckle\Core\Vehicle\ItemKind;
use NimbleKnuckle\Core\Vehicle\TrayLine;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/**
 * All jobs alone and in pairs on all demo vehicles, for one person and two, read as the one who stands beside the car: by the steps and
 * their times alone, not by the rules of the linter.
 */
#[CoversClass(Moves::class)]
#[CoversClass(Nature::class)]
#[CoversClass(NothingRuns::class)]
#[CoversClass(Ties::class)]
#[CoversClass(Untied::class)]
#[CoversClass(MovesWhileItRuns::class)]
final class PairsTest extends TestCase
{
    /** Steps that the compiler or a job puts in for no other end than that nobody is hurt. */
    private const KEEPS_WHOLE = '~^(?:undo\\..*wheel|tight\\..*wheel|on\\..*wheel|wheel-recheck|ends-look|cold-hands|untie\\.|tie\\.'
        .'|raise-1$|pumount-dry)~';

    public function testEverySheetIsSafeToWorkBy(): void
    {
        $read = 0;
        foreach (Sample::of(Sheets::pairs(), 'safe to work by') as [$vehicle, $procedures, $people]) {
            $on = Sheets::vehicle($vehicle);
            try {
                $sheet = (new Compiler(Sheets::common()))->compile(
                    array_map(Sheets::procedure(...), $procedures), new Choices([]), $on, new Kit([], []), $people,
                );
            } catch (UnplannableFit) {
                continue;
            }
            $name = sprintf('%s, %s, %d', $vehicle, implode(' + ', $procedures), $people);
            self::nothingMovesWhileItRuns($sheet, $name);
            self::dangersHoldBothWays($sheet, $on, $name);
            self::nothingMovesOnItsTies($sheet, $on, $name);
            self::whatIsPartedIsCountedAndLookedOver($sheet, $on, $name);
            self::guardsAreBackInTime($sheet, $on, $name);
            self::assertNotContains('cover-before-look', Sheets::codes($sheet->findings), $name);
            ++$read;
        }
        self::assertGreaterThan(Sample::isWhole() ? 600 : 30, $read);
    }

    /** What keeps people whole is taken out of shipped sheets, or moved behind what it is for: each time the linter stops the sheet. */
    public function testWhatIsLeftOutOrComesTooLateIsFound(): void
    {
        $seeded = 0;
        foreach (Sample::of(Sheets::pairs(), 'left out', 20) as [$vehicle, $procedures, $people]) {
            $on = Sheets::vehicle($vehicle);
            try {
                $sheet = (new Compiler(Sheets::common()))->compile(
                    array_map(Sheets::procedure(...), $procedures), new Choices([]), $on, new Kit([], []), $people,
                );
            } catch (UnplannableFit) {
                continue;
            }
            foreach ($sheet->steps as $step) {
                // What another job tightens again is tight in the end.
                $isAgain = str_starts_with($step->id, 'tie.') && count($sheet->doing(StepKind::Tighten, '', $step->target->joint)) > 1;
                if ($isAgain || 1 !== preg_match(self::KEEPS_WHOLE, $step->id)) {
                    continue;
                }
                $without = array_values(array_filter($sheet->steps, static fn (Step $one): bool => $one !== $step));
                $late = [...$without, $step];
                foreach (['left out' => $without, 'last' => $late] as $how => $steps) {
                    $found = (new Linter())->findings(Sheets::of($steps, $sheet->expects, $sheet), $on, new Kit([], []));
                    $new = array_diff(self::stops($found), self::stops($sheet->findings));
                    $mayBeLast = 'wheel-recheck' === $step->id && 'last' === $how;
                    $name = sprintf('%s on %s: %s %s', implode(' + ', $procedures), $vehicle, $step->id, $how);
                    self::assertTrue($mayBeLast || [] !== $new, $name);
                    ++$seeded;
                }
            }
        }
        self::assertGreaterThan(Sample::isWhole() ? 1000 : 20, $seeded);
    }

    /**
     * @param list<Finding> $findings
     *
     * @return list<string>
     */
    private static function stops(array $findings): array
    {
        $stops = array_filter($findings, static fn (Finding $one): bool => Level::Stop === $one->level);

        return array_values(array_map(static fn (Finding $one): string => $one->code.' '.$one->step, $stops));
    }

    /** By the clock of the plan: no raise, lower or move lies beside a drain, a fill or a running engine. */
    private static function nothingMovesWhileItRuns(Sheet $sheet, string $name): void
    {
        foreach ($sheet->steps as $step) {
            $flows = in_array(
                $step->deed, [StepKind::Drain, StepKind::Fill, StepKind::Bleed, StepKind::Start], true
            ) || 'warm-up' === $step->asking->sum;
            foreach ($step->slot->passive && $flows ? $sheet->steps : [] as $move) {
                if (in_array($move->deed, [StepKind::Raise, StepKind::Lower, StepKind::Move], true)) {
                    [[$from, $to], [$begins, $ends]] = [$sheet->timing->spans[$step->id], $sheet->timing->spans[$move->id]];
                    $isApart = $begins >= $to - 1e-6 || $ends <= $from + 1e-6;
                    self::assertTrue($isApart, sprintf('%s: %s beside %s', $name, $move->id, $step->id));
                }
            }
        }
    }

    /** What an item warns of when it comes off, it warns of when it goes back. */
    private static function dangersHoldBothWays(Sheet $sheet, VehicleSheet $vehicle, string $name): void
    {
        foreach ($sheet->doing(StepKind::Refit) as $refit) {
            $dangers = ($vehicle->items[$refit->target->item] ?? null)?->dangers;
            $said = array_column($refit->words->cautions, 'text');
            foreach ($dangers->back ?? [] as $caution) {
                self::assertContains($caution->text, $said, $name.': '.$refit->id);
            }
            self::assertTrue(($dangers->mass ?? 0.0) < 9 || [] !== preg_grep('/About \d+ kg/', $said), $name.': '.$refit->id);
        }
    }

    /** What moves is free of all that would hold it: off, or one of its joints undone since it was last tight. */
    private static function nothingMovesOnItsTies(Sheet $sheet, VehicleSheet $vehicle, string $name): void
    {
        $off = $loose = [];
        foreach ($sheet->steps as $step) {
            $item = $step->target->item;
            if (StepKind::Remove === $step->deed) {
                $off[$item] = true;
                foreach ($vehicle->jointsOf($item) as $joint) {
                    $loose[$joint->id] = $item;
                }
            } elseif (StepKind::Refit === $step->deed) {
                unset($off[$item]);
            } elseif (StepKind::Undo === $step->deed) {
                $loose[$step->target->joint] = $step->itemOn($vehicle);
            } elseif (StepKind::Tighten === $step->deed) {
                unset($loose[$step->target->joint]);
            }
            foreach (StepKind::Move === $step->deed ? $vehicle->items : [] as $tie) {
                $between = $tie->parting->between;
                $bodies = array_map(static fn (Body $body): string => $body->value, $between->bodies);
                if (in_array($step->target->load->body, $bodies, true) && $between->isRigid) {
                    $isFree = isset($off[$tie->id]) || in_array($tie->id, $loose, true);
                    self::assertTrue($isFree, sprintf('%s: %s on %s', $name, $step->id, $tie->id));
                }
            }
        }
    }

    /** Every end that comes off is counted out and in by its name; what guards anything is named once more before the engine runs. */
    private static function whatIsPartedIsCountedAndLookedOver(Sheet $sheet, VehicleSheet $vehicle, string $name): void
    {
        $guarding = [];
        foreach ($sheet->steps as $step) {
            $parting = $vehicle->items[$step->target->item]->parting ?? null;
            $handles = StepKind::Remove === $step->deed || StepKind::Refit === $step->deed;
            foreach ($handles ? $parting->ends ?? [] : [] as $end) {
                $counted = array_filter($step->needs->tray, static fn (TrayLine $line): bool => (
                    $line->thing === $end->name && $line->count === $end->count
                ));
                self::assertNotSame([], $counted, $name.': '.$step->id);
                '' === $end->guards || StepKind::Refit === $step->deed || $guarding[] = $end->name;
            }
            $opens = StepKind::Remove === $step->deed ? array_diff($parting->opens ?? [], ['coolant']) : [];
            self::assertTrue([] === $opens || 1 === preg_match('/\bcap\b|\bplug\b/i', $step->words->text), $name.': '.$step->id.' open');
            if (StepKind::Start === $step->deed || StepKind::Drive === $step->deed) {
                $said = self::looks($sheet, $vehicle, $step);
                foreach ($guarding as $end) {
                    self::assertStringContainsStringIgnoringCase($end, $said, $name);
                }
            }
        }
    }

    /** What is looked over before a step; each thing is back by then, and what hangs below is looked at from below. */
    private static function looks(Sheet $sheet, VehicleSheet $vehicle, Step $before): string
    {
        $said = '';
        foreach (array_slice($sheet->steps, 0, $sheet->placeOf($before->id)) as $look) {
            foreach (Tag::lookedAt($look->tags) as $item) {
                $isBelow = in_array($vehicle->items[$item]->access->position, [Position::Raised, Position::WheelOff], true);
                self::assertSame($isBelow, str_starts_with($look->id, 'ends-look-below'), $look->id.' of '.$item);
                $refit = $sheet->doing(StepKind::Refit, $item)[0];
                self::assertLessThan($sheet->placeOf($look->id), $sheet->placeOf($refit->id), $look->id.' of '.$item);
                self::assertGreaterThanOrEqual(
                    $sheet->timing->spans[$refit->id][1], $sheet->timing->spans[$look->id][0], $look->id.' of '.$item.' by the clock',
                );
                foreach ($isBelow ? $vehicle->items[$item]->access->behind : [] as $cover) {
                    foreach (ItemKind::Cover === $vehicle->items[$cover]->kind ? $sheet->doing(StepKind::Refit, $cover) : [] as $on) {
                        $hides = $sheet->placeOf($on->id) > $sheet->placeOf($refit->id);
                        self::assertTrue(!$hides || $sheet->timing->spans[$on->id][0] >= $sheet->timing->spans[$look->id][1], $on->id);
                    }
                }
            }
            $said .= [] === Tag::lookedAt($look->tags) ? '' : $look->words->text;
        }

        return $said;
    }

    private static function guardsAreBackInTime(Sheet $sheet, VehicleSheet $vehicle, string $name): void
    {
        $off = [];
        foreach ($sheet->steps as $step) {
            $protects = ($vehicle->items[$step->target->item] ?? null)?->parting->protects->value ?? '';
            if (StepKind::Remove === $step->deed) {
                $off[$step->target->item] = $protects;
            } elseif (StepKind::Refit === $step->deed) {
                unset($off[$step->target->item]);
            } elseif (StepKind::Start === $step->deed) {
                self::assertSame([], array_intersect($off, ['heat', 'rotation']), $name.': '.$step->id);
            } elseif (StepKind::Drive === $step->deed) {
                self::assertSame([], array_intersect($off, ['heat', 'rotation', 'structure', 'air']), $name.': '.$step->id);
            }
        }
    }
}
