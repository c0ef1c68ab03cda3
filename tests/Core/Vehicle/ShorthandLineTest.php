<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\Shorthand;
use NimbleKnuckle\Core\Vehicle\ShorthandLine;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Symfony\Component\Yaml\Yaml;

/** A joint written as the line it could have been entered by: read again it is the same joint. */
#[CoversClass(ShorthandLine::class)]
final class ShorthandLineTest extends TestCase
{
    private const FORM = ['id', 'name', 'item', 'role', 'note', 'origin', 'dated'];

    /** @return iterable<string, array{array<array-key, mixed>}> */
    public static function shipped(): iterable
    {
        foreach (glob(dirname(__DIR__, 3).'/demo/vehicles/*.yaml') ?: [] as $file) {
            foreach (Node::of(Yaml::parseFile($file))->list('joints') as $joint) {
                if (is_array($joint) && is_string($joint['id'])) {
                    yield basename($file, '.yaml').' '.$joint['id'] => [$joint];
                }
            }
        }
    }

    /** @param array<array-key, mixed> $joint */
    #[DataProvider('shipped')]
    public function testAShippedJointComesBackWhole(array $joint): void
    {
        $read = Shorthand::read(ShorthandLine::of($joint));
        self::assertSame([[], []], [$read->left, $read->wrong]);
        $again = ShorthandLine::over($joint, $read->joint);
        if (is_array($joint['layout'] ?? null)) {
            $again['layout'] = $joint['layout'];
        }
        self::assertEquals(Joint::read(Node::of($joint)), Joint::read(Node::of($again)));
        self::assertSame([], array_diff(
            array_keys(ShorthandLine::unsaid($joint)),
            [
                ...self::FORM, 'friction', 'layout', 'lengths', 'outline', 'grip', 'into_yield', 'adapter', 'labels', 'longest', 'set',
                'places', 'ends', 'key',
                'first',
                'cure',
            ],
        ), 'all else is said by the line');
    }

    /** Lines put together from every word there is, so that no two words spoil each other. */
    public function testALineThatIsWrittenAgainSaysTheSame(): void
    {
        $words = [
            ['M6 x 20', 'M8', 'M10x1.25 x 35', '5/16-18'], ['', '8.8', '10.9'], ['', 'into cast iron', 'into aluminium casting'],
            ['', '9 Nm', '18 to 22 N·m', '40 Nm + 90°', 'snug + 1/4 turn', '45 ft-lb'], ['', 'left-hand'],
            ['', 'medium threadlocker', 'anti-seize', 'oiled'], ['new', 'reuse'], ['', '10 mm socket', 'T30 bit', 'magnetic plug socket'],
            ['', 'off with E12 socket'], ['', 'check'], ['', 'loaded', 'room'], ['', 'passes 40 70 100'], ['', 'gap 3 mm'], ['', '1 first'],
            ['', 'seal 0.7 mm'], ['', 'dated 2026-03-01'],
        ];
        $random = new Randomizer(new Mt19937(7));
        for ($i = 0; $i < 400; ++$i) {
            $said = array_map(static fn (array $of): string => $of[$random->getInt(0, count($of) - 1)], $words);
            $count = $random->getInt(1, 8);
            $line = implode(', ', array_filter([$count.'x '.array_shift($said), ...$said])).(0 === $i % 3 ? ', line' : '');
            $read = Shorthand::read($line);
            $again = Shorthand::read(ShorthandLine::of($read->joint));
            self::assertEquals(
                array_diff_key($read->joint, ['dated' => 1]), array_diff_key($again->joint, ['dated' => 1]), $line,
            );
        }
    }

    public function testTheFrictionStaysWithWhatIsOnTheThreads(): void
    {
        $old = ['layout' => 'line 1', 'thread' => 'M12', 'figure' => '70 Nm']
            + ['compound' => 'medium threadlocker', 'friction' => 'dry zinc'];
        $friction = static fn (string $line): mixed => ShorthandLine::over($old, Shorthand::read($line)->joint)['friction'] ?? '';
        self::assertSame('dry zinc', $friction('1x M12 75 Nm medium threadlocker'), 'the sheet says so, and only the figure is new');
        self::assertSame('oiled', $friction('1x M12 75 Nm oiled'));
        self::assertSame('', $friction('1x M12 75 Nm'), 'what was meant for the locker is gone with it');
    }

    public function testWhatALineCannotSayIsNotLostAndNotWritten(): void
    {
        $joint = ['layout' => 'line 2', 'thread' => 'M8', 'tool' => 'the bent key from drawer 4', 'first' => [1, 2], 'figure' => '20 Nm'];
        self::assertSame('2x M8, 20 Nm, line', ShorthandLine::of($joint));
        self::assertSame(['tool' => $joint['tool'], 'first' => [1, 2]], array_intersect_key(
            ShorthandLine::unsaid($joint), ['tool' => 1, 'first' => 1],
        ));
        self::assertSame('1x', trim(ShorthandLine::of([])), 'a joint of which nothing is known');
    }
}
