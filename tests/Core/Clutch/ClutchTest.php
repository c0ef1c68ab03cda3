<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Clutch;

use NimbleKnuckle\Core\Clutch\Clutch;
use NimbleKnuckle\Core\Clutch\DiscSpring;
use NimbleKnuckle\Core\Clutch\Door\StackReading;
use NimbleKnuckle\Core\Clutch\FrictionFit;
use NimbleKnuckle\Core\Clutch\FrictionRing;
use NimbleKnuckle\Core\Clutch\NextStack;
use NimbleKnuckle\Core\Clutch\SlipTrial;
use NimbleKnuckle\Core\Clutch\SpringStack;
use NimbleKnuckle\Core\Clutch\StackDrawing;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The slip clutch: disc forces, how a stack shares them, friction from trials, the stack to try next. */
#[CoversClass(Clutch::class)]
#[CoversClass(DiscSpring::class)]
#[CoversClass(FrictionFit::class)]
#[CoversClass(FrictionRing::class)]
#[CoversClass(NextStack::class)]
#[CoversClass(SpringStack::class)]
#[CoversClass(StackDrawing::class)]
#[CoversClass(StackReading::class)]
#[CoversClass(SlipTrial::class)]
final class ClutchTest extends TestCase
{
    private const CLUTCH = [
        'spring' => [50, 25.4, 3, 4.1], 'arrangement' => '2p 3s', 'height' => 19.5, 'faces' => 2, 'outer' => 80, 'inner' => 56,
        'friction' => 0.12,
    ];

    public function testTheWorkedStack(): void
    {
        self::assertEqualsWithDelta(11_976, self::spring()->force(0.825), 0.5);
        $r = self::answer(self::CLUTCH);
        self::assertEqualsWithDelta(17_820, $r->number('force'), 1.0);
        self::assertEqualsWithDelta(146.9, $r->number('torque'), 0.05);
        self::assertEqualsWithDelta(0.9 * $r->number('torque'), $r->number('bedded'), 1e-9);
        $travel = self::answer(['height' => null, 'travel' => 0.6] + self::CLUTCH);
        self::assertEqualsWithDelta($r->number('torque'), $travel->number('torque'), 1e-9);
        self::assertEqualsWithDelta(
            $r->number('force'), self::answer(['arrangement' => 'u u d d u u'] + self::CLUTCH)->number('force'), 1e-6,
        );
    }

    /** @return iterable<string, array{string, list<int>|null}> */
    public static function writings(): iterable
    {
        yield 'alike' => ['2p 3s', [2, 2, 2]];
        yield 'with a cross' => ['2p x 3s', [2, 2, 2]];
        yield 'one by one' => ['u d u d', [1, 1, 1, 1]];
        yield 'words' => ['up up down', [2, 1]];
        yield 'signs' => ['(( ) (', [2, 1, 1]];
        yield 'no spaces' => ['uuddd', [2, 3]];
        yield 'nothing' => ['', null];
        yield 'none of them' => ['0p 3s', null];
        yield 'forty-one' => [str_repeat('u', 41), null];
        yield 'other words' => ['left right', null];
    }

    /** @param list<int>|null $packs */
    #[DataProvider('writings')]
    public function testHowAStackIsWritten(string $text, ?array $packs): void
    {
        self::assertSame($packs, SpringStack::read($text)?->packs);
    }

    /** Unequal packs carry one force, and what each gives way by adds up to what the whole does. */
    public function testPacksOfUnlikeSizeCarryTheSame(): void
    {
        $luck = new Luck(12);
        for ($i = 0; $i < 200; ++$i) {
            $t = $luck->between(0.8, 4.0);
            $spring = new DiscSpring($luck->between(30, 90), $luck->between(12, 28), $t, $t * $luck->between(1.15, 2.3));
            $stack = SpringStack::of([(int) $luck->between(1, 4.99), (int) $luck->between(1, 4.99), (int) $luck->between(1, 4.99)]);
            $height = $stack->free($spring) - $luck->between(0.05, 0.7) * count($stack->packs) * min($spring->h0, $spring->most());
            $force = $stack->force($spring, $height);
            $down = 0.0;
            foreach ($stack->packs as $n) {
                $s = $spring->pressed($force / $n);
                $s < $spring->most() - 1e-9 && self::assertEqualsWithDelta($force, $n * $spring->force($s), 1e-6 * $force);
                $down += $s;
            }
            if ($force < max($stack->packs) * $spring->force($spring->most()) * (1 - 1e-9)) {
                self::assertEqualsWithDelta($stack->free($spring) - $height, $down, 1e-7);
            }
        }
    }

