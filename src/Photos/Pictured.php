<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Photos;

use NimbleKnuckle\App\Bench\View\Shown;

/** The pictures of a step, as part of what the bench shows. */
final readonly class Pictured implements Shown
{
    public function __construct(public StepPictures $pictured)
    {
    }
}
