<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Devices\Bench\BenchWrench;
use NimbleKnuckle\App\Devices\DeviceAddCommand;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\Simulator\DeviceWrenchCommand;
use NimbleKnuckle\App\Devices\Simulator\Post;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;

/** The simulated wrench from the command line: printed for the sum, and pulled at a step. */
#[CoversClass(DeviceWrenchCommand::class)]
#[CoversClass(DeviceAddCommand::class)]
#[CoversClass(BenchWrench::class)]
#[CoversClass(Post::class)]
final class DeviceCommandsTest extends AppTestCase
{
    #[DataProvider('faults')]
    public function testAPrintedReadingGoesStraightIntoTheJudge(Fault $fault): void
    {
        foreach (['M6' => '9 N·m', 'M8' => '22 N·m', 'M10' => '45 N·m'] as $thread => $target) {
            $printed = json_decode(
                $this->command(
                    'device:wrench',
                    ['--print' => true, '--fault' => $fault->value, '--seed' => '11', '--thread' => $thread, '--target' => $target],
                )->getDisplay(),
                true,
            );
            self::assertIsArray($printed);
            self::assertSame('nimble-knuckle/reading@1', $printed['format']);
            $judged = Doors::book()->run(
                'trace-judge', ['samples' => $printed['samples'], 'spec' => $printed['spec'], 'joint' => $printed['joint']],
            );
            self::assertSame($fault->finding(), $judged->checks[0]->code, $thread);
        }
    }

    /** @return iterable<string, array{Fault}> */
    public static function faults(): iterable
    {
        foreach (Fault::cases() as $fault) {
            yield $fault->value => [$fault];
        }
    }

    public function testTheSameSeedPrintsTheSameReading(): void
    {
        $print = fn (string $seed): string => (string) preg_replace(
            '~"id":"\w+",~', '', $this->command('device:wrench', ['--print' => true, '--seed' => $seed])->getDisplay(),
        );
        self::assertStringContainsString('"samples":[[', $print('5'));
        self::assertSame($print('5'), $print('5'));
        self::assertNotSame($print('5'), $print('6'));
    }

    /** @param array<string, string|bool> $options */
    #[DataProvider('wrong')]
    public function testAnOptionThatCannotBeIsNamed(array $options, string $field): void
    {
        $said = $this->command('device:wrench', $options);
        self::assertSame(2, $said->getStatusCode());
        self::assertStringStartsWith($field.':', $said->getDisplay());
    }

    /** @return iterable<string, array{array<string, string|bool>, string}> */
    public static function wrong(): iterable
    {
        yield 'a fault nobody knows' => [['--fault' => 'rust', '--print' => true], 'fault'];
        yield 'a torque in metres' => [['--target' => '3 m', '--print' => true], 'target'];
        yield 'a thread nobody cuts' => [['--thread' => 'M99', '--print' => true], 'thread'];
        yield 'hundreds of turns' => [['--turns' => '400', '--print' => true], 'turns'];
        yield 'no wrench named' => [[], 'device'];
        yield 'a wrench that is not there' => [['device' => 'left-handed wrench'], 'device'];
        yield 'a wrench that lies in the drawer' => [['device' => '3/8 in digital wrench'], 'device'];
    }

    public function testInHandItPullsUntilEveryFastenerIsFinal(): void
    {
        $book = $this->service(DeviceBook::class);
        $wrench = $book->named('3/8 in digital wrench');
        self::assertNotNull($wrench);
        $record = $this->tarnFit();
        $book->take($wrench, $record->id, 'housing-tight', 'Joss Wending');
        $faulty = $this->command('device:wrench', ['device' => $wrench->name, '--fault' => 'stripped', '--fast' => true, '--seed' => '3']);
        self::assertSame(1, $faulty->getStatusCode());
        self::assertStringContainsString('stripping', $faulty->getDisplay());
        self::assertSame(1, $this->service(Recorder::class)->load($record)->joints()->boltsLeft('thermostat-cover-bolts'));
        $sound = $this->command('device:wrench', ['device' => $wrench->name, '--all' => true, '--fast' => true, '--seed' => '3']);
        self::assertSame(0, $sound->getStatusCode());
        self::assertStringContainsString('Marked.', $sound->getDisplay());
        self::assertSame(0, $this->service(Recorder::class)->load($record)->joints()->boltsLeft('thermostat-cover-bolts'));
        self::assertCount(2, $this->service(ReadingBook::class)->ofJoint($record->id, 'thermostat-cover-bolts'), 'the bad one is kept too');
        self::assertStringContainsString('final', $this->command('device:wrench', ['device' => $wrench->name])->getDisplay());
    }

    public function testTakingAnotherWrenchPutsTheFirstOneDown(): void
    {
        $book = $this->service(DeviceBook::class);
        [$first] = $book->add('first wrench', DeviceKind::Wrench);
        [$second] = $book->add('second wrench', DeviceKind::Wrench);
        $fit = $this->tarnFit()->id;
        $book->take($first, $fit, 'housing-tight', 'Joss Wending');
        $book->take($second, $fit, 'housing-tight', 'Petra Lunn');
        self::assertSame(['', 'Petra Lunn'], [$first->takenBy, $second->takenBy]);
        $view = $this->service(BenchWrench::class)->view(
            $this->service(Recorder::class)->load($this->tarnFit()),
            $this->tarnFit()->vehicleSheet()->joints['thermostat-cover-bolts'], $fit, 'housing-tight',
        );
        self::assertSame($second->id, $view->inHand?->id);
        $book->remove($second);
        self::assertNull($book->named('second wrench'));
    }

    public function testAServerThatDoesNotAnswerIsSaidSo(): void
    {
        $this->service(DeviceBook::class)->take(
            $this->service(DeviceBook::class)->named('3/8 in digital wrench') ?? self::fail('no wrench'), $this->tarnFit()->id,
            'housing-tight', 'Joss Wending',
        );
        $said = $this->command(
            'device:wrench',
            ['device' => '3/8 in digital wrench', '--fast' => true, '--url' => 'http://127.0.0.1:9', '--token' => 'nk_0'],
        );
        self::assertSame(2, $said->getStatusCode());
        self::assertStringContainsString('does not answer', $said->getDisplay());
    }

    public function testATokenIsRenewedFromTheCommandLine(): void
    {
        $this->command('device:add', ['name' => 'lent probe', '--kind' => 'thermometer']);
        $before = $this->service(DeviceBook::class)->named('lent probe')->tokenHash ?? '';
        $renewed = $this->command('device:add', ['name' => 'lent probe', '--renew' => true]);
        self::assertSame(0, $renewed->getStatusCode());
        self::assertMatchesRegularExpression('/nk_[0-9a-f]{48}/', $renewed->getDisplay());
        self::assertNotSame($before, $this->service(DeviceBook::class)->named('lent probe')->tokenHash ?? '');
    }
}
