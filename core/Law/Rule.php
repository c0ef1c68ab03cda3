<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law;

use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Sheet\Step;

/** One rule of the law: what it comes to at a step of a sheet, as rows that a plan, a bench or a tablet evaluates. */
interface Rule
{
    /** @return iterable<Row> */
    public function rows(Ground $ground, Step $step): iterable;
}
