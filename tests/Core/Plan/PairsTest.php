<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Plan;

use NimbleKnuckle\Core\Plan\Compiler\Compiler;
use NimbleKnuckle\Core\Plan\Compiler\Moves;
use NimbleKnuckle\Core\Plan\Compiler\Ties;
use NimbleKnuckle\Core\Plan\Compiler\UnplannableFit;
use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Law\Before\NothingRuns;
use NimbleKnuckle\Core\Plan\Law\Before\Untied;
use NimbleKnuckle\Core\Plan\Law\Nature;
use NimbleKnuckle\Core\Plan\Lint\Linter;
use NimbleKnuckle\Core\Plan\Lint\Rule\MovesWhileItRuns;
use NimbleKnuckle\Core\Plan\Procedure\Choices;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Finding;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\Body;
use NimbleKnuckle\Core\Plan\Vehicle\TrayLine;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;
use NimbleKnuckle\Core\Sum\Level;
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
                $isAgain = str_starts_with($step->id, 'tie.') && count($sheet->doing(Deed::Tighten, '', $step->target->joint)) > 1;
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
            $flows = in_array($step->deed, [Deed::Drain, Deed::Fill, Deed::Bleed, Deed::Start], true) || 'warm-up' === $step->asking->sum;
            foreach ($step->slot->passive && $flows ? $sheet->steps : [] as $move) {
                if (in_array($move->deed, [Deed::Raise, Deed::Lower, Deed::Move], true)) {
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
        foreach ($sheet->doing(Deed::Refit) as $refit) {
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
            if (Deed::Remove === $step->deed) {
                $off[$item] = true;
                foreach ($vehicle->jointsOf($item) as $joint) {
                    $loose[$joint->id] = $item;
                }
            } elseif (Deed::Refit === $step->deed) {
                unset($off[$item]);
            } elseif (Deed::Undo === $step->deed) {
                $loose[$step->target->joint] = $step->itemOn($vehicle);
            } elseif (Deed::Tighten === $step->deed) {
                unset($loose[$step->target->joint]);
            }
            foreach (Deed::Move === $step->deed ? $vehicle->items : [] as $tie) {
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
            $handles = Deed::Remove === $step->deed || Deed::Refit === $step->deed;
            foreach ($handles ? $parting->ends ?? [] : [] as $end) {
                $counted = array_filter($step->needs->tray, static fn (TrayLine $line): bool => (
                    $line->thing === $end->name && $line->count === $end->count
                ));
                self::assertNotSame([], $counted, $name.': '.$step->id);
                '' === $end->guards || Deed::Refit === $step->deed || $guarding[] = $end->name;
            }
            $opens = Deed::Remove === $step->deed ? array_diff($parting->opens ?? [], ['coolant']) : [];
            self::assertTrue([] === $opens || 1 === preg_match('/\bcap\b|\bplug\b/i', $step->words->text), $name.': '.$step->id.' open');
            if (Deed::Start === $step->deed || Deed::Drive === $step->deed) {
                $look = $sheet->step('ends-look');
                $said = null !== $look && $sheet->placeOf($look->id) < $sheet->placeOf($step->id) ? $look->words->text : '';
                foreach ($guarding as $end) {
                    self::assertStringContainsStringIgnoringCase($end, $said, $name);
                }
            }
        }
    }

    private static function guardsAreBackInTime(Sheet $sheet, VehicleSheet $vehicle, string $name): void
    {
        $off = [];
        foreach ($sheet->steps as $step) {
            $protects = ($vehicle->items[$step->target->item] ?? null)?->parting->protects->value ?? '';
            if (Deed::Remove === $step->deed) {
                $off[$step->target->item] = $protects;
            } elseif (Deed::Refit === $step->deed) {
                unset($off[$step->target->item]);
            } elseif (Deed::Start === $step->deed) {
                self::assertSame([], array_intersect($off, ['heat', 'rotation']), $name.': '.$step->id);
            } elseif (Deed::Drive === $step->deed) {
                self::assertSame([], array_intersect($off, ['heat', 'rotation', 'structure', 'air']), $name.': '.$step->id);
            }
        }
    }
}
