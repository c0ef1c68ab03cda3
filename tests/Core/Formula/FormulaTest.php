<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Formula;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Luck;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Formula::class)]
#[CoversClass(Term::class)]
final class FormulaTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, float>, float}> each beside the same worked by hand */
    public static function texts(): iterable
    {
        $terms = [
            'x' => 7.0, 'D' => 3.0, 'd' => 2.0, 'ζ' => 0.1, 'r' => 4.0, 'PR₀' => 1.6, 'μ′' => 0.3, 'Δp' => 5.0, 'T1' => 30.0, 'T' => 8.0,
            'φ' => 30.0, 'Le' => 12.0,
        ];
        foreach ([
            '2 x' => 14.0, 'x − D − d' => 2.0, 'x / D / d' => 7.0 / 6, 'x/D d' => 14.0 / 3, 'π (D⁴ − d⁴) / 32' => \M_PI * 65 / 32,
            '√(x + d)' => 3.0, '√x²' => 7.0, '2ζr' => 0.8, '√((1 + (2ζr)²)/(1 + r²))' => sqrt(1.64 / 17), 'PR₀^0.5' => sqrt(1.6),
            '2^D^d' => 512.0, '2^((x − D)/d)' => 4.0, 'min(x, D, d)' => 2.0, 'max(D − d, d/D)' => 1.0, 'cos φ x' => 7 * sqrt(3) / 2,
            'sin(φ + φ) / 2' => sqrt(3) / 4, 'x · (−D)' => -21.0, '−d²' => -4.0, 'exp(μ′ D) − 1' => exp(0.9) - 1, 'T1/T' => 3.75,
            'e = 3 [1.5 (x/D)(d/(π D) + 1.155 ζ)]²' => 3 * (1.5 * (7 / 3) * (2 / (\M_PI * 3) + 0.1155)) ** 2,
            'V = 0.16 D + 0.58 d ζ + x/2 μ′' => 0.48 + 0.116 + 1.05, 'asin(1/d)' => 30.0, 'atan(1)' => 45.0, 'ln(exp(x))' => 7.0,
            'x Δp / Le' => 35.0 / 12, '(1 − 2.25577·10⁻⁵ T1)^2' => (1 - 2.25577e-5 * 30) ** 2, 'tan 45' => 1.0, 'x − −D' => 10.0,
        ] as $text => $value) {
            yield $text => [$text, $terms, $value];
        }
    }

    /** @param array<string, float> $terms */
    #[DataProvider('texts')]
    public function testWhatIsWrittenIsWhatIsReckoned(string $text, array $terms, float $value): void
    {
        $formula = Formula::of($text, $terms);
        self::assertEqualsWithDelta($value, $formula->value, 1e-12 * max(1.0, abs($value)));
        self::assertSame($text, $formula->written());
    }

    public function testAFixedFactorStandsByItsNumberInBothAndAnotherOneMovesAllThree(): void
    {
        $with = static fn (float $share): Formula => Formula::of('aim = share limit', ['share' => Term::fixed($share), 'limit' => 97.2]);
        [$one, $other] = [$with(0.9), $with(0.85)];
        self::assertSame(['aim = 0.9 limit', '0.9 × 97.2', '87.48 kPa'], [$one->written(), $one->filled(), $one->said('kPa')]);
        self::assertSame(['aim = 0.85 limit', '0.85 × 97.2', '82.62 kPa'], [$other->written(), $other->filled(), $other->said('kPa')]);
    }

    public function testTheNumbersStandInTheirPlaces(): void
    {
        $terms = ['V' => Term::of(6.6, 'L'), 'p' => Term::of(98.0), 'q' => Term::of(-3.0), 'θ' => Term::of(31.25, '°', 3)];
        self::assertSame('6.6 L × (98 − (-3)) / 98', Formula::of('V (p − q) / p', $terms)->filled());
        self::assertSame('π × 98² × 6.6 L / 4', Formula::of('A = π p² V / 4', $terms)->filled());
        self::assertSame('-3 + 98 × cos 31.3°', Formula::of('q + p cos θ', $terms)->filled());
        self::assertSame('V = 6.6 L, θ = 31.3°', Formula::of('q + p cos θ + V', $terms)->listed('V', 'θ'));
        self::assertSame('√((98 + 1)/(98 − 1))', Formula::of('√((p + 1)/(p − 1))', $terms)->filled());
    }

    /**
     * What is printed with the numbers in it is a formula of its own, and comes to the same.
     *
     * @param array<string, float> $terms
     */
    #[DataProvider('texts')]
    public function testWhatIsFilledInComesToTheSame(string $text, array $terms): void
    {
        $luck = new Luck(crc32($text));
        $terms = array_map(static fn (float $value): float => $value + round($luck->between(0.0, 0.9), 2), $terms);
        $formula = Formula::of(str_replace('10⁻⁵ T1', '10⁻⁵ · T1', $text), $terms);
        self::assertEqualsWithDelta($formula->value, Formula::of($formula->filled(), [])->value, 1e-9 * max(1.0, abs($formula->value)));
    }

    /** @return iterable<string, array{string}> */
    public static function wrong(): iterable
    {
        foreach (['', 'x +', '(x', 'x)', 'y', 'xx', 'x ? 2', 'sin(x, x)', '/ x', 'min()', 'x y', 'V = '] as $text) {
            yield $text => [$text];
        }
    }

    #[DataProvider('wrong')]
    public function testATextThatIsNoFormulaIsNotTaken(string $text): void
    {
        $this->expectException(\LogicException::class);
        Formula::of($text, ['x' => 1.0]);
    }
}
