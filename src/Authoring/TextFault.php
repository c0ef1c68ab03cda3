<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Authoring;

/** Something wrong in the text of a procedure: the line it stands on, counted from 1, 0 where it belongs to none. */
final readonly class TextFault
{
    public function __construct(public int $line, public string $said)
    {
    }
}
