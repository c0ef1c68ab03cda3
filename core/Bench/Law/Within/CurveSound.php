<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law\Within;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Law\Hindrance;
use NimbleKnuckle\Core\Bench\Law\Obstacle;
use NimbleKnuckle\Core\Bench\PressTask;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** The last curve of the step says stop. */
final readonly class CurveSound implements Hindrance
{
    public function of(Fit $fit, Step $step): iterable
    {
        $curve = $fit->state->curves[$step->id] ?? null;
        if ('stop' === $curve?->string('verdict')) {
            $finding = str_replace('-', ' ', $curve->string('finding'));
            $mend = match ($step->asking->sum) {
                PressTask::SUM => 'draw it off, look, measure, press it once more.',
                'leak-decay' => 'let it down, find it, mend it, test it once more.',
                'actuator-test' => 'put it right, or another one, and pump it up once more.',
                'boost-run' => 'find why, put it right, then a gentler run.',
                default => 'let it cool, put it right, warm it up once more.',
            };
            yield Obstacle::reason('curve', sprintf('The curve says %s: %s', $finding, $mend), $step->id);
        }
    }
}
