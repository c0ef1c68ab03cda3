<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Fact;

/** Says how something came to be known, which only the server knows: no tablet sends it. */
#[\Attribute(\Attribute::TARGET_PARAMETER | \Attribute::TARGET_PROPERTY)]
final readonly class FromServer
{
}
