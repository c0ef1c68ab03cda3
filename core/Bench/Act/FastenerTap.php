<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Act;

use NimbleKnuckle\Core\Bench\Joint\TighteningStages;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Kit\WrenchAdvice;
use NimbleKnuckle\Core\Vehicle\Joint;

/** The mark a tap on a fastener makes, with the wrench it is done with, and its setting in N·m, where a figure is pulled. */
final readonly class FastenerTap
{
    /** @return array<string, string|int|float> */
    public static function mark(Joint $joint, int $bolt, int $stage, Kit $kit): array
    {
        $mark = ['type' => 'fastener-marked', 'joint' => $joint->id, 'bolt' => $bolt, 'stage' => $stage];
        $rung = TighteningStages::of($joint)->rung($stage);
        if ($rung->isByTorque() && $joint->hasFigure()) {
            $advice = WrenchAdvice::for($kit, $joint, $joint->torqueAt($rung->share));
            if ($advice->wrench instanceof Wrench && null !== $advice->setting) {
                $mark += ['wrench' => $advice->wrench->name, 'setting' => round($advice->setting->setting()->newtonMetres, 2)];
            }
        }

        return $mark;
    }
}
