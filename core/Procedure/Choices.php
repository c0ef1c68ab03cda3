<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

/** What was answered and which ways were chosen: question or way group => option. */
final readonly class Choices
{
    /** @param array<string, string> $chosen */
    public function __construct(public array $chosen)
    {
    }

    public function of(string $group): string
    {
        return $this->chosen[$group] ?? '';
    }

    /** @param array<string, list<string>> $when every group must stand on one of its options */
    public function satisfy(array $when): bool
    {
        foreach ($when as $group => $options) {
            if (!in_array($this->of($group), $options, true)) {
                return false;
            }
        }

        return true;
    }
}
