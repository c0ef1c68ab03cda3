<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Photo\MarkDrawing;
use NimbleKnuckle\Core\Plan\Procedure\Shot;

/** A picture as it is shown: what it is of, who took it, what is drawn on it. */
final readonly class PhotoView
{
    /** @param list<MarkDrawing> $marks */
    private function __construct(
        public string $id,
        public string $fit,
        public string $step,
        public string $title,
        public string $shot,
        public string $text,
        public string $by,
        public \DateTimeImmutable $at,
        public int $width,
        public int $height,
        public float $unit,
        public array $marks,
        public string $hash,
    ) {
    }

    public static function of(Fit $fit, string $fitId, FitEvent $photo): self
    {
        [$width, $height] = [$photo->int('width'), $photo->int('height')];

        return new self(
            $photo->id, $fitId, $photo->string('step'), $fit->sheet->step($photo->string('step'))->words->title ?? '',
            Shot::tryFrom($photo->string('shot'))?->label() ?? '', $photo->string('text'), $photo->said(), $photo->at,
            $width, $height, MarkDrawing::unit($width, $height),
            array_map(
                static fn (FitEvent $mark): MarkDrawing => MarkDrawing::of($mark, $width, $height),
                $fit->state->photoMarks[$photo->id] ?? [],
            ),
            $photo->string('hash'),
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
        $shot = '' === $this->shot ? '' : ucfirst($this->shot).': ';

        return $shot.('' === $this->text ? $this->title : $this->text);
    }
}
