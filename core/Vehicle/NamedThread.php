<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A thread as the sheet writes it, and the one it is; or why nobody here knows it. */
final readonly class NamedThread
{
    private function __construct(public string $text, public ?Thread $known, public string $unknown)
    {
    }

    public static function read(string $text): self
    {
        if ('' === $text) {
            return new self('', null, 'No thread stands on the vehicle sheet.');
        }
        try {
            return new self($text, Thread::parse($text), '');
        } catch (InvalidInput $e) {
            return new self($text, null, $e->getMessage());
        }
    }
}
