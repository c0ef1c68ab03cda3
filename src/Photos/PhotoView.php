<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Photo\MarkDrawing;
use NimbleKnuckle\Core\Procedure\PictureRequest;

/** A picture as it is shown: what it is of, who took it, what is drawn on it. */
final readonly class PhotoView
{
    public string $id;
    public string $step;
    public string $by;
    public \DateTimeImmutable $at;
    public int $width;
    public int $height;
    public float $unit;

    /** @param list<MarkDrawing> $marks */
    private function __construct(private FitEvent $event, public string $fit, public string $title, public array $marks)
    {
        [$this->id, $this->step, $this->by, $this->at] = [$event->id, $event->step(), $event->witness(), $event->at];
        [$this->width, $this->height] = [$event->int('width'), $event->int('height')];
        $this->unit = MarkDrawing::unit($this->width, $this->height);
    }

    public static function of(Fit $fit, string $fitId, FitEvent $photo): self
    {
        return new self(
            $photo, $fitId, $fit->sheet->step($photo->step())->words->title ?? '',
            array_map(
                static fn (FitEvent $mark): MarkDrawing => MarkDrawing::of($mark, $photo->int('width'), $photo->int('height')),
                $fit->state->photoMarks[$photo->id] ?? [],
            ),
        );
    }

    /**
     * @param list<FitEvent> $photos
     *
     * @return list<self>
     */
    public static function all(Fit $fit, string $fitId, array $photos): array
    {
        return array_map(static fn (FitEvent $photo): self => self::of($fit, $fitId, $photo), $photos);
    }

    /** What it shows, in a few words. */
    public function caption(): string
    {
        $shot = PictureRequest::tryFrom($this->event->string('shot'));
        $text = $this->event->string('text');

        return (null === $shot ? '' : ucfirst($shot->label()).': ').('' === $text ? $this->title : $text);
    }
}
