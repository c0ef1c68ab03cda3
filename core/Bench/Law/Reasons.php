<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

/** The words of a reason, without what stands between them: by these it is long enough, and another than the last. */
final readonly class Reasons
{
    /** @return list<string> */
    public static function words(string $text): array
    {
        preg_match_all('/\p{L}[\p{L}\p{M}\p{N}’\'-]*/u', mb_strtolower($text), $found);

        return $found[0];
    }
}
