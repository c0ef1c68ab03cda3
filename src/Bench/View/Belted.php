<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\BeltDrive\BeltDrawing;
use NimbleKnuckle\Core\BeltDrive\RouteDrawing;

/** A belt that was drawn for this vehicle: its way where it comes off or goes on, how it stands where it is measured. */
final readonly class Belted implements Shown
{
    public function __construct(public ?RouteDrawing $belt, public ?BeltDrawing $board)
    {
    }
}