    public function testADiscThatSnapsThrough(): void
    {
        $thin = new DiscSpring(50, 25.4, 1.25, 3.6);
        self::assertLessThan($thin->h0, $thin->most());
        self::assertGreaterThan($thin->force($thin->most() + 0.1), $thin->force($thin->most()), 'past it the force falls');
        self::assertSame($thin->most(), $thin->pressed(1e9), 'it is rigid then');
        self::assertTrue(self::answer(['spring' => '50 25.4 1.25 3.6', 'height' => 13.5] + self::CLUTCH)->hasCheck('snaps'));
        self::assertSame(self::spring()->h0, self::spring()->most());
    }

    /** @return iterable<string, array{float, string, string}> */
    public static function depths(): iterable
    {
        yield 'works' => [21.3 - 3 * 0.749 * 1.1, 'works', 'ok'];
        yield 'deep' => [21.3 - 3 * 0.751 * 1.1, 'deep', 'watch'];
        yield 'nearly flat' => [21.3 - 3 * 0.999 * 1.1, 'deep', 'watch'];
        yield 'flat' => [18.0, 'flat', 'stop'];
    }

    #[DataProvider('depths')]
    public function testHowDeepADiscMayGo(float $height, string $code, string $verdict): void
    {
        $r = self::answer(['height' => $height] + self::CLUTCH);
        self::assertTrue($r->hasCheck($code));
        self::assertSame($verdict, $r->verdict->value);
    }

    public function testFrictionComesBackOutOfTrials(): void
    {
        $luck = new Luck(31);
        [$spring, $ring] = [self::spring(), new FrictionRing(80, 56, 2)];
        for ($i = 0; $i < 60; ++$i) {
            $friction = $luck->between(0.07, 0.25);
            $trials = [];
            foreach (['2p 3s', 'u u d d u', '1p 4s'] as $text) {
                $stack = SpringStack::read($text) ?? self::fail('no stack');
                $height = $stack->free($spring) - count($stack->packs) * $luck->between(0.25, 0.75);
                $torque = $ring->torque($stack->force($spring, $height), $friction);
                $trials[] = new SlipTrial($stack, $height, array_map(
                    static fn (): float => $torque * (1 + 0.03 * $luck->normal()), [0, 1, 2],
                ));
            }
            $fit = FrictionFit::of($trials, $spring, $ring);
            self::assertEqualsWithDelta($friction, $fit->friction, 0.05 * $friction);
            self::assertLessThan(0.09, $fit->spread);
            self::assertNull($fit->odd);
        }
    }

    /** The second of three stacks had its top disc the wrong way up; what it was written down as does not fit. */
    public function testADiscTheWrongWayUpIsNamed(): void
    {
        [$spring, $ring] = [self::spring(), new FrictionRing(80, 56, 2)];
        $at = static fn (string $text, float $height): float => $ring->torque(
            (SpringStack::read($text) ?? self::fail($text))->force($spring, $height), 0.13,
        );
        $pulls = static fn (float $torque): string => sprintf('%F %F %F', 0.99 * $torque, $torque, 1.01 * $torque);
        $r = self::answer(['trials' => implode('; ', [
            '2p 3s 19.5: '.$pulls($at('2p 3s', 19.5)), '2p 3s 19.6: '.$pulls(
                $at('u u d d u d', 19.6),
            ), '2p 3s 19.7: '.$pulls($at('2p 3s', 19.7)),
        ])] + self::CLUTCH);
        self::assertTrue($r->hasCheck('wrong-way'));
        self::assertStringContainsString('Trial 2 is as if disc', implode(' ', array_column($r->checks, 'text')));
        self::assertEqualsWithDelta(0.13, $r->number('friction'), 0.001, 'it is left out of the friction');
        $odd = self::answer(['trials' => '2p 3s 19.5: 150 151 152; 2p 3s 19.5: 152 151 150; 2p 3s 19.5: 60 61 62'] + self::CLUTCH);
        self::assertTrue($odd->hasCheck('odd'), 'no disc explains that');
        self::assertTrue(self::answer(['trials' => '2p 3s 19.5: 150 151'] + self::CLUTCH)->hasCheck('few-pulls'));
    }

