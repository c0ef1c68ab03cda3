<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Sheet\Finding;

/** An impact tool or a driver is used while the flywheel lock or timing pins are in: impact-on-lock. */
final readonly class ImpactOnTheLock implements Rule
{
    private const IMPACT = '~\bimpact|\bdriver\b~iu';

    public function inspect(Run $run): iterable
    {
        $isLocked = false;
        foreach ($run->sheet->steps as $step) {
            $isLocked = Nature::isLocked($step, $isLocked);
            $tools = array_filter($step->needs->tools, static fn (string $tool): bool => 1 === preg_match(self::IMPACT, $tool));
            if ($isLocked && [] !== $tools) {
                yield Finding::stop(
                    'impact-on-lock', $step->id, sprintf('The %s would hammer on the lock.', implode(' and the ', $tools)),
                    'A long bar, by hand; the torque wrench for the figure.',
                );
            }
        }
    }
}
