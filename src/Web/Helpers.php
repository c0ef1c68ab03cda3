<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use NimbleKnuckle\Core\Fluids\CanDrawing;
use NimbleKnuckle\Core\Sum\SumResult;
use Symfony\Component\Uid\Ulid;
use Twig\Attribute\AsTwigFunction;

/** What templates ask for besides formats. */
final readonly class Helpers
{
    /** The id of the event a form will make, so that sending the form twice makes one event. */
    #[AsTwigFunction('new_ulid')]
    public static function newUlid(): string
    {
        return (string) new Ulid();
    }

    #[AsTwigFunction('can')]
    public static function can(SumResult $mix, float $capacity): CanDrawing
    {
        return CanDrawing::of($mix, $capacity);
    }
}
