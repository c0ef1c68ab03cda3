<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/**
 * Where the pitch line of a ribbed belt runs, in mm: be outside the effective diameter of a ribbed pulley, tb from the back of
 * the belt over a flat one. be and rib pitch by ISO 9982 and ISO 9981; tb is a working value.
 */
final readonly class BeltSection
{
    /** Section => rib pitch, be, tb. */
    private const KNOWN = [
        'PH' => [1.6, 0.8, 0.8], 'PJ' => [2.34, 1.2, 1.0], 'PK' => [3.56, 2.0, 1.2], 'PL' => [4.7, 3.0, 2.0], 'PM' => [9.4, 4.0, 3.5],
    ];
    public const COMMON = 'PK';
    /** Degrees, between the flanks of a groove (ISO 9982). */
    public const GROOVE = 40.0;

    /** @param float $pitch from rib to rib */
    private function __construct(public string $name, public float $pitch, public float $be, public float $tb)
    {
    }

    /** Null for a section nobody here knows. */
    public static function named(string $name): ?self
    {
        $known = self::KNOWN[strtoupper(trim($name))] ?? null;

        return null === $known ? null : new self(strtoupper(trim($name)), ...$known);
    }

    public static function common(): self
    {
        return new self(self::COMMON, ...self::KNOWN[self::COMMON]);
    }

    public function with(?float $be, ?float $tb): self
    {
        return new self($this->name, $this->pitch, $be ?? $this->be, $tb ?? $this->tb);
    }

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys(self::KNOWN);
    }
}
