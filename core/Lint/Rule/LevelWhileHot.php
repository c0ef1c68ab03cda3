<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** The cold level is booked or checked with no cool-down before it: no-cool-down. */
final readonly class LevelWhileHot implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->moments as [$step, $rig]) {
            if ('level' === $step->asking->followUp->kind && $rig->ran && !$rig->cold) {
                yield Finding::watch(
                    'no-cool-down', $step->id,
                    'The engine has run and nothing lets it cool down before the cold level is looked at.',
                    'Add a cool-down before this step.',
                );
            }
        }
    }
}
