<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Document;

use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Phase;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Node::class)]
#[CoversClass(InvalidDocument::class)]
#[CoversClass(Minutes::class)]
#[CoversClass(Caution::class)]
final class NodeTest extends TestCase
{
    public function testReadsWhatIsThereWithItsType(): void
    {
        $node = Node::of([
            'text' => '  a text ', 'figure' => 9, 'share' => 2.5, 'yes' => true, 'list' => ['a', 1, true], 'one' => 'alone',
            'numbers' => [1, 2.5],
            'inner' => ['phase' => 'strip'], 'many' => [['n' => 1], ['n' => 2]],
        ]);
        self::assertSame('a text', $node->string('text'));
        self::assertSame('9', $node->string('figure'));
        self::assertSame(9, $node->int('figure'));
        self::assertSame(9.0, $node->float('figure'));
        self::assertSame(2.5, $node->float('share'));
        self::assertTrue($node->bool('yes'));
        self::assertFalse($node->bool('no'));
        self::assertSame(['a', '1', 'yes'], $node->strings('list'));
        self::assertSame(['alone'], $node->strings('one'));
        self::assertSame([1.0, 2.5], $node->floats('numbers'));
        self::assertSame(Phase::Strip, $node->node('inner')->enum('phase', Phase::class));
        self::assertSame([1, 2], array_map(static fn (Node $n): int => $n->int('n'), $node->nodes('many')));
        self::assertSame('fallback', $node->string('missing', 'fallback'));
        self::assertSame(Phase::Fit, $node->enum('missing', Phase::class, Phase::Fit));
        self::assertSame([], $node->nodes('missing'));
        self::assertSame([], $node->strings('missing'));
        self::assertTrue($node->has('text'));
        self::assertFalse($node->has('missing'));
    }

    /** @param callable(Node): mixed $read */
    #[DataProvider('misreadings')]
    public function testSaysWhereItWentWrong(string $path, callable $read): void
    {
        $node = Node::of(
            ['deep' => [
                'list' => [['n' => 'x']], 'text' => ['not', 'a', 'text'], 'number' => 'nine', 'endless' => \INF, 'phase' => 'lunch',
                'map' => 'flat', 'mixed' => [1, []],
            ]],
        );
        try {
            $read($node);
            self::fail('It was taken.');
        } catch (InvalidDocument $e) {
            self::assertSame($path, $e->path);
            self::assertStringEndsWith('.', $e->getMessage());
        }
    }

    /** @return iterable<string, array{string, callable(Node): mixed}> */
    public static function misreadings(): iterable
    {
        yield 'a text that is missing' => ['nothing', static fn (Node $n): string => $n->string('nothing')];
        yield 'a text that is a list' => ['deep.text', static fn (Node $n): string => $n->node('deep')->string('text')];
        yield 'a number in words' => ['deep.number', static fn (Node $n): float => $n->node('deep')->float('number')];
        yield 'a number without end' => ['deep.endless', static fn (Node $n): float => $n->node('deep')->float('endless')];
        yield 'a whole number in words' => ['deep.list.0.n', static fn (Node $n): int => $n->node('deep')->nodes('list')[0]->int('n')];
        yield 'none of a closed set' => ['deep.phase', static fn (Node $n): Phase => $n->node('deep')->enum('phase', Phase::class)];
        yield 'a mapping that is flat' => ['deep.map', static fn (Node $n): Node => $n->node('deep')->node('map')];
        yield 'a list that is a mapping' => ['deep', static fn (Node $n): array => $n->list('deep')];
        yield 'a text list with a hole' => ['deep.mixed.1', static fn (Node $n): array => $n->node('deep')->strings('mixed')];
        yield 'yes or no in words' => ['deep.number', static fn (Node $n): bool => $n->node('deep')->bool('number')];
        yield 'numbers that are none' => ['deep.mixed.1', static fn (Node $n): array => $n->node('deep')->floats('mixed')];
        yield 'no mapping at all' => ['', static fn (): Node => Node::of('flat')];
    }

    public function testMinutesAreOneNumberOrThreeThatRise(): void
    {
        self::assertSame([5.0, 5.0, 5.0], Minutes::read(Node::of(['m' => 5]), 'm')->toArray());
        self::assertSame([2.0, 4.0, 9.0], Minutes::read(Node::of(['m' => [2, 4, 9]]), 'm')->toArray());
        self::assertTrue(Minutes::read(Node::of([]), 'm')->isNone());
        self::assertEqualsWithDelta(4.5, Minutes::read(Node::of(['m' => [2, 4, 9]]), 'm')->mean(), 1e-12);
        self::assertSame([2.0, 4.0, 9.0], Minutes::read(Node::of(['m' => [2, 4, 9]]), 'm')->toArray());
        self::assertSame([6.0, 10.0, 18.0], Minutes::around(10)->toArray());
        foreach ([[1, 2], [3, 2, 1], [-1, 2, 3], [1, 2, 3, 4]] as $bad) {
            try {
                Minutes::read(Node::of(['m' => $bad]), 'm');
                self::fail('It was taken: '.json_encode($bad));
            } catch (InvalidDocument $e) {
                self::assertSame('m', $e->path);
            }
        }
        $this->expectException(\DomainException::class);
        new Minutes(3, 2, 1);
    }

    public function testACautionIsATextOrOneToAcknowledge(): void
    {
        $cautions = Caution::readList(Node::of(['c' => ['mind your head', ['text' => 'it falls', 'acknowledge' => true]]]), 'c');
        self::assertFalse($cautions[0]->acknowledge);
        self::assertTrue($cautions[1]->acknowledge);
        self::assertSame([], Caution::readList(Node::of([]), 'c'));
    }
}
