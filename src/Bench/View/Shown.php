<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

/** Something the bench shows of a step: what its templates name are the properties of these. */
interface Shown
{
}
