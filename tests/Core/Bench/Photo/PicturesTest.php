<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bench\Photo;

use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Gate\Gate;
use NimbleKnuckle\Core\Bench\Law\Law;
use NimbleKnuckle\Core\Bench\Law\PhotoLaw;
use NimbleKnuckle\Core\Bench\Photo\MarkDrawing;
use NimbleKnuckle\Core\Bench\Photo\MarkKind;
use NimbleKnuckle\Core\Bench\Photo\Pictures;
use NimbleKnuckle\Core\Bench\State\FitState;
use NimbleKnuckle\Core\Compiler\Compiler;
use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Law\Within\PictureTaken;
use NimbleKnuckle\Core\Procedure\Asking;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\PictureRequest;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Pictures by the law of the bench: whose they are, what is drawn on them, where they are shown again, what holds a step. */
#[CoversClass(PhotoLaw::class)]
#[CoversClass(Pictures::class)]
#[CoversClass(MarkDrawing::class)]
#[CoversClass(MarkKind::class)]
#[CoversClass(PictureTaken::class)]
#[CoversClass(PictureRequest::class)]
final class PicturesTest extends TestCase
{
    private const HASH = 'a3f1c2d4e5b60718293a4b5c6d7e8f90a3f1c2d4e5b60718293a4b5c6d7e8f90';

    private Fit $fit;
    private \DateTimeImmutable $at;
    private int $made = 0;

    protected function setUp(): void
    {
        $this->at = new \DateTimeImmutable('2026-11-25T08:00:00Z');
        $this->fit = self::plan('veldra-tarn-20t', 'serpentine-belt');
    }

    public function testWhatTheStripShowsIsShownWhereItGoesBackAndNowhereElse(): void
    {
        $off = $this->step('belt-off');
        $on = $this->step('belt-on');
        self::assertSame([], (new Pictures($this->fit))->asItWas($on));
        $plain = $this->take($off->id);
        $before = $this->take($off->id, 'before');
        $now = $this->take($on->id, 'after');
        $shown = array_column((new Pictures($this->fit))->asItWas($on), 'id');
        self::assertSame([$before, $plain], $shown, 'what says “before” comes first, what was taken here is no strip');
        self::assertSame([$now], array_column((new Pictures($this->fit))->of($on), 'id'));
        self::assertSame([], (new Pictures($this->fit))->asItWas($off));
        foreach ($this->fit->sheet->steps as $step) {
            if ($step->itemOn($this->fit->vehicle) !== $on->target->item) {
                self::assertSame([], (new Pictures($this->fit))->asItWas($step), $step->id);
            }
        }
    }

    public function testAPictureTakenBackIsGoneWithWhatWasDrawnOnIt(): void
    {
        $off = $this->step('belt-off');
        $photo = $this->take($off->id, 'before');
        self::assertSame('', $this->sent(EventType::PhotoMarked, self::ring($photo)));
        self::assertCount(1, $this->fit->state->photoMarks[$photo]);
        self::assertSame('', $this->sent(EventType::Undone, ['event' => $photo]));
        self::assertSame([], $this->fit->state->photos);
        self::assertStringContainsString('no such picture', $this->sent(EventType::PhotoMarked, self::ring($photo)));
    }

    public function testOneMarkIsTakenOffAndTheOthersStay(): void
    {
        $photo = $this->take($this->step('belt-off')->id);
        $this->sent(EventType::PhotoMarked, self::ring($photo));
        $first = $this->fit->state->photoMarks[$photo][0]->id;
        $this->sent(EventType::PhotoMarked, ['kind' => 'number', 'text' => '2', 'to_x' => 0.0, 'to_y' => 0.0] + self::ring($photo));
        self::assertSame('', $this->sent(EventType::Undone, ['event' => $first]));
        self::assertSame(['number'], array_map(
            static fn (FitEvent $mark): string => $mark->string('kind'), $this->fit->state->photoMarks[$photo],
        ));
    }

    /** @param array<string, string|int|float> $change */
    #[DataProvider('refused')]
    public function testWhatCannotBeIsRefusedAtItsField(EventType $type, array $change, string $field): void
    {
        $photo = $this->take($this->step('belt-off')->id);
        $payload = EventType::PhotoTaken === $type ? $this->photo('belt-off', '') : self::ring($photo);
        self::assertSame('', $this->sent($type, $payload), 'as it stands it is taken');
        try {
            $this->ensure($type, $change + $payload);
            self::fail('That was let through.');
        } catch (InvalidEvent $e) {
            self::assertSame($field, $e->field);
            self::assertNotSame('', $e->getMessage());
        }
    }

