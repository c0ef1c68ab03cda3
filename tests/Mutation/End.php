<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Mutation;

/** How a run against a mutant came to its end. */
enum End
{
    case Passed;
    /** A failing assertion, or an error of a test. */
    case Failed;
    /** The process ended in the middle of a test: memory, or the depth of calls. */
    case Died;
    /** Longer than it may: tried once more with far more time, and then told apart, neither noticed nor unnoticed. */
    case TimedOut;
    /** A constant that cannot be worked out, a case twice: nothing ran, so nothing noticed it. */
    case Unloadable;
}
