<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core;

/** Every error the core raises on purpose carries this mark. */
interface CoreException extends \Throwable
{
}
