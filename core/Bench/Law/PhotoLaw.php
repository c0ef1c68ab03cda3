<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\Photo\MarkKind;
use NimbleKnuckle\Core\Plan\Procedure\Ask;
use NimbleKnuckle\Core\Plan\Procedure\Shot;

/** A picture belongs to a step; what is drawn on one lies on it, in shares of its width and height. */
final readonly class PhotoLaw
{
    /** Pixels of the longer side. */
    public const MOST_PX = 1600;
    private const MOST_MARKS = 60;
    private const LONGEST_TEXT = 60;

    public function __construct(private Fit $fit)
    {
    }

    /** @throws InvalidEvent */
    public function ensure(FitEvent $event): void
    {
        EventType::PhotoTaken === $event->type ? $this->ensurePhoto($event) : $this->ensureMark($event);
    }

    private function ensurePhoto(FitEvent $event): void
    {
        1 === preg_match('/\A[0-9a-f]{64}\z/', $event->string('hash')) || throw InvalidEvent::in(
            'hash', 'A picture goes by the SHA-256 of its file.',
        );
        $long = max($event->int('width'), $event->int('height'));
        min($event->int('width'), $event->int('height')) > 0 && $long <= self::MOST_PX || throw InvalidEvent::in(
            'width', sprintf('A picture has 1 to %d pixels each way.', self::MOST_PX),
        );
        '' === $event->string('shot') || null !== Shot::tryFrom($event->string('shot')) || throw InvalidEvent::in(
            'shot', 'A picture shows how it was before, how it is after, or proves something.',
        );
        $fields = array_map(
            static fn (Ask $ask): string => $ask->field, $this->fit->sheet->step($event->string('step'))->asking->asks ?? [],
        );
        '' === $event->string('field') || in_array($event->string('field'), $fields, true) || throw InvalidEvent::in(
            'field', 'This step does not ask for that.',
        );
    }

    private function ensureMark(FitEvent $event): void
    {
        $photo = $event->string('photo');
        isset($this->fit->state->photos[$photo]) || throw InvalidEvent::in('photo', 'There is no such picture in this fit.');
        count($this->fit->state->photoMarks[$photo] ?? []) < self::MOST_MARKS || throw InvalidEvent::in(
            'photo', sprintf('%d marks are enough for one picture: take another one.', self::MOST_MARKS),
        );
        $kind = MarkKind::tryFrom($event->string('kind')) ?? throw InvalidEvent::in(
            'kind', sprintf('What is drawn is one of %s.', implode(', ', array_column(MarkKind::cases(), 'value'))),
        );
        foreach (['x', 'y', 'to_x', 'to_y'] as $name) {
            $event->float($name) >= 0.0 && $event->float($name) <= 1.0 || throw InvalidEvent::in($name, 'That lies beside the picture.');
        }
        $text = $event->string('text');
        $kind->isWritten() === ('' !== $text) || throw InvalidEvent::in(
            'text', $kind->isWritten() ? 'Write what it says.' : 'Nothing is written on that; put a text beside it.',
        );
        mb_strlen($text) <= self::LONGEST_TEXT || throw InvalidEvent::in(
            'text', sprintf('At most %d letters fit on a picture.', self::LONGEST_TEXT),
        );
    }
}
