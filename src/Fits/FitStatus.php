<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fits;

enum FitStatus: string
{
    case Planned = 'planned';
    case InHand = 'in-hand';
    case Signed = 'signed';

    public function label(): string
    {
        return str_replace('-', ' ', $this->value);
    }
}
