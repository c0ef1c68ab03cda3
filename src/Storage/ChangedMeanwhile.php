<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use NimbleKnuckle\Core\CoreException;

/** Somebody else changed the same thing since the form was opened: what it is now is shown beside what was typed. */
final class ChangedMeanwhile extends \DomainException implements CoreException
{
    /** @param array<array-key, mixed>|null $now what it is now; null when it is gone */
    private function __construct(string $message, public readonly ?array $now, public readonly string $seen)
    {
        parent::__construct($message);
    }

    /** @param array<array-key, mixed>|null $now */
    public static function to(string $what, ?array $now): self
    {
        $said = null === $now
            ? '%s was deleted meanwhile. Save again to enter it anew.'
            : '%s was changed meanwhile, or is entered already. Look at both, then save again to replace what is there.';

        return new self(sprintf($said, $what), $now, self::mark($now));
    }

    /**
     * A mark of a thing as it is; empty for one that is not there.
     *
     * @param array<array-key, mixed>|null $thing
     */
    public static function mark(?array $thing): string
    {
        return null === $thing ? '' : hash('xxh64', json_encode($thing, \JSON_THROW_ON_ERROR));
    }
}
