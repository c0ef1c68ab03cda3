<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Sheet\Finding;

/** A control unit is flashed with no key-off wait before it: flash-without-wait. */
final readonly class FlashWithoutWait implements Rule
{
    public function inspect(Run $run): iterable
    {
        foreach ($run->moments as [$step, $rig]) {
            if (in_array('flash', $step->tags, true) && !isset($rig->tagged['key-off-wait'])) {
                yield Finding::stop(
                    'flash-without-wait', $step->id, 'The control unit is written here without the key-off wait it needs.',
                    'Add the wait with the key off before this step.',
                );
            }
        }
    }
}
