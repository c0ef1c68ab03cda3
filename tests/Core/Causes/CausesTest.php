<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Causes;

use NimbleKnuckle\Core\Causes\CauseCheck;
use NimbleKnuckle\Core\Causes\CauseDrawing;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\Door\CauseSum;
use NimbleKnuckle\Core\Causes\Ranking;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

#[CoversClass(CauseTable::class)]
#[CoversClass(CauseCheck::class)]
#[CoversClass(CauseDrawing::class)]
#[CoversClass(CauseSum::class)]
#[CoversClass(Ranking::class)]
final class CausesTest extends TestCase
{
    private const THREE = [
        'id' => 'three', 'causes' => [['id' => 'a', 'prior' => 0.5], ['id' => 'b', 'prior' => 0.3], ['id' => 'c', 'prior' => 0.2]],
        'checks' => [[
            'id' => 'q', 'minutes' => 2, 'answers' => [['id' => 'yes'], ['id' => 'no']],
            'chances' => ['a' => [0.9, 0.1], 'b' => [0.2, 0.8], 'c' => [0.5, 0.5]],
        ]],
    ];

    public function testTheWorkedRow(): void
    {
        $book = new SumBook(new CauseSum());
        $plain = $book->run('cause', ['table' => self::THREE, 'findings' => [['check' => 'q', 'answer' => 'yes']]]);
        self::assertSame(['a', 'c', 'b'], $plain->entries('causes'));
        self::assertEqualsWithDelta([73.0, 16.5, 10.5], $plain->entries('chance'), 0.05);
        $known = $book->run('cause', ['table' => self::THREE, 'findings' => 'q yes', 'confirmed' => ['b' => 3]]);
        self::assertSame(['a', 'b', 'c'], $known->entries('causes'));
        self::assertEqualsWithDelta([66.0, 19.0, 14.9], $known->entries('chance'), 0.06);
        self::assertFalse($known->has('next'), 'nothing is left');
        self::assertSame(2.0, $known->number('named'), 'under 80 in a hundred none stands alone');
    }

    public function testASkippedCheckSaysNothingAndIsNotAskedAgain(): void
    {
        $table = self::table(self::THREE);
        $before = Ranking::of($table, [], []);
        $skipped = Ranking::of($table, ['q' => Ranking::SKIPPED], []);
        self::assertSame('q', $before->next?->id);
        self::assertNull($skipped->next);
        self::assertEqualsWithDelta($before->chances, $skipped->chances, 1e-12);
        self::assertNotNull($before->overturn);
        self::assertSame('b', $before->overturn[2], 'with “no” the second comes first');
        // One in ten is likely enough, less is not.
        $rare = ['causes' => [['id' => 'a', 'prior' => 0.9], ['id' => 'b', 'prior' => 0.06], ['id' => 'c', 'prior' => 0.04]]]
            + ['checks' => [['chances' => ['a' => [0.999, 0.001], 'else' => [0.05, 0.95]]] + self::THREE['checks'][0]]];
        self::assertTrue(Ranking::of(self::table($rare), [], [])->isEnough());
    }

    public function testChecksThatDependOnOneAnotherCountOnce(): void
    {
        $check = self::THREE['checks'][0];
        $twice = ['checks' => [['group' => 'g'] + $check, ['id' => 'r', 'group' => 'g'] + $check]] + self::THREE;
        $alone = Ranking::of(self::table($twice), ['q' => 'yes'], []);
        self::assertNull($alone->next, 'the other of its group tells nothing more');
        self::assertSame($alone->chances, Ranking::of(self::table($twice), ['q' => 'yes', 'r' => 'yes'], [])->chances);
        $apart = ['checks' => [$check, ['id' => 'r'] + $check]] + self::THREE;
        self::assertGreaterThan($alone->chances['a'], Ranking::of(self::table($apart), ['q' => 'yes', 'r' => 'yes'], [])->chances['a']);
    }

    /** What tells as much in half the time comes first; what tells nothing never does. */
    public function testTheNextCheckTellsMostForItsMinutes(): void
    {
        $check = self::THREE['checks'][0];
        $table = self::table(['checks' => [
            ['minutes' => 4] + $check, ['id' => 'quick'] + $check,
            ['id' => 'idle', 'minutes' => 0.1, 'chances' => ['else' => [0.5, 0.5]]] + $check,
        ]] + self::THREE);
        self::assertSame('quick', Ranking::of($table, [], [])->next?->id);
    }

    #[DataProvider('shipped')]
    public function testAShippedTableIsWholeAndLeadsSomewhere(string $file): void
    {
        $raw = Yaml::parseFile($file);
        $table = CauseTable::read(Node::of($raw));
        self::assertSame(basename($file, '.yaml'), $table->id);
        self::assertArrayHasKey('none', $table->names);
        foreach (array_filter($table->leads) as $procedure) {
            self::assertFileExists(dirname(__DIR__, 3).'/procedures/'.$procedure.'.yaml');
        }
        foreach ($table->checks as $check) {
            self::assertNotSame('', $check->how, $check->id.' says how it is done');
            self::assertLessThanOrEqual(70, mb_strlen($check->ask));
        }
        foreach (array_keys($table->priors) as $cause) {
            $tells = array_filter($table->checks, static fn (CauseCheck $one): bool => isset($one->chances[$cause]));
            'none' === $cause || self::assertNotSame([], $tells, $cause.' can be told by some check');
        }
    }

