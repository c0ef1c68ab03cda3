<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Share;

/** An estimated torque as a fan: what preload it may come to over friction, against yield. kN over friction. */
final readonly class PreloadDrawing
{
    public static function of(EstimatedTorque $estimate): Plot
    {
        $bolt = $estimate->bolt;
        $f = $bolt->friction;
        [$low, $high] = $f->low < $f->high ? [$f->low, $f->high] : [max(0.05, $f->typical - 0.04), $f->typical + 0.04];
        [$from, $to] = [max(0.04, $low - 0.03), $high + 0.03];
        $clamp = [];
        $yield = [];
        for ($i = 0; $i <= 24; ++$i) {
            $mu = $from + ($to - $from) * $i / 24;
            $clamp[] = [$mu, $bolt->preload()->fromTorque($estimate->torque, $mu, $f->head($mu))->kilonewtons()];
            $yield[] = [$mu, $bolt->preload()->atShareOfYield(Share::whole(), $mu)->kilonewtons()];
        }
        $preload = $estimate->preload->kilonewtons();

        return Plot::over(
            sprintf(
                'At %.1f newton metres the preload is %.1f kilonewtons at typical friction, from %.1f to %.1f over the range of friction.',
                $estimate->torque->newtonMetres, $preload, $estimate->preloadLow()->kilonewtons(),
                $estimate->preloadHigh()->kilonewtons(),
            ),
            'friction', [$from, $to], 'kN', [0.0, 1.15 * max(array_column($yield, 1))],
        )
            ->area($f->low, max($f->low + 0.001, $f->high), 'window', true)
            ->line($yield, 'bad-line')
            ->line($clamp, 'trace')
            ->dot($f->typical, $preload, sprintf('%.1f kN', $preload))
            ->dot($from + 0.86 * ($to - $from), $yield[20][1], 'yield', 'none');
    }
}
