<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use Symfony\Component\HttpFoundation\Request;

/** What kind of answer a request wants. */
final readonly class Htmx
{
    public static function wantsFragment(Request $request): bool
    {
        return 'partial' === $request->headers->get('HX-Request-Type');
    }
}
