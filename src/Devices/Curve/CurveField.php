<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

/** One thing asked with a curve. */
final readonly class CurveField
{
    public function __construct(public string $name, public string $label, public string $value, public string $hint)
    {
    }
}
