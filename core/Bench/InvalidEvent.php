<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench;

use NimbleKnuckle\Core\CoreException;

/** Something that cannot have happened like this; the sentence tells what is missing. */
final class InvalidEvent extends \DomainException implements CoreException
{
    private function __construct(public readonly string $field, string $message)
    {
        parent::__construct($message);
    }

    public static function in(string $field, string $message): self
    {
        return new self($field, $message);
    }

    /** @param list<string> $reasons */
    public static function dueToGate(array $reasons): self
    {
        return new self('step', implode(' ', $reasons));
    }
}
