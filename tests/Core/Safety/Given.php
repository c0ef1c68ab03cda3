<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Safety;

use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Facts;

/** Answers as they were laid down, by the atom and what it is asked of: “off pump”. */
final readonly class Given implements Facts
{
    /** @param array<string, bool|int|float|string|list<list<bool|int|float|string>>> $answers */
    public function __construct(private array $answers)
    {
    }

    public function answer(Atom $atom, array $of): bool|int|float|string|array
    {
        return $this->answers[implode(' ', [$atom->value, ...$of])] ?? false;
    }
}
