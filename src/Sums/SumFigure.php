<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\Core\Fastening\TorqueBars;
use NimbleKnuckle\Core\Fastening\WrenchDrawing;
use NimbleKnuckle\Core\Fluids\CanDrawing;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;

/** The drawing that belongs to a sum, made from its own numbers. */
final readonly class SumFigure
{
    /** @param array<string, mixed> $raw */
    public function of(Sum $sum, array $raw, SumResult $result): TorqueBars|WrenchDrawing|CanDrawing|null
    {
        $in = Inputs::of($raw, $sum->fields());

        return match ($sum->name()) {
            'torque-check' => TorqueBars::of($in->statement('stated', Kind::Torque), $result->has('utilisation') ? $result->number('torque') / max(1e-9, $result->number('utilisation') / 100) : 0.0),
            'wrench-set' => WrenchDrawing::of($in->number('lever', Kind::Length), $in->number('adapter', Kind::Length), $in->has('adapter_angle') ? $in->number('adapter_angle', Kind::Angle) : 0.0),
            'coolant-mix' => CanDrawing::of($result, $in->number('capacity', Kind::Volume)),
            default => null,
        };
    }
}
