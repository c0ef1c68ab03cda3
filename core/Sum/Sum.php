<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** One calculation, usable alone and inside a step. Page, bench, command line and JSON API are doors to this. */
interface Sum
{
    public function name(): string;

    /** One line: what it answers. */
    public function summary(): string;

    /** @return list<Field> */
    public function fields(): array;

    /** @throws InvalidInput naming the field and the remedy */
    public function compute(Inputs $in): SumResult;
}
