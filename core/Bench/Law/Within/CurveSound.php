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
            $mend = PressTask::SUM === $step->asking->sum
                ? 'draw it off, look, measure, press it once more.'
                : 'let it cool, put it right, warm it up once more.';
            yield Obstacle::reason('curve', sprintf('The curve says %s: %s', $finding, $mend), $step->id);
        }
    }
}
