<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Mutation;

/** Places where no change can be noticed: a path or how one begins, a piece of the line with «the place» marked, and why. */
final readonly class Alike
{
    /** @param list<array{string, string}> $alike */
    private function __construct(private array $alike)
    {
    }

    public static function read(string $file): self
    {
        $alike = [];
        foreach (file($file, \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            $parts = explode("\t", $line);
            if (!str_starts_with($line, '#') && 3 === count($parts)) {
                $alike[] = [$parts[0], $parts[1]];
            }
        }

        return new self($alike);
    }

    public function has(Place $place): bool
    {
        foreach ($this->alike as [$where, $piece]) {
            if (str_starts_with($place->path, $where) && str_contains($place->marked(), $piece)) {
                return true;
            }
        }

        return false;
    }
}
