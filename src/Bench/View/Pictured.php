<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

/** The pictures of a step, as part of what the bench shows. */
final readonly class Pictured implements Shown
{
    public function __construct(public StepPictures $pictured)
    {
    }
}
