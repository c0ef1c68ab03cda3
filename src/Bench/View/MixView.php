<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\Task\MixFromBench;
use NimbleKnuckle\Core\Fluids\CanDrawing;
use NimbleKnuckle\Core\Fluids\Door\CoolantMix;
use NimbleKnuckle\Core\Sum\SumResult;

/** The mix as a step shows it: the answer with its working and the can, or what is missing. */
final readonly class MixView
{
    private function __construct(public ?SumResult $result, public ?CanDrawing $can, public string $missing)
    {
    }

    public static function of(MixFromBench $mix): self
    {
        return null === $mix->mix ? new self(null, null, $mix->missing) : new self(
            (new CoolantMix())->said($mix->mix, $mix->isIncompatible), CanDrawing::of($mix->mix), '',
        );
    }
}
