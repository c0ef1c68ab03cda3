<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Quantity\Length;

/** A free span between two pulleys, plucked in its middle; in a frame of 640, the span to its own scale. */
final readonly class NoteDrawing
{
    private function __construct(public string $up, public string $down, public float $span, public float $note)
    {
    }

    /** @param float $note Hz */
    public static function of(Length $span, float $note): self
    {
        $swing = static fn (float $high): string => sprintf('M120 150 Q320 %.1F 520 150', 150 + $high);

        return new self($swing(-90.0), $swing(90.0), $span->millimetres, $note);
    }
}
