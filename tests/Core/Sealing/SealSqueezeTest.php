<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sealing;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Sealing\Door\SealSqueezeDoor;
use NimbleKnuckle\Core\Sealing\GrooveDrawing;
use NimbleKnuckle\Core\Sealing\SealSqueeze;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(SealSqueeze::class)]
#[CoversClass(SealSqueezeDoor::class)]
#[CoversClass(GrooveDrawing::class)]
#[CoversClass(Length::class)]
#[CoversClass(Share::class)]
final class SealSqueezeTest extends TestCase
{
    private const RING = ['section' => 3.53, 'inner' => 44.0, 'depth' => 2.8, 'width' => 4.7, 'groove_inner' => 45.0];

    public function testTheWorkedRing(): void
    {
        $result = $this->work([]);
        self::assertEqualsWithDelta([2.27, 19.8, 72.8], array_map($result->number(...), ['stretch', 'squeeze', 'fill']), 0.05);
        self::assertEqualsWithDelta(3.53 * sqrt((44 + 3.53) / (45 + 3.53)) - 2.8, $result->number('travel'), 1e-9);
        self::assertSame(Level::Ok, $result->verdict);
        self::assertSame(
            0.0, $this->work(['use' => 'radial'])->number('travel'), 'squeezed from the side, a cover does not come down on it',
        );
    }

    /** @param array<string, mixed> $changed */
    #[DataProvider('bands')]
    public function testBandsBeginWhereTheyAreSaidTo(array $changed, string $code, Level $level): void
    {
        $result = $this->work($changed);
        foreach ($result->checks as $check) {
            if ($check->code === $code) {
                self::assertSame($level, $check->level, $check->text);

                return;
            }
        }
        self::fail($code);
    }

    /** @return iterable<string, array{array<string, mixed>, string, Level}> an unstretched ring of 4 mm, so that the shares are plain */
    public static function bands(): iterable
    {
        $plain = ['section' => 4.0, 'inner' => 50.0, 'groove_inner' => 50.0, 'width' => 8.0];
        foreach ([
            [3.61, Level::Stop], [3.59, Level::Watch], [3.41, Level::Watch], [3.39, Level::Ok], [2.81, Level::Ok],
            [2.79, Level::Watch], [2.61, Level::Watch], [2.59, Level::Stop],
        ] as [$depth, $level]) {
            yield 'groove '.$depth => [['depth' => $depth] + $plain, 'squeeze', $level];
        }
        // The ring's area is 12.566 mm², of 3.2 mm times the width.
        foreach ([[4.65, Level::Ok], [4.60, Level::Watch], [4.14, Level::Watch], [4.12, Level::Stop]] as [$width, $level]) {
            yield 'width '.$width => [['depth' => 3.2, 'width' => $width] + $plain, 'fill', $level];
        }
        foreach ([[52.6, Level::Watch], [52.4, Level::Ok], [49.6, Level::Ok], [49.4, Level::Watch]] as [$on, $level]) {
            yield 'on '.$on => [['depth' => 3.2, 'groove_inner' => $on] + $plain, 'stretch', $level];
        }
        yield 'off the outer wall' => [['depth' => 3.2, 'groove_outer' => 60.0] + $plain, 'seat', Level::Watch];
        yield 'against the outer wall' => [['depth' => 3.2, 'groove_outer' => 58.2] + $plain, 'seat', Level::Ok];
    }

    public function testThePartTurnTakesTheSealUp(): void
    {
        $in = ['target' => 20, 'thread' => 'M8', 'shank' => 10, 'threaded' => 15];
        $book = Doors::book();
        $hard = $book->run('part-turn', $in)->number('angle');
        $soft = $book->run('part-turn', $in + ['seal_travel' => '0.5 mm']);
        self::assertEqualsWithDelta(360 * 0.5 / 1.25, $soft->number('seal_angle'), 1e-9);
        self::assertEqualsWithDelta($hard + 144.0, $soft->number('angle'), 1e-9);
    }

    public function testTheDrawingKeepsTheArea(): void
    {
        $seal = SealSqueeze::of(...array_map(Length::millimetres(...), [4.0, 50.0, 3.2, 6.0, 50.0]));
        $drawing = GrooveDrawing::of($seal, Length::millimetres(3.2), Length::millimetres(6.0));
        self::assertEqualsWithDelta(4.0 ** 2, $drawing->squashed * 3.2, 1e-9);
        self::assertEqualsWithDelta(20.0, $drawing->squeeze, 1e-9);
    }

    public function testAGrooveThatCannotBeIsRefused(): void
    {
        foreach ([['groove_inner' => 100.0], ['groove_outer' => 40.0], ['depth' => 0]] as $bad) {
            try {
                $this->work($bad);
                self::fail((string) array_key_first($bad));
            } catch (InvalidInput $e) {
                self::assertSame(array_key_first($bad), $e->field);
            }
        }
    }

    /** @param array<string, mixed> $changed */
    private function work(array $changed): SumResult
    {
        return Doors::book()->run('seal-squeeze', $changed + self::RING);
    }
}
