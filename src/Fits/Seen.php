<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

/** What a tablet went by when it made a mark: which law, and the log up to which number. Without either it was an older one. */
final readonly class Seen
{
    public function __construct(public string $law = '', public int $version = 0)
    {
    }

    /** A mark that says neither comes from an older tablet program, or from no tablet. */
    public function isSaid(): bool
    {
        return '' !== $this->law || $this->version > 0;
    }

    /** @param array<array-key, mixed> $one a mark as it was sent */
    public static function read(array $one): self
    {
        return new self(
            is_string($one['law'] ?? null) ? mb_substr($one['law'], 0, 40) : '', is_int($one['seen'] ?? null) ? max(0, $one['seen']) : 0,
        );
    }
}
