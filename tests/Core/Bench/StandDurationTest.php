<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench;

use NimbleKnuckle\Core\Bench\Event\EventTime;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Bench\State\BrokenPieces;
use NimbleKnuckle\Core\Bench\State\DroppedPieces;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\State\InsteadOfPieces;
use NimbleKnuckle\Core\Bench\State\PieceCount;
use NimbleKnuckle\Core\Bench\State\StandDuration;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(StandDuration::class)]
#[CoversClass(Receipt::class)]
#[CoversClass(EventTime::class)]
#[CoversClass(PieceCount::class)]
final class StandDurationTest extends TestCase
{
    private int $made = 0;

    /**
     * @param array{float, float, string, float} $begun own time, server's time, tablet, s it lay there
     * @param array{float, float, string, float} $ended
     */
    #[DataProvider('pairs')]
    public function testItStoodAsLongAsBothClocksAllow(array $begun, array $ended, ?float $before, float $seconds, bool $byTablet): void
    {
        $stood = StandDuration::between(
            $this->event($begun), $this->event($ended), null === $before ? null : $this->event([$before, $before, 'a', 0.0]),
        );
        self::assertEqualsWithDelta($seconds, $stood->seconds, 0.01);
        self::assertSame($byTablet, $stood->byTabletClock);
    }

    /** @return iterable<string, array{array{float, float, string, float}, array{float, float, string, float}, float|null, float, bool}> */
    public static function pairs(): iterable
    {
        yield 'one tablet, as it happened' => [[0, 0.2, 'a', 0], [120, 120.2, 'a', 0], null, 120.0, false];
        yield 'the first message was slow' => [[0, 1.5, 'a', 0], [120, 120.1, 'a', 0], null, 120.0, false];
        yield 'the tablet’s clock was put on' => [[0, 0.2, 'a', 0], [600, 11.2, 'a', 0], null, 13.0, false];
        yield 'the tablet’s clock was put back' => [[0, 0.2, 'a', 0], [-50, 130.2, 'a', 0], null, 0.0, false];
        yield 'two tablets an hour apart' => [[0, 0.2, 'a', 0], [3720, 120.2, 'b', 0], null, 120.0, false];
        yield 'both queued, within what the server missed' => [[10, 400, 'a', 390], [140, 400, 'a', 260], 0.0, 130.0, true];
        yield 'both queued, longer than the server missed' => [[0, 61, 'a', 61], [300, 61, 'a', 16], 0.0, 63.0, true];
        yield 'everything queued: nothing bounds it' => [[0, 900, 'file', 900], [130, 900, 'file', 770], null, 130.0, true];
        yield 'just not queued' => [[0, 15, 'a', 15], [120, 120, 'a', 0], null, 107.0, false];
        yield 'just queued' => [[0, 15.2, 'a', 15.2], [120, 120, 'a', 0], -5.0, 120.0, true];
    }

    public function testTheLastLiveEventIsLookedForPastWhatWasQueued(): void
    {
        $live = $this->event([0, 0, 'a', 0]);
        $queued = [$this->event([5, 300, 'a', 295]), $this->event([9, 300, 'a', 291])];
        $state = FitState::fold([$live, ...$queued]);
        self::assertSame($live, $state->liveBefore($queued[1]));
        self::assertNull($state->liveBefore($live));
    }

    #[DataProvider('noInstants')]
    public function testWhatIsNoInstantIsRefused(mixed $text): void
    {
        $this->expectException(InvalidEvent::class);
        EventTime::read($text);
    }

    /** @return iterable<string, array{mixed}> */
    public static function noInstants(): iterable
    {
        foreach ([
            '0000-00-00T00:00:00Z', '2026-02-30T10:00:00Z', '2026-11-25T99:99:99Z', '2026-11-25T10:00:00', '2026-11-25',
            '1999-11-25T10:00:00Z', '2026-11-25T10:00:00+99:00', 'soon', '', 12, null, [],
        ] as $text) {
            yield json_encode($text) ?: 'x' => [$text];
        }
    }

