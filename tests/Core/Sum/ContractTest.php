<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\Show;
use NimbleKnuckle\Core\Sum\SumBook;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What every sum promises, whatever it works out. */
#[CoversClass(SumBook::class)]
#[CoversClass(SumResult::class)]
#[CoversClass(Inputs::class)]
#[CoversClass(Field::class)]
#[CoversClass(Show::class)]
#[CoversClass(Value::class)]
#[CoversClass(Level::class)]
final class ContractTest extends TestCase
{
    /** The same inputs in two sets of units. */
    private const SAME = [
        'torque-check' => [['stated' => '23.05 N·m', 'thread' => 'M8', 'grade' => '8.8'], ['stated' => '17.0008 lbf·ft', 'thread' => 'M8x1.25', 'grade' => 8.8]],
        'wrench-set' => [['target' => 25, 'lever' => 304.8, 'adapter' => 25.4, 'adapter_angle' => 90], ['target' => '25 N·m', 'lever' => '12 in', 'adapter' => '1 in', 'adapter_angle' => 'quarter turn']],
        'coolant-mix' => [['capacity' => 9.46352946, 'drained' => 3.78541178, 'present' => 30, 'target' => 50, 'product' => 100], ['capacity' => '10 qt', 'drained' => '1 gal', 'present' => '30 %', 'target' => '50 percent', 'product' => '100%']],
    ];

    #[DataProvider('sums')]
    public function testEverySumKeepsTheContract(string $name): void
    {
        $book = SumBook::standard();
        $sum = $book->named($name);
        self::assertSame($name, $sum->name());
        self::assertNotSame('', $sum->summary());
        [$plain, $other] = self::SAME[$name];
        $result = $book->run($name, $plain);
        $array = $result->toArray();
        self::assertSame(['sum', 'inputs', 'values', 'verdict', 'checks', 'working'], array_keys($array));
        self::assertNotSame([], $result->working);
        foreach ($result->working as $line) {
            foreach ([$line->label, $line->formula, $line->with, $line->result, $line->source] as $part) {
                self::assertNotSame('', $part, $line->label);
            }
        }
        foreach ($result->values as $value) {
            self::assertTrue(null !== Unit::tryFrom($value->unit) || in_array($value->unit, ['ratio', 'count'], true), $value->unit);
        }
        self::assertSame(max(0, ...array_map(static fn (Check $c): int => $c->level->rank(), $result->checks)), $result->verdict->rank());
        $same = $book->run($name, $other);
        foreach ($result->values as $key => $value) {
            if (is_float($value->value)) {
                self::assertEqualsWithDelta($value->value, $same->number($key), 1e-3 * max(1.0, abs($value->value)), $key);
            }
        }
        self::assertSame($result->verdict, $same->verdict);
    }

    #[DataProvider('sums')]
    public function testEveryNeededFieldIsMissed(string $name): void
    {
        foreach (SumBook::standard()->named($name)->fields() as $field) {
            if (!$field->required) {
                continue;
            }
            foreach ([null, '', '   '] as $nothing) {
                try {
                    SumBook::standard()->run($name, [$field->name => $nothing] + self::SAME[$name][0]);
                    self::fail($field->name.' was not missed.');
                } catch (InvalidInput $e) {
                    self::assertSame($field->name, $e->field);
                    self::assertStringContainsString($field->example, $e->getMessage());
                }
            }
        }
    }

    #[DataProvider('sums')]
    public function testNonsenseInAnyFieldIsAnErrorThatNamesIt(string $name): void
    {
        $fields = array_filter(SumBook::standard()->named($name)->fields(), static fn (Field $f): bool => null !== $f->kind);
        $tried = 0;
        foreach ($fields as $field) {
            foreach (['nonsense', '12 bananas', -5, '--', '1/0', [], true, \INF, \NAN, 1e30, "5\0", str_repeat('7', 300)] as $bad) {
                ++$tried;
                try {
                    SumBook::standard()->run($name, [$field->name => $bad] + self::SAME[$name][0]);
                    self::fail(sprintf('%s took %s.', $field->name, is_scalar($bad) ? var_export($bad, true) : gettype($bad)));
                } catch (InvalidInput $e) {
                    self::assertSame($field->name, $e->field);
                    self::assertNotSame('', $e->getMessage());
                }
            }
        }
        self::assertTrue($tried > 0 || 'torque-check' === $name);
    }

    /** @return iterable<string, array{string}> */
    public static function sums(): iterable
    {
        foreach (array_keys(SumBook::standard()->all()) as $name) {
            yield $name => [$name];
        }
    }

    public function testASumNobodyKnowsIsAnError(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/torque-check, wrench-set, coolant-mix/');
        SumBook::standard()->run('magic', []);
    }

    public function testAFieldNobodyKnowsIsAnError(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/use target, lever, adapter/');
        SumBook::standard()->run('wrench-set', ['colour' => 'red']);
    }

    public function testFlagsAreReadInWords(): void
    {
        $fields = [Field::flag('f', 'f')];
        foreach ([true, 'true', 'YES', '1', 'on', 1] as $yes) {
            self::assertTrue(Inputs::of(['f' => $yes], $fields)->flag('f'));
        }
        foreach ([false, 'false', 'no', '0', 'off', 0] as $no) {
            self::assertFalse(Inputs::of(['f' => $no], $fields)->flag('f'));
        }
        self::assertFalse(Inputs::of([], $fields)->flag('f'));
        $this->expectException(InvalidInput::class);
        Inputs::of(['f' => 'perhaps'], $fields)->flag('f');
    }

    public function testNumbersInTheWorkingAreShortAndTrue(): void
    {
        self::assertSame('0', Show::n(0.0));
        self::assertSame('2.464', Show::n(2.464));
        self::assertSame('23.05', Show::n(23.048905));
        self::assertSame('18132', Show::n(18131.528));
        self::assertSame('0.00012', Show::n(0.00012));
        self::assertSame('-3.5', Show::n(-3.5));
        mt_srand(2);
        for ($i = 0; $i < 500; ++$i) {
            $value = mt_rand(1, 1_000_000) / 10 ** mt_rand(0, 6);
            self::assertEqualsWithDelta($value, (float) Show::n($value), max(0.5, abs($value)) * 1e-3);
        }
    }

    public function testTheGravestCheckIsTheHeadline(): void
    {
        $result = new SumResult('x', [], ['list' => Value::listOf([1.0, 2.0], 'mm')], [Check::ok('a', 'fine'), Check::stop('b', 'not fine'), Check::watch('c', 'look')], []);
        self::assertSame(Level::Stop, $result->verdict);
        self::assertSame('not fine', $result->headline());
        self::assertFalse($result->has('nothing'));
        $this->expectException(\LogicException::class);
        $result->number('list');
    }
}
