<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\ActsAhead;
use NimbleKnuckle\App\Bench\CommonReasons;
use NimbleKnuckle\App\Bench\EventWords;
use NimbleKnuckle\App\Bench\View\UnitButtons;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Step;
use PHPUnit\Framework\Attributes\CoversClass;

#[CoversClass(ActsAhead::class)]
#[CoversClass(EventWords::class)]
#[CoversClass(UnitButtons::class)]
#[CoversClass(CommonReasons::class)]
final class ActsAheadTest extends AppTestCase
{
    public function testTheRestOfAStepIsKnownBeforehand(): void
    {
        $acts = $this->ahead('housing-tight');
        self::assertSame(['Bolt 3 at torque', 'Done'], array_column($acts, 'label'));
        self::assertSame([3, 'step-done'], [$acts[0]['marks'][0]['bolt'] ?? 0, $acts[1]['marks'][0]['type'] ?? '']);
    }

    public function testAnActKeepsItsKeyWhenTheOneBeforeItIsDone(): void
    {
        $this->signIn('joss');
        $before = $this->ahead('housing-tight');
        $this->send($this->tarnFit()->id, ...$before[0]['marks']);
        self::assertSame($before[1]['key'], $this->ahead('housing-tight')[0]['key'], 'so it need not travel again');
    }

    public function testARoutineIsPlayedOnWithItsTimesAndReadings(): void
    {
        $acts = $this->ahead('vacuum-pull');
        self::assertSame(
            ['Begin', 'Cone is in, pull', 'Save reading', 'Needle steady, valve closed', 'Read it'],
            array_slice(array_column($acts, 'label'), 0, 5),
        );
        self::assertSame(120.0, $acts[4]['seconds'] ?? 0.0);
        self::assertSame('vacuum_pulled', $acts[2]['ask'] ?? '');
    }

    public function testUndoTakesBackWhatIsInViewFirstAndSaysWhat(): void
    {
        $fit = $this->load();
        $here = EventWords::undoable($fit, 'off.under-pan');
        self::assertSame('done', null === $here ? '' : EventWords::of($fit, $here));
        $else = EventWords::undoable($fit, 'mix');
        self::assertSame('note', null === $else ? '' : EventWords::of($fit, $else), 'the last of all where this step has none');
    }

    public function testUnitsToTapBeginWithTheOneThatIsAskedFor(): void
    {
        $fit = $this->load();
        self::assertSame(['°C', '°F'], array_column(UnitButtons::for($this->step($fit, 'safe-cold')->asking->asks[0]), 'symbol'));
        self::assertSame(
            ['kPa', 'bar', 'psi', 'inHg'], array_column(UnitButtons::for($this->step($fit, 'vacuum-pull')->asking->asks[0]), 'symbol'),
        );
        $strength = UnitButtons::for($this->step($fit, 'strength-before')->asking->asks[0]);
        self::assertSame(['%', '°C', '°F'], array_column($strength, 'symbol'));
        self::assertSame(
            [1.0, 0.0, 0.0], array_column($strength, 'factor'), 'a freezing point is turned into a strength by the server alone',
        );
    }

    public function testTheReasonGivenLastIsNotOfferedAgain(): void
    {
        $step = $this->step($this->load(), 'housing-tight');
        [$first] = CommonReasons::for($step, '');
        self::assertNotContains($first, CommonReasons::for($step, $first));
        foreach (CommonReasons::for($step, '') as $reason) {
            self::assertGreaterThanOrEqual(2, str_word_count($reason));
        }
    }

    /** @return list<array{key: string, label: string, marks: list<array<string, mixed>>, ask?: string, seconds?: float}> */
    private function ahead(string $step): array
    {
        $fit = $this->load();

        /** @var list<array{key: string, label: string, marks: list<array<string, mixed>>, ask?: string, seconds?: float}> $acts */
        $acts = $this->service(ActsAhead::class)->of($fit, $this->step($fit, $step));

        return $acts;
    }

    private function load(): Fit
    {
        return $this->service(Recorder::class)->load($this->tarnFit());
    }

    private function step(Fit $fit, string $id): Step
    {
        return $fit->sheet->step($id) ?? throw new \LogicException('No step '.$id);
    }
}
