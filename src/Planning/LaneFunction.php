<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\Core\Sheet\Lane;
use NimbleKnuckle\Core\Sheet\Sheet;
use Twig\Attribute\AsTwigFilter;
use Twig\Attribute\AsTwigFunction;

final readonly class LaneFunction
{
    #[AsTwigFunction('lane')]
    public static function lane(Sheet $sheet): Lane
    {
        return Lane::of($sheet);
    }

    /** An svg as the source of an image, for the PDF. */
    #[AsTwigFilter('as_image')]
    public static function asImage(string|\Stringable $svg): string
    {
        return 'data:image/svg+xml;base64,'.base64_encode((string) $svg);
    }
}