    /** @return iterable<string, array{EventType, array<string, string|int|float>, string}> */
    public static function refused(): iterable
    {
        yield 'no hash' => [EventType::PhotoTaken, ['hash' => 'abc'], 'hash'];
        yield 'a way out of the folder' => [EventType::PhotoTaken, ['hash' => str_repeat('../a', 16)], 'hash'];
        yield 'capital letters are another file' => [EventType::PhotoTaken, ['hash' => strtoupper(self::HASH)], 'hash'];
        yield 'a pixel too wide' => [EventType::PhotoTaken, ['width' => 1601], 'width'];
        yield 'no height' => [EventType::PhotoTaken, ['height' => 0], 'width'];
        yield 'a kind nobody knows' => [EventType::PhotoTaken, ['shot' => 'during'], 'shot'];
        yield 'a reading nobody asked for' => [EventType::PhotoTaken, ['field' => 'gap_of_nothing'], 'field'];
        yield 'a step of another sheet' => [EventType::PhotoTaken, ['step' => 'nowhere'], 'step'];
        yield 'a shape nobody knows' => [EventType::PhotoMarked, ['kind' => 'cloud'], 'kind'];
        yield 'beside the picture' => [EventType::PhotoMarked, ['x' => 1.001], 'x'];
        yield 'before the picture' => [EventType::PhotoMarked, ['to_y' => -0.001], 'to_y'];
        yield 'words on a ring' => [EventType::PhotoMarked, ['text' => 'here'], 'text'];
        yield 'a number without one' => [EventType::PhotoMarked, ['kind' => 'number'], 'text'];
        yield 'a letter too many' => [EventType::PhotoMarked, ['kind' => 'text', 'text' => str_repeat('a', 61)], 'text'];
        yield 'a picture of another fit' => [EventType::PhotoMarked, ['photo' => '01ZZZZZZZZZZZZZZZZZZZZZZZZ'], 'photo'];
    }

    public function testSixtyMarksAreEnough(): void
    {
        $photo = $this->take($this->step('belt-off')->id);
        for ($i = 0; $i < 60; ++$i) {
            self::assertSame('', $this->sent(EventType::PhotoMarked, self::ring($photo)));
        }
        self::assertStringContainsString('60 marks', $this->sent(EventType::PhotoMarked, self::ring($photo)));
    }

    public function testOnlyAProofHoldsAStepAndOnlyOneThatSaysSo(): void
    {
        foreach ([PictureRequest::Before, PictureRequest::After, PictureRequest::Proof] as $shot) {
            $fit = $this->asking('belt-off', $shot);
            $step = $fit->sheet->step('belt-off') ?? self::fail('no such step');
            self::assertSame($shot, (new Pictures($fit))->wanted($step));
            self::assertSame(PictureRequest::Proof === $shot ? ['no-picture'] : [], self::codes($fit, $step));
            // Any picture is not that picture.
            $fit = $fit->then($this->event(EventType::PhotoTaken, $this->photo('belt-off', '')));
            self::assertSame($shot, (new Pictures($fit))->wanted($step));
            $fit = $fit->then($this->event(EventType::PhotoTaken, $this->photo('belt-off', $shot->value)));
            self::assertNull((new Pictures($fit))->wanted($step));
            self::assertSame([], self::codes($fit, $step));
        }
    }

    public function testOfTwoThatAskAProofIsTheHarder(): void
    {
        $of = static fn (?PictureRequest $shot): Asking => new Asking(shot: $shot);
        self::assertSame(PictureRequest::Proof, $of(PictureRequest::Before)->and($of(PictureRequest::Proof))->shot);
        self::assertSame(PictureRequest::Proof, $of(PictureRequest::Proof)->and($of(PictureRequest::Before))->shot);
        self::assertSame(PictureRequest::After, $of(null)->and($of(PictureRequest::After))->shot);
        self::assertNull($of(null)->and($of(null))->shot);
    }

