<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Compiler;

use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Compiler\AppliedChoices;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Compiler\Complete\CureWaits;
use NimbleKnuckle\Core\Compiler\Complete\RunDown;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Procedure\ChoiceGroup;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Questions;
use NimbleKnuckle\Core\Procedure\ThreadTreatment;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(AppliedChoices::class)]
#[CoversClass(RunDown::class)]
#[CoversClass(ThreadTreatment::class)]
final class WaysTest extends TestCase
{
    public function testARangeIsAimedAtTheEndThatWasChosen(): void
    {
        $vehicle = self::with(['figure' => '20 to 24 N·m', 'compound' => '']);
        $low = self::starter($vehicle, ['range-end' => 'low']);
        self::assertSame([20.0, 22.0, 24.0], [
            $low->spec->target(), self::starter($vehicle, ['range-end' => 'middle'])->spec->target(),
            self::starter($vehicle, ['range-end' => 'high'])->spec->target(),
        ]);
        self::assertStringContainsString('at the low end: soft threads', $low->spec->inWords());
        self::assertSame(Origin::Makers, $low->origin(), 'it is the maker’s range all the same');
        $settled = self::with(['figure' => '20 to 24 N·m', 'end' => 'high', 'because' => 'sealing']);
        self::assertSame(24.0, self::starter($settled, ['range-end' => 'low'])->spec->target(), 'the vehicle sheet said which');
        $plain = self::with(['figure' => '20 N·m']);
        self::assertSame($plain->joints['starter-bolts']->spec, self::starter($plain, ['range-end' => 'low'])->spec);
    }

    public function testAnotherCompoundMakesAnEstimateThatClampsAsBefore(): void
    {
        $vehicle = self::with(['figure' => '42 N·m / 31 ft-lb', 'compound' => '', 'friction' => 'dry zinc']);
        $paste = self::starter($vehicle, ['on.starter-bolts' => 'anti-seize']);
        $thread = $paste->fastener->named->known;
        self::assertNotNull($thread);
        $factor = Compound::AntiSeize->factor($thread, \NimbleKnuckle\Core\Bolting\BoltMetal::Steel->dry());
        self::assertEqualsWithDelta(42 * $factor, $paste->spec->target(), 1e-9);
        self::assertLessThan(36.0, $paste->spec->target());
        self::assertSame([Origin::Estimated, 'anti-seize', 'anti-seize'], [
            $paste->origin(), $paste->seat->compound, $paste->seat->friction,
        ]);
        self::assertSame('42 N·m / 31 ft-lb on dry threads', $paste->seat->sheetSays);
        $same = self::starter($vehicle, ['on.starter-bolts' => 'dry']);
        self::assertSame($vehicle->joints['starter-bolts'], $same, 'what it was meant for changes nothing');
        $pasted = self::with(['figure' => '30 N·m', 'compound' => 'anti-seize', 'friction' => '']);
        $back = self::starter($pasted, ['on.starter-bolts' => 'dry']);
        self::assertEqualsWithDelta(30 / $factor, $back->spec->target(), 1e-9);
        $capped = self::with(['figure' => '30 N·m', 'ceiling' => '32 N·m', 'compound' => 'anti-seize', 'friction' => '']);
        self::assertSame(30.0, self::starter($capped, ['on.starter-bolts' => 'dry'])->spec->target(), 'never past the ceiling');
    }

    public function testTheStepSaysWhatTheSheetSays(): void
    {
        $sheet = self::compiled('starter', 'corrin-drover-27d', ['starter-thread' => 'paste']);
        $step = $sheet->step('starter-tight') ?? self::fail('no step');
        self::assertStringContainsString('With anti-seize on the threads the figure here is an estimate.', $step->words->text);
        self::assertStringContainsString('on dry threads', $step->words->text);
        self::assertContains('anti-seize', array_map(static fn ($supply): string => $supply->name, $step->needs->consumables));
        $plain = self::compiled('starter', 'corrin-drover-27d', [])->step('starter-tight') ?? self::fail('no step');
        self::assertStringNotContainsString('estimate', $plain->words->text);
    }

    public function testAnswersOfOneJointAreForgottenWithTheirWay(): void
    {
        $jobs = [Sheets::procedure('starter')];
        $first = Questions::agreed($jobs, ['starter-thread' => 'locker']);
        self::assertSame('medium threadlocker', $first['on.starter-bolts']);
        $again = Questions::agreed($jobs, ['starter-thread' => 'sheet'] + $first);
        self::assertArrayNotHasKey('on.starter-bolts', $again);
        self::assertEquals($first, Questions::agreed($jobs, $first), 'agreed once is agreed for good');
    }

