<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use NimbleKnuckle\Core\Bench\Fit;

/** What a fit that began with a complaint has to show for itself. */
final readonly class Proofs
{
    public function __construct(private ComplaintBook $book, private CauseShelf $shelf)
    {
    }

    /** Null where it began with no complaint. */
    public function of(string $fitId, Fit $fit): ?BeforeAfter
    {
        $record = $this->book->ofFit($fitId);
        $table = null === $record ? null : $this->shelf->all()[$record->symptom] ?? null;

        return null === $record || null === $table ? null : BeforeAfter::of($record, $table, ComplaintBook::after($fit));
    }
}
