<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Procedure;

use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Procedure\ChoiceGroup;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\Operation;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Finding;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Procedure::class)]
#[CoversClass(Operation::class)]
#[CoversClass(ChoiceGroup::class)]
#[CoversClass(Choices::class)]
#[CoversClass(CommonParts::class)]
final class ProcedureTest extends TestCase
{
    public function testARoutineNobodyKnowsIsRefusedAndTheKnownOnesAreNamed(): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/vacuum-pull, vacuum-draw, bleed-pour/');
        Operation::read(Node::of(['id' => 'x', 'phase' => 'rebuild', 'do' => 'fill', 'title' => 'x', 'routine' => 'pour-and-pray']));
    }

    /** A routine or a sum named by a shipped procedure is one there is, and comes through the compiler to its step. */
    #[DataProvider('shipped')]
    public function testRoutinesAndSumsComeThroughTheCompiler(string $id, string $vehicleId): void
    {
        $procedure = Sheets::procedure($id);
        $named = $found = [];
        foreach ([$procedure->defaults(), ...$this->oneByOne($procedure)] as $choices) {
            foreach ((new Compiler(Sheets::common()))->compile(
                [$procedure], $choices, Sheets::vehicle($vehicleId), Sheets::kit(),
            )->steps as $step) {
                $found[] = $step->asking->routine;
                $found[] = $step->asking->sum;
                self::assertEquals($step, Step::read(Node::of($step->toArray())), 'a step reads back as it was written');
            }
        }
        foreach ($procedure->operations as $operation) {
            $named[] = $operation->asking->routine;
            $named[] = $operation->asking->sum;
            self::assertTrue(
                '' === $operation->asking->sum || isset(Doors::book()->all()[$operation->asking->sum]), $operation->asking->sum,
            );
        }
        self::assertSame([], array_values(array_diff(array_unique($named), $found)));
    }

    /** Every answer of every shipped procedure gives a sheet that no grave rule breaks. */
    #[DataProvider('shipped')]
    public function testEveryAnswerOfEveryShippedProcedureIsSound(string $id, string $vehicleId): void
    {
        $procedure = Sheets::procedure($id);
        $vehicle = Sheets::vehicle($vehicleId);
        self::assertNotSame([], $procedure->signs);
        $tried = 0;
        foreach ([$procedure->defaults(), ...$this->oneByOne($procedure)] as $choices) {
            $sheet = (new Compiler(Sheets::common()))->compile([$procedure], $choices, $vehicle, Sheets::kit());
            $grave = array_filter($sheet->findings, static fn (Finding $f): bool => Level::Stop === $f->level && 'no-wrench' !== $f->code);
            // To lock a gate with nothing in its place is an answer that must stop.
            $stops = 'none' === $choices->of('other-gate') ? ['gate-locked'] : [];
            self::assertSame($stops, Sheets::codes(array_values($grave)), json_encode($choices->chosen, \JSON_THROW_ON_ERROR));
            foreach ($sheet->steps as $step) {
                self::assertNotSame('', $step->words->title);
                self::assertLessThanOrEqual(70, mb_strlen($step->words->title), $step->words->title);
                self::assertStringNotContainsString('!', $step->words->title.$step->words->text, 'no exclamation marks');
            }
            ++$tried;
        }
        self::assertGreaterThan(0, $tried);
    }

    /** What each kind of work must carry, whatever else it says. */
    #[DataProvider('shipped')]
    public function testWhatCanHurtIsSaidAndAcknowledged(string $id, string $vehicleId): void
    {
        $sheet = (new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($id)], new Choices([]), Sheets::vehicle($vehicleId), Sheets::kit(),
        );
        $musts = 0;
        $defers = false;
        foreach ($sheet->steps as $step) {
            foreach ($step->words->cautions as $caution) {
                $musts += $caution->acknowledge ? 1 : 0;
            }
            $defers = $defers || str_contains($step->words->text, 'maker\'s service information');
            if (StepKind::Drain === $step->deed) {
                self::assertNotSame([], $step->words->cautions, $step->words->title);
            }
        }
        self::assertGreaterThan(0, $musts);
        self::assertTrue($defers, 'it defers to the maker');
    }

    /** @return iterable<string, array{string, string}> */
    public static function shipped(): iterable
    {
        foreach (glob(dirname(__DIR__, 3).'/procedures/*.yaml') ?: [] as $file) {
            $id = basename($file, '.yaml');
            if ('common' !== $id) {
                yield $id => [$id, self::vehicleFor(Sheets::procedure($id))];
            }
        }
    }

    /** A demo vehicle that has all the job asks for. */
    private static function vehicleFor(Procedure $procedure): string
    {
        foreach (glob(dirname(__DIR__, 3).'/demo/vehicles/*.yaml') ?: [] as $file) {
            $vehicle = basename($file, '.yaml');
            try {
                (new Compiler(Sheets::common()))->compile([$procedure], $procedure->defaults(), Sheets::vehicle($vehicle), Sheets::kit());

                return $vehicle;
            } catch (UnplannableFit) {
                continue;
            }
        }

        throw new \LogicException($procedure->id.' fits no demo vehicle: add one that has what it needs.');
    }

    /** @param callable(array<string, mixed>): array<array-key, mixed> $spoil */
    #[DataProvider('spoilt')]
    public function testASpoiltProcedureNamesThePlace(string $path, callable $spoil): void
    {
        $good = [
            'format' => Procedure::FORMAT, 'id' => 'p', 'title' => 'P',
            'questions' => [['id' => 'q', 'ask' => 'Which?', 'options' => [['id' => 'a', 'label' => 'A'], ['id' => 'b', 'label' => 'B']]]],
            'operations' => [['id' => 'one', 'phase' => 'strip', 'do' => 'act', 'title' => 'One', 'when' => ['q' => 'a']]],
        ];
        self::assertSame('a', Procedure::read(Node::of($good), Sheets::common())->defaults()->of('q'));
        try {
            Procedure::read(Node::of($spoil($good)), Sheets::common());
            self::fail('It was taken.');
        } catch (InvalidDocument $e) {
            self::assertSame($path, $e->path);
        }
    }

    /** @return iterable<string, array{string, callable(array<string, mixed>): array<array-key, mixed>}> */
    public static function spoilt(): iterable
    {
        $op = static fn (array $more): callable => static fn (array $d): array => ['operations' => [$more + [
            'id' => 'one', 'phase' => 'strip', 'do' => 'act', 'title' => 'One',
        ]]] + $d;
        yield 'another format' => ['format', static fn (array $d): array => ['format' => 'recipe'] + $d];
        yield 'a phase nobody knows' => ['operations.0.phase', $op(['phase' => 'lunch'])];
        yield 'a deed nobody knows' => ['operations.0.do', $op(['do' => 'hope'])];
        yield 'a question nobody asks' => ['operations.one.when', $op(['when' => ['colour' => 'red']])];
        yield 'an answer nobody offers' => ['operations.one.when', $op(['when' => ['q' => 'c']])];
        yield 'a wait for nothing' => ['operations.one.until', $op(['until' => 'two'])];
        yield 'a fragment nobody wrote' => [
            'operations.0.include', static fn (array $d): array => ['operations' => [['include' => 'poetry']]] + $d,
        ];
        yield 'one id twice' => [
            'operations.1.id',
            static fn (array $d): array => ['operations' => [
                ['id' => 'one', 'phase' => 'strip', 'do' => 'act'], ['id' => 'one', 'phase' => 'fit', 'do' => 'act'],
            ]] + $d,
        ];
        yield 'a question without answers' => [
            'questions.0.options', static fn (array $d): array => ['questions' => [['id' => 'q', 'ask' => 'Which?']]] + $d,
        ];
        yield 'a default that is none of them' => [
            'questions.0.default',
            static fn (array $d): array => array_replace_recursive($d, ['questions' => [['default' => 'z']]]),
        ];
        yield 'limits that fall' => [
            'operations.0.asks.0.limits',
            $op(['asks' => [['field' => 'x', 'label' => 'X', 'kind' => 'length', 'limits' => [5, 1]]]]),
        ];
    }

    public function testChoicesSatisfyEveryConditionOrNot(): void
    {
        $choices = new Choices(['fill' => 'vacuum', 'hose' => 'dry']);
        self::assertTrue($choices->satisfy([]));
        self::assertTrue($choices->satisfy(['fill' => ['bleed', 'vacuum']]));
        self::assertFalse($choices->satisfy(['fill' => ['vacuum'], 'hose' => ['water']]));
        self::assertFalse($choices->satisfy(['colour' => ['red']]));
    }

    public function testTheMovesMustBeThere(): void
    {
        $this->expectException(InvalidDocument::class);
        CommonParts::read(
            Node::of(
                ['format' => CommonParts::FORMAT, 'fragments' => ['raise' => [['id' => 'r', 'phase' => 'make-safe', 'do' => 'raise']]]],
            ),
        );
    }

    /** @return list<Choices> each answer once, the others at their defaults */
    private function oneByOne(Procedure $procedure): array
    {
        $all = [];
        foreach ($procedure->groups as $group) {
            foreach ($group->options as $option) {
                $all[] = new Choices([$group->id => $option->id] + $procedure->defaults()->chosen);
            }
        }

        return $all;
    }
}
