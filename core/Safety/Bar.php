<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Safety;

/** How hard something stands in the way: noted only, passed with a reason, with a lead's reason, or not at all. */
enum Bar: int
{
    case Note = 0;
    case Reason = 1;
    case Lead = 2;
    case Never = 3;

    public function harder(self $that): self
    {
        return $that->value > $this->value ? $that : $this;
    }
}
