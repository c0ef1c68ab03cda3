<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** One thing that can be wrong with a sheet. */
interface Rule
{
    /** @return iterable<Finding> */
    public function inspect(Run $run): iterable;
}
