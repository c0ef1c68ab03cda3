<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Lint\Rule\MovesTooFar;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\Hook;
use NimbleKnuckle\Core\Vehicle\Lifting;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** How far the engine may go up, from what the vehicle sheet knows of lifting it. */
#[CoversClass(Lifting::class)]
#[CoversClass(Hook::class)]
#[CoversClass(MovesTooFar::class)]
final class LiftingFactsTest extends TestCase
{
    public function testTheFirstThingThatComesNearSaysHowFar(): void
    {
        $lifting = self::with([])->lifting;
        self::assertEqualsWithDelta([9.666, 'fan'], $lifting->mayRise([]), 0.001);
        self::assertEqualsWithDelta([76.544, 'intake hose'], $lifting->mayRise(['fan' => 'off']), 0.001);
        self::assertSame([60.0, 392.5], [$lifting->lifted()?->x, $lifting->lifted()?->y], 'the middle of its hooks');
    }

    /** @param array<string, mixed> $lifting */
    #[DataProvider('notEnough')]
    public function testWhereTheSheetKnowsTooLittleItSaysNothing(array $lifting): void
    {
        self::assertNull(self::with($lifting, true)->lifting->mayRise([]));
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function notEnough(): iterable
    {
        $whole = [
            'pivot' => [-420, 40], 'hooks' => [['name' => 'h', 'x' => 100, 'y' => 300]],
            'points' => [['name' => 'p', 'x' => 1, 'y' => 2, 'gap' => 30, 'direction' => 90]],
        ];
        yield 'nothing' => [[]];
        yield 'no pivot' => [['pivot' => []] + $whole];
        yield 'no hooks' => [['hooks' => []] + $whole];
        yield 'no points' => [['points' => []] + $whole];
        yield 'straight above' => [['hooks' => [['name' => 'h', 'x' => -420, 'y' => 300]]] + $whole];
    }

    public function testAMovePastItIsAStopThatNamesWhatMustComeOff(): void
    {
        $up = static fn (float $mm): Step => Step::plain('up', Phase::Fit, StepKind::Move, 'Up')->with(body: 'engine', way: 'up', mm: $mm);
        $rule = new Linter(new MovesTooFar());
        $found = static fn (float $mm, Step ...$before): array => $rule->findings(
            Sheets::of([...array_values($before), $up($mm)]), self::with([]), new Kit([], []),
        );
        self::assertSame([], $found(9.0));
        self::assertSame('Take off the viscous fan first.', $found(10.0)[0]->mend);
        self::assertStringContainsString('past 9 mm the fan', $found(10.0)[0]->why);
        $off = Step::plain('off', Phase::Strip, StepKind::Remove, 'Fan off')->with(item: 'fan');
        self::assertSame([], $found(76.0, $off));
        self::assertSame('Move it 76 mm at most.', $found(77.0, $off)[0]->mend);
    }

    /** @param array<string, mixed> $lifting */
    #[DataProvider('wrong')]
    public function testWhatCannotBeIsRefusedAtItsPlace(array $lifting, string $place): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage($place);
        self::with($lifting, true);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $point = ['name' => 'p', 'x' => 1, 'y' => 2, 'gap' => 30, 'direction' => 90];
        yield 'too heavy' => [['mass' => 5001], 'lifting.mass'];
        yield 'less than nothing' => [['mass' => -1], 'lifting.mass'];
        yield 'a pivot of one number' => [['pivot' => [3]], 'lifting.pivot'];
        yield 'a hook in no place' => [['hooks' => [['name' => 'h', 'x' => 1]]], 'lifting.hooks.0.y'];
        $mount = ['name' => 'm', 'x' => 0, 'y' => 0, 'kx' => -1, 'ky' => 5];
        yield 'a mount that pushes back' => [['mounts' => [$mount]], 'lifting.mounts.0.kx'];
        yield 'freed by a ghost' => [['points' => [['freed_by' => 'ghost'] + $point]], 'lifting.points'];
    }

    /** @param array<string, mixed> $lifting in place of what the Drover has, or with it */
    private static function with(array $lifting, bool $inPlace = false): VehicleSheet
    {
        return Sheets::vehicle('corrin-drover-27d', static fn (array $document): array => $inPlace
            ? ['lifting' => $lifting] + $document
            : $document);
    }
}
