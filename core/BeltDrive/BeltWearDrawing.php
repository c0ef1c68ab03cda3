<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** Each part that was looked at as a strip of three fields, sound, soon, now; marked where it stands. */
final readonly class BeltWearDrawing
{
    /** @param list<array{part: string, when: string}> $rows */
    private function __construct(public array $rows)
    {
    }

    public static function of(DriveWear $wear): self
    {
        return new self(array_map(
            static fn (string $part): array => ['part' => $part, 'when' => $wear->when($part)->value], $wear->parts(),
        ));
    }
}