    public function testAnInstantKeepsItsZoneAndItsMilliseconds(): void
    {
        self::assertSame('2026-11-25T10:00:00.250+02:00', EventTime::read('2026-11-25T10:00:00.250+02:00')->format('Y-m-d\TH:i:s.vP'));
        self::assertSame('2024-02-29', EventTime::read('2024-02-29T10:00:00Z')->format('Y-m-d'));
    }

    /**
     * @param array{int, int, int, int, int, int, int, int, int, 9?: int} $counts expected, tray, back, fell early, fell late,
     *                                                                            found late, broke early, broke late, new, settled
     */
    #[DataProvider('ledgers')]
    public function testTheCountAddsUp(array $counts, int $off, int $atHand, bool $cameOff, bool $wentBack): void
    {
        $count = new PieceCount(
            'pins', $counts[0], $counts[1], $counts[2], new DroppedPieces($counts[3], $counts[4], $counts[5]),
            new BrokenPieces($counts[6], $counts[7]), new InsteadOfPieces($counts[8], $counts[9] ?? 0), true,
        );
        self::assertSame(
            [$off, $atHand, $cameOff, $wentBack],
            [$count->off(), $count->atHand(), $count->cameOffWhole(), $count->wentBackWhole()],
        );
        self::assertSame($counts[0], $count->room() + $counts[3] + $counts[5] + $counts[6]);
    }

    /** @return iterable<string, array{array{int, int, int, int, int, int, int, int, int, 9?: int}, int, int, bool, bool}> */
    public static function ledgers(): iterable
    {
        yield 'ten off, ten back' => [[10, 10, 10, 0, 0, 0, 0, 0, 0], 10, 10, true, true];
        yield 'one fell on the way into the tray' => [[10, 9, 9, 1, 0, 0, 0, 0, 0], 10, 9, true, false];
        yield 'it was found after the part was off' => [[10, 9, 10, 0, 0, 1, 0, 0, 0], 10, 10, true, true];
        yield 'one fell out of the tray' => [[10, 10, 9, 0, 1, 0, 0, 0, 0], 10, 9, true, false];
        yield 'a new one came in its place' => [[10, 10, 10, 0, 1, 0, 0, 0, 1], 10, 10, true, true];
        yield 'one broke coming off, a new one went on' => [[10, 9, 10, 0, 0, 0, 1, 0, 1], 10, 10, true, true];
        yield 'one broke going on' => [[10, 10, 9, 0, 0, 0, 0, 1, 0], 10, 9, true, false];
        yield 'six off, six back' => [[10, 6, 6, 0, 0, 0, 0, 0, 0], 6, 6, false, true];
        yield 'one is capped for good' => [[10, 10, 9, 0, 0, 0, 0, 0, 0, 1], 10, 9, true, true];
        yield 'one is capped for good, and all went back' => [[10, 10, 10, 0, 0, 0, 0, 0, 0, 1], 10, 9, true, false];
        yield 'one left over in the tray' => [[10, 10, 9, 0, 0, 0, 0, 0, 0], 10, 10, true, false];
        yield 'a new one left over' => [[10, 10, 10, 0, 0, 0, 0, 0, 1], 10, 11, true, false];
    }

    /** @param array{float, float, string, float} $of own time, server's time, tablet, s it lay there */
    private function event(array $of): FitEvent
    {
        $start = new \DateTimeImmutable('2026-11-25T10:00:00Z');
        $at = static fn (float $seconds): \DateTimeImmutable => $start->modify(sprintf('%+d milliseconds', (int) round(1000 * $seconds)));

        return FitEvent::of(
            sprintf('01J%023d', ++$this->made), EventType::Noted, ['text' => 'x'], 'Joss', $at($of[0]),
            new Receipt($at($of[1]), $of[2], $of[3]),
        );
    }
}
