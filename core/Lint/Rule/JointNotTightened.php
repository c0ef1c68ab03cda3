<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** A joint is undone and never tightened: joint-left-loose. */
final readonly class JointNotTightened implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->end->loose as $joint => $step) {
            $name = $run->vehicle->joints[$joint]->name ?? $joint;
            yield Finding::stop(
                'joint-left-loose', $step, sprintf('The %s are undone here and never tightened.', $name),
                sprintf('Add a step that tightens the %s.', $name),
            );
        }
    }
}