    public function testADriverRunsDownOnlyWhatItMay(): void
    {
        $may = static fn (string ...$changes): bool => RunDown::mayBeDriven(
            self::with($changes)->joints['starter-bolts'],
        );
        self::assertTrue($may(...['thread' => 'M8', 'material' => 'steel']));
        self::assertFalse($may(...['thread' => 'M7', 'material' => 'steel']));
        self::assertFalse($may(...['thread' => 'M10', 'material' => 'aluminium casting']));
        self::assertFalse($may(...['thread' => 'M10', 'material' => 'magnesium']));
        self::assertFalse($may(...['thread' => 'M10', 'material' => 'steel', 'figure' => 'snug + 1/4 turn']));
        self::assertFalse($may(...['thread' => '', 'material' => 'steel']), 'what thread it is nobody knows');
    }

    public function testTheDriverIsOnTheListAndStopsAtSnug(): void
    {
        $hand = self::compiled('torque-rod-mounts', 'pelliver-dray-18', []);
        $power = self::compiled('torque-rod-mounts', 'pelliver-dray-18', ['run-down' => 'power']);
        $driven = 0;
        foreach ($power->steps as $i => $step) {
            $slow = $hand->steps[$i];
            $says = array_filter($step->words->cautions, static fn (Caution $c): bool => str_contains($c->text, 'stops at snug'));
            self::assertSame([] !== $says, in_array(RunDown::TOOL, $step->needs->tools, true), $step->id);
            self::assertEqualsWithDelta(
                ([] === $says ? 1.0 : 0.8) * $slow->slot->minutes->likely, $step->slot->minutes->likely, 1e-9, $step->id,
            );
            $driven += count($says);
        }
        self::assertGreaterThanOrEqual(3, $driven);
        self::assertLessThan($hand->timing->likely, $power->timing->likely);
    }

    public function testASealantSetsByTheWarmthOfTheWorkshop(): void
    {
        $wait = static fn (string $celsius): float => self::compiled(
            'water-pump', 'corrin-drover-27d', ['pump-seal' => 'silicone', CureWaits::CHOICE => $celsius],
        )->step('pump-cure')->slot->minutes->likely ?? 0.0;
        self::assertSame([60.0, 120.0], [$wait('18'), $wait('4')]);
        self::assertNull(self::compiled('water-pump', 'corrin-drover-27d', ['pump-seal' => 'gasket'])->step('pump-cure'));
    }

    public function testOnlyWhatChangesSomethingIsAsked(): void
    {
        $asked = static fn (VehicleSheet $vehicle): array => array_map(
            static fn (ChoiceGroup $way): string => $way->id, AppliedChoices::asked(Sheets::common()->ways, $vehicle),
        );
        self::assertSame(['range-end', 'run-down'], $asked(Sheets::vehicle('pelliver-dray-18')));
        $small = static fn (Joint $joint): bool => RunDown::mayBeDriven($joint);
        $tarn = Sheets::tarn();
        self::assertNotContains('range-end', $asked($tarn));
        self::assertSame([] !== array_filter($tarn->joints, $small), in_array('run-down', $asked($tarn), true));
    }

    public function testAnAnswerNobodyOfferedIsRefused(): void
    {
        $this->expectException(UnplannableFit::class);
        $this->expectExceptionMessageMatches('/“by foot” is no answer to “How do bolts run down/');
        self::compiled('starter', 'corrin-drover-27d', ['run-down' => 'by foot']);
    }

    /** @param array<string, string> $choices */
    private static function compiled(string $job, string $vehicle, array $choices): Sheet
    {
        return (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($job)], new Choices($choices), Sheets::vehicle($vehicle), Sheets::kit(),
        );
    }

    /** @param array<string, string> $choices */
    private static function starter(VehicleSheet $vehicle, array $choices): Joint
    {
        return AppliedChoices::onto($vehicle, new Choices($choices))->joints['starter-bolts'];
    }

    /** @param array<array-key, string> $changes of the starter bolts */
    private static function with(array $changes): VehicleSheet
    {
        return Sheets::vehicle('corrin-drover-27d', static function (array $document) use ($changes): array {
            $joints = is_array($document['joints'] ?? null) ? $document['joints'] : [];

            return ['joints' => array_map(static fn (mixed $joint): mixed => is_array($joint) && 'starter-bolts' === ($joint['id'] ?? '')
                ? array_filter($changes + $joint, static fn (mixed $value): bool => '' !== $value) : $joint, $joints)] + $document;
        });
    }
}