    /**
     * On cases drawn from its own chances, one answer in ten wrong: the true cause comes first nearly as often as with every check, in
     * at most half the minutes.
     */
    #[DataProvider('shipped')]
    public function testItFindsTheCauseInHalfTheMinutes(string $file): void
    {
        $table = CauseTable::read(Node::of(Yaml::parseFile($file)));
        [$first, $all, $spent, $every] = [0, 0, 0.0, 0.0];
        $seeds = Sample::seeds(1000, 'cases '.$table->id);
        $runs = count($seeds);
        foreach ($seeds as $seed) {
            mt_srand(38_000 + $seed);
            $true = self::drawn(array_keys($table->priors), array_values($table->priors));
            $answers = [];
            foreach ($table->checks as $check) {
                $answers[$check->id] = mt_rand(1, 10) > 1 ? self::drawn($check->answers, $check->under($true, 1.0))
                    : $check->answers[mt_rand(0, count($check->answers) - 1)];
            }
            $every += array_sum(array_map(static fn (CauseCheck $one): float => $one->minutes, $table->checks));
            $all += array_key_first(Ranking::of($table, $answers, [])->chances) === $true ? 1 : 0;
            $found = [];
            $ranking = Ranking::of($table, $found, []);
            while (null !== $ranking->next && !$ranking->isEnough()) {
                $found[$ranking->next->id] = $answers[$ranking->next->id];
                $spent += $ranking->next->minutes;
                $ranking = Ranking::of($table, $found, []);
            }
            $first += array_key_first($ranking->chances) === $true ? 1 : 0;
        }
        self::assertLessThanOrEqual(Sample::isWhole() ? 0.5 : 0.55, $spent / $every, $table->id);
        self::assertGreaterThanOrEqual(Sample::floor(max(0.5, $all / $runs - 0.05), $runs), $first, $table->id);
    }

    /** @return iterable<string, array{string}> */
    public static function shipped(): iterable
    {
        foreach (glob(dirname(__DIR__, 3).'/causes/*.yaml') ?: [] as $file) {
            yield basename($file, '.yaml') => [$file];
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function wrong(): iterable
    {
        $check = self::THREE['checks'][0];
        yield 'priors that do not come to one' => ['causes', ['causes' => array_slice(self::THREE['causes'], 0, 2)] + self::THREE];
        yield 'a cause twice' => ['id', ['causes' => [['id' => 'a', 'prior' => 0.5], ['id' => 'a', 'prior' => 0.5]]] + self::THREE];
        yield 'chances that do not come to one' => ['a', ['checks' => [['chances' => ['a' => [0.9,
            0.2]] + $check['chances']] + $check]] + self::THREE];
        yield 'one chance for two answers' => ['b',
            ['checks' => [['chances' => ['b' => [1.0]] + $check['chances']] + $check]] + self::THREE];
        yield 'a cause there is not' => ['d', ['checks' => [['chances' => ['d' => [0.5,
            0.5]] + $check['chances']] + $check]] + self::THREE];
        yield 'nothing said of one' => ['c', ['checks' => [['chances' => array_slice($check['chances'], 0, 2)] + $check]] + self::THREE];
        yield 'a check in no time' => ['minutes', ['checks' => [['minutes' => 0] + $check]] + self::THREE];
        yield 'one answer' => ['answers', ['checks' => [['answers' => [['id' => 'yes']]] + $check]] + self::THREE];
    }

    /** @param array<string, mixed> $table */
    #[DataProvider('wrong')]
    public function testATableThatCannotBeNamesThePlace(string $place, array $table): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('~'.$place.'~');
        self::table($table);
    }

    public function testWhatIsNotInTheTableIsAnErrorThatNamesWhatIs(): void
    {
        $book = new SumBook(new CauseSum(self::table(self::THREE)));
        foreach ([
            'symptom' => ['symptom' => 'hiccup'], 'findings' => ['symptom' => 'three', 'findings' => 'z yes'],
            'confirmed' => ['symptom' => 'three', 'confirmed' => 'z 2'], 'table' => ['table' => 'no'],
        ] as $field => $given) {
            try {
                $book->run('cause', $given);
                self::fail($field.' was taken');
            } catch (InvalidInput $e) {
                self::assertSame($field, $e->field);
            }
        }
        $this->expectExceptionMessage('“q” answers yes, no, or skip');
        $book->run('cause', ['symptom' => 'three', 'findings' => 'q maybe']);
    }

    /** @param array<string, mixed> $raw */
    private static function table(array $raw): CauseTable
    {
        return CauseTable::read(Node::of($raw));
    }

    /**
     * @param list<string> $ids
     * @param list<float> $chances
     */
    private static function drawn(array $ids, array $chances): string
    {
        $at = mt_rand() / mt_getrandmax();
        foreach ($ids as $i => $id) {
            $at -= $chances[$i] ?? 0.0;
            if ($at <= 0.0) {
                return $id;
            }
        }

        return $ids[count($ids) - 1];
    }
}
