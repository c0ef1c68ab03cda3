<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\BeltDrive\RouteDrawing;

/** The way of a belt that comes off or goes on, where it was drawn for this vehicle. */
final readonly class Belted implements Shown
{
    public function __construct(public ?RouteDrawing $belt)
    {
    }
}
