<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

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

    public function isFromCurve(): bool
    {
        return str_ends_with($this->text, self::FROM_CURVE);
    }
}
