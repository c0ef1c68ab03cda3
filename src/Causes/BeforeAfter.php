<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use NimbleKnuckle\Core\Causes\CauseCheck;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\CheckFindings;
use NimbleKnuckle\Core\Causes\Proof;

/** The same checks twice, side by side: as they were when the cause was looked for, and as they are now. */
final readonly class BeforeAfter
{
    /** @param list<array{check: CauseCheck, before: string, after: string, isAsBefore: bool}> $rows */
    private function __construct(public ComplaintRecord $record, public CauseTable $table, public array $rows)
    {
    }

    /** @param array<string, string> $after check => as it was said */
    public static function of(ComplaintRecord $record, CauseTable $table, array $after): self
    {
        $found = CheckFindings::in($table, $record->answers, $record->readings);

        return new self($record, $table, array_map(static fn (CauseCheck $check): array => [
            'check' => $check, 'before' => $found->said($check), 'after' => $after[$check->id] ?? '',
            'isAsBefore' => $found->isSame($check, $after[$check->id] ?? ''),
        ], Proof::of($table, $found, $record->cause)));
    }
}