    /** Every stack there is of a box, tried one by one: none is nearer than the one proposed. */
    public function testTheNextStackIsTheNearestOfTheBox(): void
    {
        $luck = new Luck(5);
        for ($i = 0; $i < 60; ++$i) {
            [$spring, $ring] = [self::spring(), new FrictionRing(80, 56, 2)];
            $clutch = new Clutch($spring, $ring, FrictionFit::given($luck->between(0.08, 0.2)));
            $shims = array_map(static fn (): float => $luck->between(0.1, 0.6), range(1, (int) $luck->between(1, 3.99)));
            [$discs, $height, $target] = [(int) $luck->between(2, 6.99), $luck->between(9, 22), $luck->between(30, 220)];
            $next = NextStack::toward($target, 0.1, $clutch, SpringStack::of([2, 2]), $height, $discs, $shims);
            $nearest = \INF;
            for ($ways = 0; $ways < 2 ** $discs; ++$ways) {
                for ($count = 1; $count <= $discs; ++$count) {
                    $stack = SpringStack::read(
                        implode('', array_map(static fn (int $n): string => ($ways >> $n & 1) > 0 ? 'u' : 'd', range(0, $count - 1))),
                    );
                    for ($used = 0; $used < 2 ** count($shims); ++$used) {
                        $set = $height - array_sum(
                            array_filter($shims, static fn (int $n): bool => ($used >> $n & 1) > 0, \ARRAY_FILTER_USE_KEY),
                        );
                        if (null === $stack || $stack->free($spring) <= $set) {
                            continue;
                        }
                        $deep = $stack->deepest($spring, $set);
                        $deep >= 0.1 && $deep <= 0.75 && $nearest = min($nearest, abs($clutch->torque($stack, $set) - $target));
                    }
                }
            }
            self::assertEqualsWithDelta($nearest, null === $next ? \INF : abs($next->torque - $target), 1e-6, 'box '.$i);
        }
    }

    public function testTheChanceIsThatOfItsBand(): void
    {
        $r = self::answer(['target' => 146.9, 'band' => 10, 'stock' => '6'] + self::CLUTCH);
        self::assertSame(['2p 3s'], $r->entries('next'), 'as it is: nothing to change');
        // One in ten over and under with a spread of one in ten: 68.3 %.
        self::assertEqualsWithDelta(68.3, $r->number('chance'), 0.1);
        self::assertTrue(self::answer(['target' => 3000, 'stock' => '1'] + self::CLUTCH)->hasCheck('no-stack'));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function faults(): iterable
    {
        yield 'loose' => [['height' => 21.4], 'height', 'lies loose'];
        yield 'no height' => [['height' => null], 'height', 'needed'];
        yield 'inside out' => [['spring' => '25 50 3 4'], 'spring', 'larger outside'];
        yield 'flat already' => [['spring' => '50 25.4 3 2.9'], 'spring', 'free height'];
        yield 'faces inside out' => [['inner' => 90], 'inner', 'larger outside'];
        yield 'no stack' => [['arrangement' => 'as before'], 'arrangement', '2p 3s'];
        yield 'a trial without a colon' => [['trials' => '2p 3s 19.5 140'], 'trials', 'Trial 1'];
        yield 'a loose trial' => [['trials' => '2p 3s 25: 140'], 'trials', 'loose stack'];
        yield 'a pull of nothing' => [['trials' => '2p 3s 19.5: 140 0'], 'trials', 'over nothing'];
        yield 'fifty discs' => [['target' => 100, 'stock' => '50'], 'stock', '1 to 12'];
        yield 'a shim in words' => [['target' => 100, 'stock' => '6; thin'], 'stock', 'Shims'];
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('faults')]
    public function testWhatCannotBeIsNamed(array $with, string $field, string $said): void
    {
        try {
            self::answer($with + self::CLUTCH);
            self::fail('it was taken');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertStringContainsString($said, $e->getMessage());
        }
    }

    public function testEachDiscIsDrawnAsItLies(): void
    {
        $drawn = StackDrawing::of(SpringStack::of([2, 1]), self::spring());
        self::assertCount(6, $drawn->discs, 'two cuts each');
        self::assertSame([0, 0, 0, 0, 1, 1], array_column($drawn->discs, 'pack'));
        self::assertGreaterThan(0.0, $drawn->top);
    }

    private static function spring(): DiscSpring
    {
        return new DiscSpring(50, 25.4, 3, 4.1);
    }

    /** @param array<string, mixed> $raw */
    private static function answer(array $raw): SumResult
    {
        return Doors::book()->run('disc-stack', $raw);
    }
}
