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

    /** Under which heading the list of sums has it. */
    public function group(): string;

    /** @return array<string, string> what stands in the fields when nothing was typed: something that shows something */
    public function example(): array;

    public function headline(SumResult $r): Headline;

    /** @return array{0: string, 1: object}|null which drawing it is, and what is drawn */
    public function drawing(Inputs $in, SumResult $r): ?array;

    /** @throws InvalidInput naming the field and the remedy */
    public function compute(Inputs $in): SumResult;
}
