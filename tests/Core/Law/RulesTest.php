<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Law;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Law\Book\Rules;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Law\PlannedFacts;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use NimbleKnuckle\Tests\Core\Safety\Whim;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Rules::class)]
#[CoversClass(Ground::class)]
#[CoversClass(PlannedFacts::class)]
final class RulesTest extends TestCase
{
    /** What a tablet asks the server for: README.md lists the same. */
    private const AT_SERVER = ['not-tried', 'outside-band'];

    #[DataProvider('sheets')]
    public function testASheetThatIsWorkedInItsOrderIsHeldBackByNoRow(string $vehicle, string $procedure): void
    {
        $rules = self::rules($vehicle, $procedure);
        $read = (string) file_get_contents(dirname(__DIR__, 3).'/README.md');
        foreach ($rules->ground->sheet->steps as $step) {
            $facts = new PlannedFacts($rules->ground, $step);
            self::assertSame([], self::codes($rules->before($step), $facts), $step->id);
            foreach ([...$rules->before($step), ...$rules->within($step)] as $row) {
                $written = json_decode(json_encode($row, \JSON_THROW_ON_ERROR), true);
                self::assertIsArray($written);
                self::assertSame('' === $row->askServer ? 'tablet' : 'server', $written['by']);
                if ('' !== $row->askServer) {
                    self::assertContains($row->code, self::AT_SERVER);
                    self::assertStringContainsString('`'.$row->code.'`', $read);
                    self::assertSame(3, $written['bar'], 'nobody passes it there');
                }
            }
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function sheets(): iterable
    {
        $names = static fn (string $in): array => array_map(
            static fn (string $file): string => basename($file, '.yaml'), glob(dirname(__DIR__, 3).'/'.$in.'/*.yaml') ?: [],
        );
        foreach ($names('demo/vehicles') as $vehicle) {
            foreach (array_diff($names('procedures'), ['common']) as $procedure) {
                try {
                    self::rules($vehicle, $procedure);
                } catch (CoreException) {
                    continue;
                }
                yield $procedure.' on '.$vehicle => [$vehicle, $procedure];
            }
        }
    }

    public function testWhatIsMovedBeforeWhatItNeedsIsFoundByTheSameRow(): void
    {
        $sheet = Sheets::thermostat();
        $without = static fn (string $id): Rules => Rules::of(new Ground(Sheets::of(array_values(array_filter(
            $sheet->steps, static fn (Step $step): bool => $step->id !== $id,
        ))), Sheets::tarn()));
        foreach (['raise-1' => ['off.front-shield', 'no-stands'], 'lower-2' => ['level-cold', 'not-level']] as $gone => [$at, $code]) {
            $rules = $without($gone);
            $step = $rules->ground->sheet->step($at) ?? self::fail($at);
            self::assertContains($code, self::codes($rules->before($step), new PlannedFacts($rules->ground, $step)), $gone);
        }
    }

    public function testWhatStillHoldsTheVehicleIsNotCounted(): void
    {
        $ground = new Ground(Sheets::thermostat(), Sheets::tarn());
        $count = $ground->toolCount() ?? self::fail();
        self::assertTrue($ground->planned($count)->raised, 'it is counted before a start on stands');
        $held = $ground->sheet->step('raise-1')->needs->tools ?? [];
        self::assertNotSame([], $held);
        self::assertSame([], array_intersect($held, $ground->toolsListed($count)));
        self::assertSame($held, array_values(array_intersect($held, $ground->toolsBefore($count))), 'a mark for one of them is sound');
        self::assertContains('10 mm socket', $ground->toolsListed($count));
    }

    public function testTheNearestStepIsTheLastBeforeItElseTheFirstAfter(): void
    {
        $ground = new Ground(Sheets::thermostat(), Sheets::tarn());
        $step = static fn (string $id): Step => $ground->sheet->step($id) ?? self::fail($id);
        self::assertSame('drain', $ground->nearest($step('hose-off'), $step('drain')->deed)->id);
        self::assertSame('drain', $ground->nearest($step('safe-cold'), $step('drain')->deed)->id);
        self::assertSame('safe-cold', $ground->nearest($step('safe-cold'), StepKind::HandOver)->id);
        self::assertSame('on.under-pan', $ground->refit($step('drain'), 'under-pan'));
        self::assertSame('drain', $ground->refit($step('drain'), 'no-such-item'));
    }

    public function testARuleThatIsAddedHoldsAndLeavesTheOthers(): void
    {
        $rules = self::rules('veldra-tarn-20t', 'thermostat-under');
        $step = $rules->ground->sheet->step('off.under-pan') ?? self::fail();
        $more = $rules->withBefore(new Whim());
        self::assertCount(count($rules->before($step)) + 1, $more->before($step));
        self::assertContains('whim', self::codes($more->before($step), new PlannedFacts($more->ground, $step)));
        self::assertNotContains('whim', self::codes($rules->before($step), new PlannedFacts($rules->ground, $step)));
    }

    private static function rules(string $vehicle, string $procedure): Rules
    {
        $sheet = (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($procedure)], new Choices([]), Sheets::vehicle($vehicle), new Kit([], []),
        );

        return Rules::of(new Ground($sheet, Sheets::vehicle($vehicle)));
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<string>
     */
    private static function codes(array $rows, PlannedFacts $facts): array
    {
        $codes = [];
        foreach ($rows as $row) {
            foreach ($row->of($facts) as $obstacle) {
                $codes[] = $obstacle->code;
            }
        }

        return $codes;
    }
}
