<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Event\Receipt;
use NimbleKnuckle\Core\Bench\Fact\Chosen;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Signing\LooseEndKind;
use NimbleKnuckle\Core\Bench\Signing\ReviewKind;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Bench\State\Rivals;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

/** Two tablets read the same thing, neither knowing of the other: nothing is worked out from either until a person says which is so. */
#[CoversClass(Rivals::class)]
#[CoversClass(Chosen::class)]
final class RivalsTest extends TestCase
{
    private const STEP = 'drained';
    private const FIELD = 'drained';

    private Fit $fit;
    private int $made = 0;

    protected function setUp(): void
    {
        $this->fit = new Fit(Sheets::thermostat(), Sheets::tarn(), FitState::none());
    }

    public function testNeitherCountsUntilOneIsChosen(): void
    {
        $first = $this->read(4.6, 'one', 'Joss');
        $second = $this->read(3.1, 'two', 'Petra', $first);
        self::assertNull($this->fit->state->reading(self::STEP, self::FIELD));
        self::assertNull($this->fit->state->readingOf(self::FIELD), 'nothing is computed from either');
        $end = array_values(
            array_filter(SignOff::of($this->fit)->looseEnds(), static fn ($one): bool => LooseEndKind::Rivals === $one->kind)
        )[0];
        self::assertSame('4.6 L by Joss at 08:00, 3.1 L by Petra at 08:00', $end->since);
        self::assertTrue($end->kind->canHurt());
        $said = array_column(Gate::at($this->fit)->of($this->fit->sheet->step(self::STEP) ?? self::fail()), 'text', 'code');
        self::assertStringContainsString('do not agree', $said['two-readings'] ?? '');
        self::assertArrayNotHasKey('reading-missing', $said);

        self::assertStringContainsString('none of the readings', $this->choose($this->id(99)));
        self::assertSame('', $this->choose($second));
        self::assertSame(3.1, $this->fit->state->readingOf(self::FIELD)?->value);
        self::assertNotContains(LooseEndKind::Rivals, array_column(SignOff::of($this->fit)->looseEnds(), 'kind'));
        $told = array_column(array_filter(
            SignOff::of($this->fit)->review(), static fn ($one): bool => ReviewKind::Reading === $one->kind,
        ), 'said');
        self::assertStringContainsString('3.1 L, and 4.6 L by Joss at 08:00, each without the other', implode('|', $told));
    }

    public function testTheSameTabletCorrectsItselfAndOneThatSawBothSettlesIt(): void
    {
        $first = $this->read(4.6, 'one', 'Joss');
        $this->read(3.1, 'two', 'Petra', $first);
        $this->read(3.3, 'two', 'Petra', $first);
        $rivals = $this->fit->state->rivals(self::STEP, self::FIELD) ?? self::fail();
        self::assertSame([4.6, 3.3], array_column($rivals->readings, 'value'), 'its own earlier one is corrected');
        $this->read(4.4, 'three', 'Ines');
        self::assertNull($this->fit->state->rivals(self::STEP, self::FIELD));
        self::assertSame(4.4, $this->fit->state->reading(self::STEP, self::FIELD)?->value);
    }

    public function testReadingsThatAgreeAreNoConflict(): void
    {
        $first = $this->read(4.6, 'one', 'Joss');
        $this->read(4.6, 'two', 'Petra', $first);
        self::assertSame(4.6, $this->fit->state->reading(self::STEP, self::FIELD)?->value);
        // What is wrong with one of them makes it two again, and right one again.
        $this->read(4.5, 'one', 'Joss', $this->id($this->made));
        self::assertNull($this->fit->state->reading(self::STEP, self::FIELD));
    }

    public function testTakenBackTheChoiceIsOpenAgain(): void
    {
        $first = $this->read(4.6, 'one', 'Joss');
        $this->read(3.1, 'two', 'Petra', $first);
        $this->choose($first);
        $chosen = $this->id($this->made);
        $this->then(EventType::Undone, ['event' => $chosen], 'one', 'Joss');
        self::assertNotNull($this->fit->state->rivals(self::STEP, self::FIELD));
        self::assertNull($this->fit->state->reading(self::STEP, self::FIELD));
    }

    /** @return string the id of its event */
    private function read(float $litres, string $device, string $by, string $unseen = ''): string
    {
        return $this->then(EventType::Measured, [
            'step' => self::STEP, 'field' => self::FIELD, 'text' => $litres.' L', 'value' => $litres, 'unit' => 'L',
        ], $device, $by, $unseen);
    }

    private function choose(string $event): string
    {
        $at = new \DateTimeImmutable('2026-11-25T09:00:00Z');
        $chosen = FitEvent::of($this->id(++$this->made), EventType::Chosen, [
            'step' => self::STEP, 'field' => self::FIELD, 'event' => $event,
        ], 'Ines', $at);
        try {
            (new Law($this->fit, Authority::Mechanic, $at))->ensure($chosen);
        } catch (InvalidEvent $e) {
            return $e->getMessage();
        }
        $this->fit = $this->fit->then($chosen);

        return '';
    }

    /** @param array<string, string|float> $payload */
    private function then(EventType $type, array $payload, string $device, string $by, string $unseen = ''): string
    {
        $at = new \DateTimeImmutable('2026-11-25T08:00:00Z');
        $event = FitEvent::of($this->id(++$this->made), $type, $payload, $by, $at, new Receipt($at, $device));
        $this->fit = $this->fit->then('' === $unseen ? $event : $event->beside($unseen));

        return $event->id;
    }

    private function id(int $n): string
    {
        return sprintf('01HZZZZZZZ%016d', $n);
    }
}
