<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\Measured;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Quantity\Digits;

/** A measured figure: what was written, its value in the base unit of its kind, and the event it came with. */
final readonly class Reading
{
    /** How the text of a reading ends that a curve says. */
    public const FROM_CURVE = ', from the curve';

    public function __construct(
        public string $text,
        public float $value,
        public string $unit,
        public string $by,
        public \DateTimeImmutable $at,
        public FitEvent $event,
    ) {
    }

    /** How it is told: read off a picture, by how much it may be wrong. */
    public function said(): string
    {
        return $this->isFromPhoto() ? sprintf(
            '%s, off a picture, give or take %s', $this->text, $this->doubt(),
        ) : $this->text;
    }

    /** By how much it may be wrong, in digits; empty where it was not read off a picture. */
    public function doubt(): string
    {
        return $this->isFromPhoto() ? Digits::significant($this->event->as(Measured::class)->doubt, 2, true) : '';
    }

    public function isFromPhoto(): bool
    {
        return '' !== $this->event->as(Measured::class)->photo;
    }

    /** It lies within, and yet its doubt reaches outside. */
    public function mayBeOutside(Ask $ask): bool
    {
        $doubt = $this->isFromPhoto() ? $this->event->as(Measured::class)->doubt : 0.0;

        return !$ask->isOutside($this->value) && ($ask->isOutside($this->value - $doubt) || $ask->isOutside($this->value + $doubt));
    }

    public function isFromCurve(): bool
    {
        return str_ends_with($this->text, self::FROM_CURVE);
    }
}
