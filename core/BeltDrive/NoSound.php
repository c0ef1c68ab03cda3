<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\CoreException;

/** A recording that cannot be heard. */
final class NoSound extends \DomainException implements CoreException
{
    public static function notWav(): self
    {
        return new self('This is no WAV file. Save the recording as WAV, uncompressed.');
    }

    public static function unknownKind(): self
    {
        return new self('This kind of WAV is not read here: 8, 16, 24 or 32 bits, uncompressed, 2 to 192 kHz.');
    }

    public static function empty(): self
    {
        return new self('There is no sound in this file. Record once more, one pluck.');
    }

    public static function tooLong(): self
    {
        return new self(sprintf('This is longer than %d seconds. Cut it to the pluck.', (int) Recording::MOST_SECONDS));
    }
}
