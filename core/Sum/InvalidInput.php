<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

use NimbleKnuckle\Core\CoreException;

/** One field of a sum cannot be used; the message tells what to put there. */
final class InvalidInput extends \DomainException implements CoreException
{
    private function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }

    public static function in(string $field, string $message): self
    {
        return new self($field, $message);
    }

    public static function missing(string $field, string $example): self
    {
        return new self($field, sprintf('“%s” is needed, for example %s.', $field, $example));
    }
}
