<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** There is nothing to do: empty-sheet. */
final readonly class EmptySheet implements Rule
{
    public function inspect(Run $run): iterable
    {
        if ([] === $run->sheet->steps) {
            yield Finding::stop(
                'empty-sheet', '', 'No step came out of these procedures and answers.',
                'Choose another procedure, or answer the questions again.',
            );
        }
    }
}
