<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Document;

use NimbleKnuckle\Core\CoreException;

/** A document of one of our open formats is not as it must be; the path names the place. */
final class InvalidDocument extends \DomainException implements CoreException
{
    private function __construct(public readonly string $path, string $message)
    {
        parent::__construct($message);
    }

    public static function at(string $path, string $message): self
    {
        return new self($path, sprintf('At “%s”: %s', '' === $path ? 'the top' : $path, $message));
    }
}
