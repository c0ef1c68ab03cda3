<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Safety;

use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Safety\Term;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Term::class)]
#[CoversClass(Row::class)]
final class TermTest extends TestCase
{
    #[DataProvider('terms')]
    public function testATermComesToWhatItSays(Term $term, bool|int|string $wanted, string $json): void
    {
        $facts = new Given([
            'off pump' => true, 'off fan' => false, 'left cover' => 3, 'wait-left cure' => 2.1, 'first-open a' => 'b',
            'title b' => 'Drain it',
        ]);
        self::assertSame($wanted, $term->of($facts));
        self::assertSame($json, json_encode($term, \JSON_UNESCAPED_UNICODE));
    }

    /** @return iterable<string, array{Term, bool|int|string, string}> */
    public static function terms(): iterable
    {
        [$so, $not] = [Term::ask(Atom::Off, 'pump'), Term::ask(Atom::Off, 'fan')];
        $left = Term::ask(Atom::Left, 'cover');
        yield 'asked' => [$so, true, '["ask","off","pump"]'];
        yield 'not' => [Term::not($so), false, '["not",["ask","off","pump"]]'];
        yield 'all of one is that one' => [Term::all($so), true, '["ask","off","pump"]'];
        yield 'all' => [Term::all($so, $not), false, '["all",["ask","off","pump"],["ask","off","fan"]]'];
        yield 'any' => [Term::any($not, $so), true, '["any",["ask","off","fan"],["ask","off","pump"]]'];
        yield 'any of none' => [Term::any($not, $not), false, '["any",["ask","off","fan"],["ask","off","fan"]]'];
        yield 'always' => [Term::always(), true, '["all"]'];
        yield 'less' => [Term::less(2, $left), true, '["less",2,["ask","left","cover"]]'];
        yield 'not less than the same' => [Term::less(3, $left), false, '["less",3,["ask","left","cover"]]'];
        yield 'same' => [Term::same($left, 3), true, '["same",["ask","left","cover"],3]'];
        yield 'a number is no word' => [Term::same($left, '3'), false, '["same",["ask","left","cover"],"3"]'];
        yield 'said' => [
            Term::say('%s of %s, 100 %%.', $left, 4), '3 of 4, 100 %.', '["say","%s of %s, 100 %%.",["ask","left","cover"],4]',
        ];
        yield 'names' => [
            Term::names(' and ', ['pump' => $so, 'fan' => $not, 'hose' => $so]), 'pump and hose',
            '["names"," and ",["ask","off","pump"],"pump",["ask","off","fan"],"fan",["ask","off","pump"],"hose"]',
        ];
        yield 'counted' => [
            Term::count($so, $not, $so), 2, '["count",["ask","off","pump"],["ask","off","fan"],["ask","off","pump"]]',
        ];
        yield 'rounded up' => [Term::up(Term::ask(Atom::WaitLeft, 'cure')), 3, '["up",["ask","wait-left","cure"]]'];
        yield 'asked of what was asked' => [
            Term::ask(Atom::Title, Term::ask(Atom::FirstOpen, 'a')), 'Drain it', '["ask","title",["ask","first-open","a"]]',
        ];
    }

    public function testARowLooksAtThingsOneByOne(): void
    {
        $facts = new Given(['all-inside' => [['hose-off', 'rag'], ['cap-off', 'plug']]]);
        $row = Row::lead('left-inside', Term::not(Term::same(Term::it(1), 'plug')), Term::say('The %s is in.', Term::it(1)), Term::it(0))
            ->overEach(Term::ask(Atom::AllInside));
        $inside = new Obstacle('left-inside', 'The rag is in.', Bar::Lead, 'hose-off', '["hose-off","rag"]');
        self::assertEquals([$inside], [...$row->of($facts)]);
    }

    public function testWhatIsTheServersStopsATabletWhateverItKnows(): void
    {
        $row = Row::reason('not-tried', Term::not(Term::ask(Atom::Tried, 'a')), 'No trial yet.', 'a')->atServer('Ask the server.');
        self::assertSame([], [...$row->of(new Given(['tried a' => true]))]);
        self::assertSame(
            '{"code":"not-tried","bar":3,"when":["all"],"text":"Ask the server.","step":"a","by":"server"}', json_encode($row),
        );
    }
}
