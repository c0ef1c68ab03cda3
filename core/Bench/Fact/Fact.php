<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/**
 * What an event says: one class a kind, and its constructor is the list of its fields, by name, kind and whether they may be absent.
 * On paper and in the log a field is written small, with _ between its words.
 */
interface Fact
{
}
