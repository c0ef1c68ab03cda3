<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** One calculation, usable alone and inside a step. Page, bench, command line and JSON API are doors to this. */
interface Sum
{
    public function about(): About;

    public function headline(SumResult $r): Headline;

    /** @return array{0: string, 1: object}|null which drawing it is, and what is drawn */
    public function drawing(Inputs $in, SumResult $r): ?array;

    /** @throws InvalidInput naming the field and the remedy */
    public function compute(Inputs $in): SumResult;
}