    public function testWhatIsAskedOutlivesTheSheetBeingWrittenAndRead(): void
    {
        $asked = array_filter($this->fit->sheet->steps, static fn (Step $step): bool => null !== $step->asking->shot);
        self::assertNotSame([], $asked);
        $again = Sheet::read(Node::of($this->fit->sheet->toArray()));
        foreach ($asked as $step) {
            self::assertSame($step->asking->shot, $again->step($step->id)?->asking->shot);
        }
    }

    public function testAnArrowPointsWhereItWasDragged(): void
    {
        $arrow = ['kind' => 'arrow', 'x' => 0.1, 'y' => 0.5, 'to_x' => 0.6, 'to_y' => 0.5];
        $mark = $this->event(EventType::PhotoMarked, $arrow + self::ring('x'));
        $drawn = MarkDrawing::of($mark, 1000, 400);
        self::assertSame([100.0, 200.0, 600.0, 200.0, 500.0], [$drawn->x, $drawn->y, $drawn->toX, $drawn->toY, $drawn->radius]);
        self::assertSame([600.0, 200.0], $drawn->head[0]);
        // Both barbs lie behind the point, one on either side of the shaft.
        foreach ([1 => -1.0, 2 => 1.0] as $i => $side) {
            self::assertLessThan(600.0, $drawn->head[$i][0]);
            self::assertGreaterThan(0.0, $side * ($drawn->head[$i][1] - 200.0));
        }
        self::assertSame([], MarkDrawing::of($this->event(EventType::PhotoMarked, self::ring('x')), 1000, 400)->head);
        self::assertSame(4.55, MarkDrawing::unit(400, 1000), 'as thick on one that stands as on one that lies');
    }

    /** @return array<string, string|float> */
    private static function ring(string $photo): array
    {
        return ['photo' => $photo, 'kind' => 'ring', 'x' => 0.4, 'y' => 0.4, 'to_x' => 0.5, 'to_y' => 0.5];
    }

    /** @return array<string, string|int> */
    private function photo(string $step, string $shot): array
    {
        return ['step' => $step, 'hash' => self::HASH, 'width' => 1600, 'height' => 1200, 'shot' => $shot];
    }

    private function take(string $step, string $shot = ''): string
    {
        $event = $this->event(EventType::PhotoTaken, $this->photo($step, $shot));
        (new Law($this->fit, Authority::Mechanic, $this->at))->ensure($event);
        $this->fit = $this->fit->then($event);

        return $event->id;
    }

    /** @param array<string, string|int|float> $payload */
    private function sent(EventType $type, array $payload): string
    {
        try {
            $this->fit = $this->fit->then($this->ensure($type, $payload));

            return '';
        } catch (InvalidEvent $e) {
            return $e->getMessage();
        }
    }

    /** @param array<string, string|int|float> $payload */
    private function ensure(EventType $type, array $payload): FitEvent
    {
        $event = $this->event($type, $payload);
        (new Law($this->fit, Authority::Mechanic, $this->at))->ensure($event);

        return $event;
    }

    /** @param array<string, string|int|float> $payload */
    private function event(EventType $type, array $payload): FitEvent
    {
        return FitEvent::of(sprintf('01HZZZZZZZ%016d', ++$this->made), $type, $payload, 'Joss', $this->at);
    }

    private function step(string $id): Step
    {
        return $this->fit->sheet->step($id) ?? self::fail($id);
    }

    /** @return list<string> */
    private static function codes(Fit $fit, Step $step): array
    {
        return array_values(array_filter(
            array_map(static fn (Obstacle $one): string => $one->code, Gate::at($fit)->within($step)),
            static fn (string $code): bool => 'no-picture' === $code,
        ));
    }

    private function asking(string $id, PictureRequest $shot): Fit
    {
        $asks = static fn (Step $step): Step => $step->id === $id ? $step->with(shot: $shot) : $step;

        return new Fit(
            Sheets::of(array_map($asks, $this->fit->sheet->steps), [], $this->fit->sheet), $this->fit->vehicle, FitState::none(),
        );
    }

    private static function plan(string $vehicle, string $procedure): Fit
    {
        $sheet = Sheets::vehicle($vehicle);

        return new Fit((new Compiler(Sheets::common()))->compile(
            [Sheets::procedure($procedure)], new Choices([]), $sheet, new Kit([], []),
        ), $sheet, FitState::none());
    }
}
