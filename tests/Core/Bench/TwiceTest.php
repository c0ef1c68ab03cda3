<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench;

use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Signing\LooseEnd;
use NimbleKnuckle\Core\Bench\Signing\LooseEndKind;
use NimbleKnuckle\Core\Bench\Signing\LooseEnds;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** Two tablets without a server at one joint: no mark pulls a bolt back, none is chosen in silence, and somebody has to look. */
#[CoversClass(FitState::class)]
#[CoversClass(LooseEnds::class)]
#[CoversClass(LooseEndKind::class)]
final class TwiceTest extends TestCase
{
    private const JOINT = 'thermostat-cover-bolts';

    private Fit $fit;
    private int $made = 0;

    protected function setUp(): void
    {
        $this->fit = new Fit(Sheets::thermostat(), Sheets::tarn(), FitState::none());
    }

    public function testALateMarkOfAnotherTabletIsListedAndChangesNothing(): void
    {
        foreach ([1, 2, 3] as $stage) {
            $this->mark(1, $stage, 'one', 'Joss');
        }
        $this->mark(1, 1, 'two', 'Petra', 900.0);
        $this->mark(1, 2, 'two', 'Petra', 880.0);
        self::assertSame(3, $this->fit->state->stage(self::JOINT, 1));
        [$end] = $this->twice();
        self::assertSame('twice:'.self::JOINT.'.1', $end->id);
        self::assertMatchesRegularExpression('/by Joss and “snug” by Petra, each without the other/', $end->since);
        self::assertSame([], $this->fit->joints()->passFaults(self::JOINT), 'what changes nothing is no pull out of order');
        // What goes farther than the other had it is a mark like any.
        $this->mark(1, 4, 'two', 'Petra', 860.0);
        self::assertSame(4, $this->fit->state->stage(self::JOINT, 1));
    }

    public function testTheSameTabletAndMarksAsTheyHappenAreNoConflict(): void
    {
        foreach ([1, 2, 3] as $stage) {
            $this->mark(1, $stage, 'one', 'Joss');
        }
        $this->mark(1, 2, 'one', 'Joss', 900.0);
        self::assertSame([], $this->twice());
        self::assertSame(2, $this->fit->state->stage(self::JOINT, 1), 'taken back by the hand that set it');
        $this->mark(2, 1, 'one', 'Joss');
        $this->mark(2, 1, 'two', 'Petra');
        self::assertSame([], $this->twice());
    }

    public function testLoosenedOrWaivedItIsSettled(): void
    {
        $this->mark(1, 1, 'one', 'Joss');
        $this->mark(1, 1, 'two', 'Petra', 60.0);
        self::assertCount(1, $this->twice());
        $this->mark(1, 0, 'two', 'Petra');
        self::assertSame([], $this->twice());
        $this->mark(1, 1, 'one', 'Joss');
        $this->mark(1, 1, 'two', 'Petra', 60.0);
        $id = $this->twice()[0]->id;
        $this->fit = $this->fit->then($this->event(EventType::Waived, [
            'end' => $id, 'reason' => 'Checked it again', 'as' => $this->twice()[0]->since,
        ], 'two', 'Petra', 0.0));
        self::assertSame([], $this->twice());
        $this->mark(1, 1, 'three', 'Ines', 60.0);
        self::assertCount(1, $this->twice(), 'a third hand is another matter');
        self::assertTrue(LooseEndKind::Twice->canHurt());
    }

    /** @return list<LooseEnd> */
    private function twice(): array
    {
        return array_values(array_filter(
            SignOff::of($this->fit)->looseEnds(), static fn (LooseEnd $end): bool => LooseEndKind::Twice === $end->kind,
        ));
    }

    private function mark(int $bolt, int $stage, string $device, string $by, float $waited = 0.0): void
    {
        $payload = ['joint' => self::JOINT, 'bolt' => $bolt, 'stage' => $stage];
        $this->fit = $this->fit->then($this->event(EventType::FastenerMarked, $payload, $device, $by, $waited));
    }

    /** @param array<string, string|int> $payload */
    private function event(EventType $type, array $payload, string $device, string $by, float $waited): FitEvent
    {
        $at = new \DateTimeImmutable('2026-11-25T08:00:00Z');

        return FitEvent::of(sprintf('01HZZZZZZZ%016d', ++$this->made), $type, $payload, $by, $at, new Receipt($at, $device, $waited));
    }
}
